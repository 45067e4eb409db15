<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { asMeasured, isListed, type OwnGoods, type PartKind } from '@north-tide/core/through-hull'
import { ApiRefusal } from '../../api'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import HeldText from '../../pieces/HeldText.vue'
import { readJson } from '../../pieces/files'
import { PART_FIELDS, PART_TITLES, at } from './part-fields'
import ReadFile from '../../pieces/ReadFile.vue'

/**
 * The parts as they are in the hand: every figure that the list gives can be measured and put right, and
 * kept for the yard.
 */
const throughHull = useThroughHull()
const boats = useBoats()
const d = computed(() => throughHull.design!)
const off = computed(() => throughHull.readOnly)
const kinds = computed(() => (['skin', 'valve', 'tail'] as const).filter((k) => d.value[k] !== null))
/** A body without a thread of its own (a transducer, a drain socket) has none to measure. */
const fields = (k: PartKind) =>
  PART_FIELDS[k].filter((f) => !f.path.startsWith('thread.') || at(d.value[k], 'thread') !== null)
const figure = (k: PartKind, path: string) => at(d.value[k], path) as number | null
const set = (k: PartKind, path: string, v: unknown) =>
  throughHull.change(asMeasured(d.value, k, { [path]: v }))
const rename = (k: PartKind, title: string) => title.trim() && set(k, 'title', title.trim())
const number = reactive<Record<PartKind, string>>({ skin: '', valve: '', tail: '' })
const said = ref('')
const done = ref('')
const kept = (k: PartKind) => d.value[k]?.id ?? null
const isOwn = (id: string | null) => id !== null && boats.goods.some((g) => g.part.id === id)
async function tryIt(run: () => Promise<string>) {
  said.value = done.value = ''
  try {
    done.value = await run()
  } catch (error) {
    said.value =
      error instanceof ApiRefusal
        ? error.refusal.message
        : error instanceof Error
          ? error.message
          : 'It was not done'
  }
}
const keep = (k: PartKind) =>
  tryIt(async () => {
    const id = number[k].trim()
    await boats.keepGoods({ kind: k, part: { ...d.value[k]!, id } } as OwnGoods)
    throughHull.change({ [`${k}.id`]: id })
    number[k] = ''
    return `${id} is in the yard’s list.`
  })
const drop = (id: string) =>
  tryIt(async () => {
    await boats.dropGoods(id)
    return `${id} is out of the yard’s list; fittings that have it keep it.`
  })
const readFile = (chosen: File) =>
  tryIt(async () => {
    const before = boats.goods.length
    await boats.readGoods(await readJson(chosen, 'a file of through-hull parts'))
    return `Read; ${boats.goods.length - before} new in the yard’s list.`
  })
</script>

<template>
  <div class="parts">
    <section
      v-for="k in kinds"
      :key="k"
      :data-part="k"
      :aria-label="`Figures of the ${PART_TITLES[k].toLowerCase()}`"
    >
      <h3>
        {{ PART_TITLES[k] }}
        <span class="soft small">{{
          kept(k) ? `${kept(k)}${isOwn(kept(k)) ? ', the yard’s own' : ''}` : 'measured here'
        }}</span>
      </h3>
      <label class="hidden-words" :for="`title-${k}`">Name of the {{ PART_TITLES[k].toLowerCase() }}</label
      ><HeldText
        :id="`title-${k}`"
        class="entry name"
        :model-value="d[k]!.title"
        maxlength="120"
        :readonly="off"
        @update:model-value="rename(k, $event)"
      />
      <form v-if="!off && kept(k) === null" class="keep" @submit.prevent="keep(k)">
        <label :for="`number-${k}`">Keep it for the yard as</label
        ><ElInput
          :id="`number-${k}`"
          v-model="number[k]"
          class="entry"
          maxlength="39"
          placeholder="number of your own"
        /><ElButton class="act" :disabled="!number[k].trim()" native-type="submit">Keep</ElButton>
        <p v-if="isListed(number[k].trim())" class="small soft">That number stands in the list.</p>
      </form>
      <template v-for="f in fields(k)" :key="f.path">
        <ChoiceField
          v-if="f.choices"
          :label="f.label"
          :model-value="String(at(d[k], f.path))"
          :options="f.choices"
          :disabled="off"
          :hint="f.hint"
          @update:model-value="set(k, f.path, $event)"
        />
        <DimensionField
          v-else
          :label="f.label"
          :kind="f.kind ?? 'length'"
          :unit="f.unit ?? ''"
          :model-value="figure(k, f.path)"
          :units="boats.units"
          :above="f.above"
          :least="f.least"
          :most="f.most"
          :optional="f.optional"
          :placeholder="f.optional ? 'open' : ''"
          :title="f.hint"
          :disabled="off"
          @update:model-value="set(k, f.path, $event)"
        />
      </template>
    </section>
    <section class="own" aria-label="The yard’s own parts">
      <h3>The yard’s own</h3>
      <p v-if="said" class="bad small" role="alert">{{ said }}</p>
      <p v-else-if="done" class="small" role="status">{{ done }}</p>
      <ul v-if="boats.goods.length">
        <li v-for="g in boats.goods" :key="g.part.id">
          <span
            ><strong class="figure">{{ g.part.id }}</strong> {{ g.part.title }}</span
          ><ElButton
            v-if="!off"
            class="plain gone"
            :aria-label="`Take ${g.part.id} off the yard’s list`"
            @click="drop(g.part.id)"
          >
            ✕
          </ElButton>
        </li>
      </ul>
      <p v-else class="soft small">
        None yet. Measure a part that is not in the list, and keep it under a number.
      </p>
      <p class="acts">
        <a v-if="boats.goods.length" class="act" href="/api/goods.json" download>As JSON</a
        ><ReadFile v-if="!off" accept="application/json,.json" words="Read a file …" @file="readFile" />
      </p>
      <p class="soft small">
        A part that is changed here loses its number, so that nothing is ordered by a number that says
        something else.
      </p>
    </section>
  </div>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 4px 26px;
  align-items: start;
}
section {
  display: grid;
  gap: 2px;
}
.name {
  width: 100%;
  text-align: left;
  font-family: var(--words);
  margin-bottom: 4px;
}
section :deep(select) {
  max-width: 150px;
}
.keep {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 8px;
  padding: 2px 0 8px;
  border-bottom: 1px solid var(--line-strong);
}
.keep label,
.keep p {
  grid-column: 1 / -1;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  border-bottom: 1px solid var(--line);
  min-height: 34px;
  align-items: center;
}
.gone {
  color: var(--short);
  min-width: 32px;
  min-height: 32px;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
  padding: 6px 0;
}
.bad {
  color: var(--short);
  font-weight: 600;
}
</style>
