<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { sayIn } from '@north-tide/core'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import DimensionField from '../../pieces/DimensionField.vue'
import HeldText from '../../pieces/HeldText.vue'

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
  <table class="rows placing" aria-label="Placing aid">
    <thead>
      <tr>
        <th>Asked</th>
        <td></td>
        <th>What the map and the figures say</th>
        <th>Your answer</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="q in asked" :key="q.id" :class="[q.state, { answered: q.answer }]" :data-ask="q.id">
        <td>
          <label :for="`ask-${q.id}`"
            ><strong>{{ q.title }}</strong></label
          >
        </td>
        <td class="word">{{ q.answer ? 'answered' : WORD[q.state] }}</td>
        <td class="small">{{ sayIn(q.found, boats.units) }}</td>
        <td>
          <HeldText
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
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.placing td {
  vertical-align: top;
}
.placing td:first-child {
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
