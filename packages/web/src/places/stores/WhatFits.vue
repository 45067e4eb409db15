<script setup lang="ts">
import { ref, watch } from 'vue'
import { sayIn, type GoesBack, type Spare } from '@north-tide/core'
import { api } from '../../api'
import { benchOf } from '../../kinds/registry'
import { useAttempt } from '../../pieces/attempt'
import { useBoats } from '../../state/boats'

/** Pieces that a fitting has and wants no more, and who wants them; what goes back to its maker. */
const props = defineProps<{ turn: number }>()
const emit = defineEmits<{ put: [] }>()
const boats = useBoats()
const { said, busy, attempt } = useAttempt()
const fits = ref<{ spare: Spare[]; back: GoesBack[] } | null>(null)
const load = () =>
  attempt(async () => {
    if (boats.picture)
      fits.value = await api<{ spare: Spare[]; back: GoesBack[] }>('GET', `/boats/${boats.picture.id}/fits`)
  })
watch([() => props.turn, () => boats.picture?.id], load, { immediate: true })
async function put({ fittingId, text, count }: Spare) {
  const ok = await attempt((key) => api('POST', '/orders/put-back', { fittingId, text, count }, key))
  if (!ok) return
  await load()
  emit('put')
}
</script>

<template>
  <section v-if="said || fits?.spare.length || fits?.back.length" aria-label="What fits what is here">
    <h2>What fits what is here</h2>
    <p v-if="said" class="alarm" role="alert">{{ said }}</p>
    <ul>
      <li v-for="s in fits?.spare ?? []" :key="s.fittingId + s.text">
        <span
          ><strong>{{ s.count }} {{ s.text }}</strong> of
          <RouterLink :to="benchOf({ kind: s.kind, id: s.fittingId })">{{ s.fitting }}</RouterLink>
          {{ s.count === 1 ? 'is' : 'are' }} wanted there no more:
          <template v-if="s.fits.length"
            >{{ s.fits.map((f) => `${f.name} wants ${f.count}`).join(', ') }}.</template
          ><template v-else>no open work wants them now.</template></span
        >
        <ElButton class="act small" :disabled="busy" @click="put(s)">Put on the shelf</ElButton>
      </li>
      <li v-for="b in fits?.back ?? []" :key="b.fittingId + b.what">
        <span
          ><strong>Back to its maker:</strong>
          <RouterLink :to="benchOf({ kind: b.kind, id: b.fittingId })">{{ b.fitting }}</RouterLink>,
          {{ b.what.toLowerCase() }}: {{ sayIn(b.because, boats.units) }}</span
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
}
ul {
  display: grid;
  gap: 6px;
  padding: 0;
  list-style: none;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 6px 14px;
  border-bottom: 1px solid var(--line);
  padding-bottom: 6px;
}
.alarm {
  color: var(--short);
}
</style>
