<script setup lang="ts">
import type { drafted } from '../state/drafted'
import { defineAsyncComponent, onMounted, ref } from 'vue'
import { keysFirst } from './after-paint'
import HeldText from './HeldText.vue'
import SavedWord from './SavedWord.vue'
import { useTurns } from './turns'

/**
 * The page of a bench: its fitting's name and acts, what is given at the left, the drawing in the middle,
 * verdicts at the right, the tray below.
 */
type Draft = Pick<
  ReturnType<
    typeof drafted<
      { name: string },
      { id: string; version: number; design: { name: string }; updatedBy: string }
    >
  >,
  'change' | 'undo' | 'redo' | 'settle'
>
type Unwrapped = Draft & {
  design: object | null
  conflict: { design: object; version: number; updatedBy: string } | null
  saving: InstanceType<typeof SavedWord>['$props']['saving']
  refusal: string | null
  readOnly: boolean
  past: unknown[]
  future: unknown[]
}
const props = defineProps<{
  draft: Unwrapped
  name: string
  where: string
  said: string
  busy: boolean
  recorded: boolean
  holes: { id: number; label: string }[]
  recordWord: string
}>()
/** Seldom needed, and it brings the words of every field with it. */
const ReadFile = defineAsyncComponent(() => import('./ReadFile.vue'))
const ConflictDialog = defineAsyncComponent(() => import('./ConflictDialog.vue'))
const emit = defineEmits<{ record: []; file: [file: File] }>()
/** Whoever comes by the keyboard begins at the name, not at the top of the rail. */
const heading = ref<HTMLElement>()
onMounted(() => {
  if (document.activeElement === document.body) heading.value?.focus({ preventScroll: true })
})
keysFirst()
/** The drawing first, then what is given, the verdicts, the tray: each a piece of work of its own. */
const turn = useTurns(3)
const rename = (name: string) => name.trim() && props.draft.change({ name: name.trim() })
</script>

<template>
  <div class="bench">
    <header class="top">
      <div class="title">
        <h1 ref="heading" tabindex="-1">
          <label class="hidden-words" for="fitting-title">Name of the fitting</label
          ><HeldText
            id="fitting-title"
            class="rename"
            :model-value="name"
            maxlength="120"
            :title="name"
            :readonly="draft.readOnly"
            @update:model-value="rename"
          />
        </h1>
        <p class="soft where">
          <span :title="where">{{ where }}</span>
          <SavedWord data-test="saved" :saving="draft.saving" :refusal="draft.refusal" />
          <span class="no-print"><RouterLink to="/bench">all fittings</RouterLink></span>
        </p>
      </div>
      <div class="acts no-print">
        <slot name="choose" />
        <template v-if="!draft.readOnly"
          ><ElButton
            class="act"
            :disabled="!draft.past.length"
            aria-label="Undo"
            title="Undo (z)"
            @click="draft.undo()"
          >
            ↶</ElButton
          ><ElButton
            class="act"
            :disabled="!draft.future.length"
            aria-label="Redo"
            title="Redo (Shift+z)"
            @click="draft.redo()"
          >
            ↷
          </ElButton></template
        >
        <slot name="acts" />
        <ElPopover
          trigger="click"
          placement="bottom-end"
          :width="240"
          popper-class="files"
          :persistent="false"
        >
          <template #reference><ElButton class="act">File</ElButton></template>
          <slot name="files" /><ReadFile
            v-if="!draft.readOnly"
            accept="application/json,.json"
            words="Read a design file …"
            @file="emit('file', $event)"
          />
        </ElPopover>
        <ElButton
          v-if="!recorded && !draft.readOnly && recordWord"
          class="act main"
          :disabled="busy"
          @click="emit('record')"
        >
          {{ recordWord }}
        </ElButton>
        <RouterLink v-else-if="holes.length" class="act main" :to="`/register/${holes[0]!.id}`"
          >In the register: {{ holes[0]!.label }}{{ holes.length > 1 ? '…' : '' }}</RouterLink
        >
      </div>
    </header>
    <p v-if="said" class="said" role="status">{{ said }} <slot name="said" /></p>
    <div class="body">
      <div class="given"><slot v-if="turn > 0" name="given" /></div>
      <section class="section" aria-label="Section"><slot name="section" /></section>
      <div class="verdicts"><slot v-if="turn > 1" name="verdicts" /></div>
    </div>
    <slot />
    <div class="tray-row">
      <slot v-if="turn > 2" name="tray" />
    </div>
    <ConflictDialog
      v-if="draft.conflict"
      :mine="draft.design"
      :theirs="draft.conflict"
      @settle="draft.settle($event)"
    />
  </div>
</template>

<style scoped>
h1:focus {
  outline: none;
}
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  grid-template-rows: auto auto minmax(0, 1fr) auto;
  height: 100%;
  min-height: 640px;
}
.top {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  padding: 8px 18px 8px 20px;
  border-bottom: 1px solid var(--line-strong);
  min-height: 60px;
}
.title {
  min-width: 0;
  flex: 1;
}
.rename {
  font: 700 var(--title)/1.2 var(--words);
  color: var(--ink);
  border: 0;
  background: transparent;
  padding: 0;
  width: 100%;
  min-height: 0;
  border-bottom: 1px solid transparent;
}
.rename:hover:not([readonly]) {
  border-bottom-color: var(--line-strong);
}
/* A dot stands between two, and is cut off where one begins a line. */
.where {
  --dot: 14px;
  display: flex;
  flex-wrap: wrap;
  margin-left: calc(-1 * var(--dot));
  clip-path: inset(-4px -4px -4px 10px);
  font-size: 0.875rem;
  line-height: 1.3;
  min-width: 0;
}
.where > * {
  position: relative;
  padding-left: var(--dot);
}
.where > :not(:first-child)::before {
  content: '·';
  position: absolute;
  left: 5px;
}
.acts {
  display: flex;
  gap: 8px;
  flex: none;
  align-items: center;
}
.acts :deep(.act) {
  padding: 0 12px;
}
.said {
  grid-row: 2;
  background: var(--tide-soft);
  padding: 8px 20px;
  border-bottom: 1px solid var(--line-strong);
}
.body {
  grid-row: 3;
  display: grid;
  grid-template-columns: 268px minmax(0, 1fr) 318px;
  min-height: 0;
}
.given,
.verdicts {
  min-height: 0;
  display: grid;
  grid-template: minmax(0, 1fr) / minmax(0, 1fr);
}
.verdicts {
  border-left: 1px solid var(--line-strong);
}
.section {
  background: var(--sheet);
  border-left: 1px solid var(--line-strong);
  display: flex;
  flex-direction: column;
  padding: 10px 16px;
  min-height: 0;
  min-width: 0;
}
.section :deep(.drawing) {
  flex: 1;
  min-height: 90px;
}
.section :deep(.caption) {
  text-align: right;
}
.section :deep(.stale) {
  border: 1px solid var(--buoy);
  border-left-width: 5px;
  padding: 7px 12px;
  margin-bottom: 6px;
  font-size: 0.875rem;
}
.tray-row {
  grid-row: 4;
  min-width: 0;
}
/* Each column scrolls by itself, so a figure that changes in one moves and repaints nothing in another. */
@media screen and (min-width: 768px) {
  .given,
  .section,
  .verdicts {
    contain: strict;
  }
  .top,
  .tray-row {
    contain: layout style;
  }
  /* As high as the tray that comes into it, so that the drawing keeps its size. */
  .tray-row {
    min-height: var(--tray, 320px);
  }
}
@media (max-width: 1180px) {
  .body {
    grid-template-columns: 250px minmax(0, 1fr) 280px;
  }
  .acts :deep(.act) {
    padding: 0 9px;
    font-size: 0.875rem;
  }
}
/* Narrower: what is given and the verdicts share a column, each with its own scroll. */
@media (max-width: 1099px) and (min-width: 768px) {
  .body {
    grid-template: minmax(0, 1fr) minmax(0, 1fr) / 290px minmax(0, 1fr);
  }
  .section {
    grid-area: 1 / 2 / 3 / 3;
  }
  .verdicts {
    border-left: 0;
    border-top: 1px solid var(--line-strong);
  }
  .top {
    flex-wrap: wrap;
  }
  .acts {
    flex-wrap: wrap;
  }
}
@media (max-width: 767px) {
  .bench {
    display: block;
    height: auto;
    min-height: 0;
  }
  .top {
    display: block;
    padding: 8px 14px;
  }
  .acts {
    flex-wrap: wrap;
    padding-top: 8px;
  }
  .body {
    display: flex;
    flex-direction: column;
  }
  .section {
    order: 1;
    border-left: 0;
    padding: 8px 12px;
  }
  /* The drawing has its own height; what stands above and below it takes what it needs. */
  .section :deep(.drawing) {
    flex: none;
    height: 62vw;
    min-height: 230px;
  }
  .verdicts {
    order: 2;
    display: block;
    border-left: 0;
    border-top: 1px solid var(--line-strong);
  }
  .given {
    order: 4;
    display: block;
    border-top: 1px solid var(--ink);
  }
  .tray-row {
    border-bottom: 1px solid var(--line);
  }
}
</style>
