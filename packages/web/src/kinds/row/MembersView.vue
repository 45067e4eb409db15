<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import { formatLength } from '@north-tide/core'
import { ROW_FAMILY } from '@north-tide/core/row'
import DimensionField from '../../pieces/DimensionField.vue'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import { useAttempt } from '../../pieces/attempt'
import { api } from '../../api'
import { useBoats } from '../../state/boats'
import { useRow } from '../../state/row'

/** Fetched where there are any: it knows the steps of what stands in the row. */
const MembersTick = defineAsyncComponent(() => import('./MembersTick.vue'))
/** Those that stand there: set out, changed and recorded together, with the odd one left out. */
const bench = useRow()
const boats = useBoats()
const { said, busy, attempt } = useAttempt()
const done = ref('')
const but = ref<string[]>([])
const members = computed(() => bench.judgement?.members ?? [])
const count = computed(() => bench.judgement?.layout.count ?? 0)
const word = computed(() => ROW_FAMILY[bench.design!.family].title)
type Fitting = NonNullable<typeof bench.fitting>
interface Each {
  fitting: Fitting
  done?: { name: string; refused: string }[]
  made?: number
  moved?: number
  stay?: string[]
  spare?: string[]
  changed?: number
}
async function ask(path: string, body: object, saidOf: (got: Each) => string) {
  done.value = ''
  await bench.flush()
  return attempt(async () => {
    const got = await api<Each>('POST', `/fittings/${bench.fitting!.id}/${path}`, body)
    bench.fitting = got.fitting
    done.value = saidOf(got)
    await boats.refresh()
  })
}
const some = (n: number, what: string) => (n ? [`${n} ${what}`] : [])
const setOut = () =>
  ask(
    'members',
    {},
    (g) =>
      [
        ...some(g.made ?? 0, 'set out'),
        ...some(g.moved ?? 0, 'moved to where the row has them'),
        ...(g.stay?.length ? [`on record already, and left where they stand: ${g.stay.join(', ')}`] : []),
        ...(g.spare?.length ? [`more than the row asks for: ${g.spare.join(', ')}`] : []),
      ].join('; ') || 'All of them stand where the row has them.',
  )
const eachSaid = (g: Each) => {
  const no = (g.done ?? []).filter((x) => x.refused)
  const yes = (g.done ?? []).length - no.length
  return [`Done for ${yes}`, ...no.map((x) => `${x.name}: ${x.refused}`)].join('; ')
}
const only = computed(() => members.value.map((m) => m.id).filter((id) => !but.value.includes(id)))
const record = () => ask('members/record', { only: only.value }, eachSaid)
/** What all of them have in common is taken from the first: size of bolt, thickness of plate. */
const first = computed(() => {
  const f = bench.fitting?.others.find((o) => o.id === members.value[0]?.id)
  return (f?.design ?? null) as {
    bolt?: { size: string }
    sizes?: string[]
    plate?: { thicknessMm: number } | null
  } | null
})
const change = (c: Record<string, unknown>) =>
  ask('members/change', { change: c, but: but.value }, (g) => `One change for ${g.changed} of them.`)
async function tickAll(body: object) {
  const sent = await ask('members/tick', { ...body, only: only.value }, eachSaid)
  // What was typed stays in its form.
  if (!sent) throw new Error(said.value)
}
const leave = (id: string, out: boolean) =>
  (but.value = out ? [...but.value, id] : but.value.filter((x) => x !== id))
</script>

<template>
  <div class="members">
    <p v-if="!members.length">
      None of the {{ word }} is on the boat yet. Set out, each is a fitting of its own: with its own load,
      holes and card, and one design for all to begin with.
    </p>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="done" role="status">{{ done }}</p>
    <div v-if="!bench.readOnly" class="acts">
      <ElButton class="act" :disabled="busy || !count" @click="setOut">{{
        members.length ? 'Set out as the row is now' : `Set out ${count} on the boat`
      }}</ElButton>
      <template v-if="members.length">
        <ElButton class="act" :disabled="busy || !only.length" @click="record"
          >Record the holes of {{ only.length }}</ElButton
        >
        <label v-if="first?.sizes?.length" class="one"
          >Bolts of all
          <PickOne
            label="Bolts of all"
            :model-value="first.bolt?.size ?? ''"
            :options="first.sizes.map((s) => ({ value: s, title: s }))"
            @update:model-value="change({ 'bolt.size': $event })"
        /></label>
        <DimensionField
          v-if="first?.plate"
          class="one"
          label="Plate of all, thick"
          :units="boats.units"
          above
          :model-value="first.plate.thicknessMm"
          @update:model-value="$event !== null && change({ 'plate.thicknessMm': $event })"
        />
      </template>
    </div>
    <MembersTick v-if="only.length && !bench.readOnly" :ids="only" :send="tickAll" />
    <RowTable
      v-if="members.length"
      label="Members of the row"
      :columns="[
        { key: 'sign' },
        { key: 'name', title: 'Which' },
        { key: 's', title: 'From the first end', number: true },
        { key: 'off', title: 'Off its place', number: true },
        { key: 'but', title: 'Left out' },
      ]"
      :rows="members"
    >
      <template #sign="{ row: m }"><VerdictSign :verdict="m.verdict" /></template>
      <template #name="{ row: m }"
        ><RouterLink :to="`/bench/${m.id}`">{{ m.name }}</RouterLink></template
      >
      <template #s="{ row: m }">{{ formatLength(Math.round(m.sMm), boats.units) }}</template>
      <template #off="{ row: m }">{{
        m.offMm === null ? 'has none' : formatLength(Math.round(m.offMm), boats.units)
      }}</template>
      <template #but="{ row: m }"
        ><ElCheckbox
          :aria-label="`Leave ${m.name} out`"
          :model-value="but.includes(m.id)"
          :disabled="bench.readOnly"
          @change="leave(m.id, $event as boolean)"
      /></template>
    </RowTable>
  </div>
</template>

<style scoped>
.members {
  display: grid;
  gap: 8px;
  align-content: start;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
}
.one {
  display: flex;
  gap: 8px;
  align-items: center;
}
.said {
  color: var(--short);
}
</style>
