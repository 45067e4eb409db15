<script setup lang="ts">
import { computed } from 'vue'
import { LIFE_STATES, checkNamed, lifeSaid, type Units } from '@north-tide/core'
import LifeSign from '../../pieces/LifeSign.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import type { BoatPicture } from '../../types'

/** Beside the map: what has to be settled first, the signs of holes and how many there are, what is lit. */
const props = defineProps<{
  boat: BoatPicture
  units: Units
  lit: Set<number> | null
  litFittings: Set<string> | null
}>()
const emit = defineEmits<{ all: [] }>()
const ORDER = { short: 0, unproven: 1, tight: 2, holds: 3 }
/** What was replaced is no longer in the hull. */
const settleThroughHull = computed(() =>
  props.boat.throughHulls
    .filter((f) => f.verdict !== 'holds' && !props.boat.throughHulls.some((o) => o.replacesId === f.id))
    .slice()
    .sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]),
)
const settle = computed(() =>
  [...props.boat.fittings, ...props.boat.others]
    .filter((f) => f.verdict !== 'holds' || f.stale)
    .slice()
    .sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]),
)
const suspects = computed(() => props.boat.holes.filter((h) => h.state === 'suspect'))
const counted = computed(() =>
  LIFE_STATES.map((s) => ({ state: s, n: props.boat.holes.filter((h) => h.state === s).length })),
)
</script>

<template>
  <div class="group">
    <h2>Settle first</h2>
    <span class="soft small"
      >{{ settle.length + settleThroughHull.length }} fitting{{
        settle.length + settleThroughHull.length === 1 ? '' : 's'
      }}</span
    >
  </div>
  <p v-if="!boat.fittings.length && !boat.throughHulls.length && !boat.others.length" class="soft">
    No fitting stands on this boat yet. Click the deck where one goes.
  </p>
  <p v-else-if="!settle.length && !settleThroughHull.length" class="soft">Every fitting holds.</p>
  <ul class="list">
    <li v-for="f in settle" :key="f.id">
      <RouterLink :to="`/bench/${f.id}`"
        ><VerdictSign :verdict="f.verdict" :size="16" /><span
          ><strong>{{ f.name }}</strong
          ><small
            >{{ f.stale ? 'stale, judged again: ' : '' }}{{ f.solverDue ? 'hand checks only so far: ' : ''
            }}{{ f.verdict }}{{ f.governing ? `: ${checkNamed(f.governing).toLowerCase()}` : '' }}</small
          ></span
        ></RouterLink
      >
    </li>
    <li v-for="f in settleThroughHull" :key="f.id">
      <RouterLink :to="`/through-hulls/${f.id}`"
        ><VerdictSign :verdict="f.verdict" :size="16" /><span
          ><strong>{{ f.name }}</strong
          ><small
            >through the hull, {{ f.verdict
            }}{{ f.governing ? `: ${checkNamed(f.governing).toLowerCase()}` : '' }}</small
          ></span
        ></RouterLink
      >
    </li>
    <li v-if="suspects.length">
      <RouterLink to="/register?state=suspect"
        ><LifeSign state="suspect" /><span
          ><strong>{{ suspects.length }} suspect hole{{ suspects.length === 1 ? '' : 's' }}</strong
          ><small
            >{{
              suspects
                .slice(0, 4)
                .map((h) => h.label)
                .join(', ')
            }}{{ suspects.length > 4 ? ' …' : '' }}</small
          ></span
        ></RouterLink
      >
    </li>
  </ul>
  <div class="group signs-head">
    <h2>Signs</h2>
    <span class="soft small">life of a hole</span>
  </div>
  <ul class="signs">
    <li v-for="c in counted" :key="c.state">
      <LifeSign :state="c.state" /> {{ lifeSaid(c.state) }}
      <span class="figure soft">{{ c.n || '' }}</span>
    </li>
  </ul>
  <p v-if="lit" class="soft small lit" role="status">
    {{ lit.size }} of {{ boat.holes.length }} holes lit{{
      litFittings?.size ? `, ${litFittings.size} fittings` : ''
    }}.
    <ElButton class="plain link" @click="emit('all')"> Show all </ElButton>
  </p>
  <p class="files small no-print">
    Map as <a :href="`/api/boats/${boat.id}/map.pdf?units=${units}`" download>PDF</a>,
    <a :href="`/api/boats/${boat.id}/map.svg?units=${units}`" download>SVG</a>,
    <a :href="`/api/boats/${boat.id}/map.dxf?units=${units}`" download>DXF</a>
  </p>
  <p v-if="boat.note" class="soft small note">{{ boat.note }}</p>
</template>

<style scoped>
.link {
  color: var(--tide);
  text-decoration: underline;
  min-height: 32px;
}
.lit {
  padding: 8px 0;
}
.files {
  padding-top: 12px;
}
.list {
  list-style: none;
  margin: 0 0 14px;
  padding: 0;
}
.list a {
  display: flex;
  gap: 11px;
  align-items: flex-start;
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
  color: inherit;
  text-decoration: none;
  min-height: var(--touch);
}
.list a:hover strong {
  text-decoration: underline;
}
.list svg {
  margin-top: 3px;
}
small {
  display: block;
  color: var(--ink-soft);
  font-size: var(--text-small);
}
.signs {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 7px 8px;
  font-size: 0.875rem;
}
.signs li {
  display: flex;
  align-items: center;
  gap: 7px;
  white-space: nowrap;
}
.note {
  margin-top: 14px;
}
@media (max-width: 1100px) {
  .signs {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 767px) {
  .signs {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
