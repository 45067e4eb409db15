<script setup lang="ts">
import { ref } from 'vue'
import { sayIn, type Stale } from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'

/** A deck that was measured after the fitting was designed on it: to take over, or to leave with a reason. */
defineProps<{ stale: Stale | null; own: string | null }>()
const bench = useBench()
const boats = useBoats()
const reason = ref('')
const keepOwn = () => reason.value.trim() && bench.change({ structureReason: reason.value.trim() })
</script>

<template>
  <div v-if="stale" class="stale" role="status">
    <p>
      <strong>Stale.</strong> The deck was measured since:
      {{ stale.changes.map((c) => sayIn(c, boats.units)).join('; ') }}. On the list it is judged on that.
    </p>
    <div v-if="!bench.readOnly" class="stale-acts">
      <ElButton
        class="act main"
        @click="bench.change({ structure: stale.structure, measured: stale.measured })"
      >
        Use the deck as measured
      </ElButton>
      <label class="hidden-words" for="own-deck">Why this fitting keeps a deck of its own</label
      ><ElInput
        id="own-deck"
        v-model="reason"
        class="entry"
        maxlength="300"
        placeholder="or why this one keeps its own"
        @keydown.enter="keepOwn"
      /><ElButton class="act" :disabled="!reason.trim()" @click="keepOwn">Keep its own</ElButton>
    </div>
  </div>
  <p v-else-if="own" class="soft small">
    Keeps a deck of its own: {{ own }}.
    <ElButton class="plain link" :disabled="bench.readOnly" @click="bench.change({ structureReason: null })">
      Follow the zone again
    </ElButton>
  </p>
</template>

<style scoped>
.stale-acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  align-items: center;
  margin-top: 5px;
}
.stale-acts .entry {
  flex: 1 1 150px;
}
.link {
  text-decoration: underline;
  color: var(--tide);
}
</style>
