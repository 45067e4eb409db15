<script setup lang="ts">
import { computed } from 'vue'
import { useBoats } from '../state/boats'
import { differences } from './differences'
import { ElDialog } from 'element-plus'
import 'element-plus/es/components/dialog/style/css'

/** Of one fitting, on the deck or through the hull. */
const props = defineProps<{
  /** this fitting, if nothing else is said */ what?: string
  mine: object | null
  theirs: { design: object; version: number; updatedBy: string } | null
}>()
const emit = defineEmits<{ settle: [mine: boolean] }>()
const boats = useBoats()
const rows = computed(() => differences(props.mine, props.theirs?.design, boats.units))
</script>

<template>
  <ElDialog
    :model-value="theirs !== null"
    :title="`Two versions of ${what ?? 'this fitting'}`"
    width="640px"
    :show-close="false"
    :close-on-click-modal="false"
    :close-on-press-escape="false"
  >
    <template v-if="theirs">
      <p>
        {{ theirs.updatedBy }} saved version {{ theirs.version }} while you were changing it here. Nothing of
        either is lost until you choose.
      </p>
      <div class="diff">
        <table class="rows">
          <thead>
            <tr>
              <th>Differs in</th>
              <th>Yours</th>
              <th>{{ theirs.updatedBy }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="r in rows" :key="r.path">
              <td>{{ r.what }}</td>
              <td class="figure">{{ r.mine }}</td>
              <td class="figure">{{ r.theirs }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="acts">
        <ElButton class="act" @click="emit('settle', false)">Take theirs</ElButton
        ><ElButton class="act main" @click="emit('settle', true)">Keep mine</ElButton>
      </div>
    </template>
  </ElDialog>
</template>

<style scoped>
.diff {
  max-height: 320px;
  overflow: auto;
  margin: 12px 0;
}
.acts {
  display: flex;
  justify-content: flex-end;
  gap: 10px;
}
</style>
