<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { sayIn } from '@north-tide/core'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import DimensionField from '../../pieces/DimensionField.vue'
import HeldText from '../../pieces/HeldText.vue'
import RowTable from '../../pieces/RowTable.vue'

/** Must it exist, and is this the place: what the map knows, and what only the fitter does. */
const throughHull = useThroughHull()
const boats = useBoats()
const asked = computed(() => throughHull.judgement!.placing)
const WORD = { fine: 'fine', look: 'look', ask: 'to be said' } as const
const answer = (id: string, text: string) => {
  const asks = { ...throughHull.design!.asks }
  if (text.trim()) asks[id] = text.trim().slice(0, 300)
  else delete asks[id]
  throughHull.change({ asks })
}
const said = ref('')
const router = useRouter()
async function mirror() {
  said.value = ''
  try {
    await router.push(`/through-hulls/${await throughHull.copyIt({ mirror: true })}`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not copied'
  }
}
</script>

<template>
  <div class="heel">
    <DimensionField
      label="Heeled, for what is under water then"
      kind="angle"
      :model-value="throughHull.design!.heeledDeg"
      :units="boats.units"
      :least="0"
      :most="60"
      :disabled="throughHull.readOnly"
      @update:model-value="throughHull.change({ heeledDeg: $event })"
    />
    <ElButton v-if="!throughHull.readOnly && throughHull.design!.place.yMm !== 0" class="act" @click="mirror">
      Copy it to the other side, mirrored
    </ElButton>
    <span v-if="said" role="alert" class="said">{{ said }}</span>
  </div>
  <RowTable
    class="placing"
    label="Placing aid"
    :columns="[
      { key: 'asked', title: 'Asked' },
      { key: 'act', class: 'word' },
      { key: 'whatTheMap', title: 'What the map and the figures say', class: 'small' },
      { key: 'yourAnswer', title: 'Your answer' },
    ]"
    :rows="asked"
    :about="(q) => ({ class: [q.state, { answered: q.answer }], 'data-ask': q.id })"
    :known="(q) => q.id"
  >
    <template #asked="{ row: q }"
      ><label :for="`ask-${q.id}`"
        ><strong>{{ q.title }}</strong></label
      ></template
    >
    <template #act="{ row: q }">{{ q.answer ? 'answered' : WORD[q.state] }}</template>
    <template #whatTheMap="{ row: q }">{{ sayIn(q.found, boats.units) }}</template>
    <template #yourAnswer="{ row: q }"
      ><HeldText
        :id="`ask-${q.id}`"
        class="entry wide"
        :model-value="q.answer"
        maxlength="300"
        :readonly="throughHull.readOnly"
        :placeholder="
          q.state === 'fine'
            ? 'nothing to say'
            : q.state === 'look'
              ? 'why it goes here all the same'
              : 'say what you found'
        "
        @update:model-value="answer(q.id, $event)"
    /></template>
  </RowTable>
</template>

<style scoped>
.placing :deep(td) {
  vertical-align: top;
}
.placing :deep(td:first-child) {
  width: 190px;
}
.word {
  white-space: nowrap;
  font-weight: 600;
  color: var(--holds);
}
.look .word,
.ask .word {
  color: var(--buoy);
}
.answered .word {
  color: var(--ink);
}
.wide {
  width: 100%;
  min-width: 200px;
}
.heel {
  max-width: 420px;
}
</style>
