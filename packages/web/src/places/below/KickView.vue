<script setup lang="ts">
import { computed } from 'vue'
import { formatForce, formatLength, schoolsFor, sayIn } from '@north-tide/core'
import { METHOD_TITLE } from '@north-tide/core/below'
import { useBelow } from '../../stores/below'
import { useBoats } from '../../stores/boats'
import VerdictSign from '../../pieces/VerdictSign.vue'

/** Will it take a kick: the three ways of holding it beside each other, in the worst direction. */
const below = useBelow()
const boats = useBoats()
const j = computed(() => below.judgement!)
const d = computed(() => below.design!)
const schools = schoolsFor('Seacock bolts')
</script>

<template>
  <div class="kick">
    <div>
      <p><strong>2.22 kN across its inboard end</strong>, {{ formatLength(d.valve!.heightMm, boats.units) }} above the pad, in the worst of 36 directions. <span class="soft">Nobody promised to step round it.</span></p>
      <table class="rows" aria-label="Ways of holding it">
        <thead><tr><th></th><th>Held by</th><th class="number">Used</th><th>What governs</th><th></th></tr></thead>
        <tbody><tr v-for="k in j.kickSchools" :key="k.method" :class="{ on: k.method === d.hold.method }" :data-method="k.method" :data-verdict="k.verdict"><td><VerdictSign :verdict="k.verdict" :size="16" /></td><td>{{ METHOD_TITLE[k.method] }}{{ k.method === d.hold.method ? ', chosen' : '' }}</td><td class="number">{{ k.utilisation?.toFixed(2) }}</td><td>{{ k.governing.toLowerCase() }}</td><td><button v-if="k.method !== d.hold.method && !below.readOnly" class="act" @click="below.change({ 'hold.method': k.method })">Choose</button></td></tr></tbody>
      </table>
      <p v-if="!j.kickSchools.length" class="soft">A flange with its bolt circle and a pad, or a tail whose thread root is known, are needed for this.</p>
      <p v-if="j.kick?.bolts" class="soft small">The most pulled bolt: {{ formatForce(j.kick.bolts.maxTensionN, boats.units) }}; each shears {{ formatForce(j.kick.bolts.shearN, boats.units) }}.</p>
    </div>
    <div>
      <h3>Checks</h3>
      <ul class="checks"><li v-for="c in j.checks.filter((q) => q.id.startsWith('kick'))" :key="c.id"><VerdictSign :verdict="c.verdict" :size="16" /><span><strong>{{ c.title.replace('Kick: ', '') }}</strong> <span class="figure">{{ c.utilisation?.toFixed(2) }}</span><br /><span class="small">{{ sayIn(c.because, boats.units) }}</span></span></li></ul>
    </div>
    <div><h3>Schools</h3><div v-for="s in schools" :key="s.id" class="small school"><strong>{{ s.choice }}.</strong> {{ s.reason }} <span class="soft">Costs: {{ s.costs }} Not: {{ s.notWhen }}</span></div></div>
  </div>
</template>

<style scoped>
.kick { display: grid; grid-template-columns: minmax(0, 1.3fr) minmax(0, 1.2fr) 240px; gap: 22px; }
.on td { background: var(--tide-soft); }
.checks { list-style: none; margin: 0; padding: 0; display: grid; gap: 6px; }
.checks li { display: flex; gap: 8px; }
.school { padding-bottom: 8px; }
@media (max-width: 1180px) { .kick { grid-template-columns: minmax(0, 1fr) minmax(0, 1fr); } }
</style>
