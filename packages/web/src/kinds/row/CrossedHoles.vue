<script setup lang="ts">
import { computed, ref } from 'vue'
import { formatLength } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { useRow } from '../../state/row'

/** Old holes that the row comes near to: each leads to its page, and those in its way to jobs of closing. */
const bench = useRow()
const boats = useBoats()
const { said, busy, attempt } = useAttempt()
const done = ref('')
const crossed = computed(() => bench.judgement!.crossed)
const holeOf = (label: string) => boats.picture?.holes.find((h) => h.label === label) ?? null
/** Jobs of closing that name the hole already. */
const jobOf = (label: string) =>
  (bench.fitting?.others ?? []).find(
    (o) =>
      o.kind === 'closure' &&
      ((o.design as unknown as { holes?: { label: string | null }[] }).holes ?? []).some(
        (h) => h.label === label,
      ),
  ) ?? null
const open = computed(() => crossed.value.filter((c) => c.verdict === 'short' && !jobOf(c.label)))
const begin = (labels: string[]) =>
  attempt(async (key) => {
    await bench.flush()
    const made: string[] = []
    for (const label of labels) {
      const hole = holeOf(label)
      if (!hole) continue
      await api(
        'POST',
        `/boats/${bench.fitting!.boatId}/fittings`,
        { catalogueId: 'CX-1', holeId: hole.id },
        `${key}-${hole.id}`,
      )
      made.push(label)
    }
    await bench.open(bench.fitting!.id)
    await boats.refresh()
    done.value = `${made.length === 1 ? 'A job of closing was' : `${made.length} jobs of closing were`} begun: ${made.join(', ')}.`
  })
</script>

<template>
  <div>
    <p v-if="open.length && !bench.readOnly" class="acts">
      <ElButton class="act" :disabled="busy" @click="begin(open.map((c) => c.label))"
        >Begin closing {{ open.length === 1 ? open[0]!.label : `all ${open.length}` }}</ElButton
      >
    </p>
    <p v-if="said" class="wrong" role="alert">{{ said }}</p>
    <p v-if="done" role="status">{{ done }}</p>
    <RowTable
      label="Old holes that it comes near to"
      :columns="[
        { key: 'label', title: 'Hole' },
        { key: 'at', title: 'At number', number: true },
        { key: 'gap', title: 'Between them', number: true },
        { key: 'said', title: 'What to do' },
        { key: 'job', title: 'Closing' },
      ]"
      :rows="crossed"
      :known="(c) => c.label"
    >
      <template #label="{ row: c }"
        ><RouterLink v-if="holeOf(c.label)" :to="`/register/${holeOf(c.label)!.id}`">{{ c.label }}</RouterLink
        ><template v-else>{{ c.label }}</template></template
      >
      <template #gap="{ row: c }">{{ formatLength(c.gapMm, boats.units) }}</template>
      <template #job="{ row: c }"
        ><RouterLink v-if="jobOf(c.label)" :to="`/bench/${jobOf(c.label)!.id}`">{{
          jobOf(c.label)!.name
        }}</RouterLink
        ><ElButton
          v-else-if="c.verdict === 'short' && !bench.readOnly"
          class="plain link"
          :disabled="busy"
          :aria-label="`Begin closing ${c.label}`"
          @click="begin([c.label])"
          >begin</ElButton
        ></template
      >
    </RowTable>
  </div>
</template>

<style scoped>
.wrong {
  color: var(--short);
}
</style>
