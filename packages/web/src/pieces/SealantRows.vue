<script setup lang="ts">
import { SEALANTS, sayIn, type SealantChoice, type SealantId } from '@north-tide/core'
import { useBoats } from '../state/boats'

/** What may seal one joint, the best first, each with what speaks for or against it. */
defineProps<{ title: string; choice: SealantChoice; chosen: SealantId | null; readOnly: boolean }>()
const emit = defineEmits<{ take: [id: SealantId] }>()
const boats = useBoats()
const FIT = { fits: 'fits', 'fits-with-care': 'with care', refused: 'refused' } as const
const why = (c: SealantChoice['choices'][number]) =>
  sayIn(
    c.reasons
      .filter((r) => r.effect !== 'note')
      .map((r) => r.text)
      .join(' '),
    boats.units,
  )
</script>

<template>
  <section :aria-label="title">
    <h3>{{ title }}</h3>
    <ul>
      <li
        v-for="c in choice.choices"
        :key="c.id"
        :class="{ on: c.id === chosen, refused: c.verdict === 'refused' }"
      >
        <p>
          <strong>{{ SEALANTS[c.id].title }}</strong> <span class="soft small">{{ FIT[c.verdict] }}</span>
        </p>
        <p v-if="why(c)" class="small soft">{{ why(c) }}</p>
        <ElButton
          v-if="!readOnly && c.id !== chosen && c.verdict !== 'refused'"
          class="act"
          @click="emit('take', c.id)"
          >Take it</ElButton
        >
        <span v-else-if="c.id === chosen" class="small">chosen</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  padding: 7px 10px;
  border-bottom: 1px solid var(--line);
  border-left: 3px solid transparent;
}
li.on {
  border-left-color: var(--tide);
  background: var(--tide-soft);
}
li.refused {
  opacity: 0.75;
}
</style>
