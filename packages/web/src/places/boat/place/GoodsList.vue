<script setup lang="ts">
import { ref } from 'vue'
import type { InputInstance } from 'element-plus'
import { WAYS, type Goods, type Way } from './goods'

/** What can go there: searched by any word of it, one chosen. */
defineProps<{ way: Way; found: Goods[]; chosen: string | undefined }>()
const emit = defineEmits<{ choose: [id: string] }>()
const words = defineModel<string>('words', { required: true })
const search = ref<InputInstance>()
const beside = (c: Goods) =>
  [c.maker, c.held]
    .filter(Boolean)
    .map((w) => ` \u00b7 ${w}`)
    .join('')
defineExpose({ focus: () => search.value?.focus() })
</script>

<template>
  <div class="what">
    <label for="what-goes" class="hidden-words">What goes here</label>
    <ElInput
      id="what-goes"
      ref="search"
      v-model="words"
      class="entry wide"
      type="search"
      :placeholder="WAYS[way].example"
      autocomplete="off"
    />
    <ul class="entries" role="radiogroup" aria-label="Catalogue" tabindex="-1">
      <li v-for="c in found" :key="c.id">
        <ElRadio
          :class="{ on: chosen === c.id }"
          :model-value="chosen"
          :value="c.id"
          @change="emit('choose', c.id)"
          ><span
            ><strong>{{ c.title }}</strong
            ><small
              ><span class="figure">{{ c.id }}</span> {{ beside(c) }}</small
            ></span
          ></ElRadio
        >
      </li>
      <li v-if="!found.length" class="soft none">
        Nothing in the catalogue is called “{{ words }}”. Try {{ WAYS[way].tries }}.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.what {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}
.wide {
  width: 100%;
  min-height: var(--touch);
}
.entries {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 330px;
  overflow-y: auto;
  border-top: 1px solid var(--line);
}
.entries label {
  display: flex;
  gap: 10px;
  align-items: center;
  padding: 7px 8px;
  border-bottom: 1px solid var(--line);
  cursor: pointer;
  min-height: var(--touch);
}
.entries label.on {
  background: var(--tide-soft);
}
.entries input {
  accent-color: var(--tide);
  width: 18px;
  height: 18px;
  flex: none;
}
small {
  display: block;
  color: var(--ink-soft);
  font-size: var(--text-small);
}
.none {
  padding: 12px 8px;
}
</style>
