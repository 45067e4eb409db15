<script setup lang="ts">
import { computed, ref } from 'vue'
import { zoneTitle } from '@north-tide/core'
import { openingMoved } from '@north-tide/core/opening'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useBoats } from '../../state/boats'
import { useOpening } from '../../state/opening'
import { openingGroups, type OpeningField } from './opening-fields'

/** What is given of an opening: by groups, in the order in which one thinks of it. */
const bench = useOpening()
const boats = useBoats()
const d = computed(() => bench.design!)
const groups = computed(() => openingGroups(d.value))
const at = (path: string): unknown =>
  path.split('.').reduce<unknown>((v, k) => (v as Record<string, unknown> | null | undefined)?.[k], d.value)
const figure = (path: string) => (at(path) ?? null) as number | null
const problemAt = (path: string) => (bench.problem?.path === path ? bench.problem.message : null)
/** What a move took with it, in words. */
const moveSaid = ref('')
function set(path: string, value: unknown) {
  const axis = path === 'place.xMm' ? 'xMm' : path === 'place.yMm' ? 'yMm' : null
  if (!axis) return bench.change({ [path]: value })
  const { change, said } = openingMoved(d.value, boats.picture?.zones ?? [], { [axis]: value as number })
  bench.change(change)
  moveSaid.value = said
}
/** An empty figure goes in only where the design may be without it. */
const setFigure = (f: OpeningField, v: number | null) => {
  if (v !== null || f.optional) set(f.path, v)
}
const setChoice = (f: OpeningField, v: string) => set(f.path, v === '' ? null : v)
</script>

<template>
  <section class="given" aria-label="Given" tabindex="0">
    <template v-for="(g, i) in groups" :key="g.title">
      <div v-if="g.fields.length" class="group" :class="{ gap: i > 0 }">
        <h2>{{ g.title }}</h2>
        <span v-if="i === 0" class="soft small">{{
          zoneTitle(boats.picture?.zones ?? [], d.place.zone)
        }}</span>
        <ElButton
          v-else-if="g.part && g.part.there && !bench.readOnly"
          class="small"
          text
          @click="set(g.part.path, null)"
          >{{ g.part.remove }}</ElButton
        >
      </div>
      <p v-if="i === 0 && moveSaid" class="soft small" role="status">{{ moveSaid }}</p>
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
          v-for="said in g.lists?.map(problemAt).filter(Boolean)"
          :key="said!"
          class="small wrong"
          role="alert"
        >
          {{ said }}
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
    </template>
  </section>
</template>

<style scoped>
.given {
  overflow-y: auto;
  padding: 12px 16px 30px 18px;
  scrollbar-gutter: stable;
}
.gap {
  margin-top: 18px;
}
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
