<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import dayjs from 'dayjs'
import {
  CAUTIONS,
  DRIPS_SAID,
  LEAK_TESTS,
  LEAK_TEST_SAID,
  sayIn,
  type Drawing,
  type Drip,
  type LeakTestKind,
  type LeakTraced,
} from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import PickOne from '../../pieces/PickOne.vue'
import { useBoats } from '../../state/boats'
import { useSession } from '../../state/session'

/** One drip: where it most likely comes in and why, the next test that tells most, those made. */
const props = defineProps<{ id: number }>()
const emit = defineEmits<{ back: [] }>()
interface Traced {
  leak: {
    id: number
    whereSeen: string
    drip: Drip
    state: 'open' | 'found' | 'elsewhere' | 'left'
    cause: string
    version: number
    endedBy: string | null
    endedAt: string | null
  }
  traced: LeakTraced | null
  drawing: Drawing | null
  tests: {
    id: number
    kind: LeakTestKind
    on: string[]
    minutes: number
    wet: boolean
    delayMin: number | null
    note: string
    who: string
    at: string
    withdrawnWhy: string | null
  }[]
  things: { id: string; name: string }[]
}
const boats = useBoats()
const session = useSession()
const { said, path, busy, attempt } = useAttempt()
const now = ref<Traced | null>(null)
const load = () => attempt(async () => void (now.value = await api<Traced>('GET', `/leaks/${props.id}`)))
watch(() => props.id, load, { immediate: true })
const may = computed(() => session.may('work', boats.picture?.id) && now.value?.leak.state === 'open')
const t = computed(() => now.value?.traced ?? null)
const nameOf = computed(() => new Map((now.value?.things ?? []).map((x) => [x.id, x.name])))
const form = reactive({
  kind: 'hose' as LeakTestKind,
  on: [] as string[],
  minutes: null as number | null,
  wet: '' as '' | 'wet' | 'dry',
  delayMin: null as number | null,
  note: '',
})
/** The one that is proposed stands in the form until somebody makes another. */
watch(
  () => t.value?.next,
  (n) => {
    if (n) Object.assign(form, { kind: n.kind, on: n.on.map((x) => x.id), minutes: n.minutes })
    Object.assign(form, { wet: '', delayMin: null, note: '' })
  },
)
const kinds = LEAK_TESTS.map((value) => ({ value, title: LEAK_TEST_SAID[value] }))
async function test() {
  await attempt(async (key) => {
    now.value = await api<Traced>(
      'POST',
      `/leaks/${props.id}/tests`,
      {
        kind: form.kind,
        on: form.on,
        minutes: form.minutes,
        wet: form.wet === 'wet',
        delayMin: form.wet === 'wet' ? form.delayMin : null,
        note: form.note,
      },
      key,
    )
  })
}
async function withdraw(id: number) {
  await attempt(async () => {
    now.value = await api<Traced>('POST', `/leaks/${props.id}/tests/${id}/withdraw`, {
      why: 'made by mistake',
    })
  })
}
const end = reactive({ why: '', cause: '' })
watch(
  () => t.value?.found,
  (f) => (end.cause = f ?? ''),
)
async function finish(as: 'found' | 'elsewhere' | 'left') {
  await attempt(async () => {
    now.value = await api<Traced>('POST', `/leaks/${props.id}/end`, {
      version: now.value!.leak.version,
      as,
      causeId: as === 'found' ? end.cause : null,
      why: end.why,
    })
  })
  if (!said.value) await boats.refresh()
}
async function see(id: string, what: 'loose' | 'gap', on: boolean) {
  const { whereSeen, drip, version } = now.value!.leak
  const seen = { ...drip.seen, [id]: { ...drip.seen[id], [what]: on } }
  await attempt(async () => {
    now.value = await api<Traced>('PUT', `/leaks/${props.id}`, { version, whereSeen, ...drip, seen })
  })
}
const percent = (p: number) => `${Math.round(100 * p)} %`
const cautions = computed(() =>
  (t.value?.cautions ?? []).map((id) => CAUTIONS.find((c) => c.id === id)?.text ?? id),
)
const bad = (p: string) => (path.value === p ? said.value : '')
</script>

<template>
  <article class="trace">
    <p class="no-print"><ElButton class="act small" @click="emit('back')">All drips</ElButton></p>
    <p v-if="said && !path" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!now && !said" :rows="8" animated />
    <template v-if="now">
      <h2>{{ now.leak.whereSeen }}, {{ DRIPS_SAID[now.leak.drip.when] }}</h2>
      <ElAlert
        v-if="now.leak.state !== 'open'"
        type="info"
        show-icon
        :closable="false"
        :title="
          now.leak.state === 'found'
            ? `It was ${now.leak.cause}`
            : now.leak.state === 'elsewhere'
              ? `Nothing that is on record: ${now.leak.cause}`
              : `Given up: ${now.leak.cause}`
        "
      />
      <p v-if="!t" class="soft">
        Nothing is on record that water could come in by: look there, and put it down.
      </p>
      <div v-else class="split">
        <div>
          <div class="picture">
            <DrawingView v-if="now.drawing" :drawing="now.drawing" :units="boats.units" scale-bar />
          </div>
          <p v-for="c in cautions" :key="c" class="small caution">{{ c }}</p>
          <section v-if="t.state === 'go-on' && t.next && now.leak.state === 'open'" class="next">
            <h3>Next: {{ LEAK_TEST_SAID[t.next.kind] }}</h3>
            <p>
              <strong>{{ t.next.on.map((x) => x.name).join(', then ') }}</strong>,
              {{ Math.ceil(t.next.minutes) }} minutes each with somebody watching inside, dry, with chalk or
              tissue. Wet about {{ percent(t.next.wetChance) }} of the time.
            </p>
            <p class="small">
              Wet: {{ t.next.ifWet.leads }}, {{ t.next.ifWet.said
              }}{{
                t.next.ifWet.rulesOut.length ? `; rules out ${t.next.ifWet.rulesOut.join(', ')}` : ''
              }}.<br />
              Dry: {{ t.next.ifDry.leads }}, {{ t.next.ifDry.said
              }}{{ t.next.ifDry.rulesOut.length ? `; rules out ${t.next.ifDry.rulesOut.join(', ')}` : '' }}.
            </p>
          </section>
          <p v-else-if="t.state === 'elsewhere' && now.leak.state === 'open'">
            <strong>Not on record: look here.</strong> What is listed does not explain it; measure what else
            stands near, put it down as found, and look again.
          </p>
        </div>
        <div class="side">
          <h3>Where it may come in</h3>
          <ol class="ranked">
            <li v-for="r in t.ranked" :key="r.id" :class="{ out: r.probability < 0.02 }">
              <div class="head">
                <RouterLink v-if="r.kind" :to="benchOf({ kind: r.kind, id: r.id })">{{
                  r.name
                }}</RouterLink><span v-else>{{ r.name }}</span
                ><strong
                  >{{ r.said }} <span class="figure">{{ percent(r.probability) }}</span></strong
                >
              </div>
              <p class="small soft">
                {{
                  [
                    r.way,
                    ...r.reasons
                      .slice(0, 3)
                      .map((x) =>
                        x.for ? sayIn(x.text, boats.units) : `Against: ${sayIn(x.text, boats.units)}`,
                      ),
                  ]
                    .filter(Boolean)
                    .join(' ')
                }}
              </p>
              <p v-if="may && r.kind" class="small no-print">
                <ElCheckbox
                  :model-value="now.leak.drip.seen[r.id]?.loose ?? false"
                  @update:model-value="see(r.id, 'loose', !!$event)"
                  >it moves</ElCheckbox
                >
                <ElCheckbox
                  :model-value="now.leak.drip.seen[r.id]?.gap ?? false"
                  @update:model-value="see(r.id, 'gap', !!$event)"
                  >a gap is seen</ElCheckbox
                >
              </p>
            </li>
          </ol>
        </div>
      </div>
      <ElForm
        v-if="may && t"
        label-position="top"
        class="test no-print"
        aria-label="A test"
        @submit.prevent="test"
      >
        <h3>A test that was made</h3>
        <ElFormItem label="How"><PickOne v-model="form.kind" label="How" :options="kinds" /></ElFormItem>
        <ElFormItem label="On what" :error="path.startsWith('on') ? said : ''">
          <ElSelect
            v-model="form.on"
            multiple
            filterable
            aria-label="On what"
            collapse-tags
            :max-collapse-tags="2"
          >
            <ElOption v-for="x in now.things" :key="x.id" :value="x.id" :label="x.name" />
          </ElSelect>
        </ElFormItem>
        <DimensionField
          v-model="form.minutes"
          label="Minutes, first water to last look"
          kind="number"
          unit="min"
          :units="boats.units"
          above
          :problem="bad('minutes') || null"
        />
        <ElFormItem label="Inside it stayed">
          <ElRadioGroup v-model="form.wet" aria-label="Inside it stayed">
            <ElRadioButton value="dry">dry</ElRadioButton>
            <ElRadioButton value="wet">got wet</ElRadioButton>
          </ElRadioGroup>
        </ElFormItem>
        <DimensionField
          v-if="form.wet === 'wet'"
          v-model="form.delayMin"
          label="Wet after, if it was timed"
          kind="number"
          unit="min"
          :units="boats.units"
          optional
          :problem="bad('delayMin') || null"
        />
        <ElFormItem label="Note" for="leak-note"
          ><ElInput id="leak-note" v-model="form.note" maxlength="300"
        /></ElFormItem>
        <ElButton
          class="act main"
          native-type="submit"
          :disabled="busy || !form.on.length || !form.minutes || !form.wet"
          >Put the test down</ElButton
        >
      </ElForm>
      <section v-if="now.tests.length">
        <h3>Tests made</h3>
        <ol class="made">
          <li v-for="x in now.tests" :key="x.id" :class="{ out: x.withdrawnWhy }">
            {{ x.on.map((id) => nameOf.get(id) ?? id).join(', ') }} {{ LEAK_TEST_SAID[x.kind] }},
            {{ x.minutes }} min: <strong>{{ x.wet ? 'wet' : 'dry' }}</strong>{{
              x.delayMin === null ? '' : ` after ${x.delayMin} min`
            }}{{ x.note ? `; ${x.note}` : '' }}
            <span class="soft small">{{ x.who }}, {{ dayjs(x.at).format('D MMM, HH:mm') }}</span>
            <span v-if="x.withdrawnWhy" class="small">taken back: {{ x.withdrawnWhy }}</span>
            <ElButton
              v-else-if="may"
              class="plain small"
              :aria-label="`Take back the test of ${x.on.map((id) => nameOf.get(id) ?? id).join(', ')}`"
              @click="withdraw(x.id)"
              >take back</ElButton
            >
          </li>
        </ol>
      </section>
      <ElForm
        v-if="may && t"
        label-position="top"
        class="test no-print"
        aria-label="The end of it"
        @submit.prevent
      >
        <h3>The end of it</h3>
        <ElFormItem label="It was"
          ><ElSelect v-model="end.cause" filterable aria-label="It was" placeholder="what was found"
            ><ElOption v-for="x in now.things" :key="x.id" :value="x.id" :label="x.name" /></ElSelect
        ></ElFormItem>
        <ElFormItem label="What was seen" for="leak-why" :error="bad('why')"
          ><ElInput id="leak-why" v-model="end.why" maxlength="300" placeholder="the bead is broken aft"
        /></ElFormItem>
        <div class="acts">
          <ElButton
            class="act main"
            :disabled="busy || !end.cause || !end.why.trim()"
            @click="finish('found')"
            >It was that: it is suspect</ElButton
          >
          <ElButton class="act" :disabled="busy || !end.why.trim()" @click="finish('elsewhere')"
            >Nothing on record</ElButton
          >
          <ElButton class="act" :disabled="busy || !end.why.trim()" @click="finish('left')"
            >Give it up</ElButton
          >
        </div>
      </ElForm>
    </template>
  </article>
</template>

<style scoped>
.trace {
  width: 100%;
  display: grid;
  gap: 12px;
}
h2 {
  font-size: 1.1rem;
}
h3 {
  font-size: 0.95rem;
  grid-column: 1 / -1;
}
.split {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(300px, 2fr);
  gap: 24px;
}
.picture {
  height: 380px;
}
.next {
  border-left: 4px solid var(--tide);
  padding: 6px 12px;
}
.ranked {
  list-style: none;
  padding: 0;
}
.ranked li {
  border-bottom: 1px solid var(--line);
  padding: 5px 0;
}
.head {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}
.out {
  opacity: 0.62;
}
.made .out {
  text-decoration: line-through;
}
.test {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
  gap: 4px 16px;
  align-items: end;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.caution,
.bad {
  color: var(--short);
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
