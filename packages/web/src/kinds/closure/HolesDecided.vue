<script setup lang="ts">
import { computed, reactive } from 'vue'
import { formatLength, sayIn, standingDecision } from '@north-tide/core'
import {
  HOLE_CHOICE_SAID,
  HOLE_CHOICES,
  holeDecisions,
  nextSizeMm,
  type HoleChoice,
} from '@north-tide/core/closure'
import { useAttempt } from '../../pieces/attempt'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import { useBoats } from '../../state/boats'
import { useClosure } from '../../state/closure'

/** What becomes of each hole of the job: the advice with its reasons, what was decided, and what follows. */
const bench = useClosure()
const boats = useBoats()
const d = computed(() => bench.design!)
const { said, busy, attempt } = useAttempt()
const chosen = reactive<Record<string, HoleChoice | undefined>>({})
const reasons = reactive<Record<string, string>>({})
const rows = computed(() =>
  holeDecisions(d.value, boats.units).map((q, index) => ({
    ...q,
    index,
    standing: standingDecision(bench.work, q.about, q.on),
    next: nextSizeMm(d.value.holes[index]!.holeMm),
  })),
)
type Row = (typeof rows.value)[number]
const OPTIONS = HOLE_CHOICES.map((value) => ({ value, title: HOLE_CHOICE_SAID[value] }))
const now = (r: Row): HoleChoice => chosen[r.about] ?? ((r.standing?.decision ?? r.advised) as HoleChoice)
const against = (r: Row) => r.against.includes(now(r))
const decide = (r: Row) =>
  attempt(async () => {
    const reason = (reasons[r.about] ?? '').trim()
    await bench.act('POST', 'decide', { about: r.about, decision: now(r), reason })
    chosen[r.about] = undefined
    reasons[r.about] = ''
  })
const drop = (r: Row) => bench.change({ holes: d.value.holes.filter((_, k) => k !== r.index) })
/** A hole that is used again is none that this job closes. */
const leaves = (r: Row) =>
  d.value.holes.length > 1 && (r.standing?.decision === 'reuse' || r.standing?.decision === 'next-size')
const allFilled = computed(
  () => d.value.way !== 'fill' && rows.value.every((r) => r.standing?.decision === 'leave-filled'),
)
</script>

<template>
  <div>
    <p v-if="said" class="wrong" role="alert">{{ said }}</p>
    <p v-if="allFilled && !bench.readOnly">
      All of them are filled and left.
      <ElButton class="act" @click="bench.change({ way: 'fill' })">Fill them without cloth</ElButton>
    </p>
    <RowTable
      label="What becomes of each hole"
      :columns="[
        { key: 'title', title: 'Hole' },
        { key: 'because', title: 'Advice' },
        { key: 'choice', title: 'Decided' },
        { key: 'act' },
      ]"
      :rows="rows"
      :known="(r) => r.about"
    >
      <template #title="{ row: r }"
        ><span class="known">{{ r.title }}</span
        ><span class="soft small known">{{
          formatLength(d.holes[r.index]!.holeMm, boats.units)
        }}</span></template
      >
      <template #because="{ row: r }"
        >{{ sayIn(r.because, boats.units)
        }}<span v-if="r.next !== null" class="soft small next"
          >Next size {{ formatLength(r.next, boats.units) }}.</span
        ></template
      >
      <template #choice="{ row: r }">
        <PickOne
          :label="`${r.title}: what becomes of it`"
          :model-value="now(r)"
          :options="OPTIONS"
          :disabled="bench.readOnly"
          @update:model-value="chosen[r.about] = $event as HoleChoice"
        />
        <label v-if="against(r) && !bench.readOnly" class="why"
          >Why all the same
          <ElInput v-model="reasons[r.about]" maxlength="300" placeholder="stays on record" />
        </label>
        <p v-if="r.standing" class="soft small">
          Decided: {{ HOLE_CHOICE_SAID[r.standing.decision as HoleChoice]
          }}{{ r.standing.reason ? `, ${r.standing.reason}` : '' }}.
        </p>
      </template>
      <template #act="{ row: r }">
        <template v-if="!bench.readOnly">
          <ElButton
            class="act"
            :disabled="busy || (against(r) && !(reasons[r.about] ?? '').trim())"
            :aria-label="`Decide ${r.title}`"
            @click="decide(r)"
            >Decide</ElButton
          >
          <ElButton v-if="leaves(r)" class="plain link" @click="drop(r)">out of this job</ElButton>
        </template>
      </template>
    </RowTable>
  </div>
</template>

<style scoped>
.known {
  display: block;
  white-space: nowrap;
}
.next {
  display: block;
}
.why {
  display: grid;
  gap: 2px;
  padding-top: 4px;
}
.wrong {
  color: var(--short);
}
</style>
