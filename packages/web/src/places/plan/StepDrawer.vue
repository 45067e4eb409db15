<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import dayjs from 'dayjs'
import { sayIn, type PlannedStep } from '@north-tide/core'
import { kindOnScreen, type WorkStore } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import PickOne from '../../pieces/PickOne.vue'
import TickForm from '../../pieces/TickForm.vue'
import WaitsHere from '../../pieces/WaitsHere.vue'
import WhenField from '../../pieces/WhenField.vue'
import { useBoats } from '../../state/boats'
import { usePhone } from '../../state/phone'
import { usePlan } from '../../state/plan'
import { useSession } from '../../state/session'
import FoundMeanwhile from './FoundMeanwhile.vue'
import { sharesSaid } from './fixed-said'

/**
 * One step of the plan, in the hand: begun, ticked with all that its tick asks for, put elsewhere; and what
 * is found while doing it is written down without leaving it.
 */
const props = defineProps<{
  step: PlannedStep
  to: (f: { kind: string; fittingId: string }) => string
}>()
const emit = defineEmits<{ close: [] }>()
const boats = useBoats()
const session = useSession()
const yard = usePlan()
const phone = usePhone()
const { said, busy, attempt } = useAttempt()
const work = shallowRef<WorkStore | null>(null)
const finding = ref(false)
onMounted(() =>
  attempt(async () => {
    const store = await kindOnScreen(props.step.kind)?.work?.()
    if (!store) return
    await store.open(props.step.fittingId)
    work.value = store
  }),
)
/** What had waited arrived: read anew what it did. */
const again = () => attempt(async () => void (await work.value?.open(props.step.fittingId)))
const step = computed(() => work.value?.steps.find((s) => s.id === props.step.step) ?? null)
const done = computed(() => work.value?.work.ticks[props.step.step] ?? null)
const begun = computed(() => work.value?.work.begun[props.step.step] ?? null)
const mayWork = computed(() => session.may('work', props.step.boatId) && !work.value?.readOnly)
const begin = (back: boolean) =>
  attempt(() => work.value!.act('POST', 'begin', { step: props.step.step, ...(back ? { back } : {}) }))
const day = ref(props.step.start.slice(0, 10))
const who = ref(props.step.who)
const people = computed(() => (yard.plan?.ask.fitters ?? []).map((f) => ({ value: f.name, title: f.name })))
const moveTo = async () => {
  if (await yard.move(props.step, { day: day.value, who: who.value })) emit('close')
}
const release = async () => {
  if (await yard.move(props.step, { release: true })) emit('close')
}
const put = (i: number, name: string) => (who.value = who.value.map((w, k) => (k === i ? name : w)))
const times = computed(
  () => `${dayjs(props.step.start).format('ddd D MMM, HH:mm')} to ${props.step.end.slice(11)}`,
)
</script>

<template>
  <ElDrawer
    :model-value="true"
    :direction="phone ? 'btt' : 'rtl'"
    :size="phone ? '92%' : 'min(520px, 94vw)'"
    @update:model-value="!$event && emit('close')"
  >
    <template #header>
      <div>
        <h2>{{ props.step.fitting }}</h2>
        <p class="soft small">{{ props.step.boat }}, {{ props.step.zone }}; {{ times }}</p>
      </div>
    </template>
    <div class="in">
      <p class="text">{{ sayIn(props.step.text, boats.units) }}</p>
      <p v-if="props.step.joined" class="small soft">
        Could be done on {{ dayjs(props.step.joined.from).format('ddd D MMM') }};
        {{ sharesSaid(props.step) }}. Put it back there to leave it alone.
      </p>
      <p v-if="props.step.caution" class="caution">{{ props.step.caution }}</p>
      <p v-if="props.step.tools.length" class="small soft">In reach: {{ props.step.tools.join(', ') }}</p>
      <p v-if="said" class="bad" role="alert">{{ said }}</p>
      <p v-if="yard.said" class="bad" role="alert">{{ yard.said }}</p>
      <ElSkeleton v-if="!work && !said" :rows="3" animated />
      <template v-if="work">
        <p v-if="done" role="status" class="ticked">
          Ticked {{ dayjs(done.at).format('D MMM, HH:mm') }}, {{ done.by }}.
        </p>
        <p v-else-if="!step" class="soft">This step is none of its work any more.</p>
        <template v-else-if="mayWork">
          <div class="acts">
            <ElButton v-if="!begun" class="act" :disabled="busy" @click="begin(false)">I begin</ElButton>
            <span v-else class="small"
              >Begun {{ dayjs(begun.at).format('HH:mm') }}, {{ begun.by }}
              <ElButton class="act small" :disabled="busy" @click="begin(true)">Not begun</ElButton></span
            >
          </div>
          <WaitsHere
            :path="`/fittings/${props.step.fittingId}/tick`"
            :has="{ step: step.id }"
            @fewer="again"
          />
          <TickForm :bench="work" :step="step" @done="() => undefined" @leave="emit('close')" />
        </template>
        <ElButton v-if="mayWork && !finding" class="act" @click="finding = true"
          >Found while doing this</ElButton
        >
        <FoundMeanwhile v-if="finding" :step="props.step" :work="work" @close="finding = false" />
      </template>
      <form
        v-if="yard.view?.may.plan && yard.view.kept && props.step.fixed !== 'begun' && !done"
        class="move"
        aria-label="Put it elsewhere"
        @submit.prevent="moveTo"
      >
        <h3>Put it elsewhere</h3>
        <WhenField v-model="day" label="On" kind="date" any-day />
        <label v-for="(w, i) in who" :key="i"
          >By<PickOne :model-value="w" label="By" :options="people" @update:model-value="put(i, $event)"
        /></label>
        <div class="acts">
          <ElButton class="act" native-type="submit" :disabled="yard.moving || !day">Put it there</ElButton>
          <ElButton v-if="props.step.fixed === 'pinned'" class="act" :disabled="yard.moving" @click="release"
            >Let it go</ElButton
          >
        </div>
      </form>
      <p><RouterLink :to="to(props.step)">Its bench</RouterLink></p>
    </div>
  </ElDrawer>
</template>

<style scoped>
h2 {
  font-size: 1.1rem;
}
h3 {
  font-size: 0.95rem;
}
.in {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.in > :deep(form) {
  width: 100%;
}
.text {
  font-size: 1.05rem;
}
.caution {
  color: var(--tight);
  font-weight: 600;
}
.bad {
  color: var(--short);
}
.ticked {
  color: var(--holds);
  font-weight: 700;
}
.move {
  display: grid;
  gap: 8px;
  border-top: 1px solid var(--line);
  padding-top: 10px;
}
.move label {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
