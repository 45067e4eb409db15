<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../../api'
import { benchOf } from '../../../kinds/registry'
import { useAttempt } from '../../../pieces/attempt'
import { useBoats } from '../../../state/boats'
import { useSession } from '../../../state/session'

/** What one fitter hands over to the next, and what the owner is asked: said once, answered once, kept. */
interface Note {
  id: number
  kind: 'hand-over' | 'approval'
  body: string
  fitting: { id: string; name: string; kind: string } | null
  madeBy: string
  madeAt: string
  answer: 'read' | 'yes' | 'no' | null
  answerNote: string
  answeredBy: string | null
  answeredAt: string | null
}
const boats = useBoats()
const session = useSession()
const { said, busy, attempt } = useAttempt()
const notes = ref<Note[] | null>(null)
const boat = computed(() => boats.picture?.id ?? '')
const load = () =>
  attempt(async () => {
    if (boat.value) notes.value = (await api<{ notes: Note[] }>('GET', `/boats/${boat.value}/notes`)).notes
  })
watch(boat, load, { immediate: true })
const may = computed(() => session.may('work', boat.value))
const owns = computed(() => session.may('people') || session.account?.boats?.[boat.value] === 'owner')
const form = reactive({ kind: 'hand-over' as Note['kind'], body: '', fittingId: '' })
const write = () =>
  attempt(async () => {
    await api('POST', `/boats/${boat.value}/notes`, {
      kind: form.kind,
      body: form.body,
      ...(form.fittingId ? { fittingId: form.fittingId } : {}),
    })
    form.body = ''
    form.fittingId = ''
    await load()
  })
const why = ref<Record<number, string>>({})
const answer = (n: Note, a: 'read' | 'yes' | 'no') =>
  attempt(async () => {
    await api('PUT', `/notes/${n.id}`, { answer: a, note: (why.value[n.id] ?? '').trim() })
    await load()
  })
const ANSWERS = { read: 'read', yes: 'approved', no: 'not approved' } as const
const when = (t: string) => dayjs(t).format('D MMM YYYY, HH:mm')
const open = computed(() => (notes.value ?? []).filter((n) => !n.answer))
const done = computed(() => (notes.value ?? []).filter((n) => n.answer))
</script>

<template>
  <section class="notes" aria-label="Notes">
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElSkeleton v-if="!notes && !said" :rows="5" animated />
    <template v-else-if="notes">
      <form v-if="may" class="write" aria-label="A note" @submit.prevent="write">
        <ElRadioGroup v-model="form.kind" aria-label="For whom">
          <ElRadioButton value="hand-over">to whoever goes on with it</ElRadioButton>
          <ElRadioButton value="approval">the owner is asked</ElRadioButton>
        </ElRadioGroup>
        <label
          >{{ form.kind === 'approval' ? 'What he is asked' : 'What he has to know'
          }}<ElInput v-model="form.body" type="textarea" :rows="3" maxlength="2000" class="entry"
        /></label>
        <label
          >About<ElSelect
            v-model="form.fittingId"
            filterable
            clearable
            class="pick"
            aria-label="About which fitting"
            placeholder="the boat"
          >
            <ElOption v-for="f in boats.everyFitting" :key="f.id" :value="f.id" :label="f.name" /> </ElSelect
        ></label>
        <ElButton class="act main" native-type="submit" :disabled="busy || !form.body.trim()"
          >Write it</ElButton
        >
      </form>
      <ElEmpty
        v-if="!notes.length"
        :image-size="60"
        description="Nothing is handed over, nobody was asked."
      />
      <ul v-if="open.length" aria-label="Not answered yet">
        <li v-for="n in open" :key="n.id">
          <p class="small soft">
            {{ n.kind === 'approval' ? 'The owner is asked' : 'Handed over' }} by {{ n.madeBy }},
            {{ when(n.madeAt)
            }}<template v-if="n.fitting"
              >: <RouterLink :to="benchOf(n.fitting)">{{ n.fitting.name }}</RouterLink></template
            >
          </p>
          <p class="said">{{ n.body }}</p>
          <div v-if="n.kind === 'approval' && owns" class="acts">
            <ElInput
              v-model="why[n.id]"
              class="entry"
              maxlength="500"
              placeholder="in your own words; why not, if not"
              :aria-label="`Words to: ${n.body}`"
            />
            <ElButton class="act main" :disabled="busy" @click="answer(n, 'yes')">Approved</ElButton>
            <ElButton class="act" :disabled="busy" @click="answer(n, 'no')">Not approved</ElButton>
          </div>
          <ElButton
            v-else-if="n.kind === 'hand-over' && may && n.madeBy !== session.account?.name"
            class="act"
            :disabled="busy"
            @click="answer(n, 'read')"
            >I have read it</ElButton
          >
        </li>
      </ul>
      <template v-if="done.length">
        <h2>Answered</h2>
        <ul aria-label="Answered">
          <li v-for="n in done" :key="n.id">
            <p class="small soft">
              {{ n.madeBy }}, {{ when(n.madeAt)
              }}<template v-if="n.fitting"
                >: <RouterLink :to="benchOf(n.fitting)">{{ n.fitting.name }}</RouterLink></template
              >
            </p>
            <p class="said">{{ n.body }}</p>
            <p>
              <strong>{{ ANSWERS[n.answer!] }}</strong> by {{ n.answeredBy }}, {{ when(n.answeredAt!)
              }}{{ n.answerNote ? `: ${n.answerNote}` : '' }}
            </p>
          </li>
        </ul>
      </template>
    </template>
  </section>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 14px;
  max-width: 760px;
}
.write,
label {
  display: grid;
  gap: 6px;
}
.write {
  justify-items: start;
}
.write label {
  width: 100%;
}
ul {
  list-style: none;
  padding: 0;
}
li {
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.said {
  white-space: pre-line;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 4px;
}
.acts .entry {
  flex: 1 1 220px;
}
h2 {
  font-size: 1.05rem;
}
.bad {
  color: var(--short);
}
</style>
