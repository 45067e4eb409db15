<script setup lang="ts">
import { computed } from 'vue'
import type { Units } from '@north-tide/core'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import { blankOf, branchOf, branchTitle, branchesOf, choiceWords, fieldWords, type Schema } from './words'

/**
 * One field of a calculator, made from its schema: choices as words, groups, rows, and dimensions that
 * read what a hand writes.
 */
const props = defineProps<{
  schema: Schema
  modelValue: unknown
  name: string
  path: string
  units: Units
  required: boolean
  error: { path: string; message: string } | null
  /** how its fields are grouped and ordered, by hand */
  layout?: [title: string, fields: string[]][]
}>()
const emit = defineEmits<{ 'update:modelValue': [value: unknown] }>()
const words = computed(() => fieldWords(props.name))
const said = computed(() => (props.error?.path === props.path ? props.error.message : null))
const branches = computed(() => branchesOf(props.schema))
const at = computed(() => (branches.value ? branchOf(branches.value, props.modelValue) : 0))
const scalarUnion = computed(() => branches.value?.every((b) => b.const !== undefined || b.enum))
const shape = computed<Schema>(() => (branches.value ? branches.value[at.value]! : props.schema))
const choices = computed(
  () => props.schema.enum ?? (scalarUnion.value ? branches.value!.flatMap((b) => b.enum ?? [b.const]) : null),
)
const given = computed(() => props.modelValue !== undefined)
const group = computed(() => (props.modelValue ?? {}) as Record<string, unknown>)
const rows = computed(() => (Array.isArray(props.modelValue) ? props.modelValue : []))
const isNumber = computed(() => shape.value.type === 'number' || shape.value.type === 'integer')
const asText = (v: unknown) => String(v)
function set(key: string, value: unknown) {
  const next = { ...group.value }
  if (value === undefined || value === null) delete next[key]
  else next[key] = value
  emit('update:modelValue', next)
}
const setRow = (i: number, value: unknown) =>
  emit(
    'update:modelValue',
    rows.value.map((r, k) => (k === i ? value : r)),
  )
function takeChoice(text: string) {
  emit('update:modelValue', text === '' ? undefined : choices.value!.find((c) => String(c) === text))
}
/** A new branch keeps what it shares with the old one. */
function takeBranch(i: string) {
  const next = blankOf(branches.value![Number(i)]!)
  const keep = branches.value![Number(i)]!.properties ?? {}
  if (next !== null && typeof next === 'object' && !Array.isArray(next)) {
    const old = Object.fromEntries(
      Object.entries(group.value).filter(([k]) => keep[k] && keep[k]!.const === undefined),
    )
    emit('update:modelValue', {
      ...next,
      ...old,
      ...Object.fromEntries(
        Object.entries(keep)
          .filter(([, p]) => p.const !== undefined)
          .map(([k, p]) => [k, p.const]),
      ),
    })
  } else emit('update:modelValue', next)
}
const entries = computed(() =>
  Object.entries(shape.value.properties ?? {}).filter(([, p]) => p.const === undefined),
)
const branchLabel = computed(() => {
  const key = Object.keys(shape.value.properties ?? {}).find(
    (k) => shape.value.properties![k]!.const !== undefined,
  )
  return key ? fieldWords(key).label : 'given as'
})
const needs = (key: string, p: Schema) =>
  shape.value.required?.includes(key) === true && p.default === undefined
/** In the groups of the layout, in its order; a field it does not know comes last, and is never lost. */
const groups = computed(() => {
  const known = new Set(props.layout?.flatMap(([, fields]) => fields))
  const by = new Map(entries.value)
  return [
    ...(props.layout ?? []).map(([title, fields]) => ({
      title,
      entries: fields.flatMap((k): [string, Schema][] => (by.has(k) ? [[k, by.get(k)!]] : [])),
    })),
    { title: '', entries: entries.value.filter(([k]) => !known.has(k)) },
  ].filter((g) => g.entries.length)
})
const sub = (key: string | number) => (props.path ? `${props.path}.${key}` : String(key))
</script>

<template>
  <ChoiceField
    v-if="choices"
    :label="words.label"
    :hint="words.help"
    :model-value="modelValue === undefined ? '' : asText(modelValue)"
    :options="[
      ...(required
        ? []
        : [
            {
              value: '',
              title: schema.default !== undefined ? `${choiceWords(schema.default)} (usual)` : 'not given',
            },
          ]),
      ...choices.map((c) => ({ value: String(c), title: choiceWords(c, choices ?? []) })),
    ]"
    @update:model-value="takeChoice"
  />
  <ElCheckbox
    v-else-if="shape.type === 'boolean'"
    class="tick"
    :title="words.help"
    :model-value="(modelValue ?? schema.default) === true"
    @change="emit('update:modelValue', $event as boolean)"
    >{{ words.label }}</ElCheckbox
  >
  <DimensionField
    v-else-if="isNumber"
    :label="words.label"
    :kind="words.kind"
    :unit="words.unit"
    :units="units"
    :model-value="typeof modelValue === 'number' ? modelValue : null"
    :optional="true"
    :usual="typeof schema.default === 'number' ? schema.default : undefined"
    :placeholder="required ? `needed${words.unit ? `, ${words.unit}` : ''}` : ''"
    :title="words.help"
    :problem="said"
    @update:model-value="emit('update:modelValue', $event ?? undefined)"
  />
  <div v-else-if="shape.type === 'string'" class="text">
    <label :for="`f-${path}`">{{ words.label }}</label><ElInput
      :id="`f-${path}`"
      class="entry"
      :placeholder="words.help"
      :model-value="modelValue ?? ''"
      @update:model-value="emit('update:modelValue', $event || undefined)"
    />
  </div>
  <fieldset v-else-if="shape.type === 'array'">
    <legend>
      {{ words.label }} <span class="soft small">{{ rows.length }}</span>
    </legend>
    <div v-for="(r, i) in rows" :key="i" class="item">
      <SchemaField
        :schema="shape.items ?? {}"
        :model-value="r"
        :name="
          shape.items?.properties || branchesOf(shape.items ?? {})
            ? ''
            : `${words.label} ${i + 1}${name.match(/Deg$|Mm$/)?.[0] ?? ''}`
        "
        :path="sub(i)"
        :units="units"
        required
        :error="error"
        @update:model-value="setRow(i, $event)"
      />
      <ElButton
        class="plain drop"
        :aria-label="`Remove row ${i + 1} of ${words.label}`"
        @click="
          emit(
            'update:modelValue',
            rows.filter((_, k) => k !== i),
          )
        "
      >
        ×
      </ElButton>
    </div>
    <ElButton
      class="act add"
      @click="
        emit('update:modelValue', [
          ...rows,
          rows.length ? JSON.parse(JSON.stringify(rows.at(-1))) : blankOf(shape.items ?? {}),
        ])
      "
    >
      Add a row
    </ElButton>
  </fieldset>
  <fieldset v-else-if="shape.type === 'object'" :class="{ bare: !name }">
    <legend v-if="name">
      <ElCheckbox
        v-if="!required"
        class="tick"
        :model-value="given"
        @change="emit('update:modelValue', ($event as boolean) ? blankOf(schema) : undefined)"
        >{{ words.label }}</ElCheckbox
      >
      <template v-else>{{ words.label }}</template>
    </legend>
    <template v-if="given || required">
      <ChoiceField
        v-if="branches"
        :label="branchLabel"
        :model-value="String(at)"
        :options="branches.map((b, i) => ({ value: String(i), title: branchTitle(b) }))"
        @update:model-value="takeBranch"
      />
      <template v-for="g in groups" :key="g.title">
        <h2 v-if="g.title" class="part">{{ g.title }}</h2>
        <SchemaField
          v-for="[key, p] in g.entries"
          :key="key"
          :schema="p"
          :model-value="group[key]"
          :name="key"
          :path="sub(key)"
          :units="units"
          :required="needs(key, p)"
          :error="error"
          @update:model-value="set(key, $event)"
        />
      </template>
    </template>
  </fieldset>
  <p v-if="said && !isNumber" class="said small" role="alert">{{ said }}</p>
</template>

<style scoped>
.part {
  color: var(--ink-soft);
  margin-top: 8px;
}
fieldset {
  border: 0;
  border-left: 2px solid var(--line-strong);
  margin: 6px 0;
  padding: 2px 0 2px 10px;
  min-width: 0;
}
fieldset.bare {
  border: 0;
  padding: 0;
  margin: 0;
  flex: 1;
}
legend {
  font-weight: 700;
  font-size: var(--text-small);
  padding: 0;
}
.item {
  display: flex;
  gap: 6px;
  align-items: flex-start;
  border-bottom: 1px solid var(--line);
  padding: 3px 0;
}
.item > :first-child {
  flex: 1;
  min-width: 0;
}
.drop {
  min-width: 32px;
  min-height: 32px;
  text-align: center;
  color: var(--short);
  font-size: 1.125rem;
}
.add {
  min-height: 32px;
  font-size: 0.8125rem;
  margin-top: 4px;
}
.tick {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 30px;
}
.tick input {
  accent-color: var(--tide);
  width: 16px;
  height: 16px;
  margin: 0;
}
.text {
  display: grid;
  grid-template-columns: 1fr 130px;
  align-items: center;
  gap: 8px;
}
.said {
  color: var(--short);
}
</style>
