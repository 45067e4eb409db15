<script setup lang="ts">
import { computed, nextTick, reactive, ref } from 'vue'
import { useRoute } from 'vue-router'
import {
  GRADES,
  GRADE_IDS,
  SIZE_IDS,
  STOCK_LENGTHS_IN,
  STOCK_LENGTHS_MM,
  SIZES,
  formatInches,
  type PieceState,
  type ShelfKind,
  type ShelfRow,
} from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import PickOne from '../../pieces/PickOne.vue'
import ReadFile from '../../pieces/ReadFile.vue'
import { useSession } from '../../state/session'
import OffersList from './OffersList.vue'

/** What stands in the drawers, counted by hand, by a scanned label or from a list; and tools. */
type Row = ShelfRow & { version: number }
const session = useSession()
const route = useRoute()
const { said, path, busy, attempt } = useAttempt()
const rows = ref<Row[] | null>(null)
const sought = ref('')
const adding = ref(false)
const done = ref('')
const blank = {
  kind: 'fastener' as ShelfKind,
  text: '',
  what: 'bolt',
  size: 'M8',
  grade: 'A4-70',
  head: 'hex',
  length: 50,
  type: 'locking',
  count: 1,
  state: 'new' as PieceState,
  whereItIs: '',
}
const form = reactive({ ...blank })
const took = async (how: () => Promise<{ shelf: Row[] }>) =>
  attempt(async () => void (rows.value = (await how()).shelf))
void took(() => api('GET', '/shelf')).then(async () => {
  await nextTick()
  document.getElementById(`bin-${String(route.query.bin ?? '')}`)?.focus()
})
const inch = computed(() => SIZES[form.size]!.system === 'inch')
const lengths = computed(() =>
  inch.value
    ? STOCK_LENGTHS_IN.map((value) => ({ value, title: `${formatInches(value * 25.4)} in` }))
    : STOCK_LENGTHS_MM.map((value) => ({ value, title: `${value} mm` })),
)
const item = () => {
  const { size, grade, head, type } = form
  if (form.what !== 'bolt') return { kind: form.what, type, size, grade }
  return {
    kind: 'bolt',
    size,
    grade,
    head,
    ...(inch.value ? { lengthInch: form.length } : { lengthMm: form.length }),
  }
}
const options = (all: readonly string[]) => all.map((value) => ({ value, title: value.replace('-', ' ') }))
const types = computed(() =>
  options(form.what === 'nut' ? ['hex', 'locking', 'all-metal'] : ['plain', 'large']),
)
async function add() {
  const ok = await took(() =>
    api('POST', '/shelf', {
      kind: form.kind,
      ...(form.kind === 'fastener' ? { item: item() } : { text: form.text }),
      count: form.count,
      state: form.state,
      whereItIs: form.whereItIs,
    }),
  )
  if (!ok) return
  adding.value = false
  Object.assign(form, blank)
}
const count = (r: Row, n: number | undefined) =>
  n === undefined || n === r.count
    ? undefined
    : void took(() => api('PUT', `/shelf/${r.id}`, { version: r.version, count: n }))
async function read(file: File) {
  const before = rows.value?.length ?? 0
  const csv = await file.text()
  if (await took(() => api('POST', '/shelf/import', { csv })))
    done.value = `Read: ${rows.value!.length - before} rows.`
}
const bin = computed(() => Number(route.query.bin ?? 0))
const shown = computed(() => {
  const q = sought.value.trim().toLowerCase()
  const label = /^s-?(\d+)$/.exec(q)
  return (rows.value ?? []).filter((r) =>
    label
      ? r.id === Number(label[1])
      : q
        ? `${r.text} ${r.whereItIs}`.toLowerCase().includes(q)
        : !bin.value || r.id === bin.value,
  )
})
const KINDS = [
  { value: 'fastener', title: 'a bolt, nut or washer' },
  { value: 'part', title: 'another part' },
  { value: 'tool', title: 'a tool' },
]
const STATES = [
  { value: 'new', title: 'new' },
  { value: 'used', title: 'used' },
  { value: 'unsure', title: 'not sure' },
]
const WHATS = ['bolt', 'nut', 'washer'].map((value) => ({ value, title: value }))
const grades = GRADE_IDS.map((value) => ({ value, title: GRADES[value].title }))
</script>

<template>
  <section class="shelf" aria-label="On the shelf">
    <p v-if="said && !path" class="alarm" role="alert">{{ said }}</p>
    <p v-if="done" role="status">{{ done }}</p>
    <div class="acts no-print">
      <ElInput
        v-model="sought"
        class="entry seek"
        clearable
        aria-label="What is sought on the shelf, or a drawer’s label"
        placeholder="a word, or a drawer’s label"
      />
      <ElButton class="act main" @click="adding = !adding">Put on the shelf</ElButton>
      <ReadFile accept=".csv,text/csv" words="Read a list (CSV)" @file="read" />
      <a class="act" href="/api/shelf.csv" download>CSV</a>
      <a class="act" href="/api/shelf/labels.pdf" download>Labels</a>
    </div>
    <ElForm v-if="adding" label-position="top" class="new no-print" @submit.prevent="add">
      <ElFormItem label="It is"><PickOne v-model="form.kind" label="It is" :options="KINDS" /></ElFormItem>
      <template v-if="form.kind === 'fastener'">
        <ElFormItem label="Which"
          ><PickOne
            v-model="form.what"
            label="Which"
            :options="WHATS"
            @update:model-value="form.type = form.what === 'washer' ? 'plain' : 'locking'"
        /></ElFormItem>
        <ElFormItem label="Size" :error="path === 'item.size' ? said : ''"
          ><PickOne
            v-model="form.size"
            label="Size"
            :options="SIZE_IDS.map((value) => ({ value, title: value }))"
            @update:model-value="form.length = inch ? 2 : 50"
        /></ElFormItem>
        <ElFormItem label="Metal"
          ><PickOne v-model="form.grade" label="Metal" :options="grades"
        /></ElFormItem>
        <template v-if="form.what === 'bolt'">
          <ElFormItem label="Head"
            ><PickOne
              v-model="form.head"
              label="Head"
              :options="options(['hex', 'pan', 'button', 'socket', 'countersunk'])"
          /></ElFormItem>
          <ElFormItem label="Length" :error="path.startsWith('item.length') ? said : ''"
            ><PickOne v-model="form.length" label="Length" :options="lengths"
          /></ElFormItem>
        </template>
        <ElFormItem v-else label="Kind"
          ><PickOne v-model="form.type" label="Kind" :options="types"
        /></ElFormItem>
      </template>
      <ElFormItem v-else label="What it is" for="shelf-text" :error="path === 'text' ? said : ''"
        ><ElInput id="shelf-text" v-model="form.text" maxlength="200" placeholder="as the parts list says it"
      /></ElFormItem>
      <ElFormItem label="How many" for="shelf-count" :error="path === 'count' ? said : ''"
        ><ElInputNumber id="shelf-count" v-model="form.count" :min="0" :max="10000" :precision="0"
      /></ElFormItem>
      <ElFormItem label="State"><PickOne v-model="form.state" label="State" :options="STATES" /></ElFormItem>
      <ElFormItem label="Where it is" for="shelf-where"
        ><ElInput id="shelf-where" v-model="form.whereItIs" maxlength="80"
      /></ElFormItem>
      <div class="acts">
        <ElButton class="act main" native-type="submit" :disabled="busy">Keep it</ElButton>
        <ElButton class="act" @click="adding = false">Leave it</ElButton>
      </div>
    </ElForm>
    <ElSkeleton v-if="!rows && !said" :rows="6" animated />
    <ul v-else-if="shown.length" class="bins">
      <li v-for="r in shown" :key="r.id">
        <span class="figure code">S-{{ r.id }}</span>
        <span class="what"
          >{{ r.text }}<span v-if="r.state !== 'new'" class="near small"> {{ r.state }}</span
          ><span class="soft small"> {{ r.whereItIs }}</span></span
        >
        <ElInputNumber
          :id="`bin-${r.id}`"
          :model-value="r.count"
          :min="0"
          :max="10000"
          :precision="0"
          :aria-label="`How many of ${r.text}`"
          @change="count(r, $event)"
        />
      </li>
    </ul>
    <ElEmpty v-else-if="rows" :image-size="60" description="Nothing on the shelf is called that." />
    <OffersList v-if="session.may('stores')" />
  </section>
</template>

<style scoped>
.shelf {
  display: grid;
  gap: 12px;
  min-width: 0;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.seek {
  flex: 1 1 220px;
  max-width: 340px;
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 180px), 1fr));
  gap: 2px 14px;
  align-items: end;
  border: 1px solid var(--line);
  padding: 10px 12px;
}
.bins {
  list-style: none;
  padding: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 0 28px;
}
.bins li {
  display: flex;
  align-items: center;
  gap: 10px;
  border-bottom: 1px solid var(--line);
  padding: 5px 0;
}
.what {
  flex: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
  align-items: baseline;
}
.code {
  color: var(--soft);
  min-width: 44px;
}
.near {
  color: var(--tight);
  font-weight: 600;
}
.alarm {
  color: var(--short);
  font-weight: 600;
}
</style>
