<script setup lang="ts">
import { nextTick, onMounted, ref } from 'vue'
import { useMutationObserver } from '@vueuse/core'
import { useRouter } from 'vue-router'
import type { AutocompleteInstance } from 'element-plus'
import type { Findable } from '../state/find'
import { useBoats } from '../state/boats'

const boats = useBoats()
const router = useRouter()
const text = ref('')
const field = ref<AutocompleteInstance>()
/** `words`: what was typed while it was on its way. */
async function focus(words = '') {
  field.value?.focus()
  if (!words) return
  text.value = words
  await nextTick()
  field.value?.getData(words)
}
defineExpose({ focus })

/** Made anew whenever somebody begins to look: holes and fittings come and go. */
let find: Promise<(text: string) => Findable[]> | null = null
function begin() {
  find = import('../state/find').then(({ finder }) =>
    finder({ picture: boats.picture, list: boats.list, goods: boats.goods }),
  )
}
/**
 * The field says of itself that it is plain text with a list at hand; it is a combobox, and what it points to
 * must be there.
 */
const host = ref<HTMLElement>()
function mended() {
  const input = host.value?.querySelector('input')
  if (!input) return
  if (input.getAttribute('role') !== 'combobox') input.setAttribute('role', 'combobox')
  const open = !(input.getAttribute('aria-activedescendant') ?? '--1').endsWith('--1')
  if (!open) input.removeAttribute('aria-activedescendant')
  if (input.getAttribute('aria-expanded') !== String(open)) input.setAttribute('aria-expanded', String(open))
}
useMutationObserver(host, mended, { subtree: true, attributeFilter: ['role', 'aria-activedescendant'] })
onMounted(() => void nextTick(mended))
const NOTHING = 'nothing'
async function ask(words: string, show: (found: Record<string, unknown>[]) => void) {
  if (!words.trim()) return show([])
  if (!find) begin()
  const found = await find!.then((f) => f(words))
  show(found.length ? found.map((f) => ({ ...f })) : [{ id: NOTHING, title: words }])
}
async function go(picked: Record<string, unknown>) {
  text.value = ''
  const to = picked.to as string | undefined
  if (!to) return
  // The keys belong to the bench again, also where the press left them in the field.
  await nextTick()
  field.value?.blur()
  ;(document.activeElement as HTMLElement | null)?.blur()
  if (to.startsWith('/boat/')) await boats.open(to.slice(6))
  await router.push(to)
}
</script>

<template>
  <div ref="host" class="find">
    <ElAutocomplete
      ref="field"
      v-model="text"
      :fetch-suggestions="ask"
      :trigger-on-focus="false"
      :debounce="0"
      :teleported="false"
      highlight-first-item
      value-key="title"
      fit-input-width
      popper-class="found"
      placement="bottom-end"
      aria-label="Find a fitting, hole, lot, part, boat or sum"
      placeholder="Find a fitting, hole, sum"
      @focus="begin"
      @select="go"
      @keydown.esc="field?.blur()"
    >
      <template #default="{ item: f }">
        <span v-if="f.id === NOTHING" class="soft">Nothing called “{{ f.title }}”</span>
        <template v-else
          ><span class="soft small">{{ f.kind }}</span> {{ f.title }}
          <span class="soft small">{{ f.detail }}</span></template
        >
      </template>
    </ElAutocomplete>
    <kbd aria-hidden="true">/</kbd>
  </div>
</template>

<style scoped>
.find {
  position: relative;
  width: 240px;
  min-width: 110px;
  /* It gives way before the boat's name does. */
  flex: 0 30 auto;
}
kbd {
  position: absolute;
  right: 10px;
  top: 8px;
  font: 600 0.8125rem var(--figures);
  color: var(--ink-soft);
}
@media (pointer: coarse), (max-width: 767px) {
  kbd {
    display: none;
  }
}
</style>
