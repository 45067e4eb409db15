<script setup lang="ts">
import { computed } from 'vue'
import { floodPlanWarnings } from '@north-tide/core/through-hull'
import { useBoats } from '../../state/boats'
import ConflictDialog from '../../pieces/ConflictDialog.vue'
import SavedWord from '../../pieces/SavedWord.vue'
import { useFloodTable } from './flood/flood-table'
import FloodDoors from './flood/FloodDoors.vue'
import FloodMarks from './flood/FloodMarks.vue'
import FloodPumps from './flood/FloodPumps.vue'
import FloodRooms from './flood/FloodRooms.vue'

/**
 * What the boat is for water that comes in: compartments, what joins them, pumps, and what is looked at.
 * It saves itself.
 */
defineProps<{ /** where what is added goes first */ compartment: string }>()
const boats = useBoats()
const { flood, plan, u, off } = useFloodTable()
const warnings = computed(() => floodPlanWarnings(plan.value, boats.picture!.lengthMm, u.value))
</script>

<template>
  <div class="editor">
    <div class="head">
      <h3>
        The boat
        <span v-if="flood.estimated" class="soft small">estimated from her lines until you say better</span>
      </h3>
      <SavedWord class="soft small" data-test="flood-saved" :saving="flood.saving" :refusal="flood.refusal" />
      <span v-if="!off" class="steps"
        ><ElButton
          class="act"
          :disabled="!flood.past.length"
          aria-label="Undo, the boat’s water"
          @click="flood.undo()"
        >
          ↶</ElButton
        ><ElButton
          class="act"
          :disabled="!flood.future.length"
          aria-label="Redo, the boat’s water"
          @click="flood.redo()"
        >
          ↷
        </ElButton></span
      >
    </div>
    <ul v-if="warnings.length" class="small warn" aria-label="Worth a second look">
      <li v-for="w in warnings" :key="w">{{ w }}</li>
    </ul>
    <div class="tables">
      <FloodRooms />
      <FloodDoors :compartment="compartment" />
      <FloodPumps :compartment="compartment" />
      <FloodMarks :compartment="compartment" />
    </div>
    <ConflictDialog
      :mine="flood.plan"
      :theirs="flood.conflict"
      what="the boat’s compartments and pumps"
      @settle="flood.settle($event)"
    />
  </div>
</template>

<style scoped>
.editor {
  display: grid;
  gap: 6px;
  border-top: 1px solid var(--line-strong);
  padding-top: 8px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
}
.steps {
  display: flex;
  gap: 6px;
  margin-left: auto;
}
.warn {
  margin: 0;
  padding-left: 18px;
  color: var(--buoy);
  columns: 2;
}
.tables {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 14px 28px;
  align-items: start;
}
.editor :deep(.dimension) {
  display: block;
}
.editor :deep(.dimension > label) {
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
}
.editor :deep(.entry:not(.name)) {
  width: 58px;
}
.editor :deep(.unit) {
  display: none;
}
.tables :deep(td) {
  padding-right: 6px;
  vertical-align: top;
}
@media (max-width: 1180px) {
  .tables {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
