<script setup lang="ts">
import { Ellipsis } from 'lucide-vue-next'
import { ElDropdown, ElDropdownItem, ElDropdownMenu } from 'element-plus'
import 'element-plus/es/components/dropdown/style/css'
import 'element-plus/es/components/dropdown-menu/style/css'
import 'element-plus/es/components/dropdown-item/style/css'
import { ASIDE, PLACES } from '../router'

/** On the phone's bar: what has no room there of its own. */
defineProps<{ role: string; dim: boolean; to: (place: string) => string }>()
const emit = defineEmits<{ chosen: [what: string] }>()
</script>

<template>
  <div>
    <ElDropdown trigger="click" placement="top-end" :persistent="false" @command="emit('chosen', $event)">
      <ElButton class="plain more-word" aria-label="More">
        <Ellipsis :size="16" aria-hidden="true" /> More
      </ElButton>
      <template #dropdown>
        <ElDropdownMenu>
          <ElDropdownItem
            v-for="p in PLACES.filter((x) => ASIDE.includes(x.name))"
            :key="p.name"
            :command="to(p.name)"
            >{{ p.title }}</ElDropdownItem
          >
          <ElDropdownItem command="dim">{{ dim ? 'Daylight' : 'Dim' }}</ElDropdownItem>
          <ElDropdownItem command="keys">Keys</ElDropdownItem>
          <ElDropdownItem command="/yard">Yard</ElDropdownItem>
          <ElDropdownItem command="out">Sign out, {{ role }}</ElDropdownItem>
        </ElDropdownMenu>
      </template>
    </ElDropdown>
  </div>
</template>

<style scoped>
div :deep(.el-dropdown) {
  color: var(--ink-soft);
  font: 600 0.6875rem/1.05 var(--words);
}
.more-word {
  display: flex;
  flex-direction: column;
  align-items: center;
  justify-content: center;
  gap: 2px;
  min-height: 48px;
}
</style>
