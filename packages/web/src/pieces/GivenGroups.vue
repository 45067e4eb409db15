<script setup lang="ts">
import { computed } from 'vue'
import ChoiceField from './ChoiceField.vue'
import DimensionField from './DimensionField.vue'
import type { GivenField, GivenGroup } from './given-fields'
import { useBoats } from '../state/boats'
import { useTurns } from './turns'

/** What is given of a fitting, by groups, in the order in which one thinks of it. */
const props = defineProps<{
  bench: {
    design: unknown
    readOnly: boolean
    problem: { path: string; message: string } | null
    change: (values: Record<string, unknown>) => void
  }
  groups: GivenGroup[]
  /** where it stands, beside the first head */
  zone: string
  /** what a move took with it, in words */
  said?: string
}>()
const emit = defineEmits<{ set: [path: string, value: unknown] }>()
const boats = useBoats()
/** What is seen without scrolling comes first, the rest in three pieces. */
const LAST = 3
const turn = useTurns(LAST)
const due = computed(() => (turn.value < LAST ? props.groups.slice(0, 2 * (turn.value + 1)) : props.groups))
const at = (path: string): unknown =>
  path
    .split('.')
    .reduce<unknown>((v, k) => (v as Record<string, unknown> | null | undefined)?.[k], props.bench.design)
const figure = (path: string) => (at(path) ?? null) as number | null
const problemAt = (path: string) => (props.bench.problem?.path === path ? props.bench.problem.message : null)
const set = (path: string, value: unknown) => emit('set', path, value)
/** An empty figure goes in only where the design may be without it. */
const setFigure = (f: GivenField, v: number | null) => {
  if (v !== null || f.optional) set(f.path, v)
}
const setChoice = (f: GivenField, v: string) => set(f.path, v === '' ? null : v)
</script>

<template>
  <section class="given" aria-label="Given" tabindex="0" :aria-busy="turn < LAST">
    <template v-for="(g, i) in due" :key="g.title">
      <div v-if="g.fields.length" class="group" :class="{ gap: i > 0 }">
        <h2>{{ g.title }}</h2>
        <span v-if="i === 0" class="soft small">{{ zone }}</span>
        <ElButton
          v-else-if="g.part && g.part.there && !bench.readOnly"
          class="small"
          text
          @click="set(g.part.path, null)"
          >{{ g.part.remove }}</ElButton
        >
      </div>
      <p v-if="i === 0 && said" class="soft small" role="status">{{ said }}</p>
      <ElButton
        v-if="g.part && !g.part.there && !bench.readOnly"
        class="act"
        @click="set(g.part.path, g.part.start)"
        >{{ g.part.add }}</ElButton
      >
      <p v-else-if="g.part && !g.part.there" class="soft small">none</p>
      <template v-if="!g.part || g.part.there">
        <template v-for="f in g.fields" :key="f.path">
          <ElCheckbox
            v-if="f.tick"
            :model-value="Boolean(at(f.path))"
            :disabled="bench.readOnly"
            @update:model-value="set(f.path, $event)"
            >{{ f.label }}</ElCheckbox
          >
          <label v-else-if="f.words" class="worded"
            >{{ f.label }}
            <ElInput
              :model-value="String(at(f.path) ?? '')"
              :placeholder="f.words"
              :disabled="bench.readOnly"
              maxlength="200"
              @update:model-value="set(f.path, $event.trim() ? $event : null)"
            />
            <span v-if="problemAt(f.path)" class="small wrong" role="alert">{{
              problemAt(f.path)
            }}</span></label
          >
          <ChoiceField
            v-else-if="f.choices"
            :label="f.label"
            :model-value="String(at(f.path) ?? '')"
            :options="f.choices"
            :disabled="bench.readOnly"
            @update:model-value="setChoice(f, $event)"
          />
          <DimensionField
            v-else
            :label="f.label"
            :kind="f.kind ?? 'length'"
            :unit="f.unit ?? ''"
            :model-value="figure(f.path)"
            :units="boats.units"
            :least="f.least"
            :above="f.above"
            :most="f.most"
            :optional="f.optional"
            :placeholder="f.placeholder ?? ''"
            :disabled="bench.readOnly"
            :problem="problemAt(f.path)"
            @update:model-value="setFigure(f, $event)"
          />
        </template>
        <p
          v-for="wrong in g.lists?.map(problemAt).filter(Boolean)"
          :key="wrong!"
          class="small wrong"
          role="alert"
        >
          {{ wrong }}
        </p>
        <div v-if="g.acts?.length && !bench.readOnly" class="acts">
          <ElButton
            v-for="a in g.acts"
            :key="a.label"
            class="act small"
            @click="bench.change({ [a.path]: a.value })"
            >{{ a.label }}</ElButton
          >
        </div>
      </template>
      <slot v-if="i === 0" name="place" />
    </template>
    <slot v-if="due.length === groups.length" />
  </section>
</template>

<style scoped src="./given.css"></style>
<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}
.acts :deep(.el-button + .el-button) {
  margin-left: 0;
}
.wrong {
  color: var(--short);
}
.worded {
  display: grid;
  gap: 2px;
  padding: 4px 0;
}
.given :deep(select) {
  max-width: 150px;
}
</style>
