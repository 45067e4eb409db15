<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { lifeSaid } from '@north-tide/core'
import { api } from '../api'
import { benchOf, kindOnScreen } from '../kinds/registry'
import { useBoats } from '../state/boats'
import type { Lot } from '../types'

const boats = useBoats()
const router = useRouter()
const text = ref('')
const field = ref<HTMLInputElement>()
const open = ref(false)
const at = ref(0)
const lots = ref<Lot[]>([])
const focus = () => field.value?.focus()
defineExpose({ focus })

async function begin() {
  open.value = true
  if (!lots.value.length) lots.value = await api<Lot[]>('GET', '/lots').catch(() => [])
}
const found = computed(() => {
  const words = text.value.toLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return []
  const all = [
    ...(boats.picture?.holes ?? []).map((h) => ({
      kind: 'hole',
      title: `${h.label} ${h.whatFor}`,
      detail: lifeSaid(h.state),
      to: `/register/${h.id}`,
    })),
    ...(boats.picture?.fittings ?? []).map((f) => ({
      kind: 'fitting',
      title: f.name,
      detail: f.verdict,
      to: `/bench/${f.id}`,
    })),
    ...[...(boats.picture?.throughHulls ?? []), ...(boats.picture?.others ?? [])].map((f) => ({
      kind: kindOnScreen(f.kind)?.title ?? f.kind.replaceAll('-', ' '),
      title: f.name,
      detail: f.verdict,
      to: benchOf(f),
    })),
    ...boats.list.map((b) => ({ kind: 'boat', title: b.name, detail: b.kind, to: `/boat/${b.id}` })),
    ...lots.value.map((l) => ({
      kind: 'lot',
      title: `${l.code} ${l.title}`,
      detail: `until ${l.expiresOn}`,
      to: '/stores',
    })),
  ]
  return all
    .filter((x) => words.every((w) => `${x.kind} ${x.title} ${x.detail}`.toLowerCase().includes(w)))
    .slice(0, 9)
})
async function go(to: string) {
  open.value = false
  text.value = ''
  field.value?.blur()
  if (to.startsWith('/boat/')) await boats.open(to.slice(6))
  await router.push(to)
}
function key(e: KeyboardEvent) {
  const n = found.value.length
  if (e.key === 'ArrowDown' && n) at.value = (at.value + 1) % n
  else if (e.key === 'ArrowUp' && n) at.value = (at.value + n - 1) % n
  else if (e.key === 'Enter' && found.value[at.value]) void go(found.value[at.value]!.to)
  else if (e.key === 'Escape') field.value?.blur()
  else return
  e.preventDefault()
}
const later = () => setTimeout(() => (open.value = false), 150)
</script>

<template>
  <div class="find">
    <input
      ref="field"
      v-model="text"
      type="search"
      role="combobox"
      aria-label="Find a hole, fitting, boat or lot"
      :aria-expanded="open && found.length > 0"
      aria-controls="found"
      :aria-activedescendant="open && found.length ? `found-${at}` : undefined"
      placeholder="Find a hole, fitting, lot"
      @focus="begin"
      @blur="later"
      @keydown="key"
      @input="at = 0"
    />
    <kbd aria-hidden="true">/</kbd>
    <ul v-show="open && text.trim()" id="found" role="listbox" aria-label="Found">
      <li
        v-for="(f, i) in found"
        :id="`found-${i}`"
        :key="f.to + f.title"
        role="option"
        :aria-selected="i === at"
        @mousedown.prevent="go(f.to)"
      >
        <span class="soft small">{{ f.kind }}</span> {{ f.title }}
        <span class="soft small">{{ f.detail }}</span>
      </li>
      <li v-if="!found.length" role="option" aria-selected="false" class="soft">
        Nothing called “{{ text }}”
      </li>
    </ul>
  </div>
</template>

<style scoped>
.find {
  position: relative;
  width: 230px;
  flex: none;
}
input {
  width: 100%;
  height: 34px;
  border: 1px solid var(--ink-soft);
  border-radius: var(--radius);
  background: var(--sheet);
  color: var(--ink);
  font: 400 14px var(--words);
  padding: 0 28px 0 10px;
}
input::placeholder {
  color: var(--ink-soft);
  opacity: 1;
}
kbd {
  position: absolute;
  right: 10px;
  top: 8px;
  font: 600 13px var(--figures);
  color: var(--ink-soft);
}
ul {
  position: absolute;
  z-index: 30;
  top: 38px;
  right: 0;
  width: 420px;
  margin: 0;
  padding: 4px 0;
  list-style: none;
  background: var(--sheet);
  border: 1px solid var(--ink);
  border-radius: var(--radius);
}
li {
  padding: 8px 12px;
  cursor: pointer;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
li[aria-selected='true'],
li:hover {
  background: var(--tide-soft);
}
</style>
