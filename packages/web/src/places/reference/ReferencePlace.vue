<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import {
  BSP,
  CAUTIONS,
  CLOTHS,
  CORES,
  CORES_SOURCE,
  DUTY_FACTORS,
  FASTENERS_SOURCE,
  GLAZING,
  GLAZING_SOURCE,
  GRADES,
  LAMINATES,
  LAMINATES_SOURCE,
  LINES,
  LINES_SOURCE,
  NP,
  PLATES,
  PLATES_SOURCE,
  POTENTIALS,
  POTENTIALS_SOURCE,
  SCHOOLS,
  SEALANTS,
  SEALANTS_SOURCE,
  SIZES,
  THREAD_SIZES,
  formatLength,
  laminateProperties,
  type LaminateId,
} from '@north-tide/core'
import { useBoats } from '../../state/boats'
import YardValues from './YardValues.vue'
import RowTable from '../../pieces/RowTable.vue'

const boats = useBoats()
const route = useRoute()
const words = ref('')
const mm = (v: number) => formatLength(v, boats.units, 2)
const n = (v: number) => String(Number(v.toPrecision(3)))
interface Page {
  id: string
  title: string
  source: string
  heads: string[]
  rows: string[][]
}
const pages = computed<Page[]>(() => [
  {
    id: 'schools',
    title: 'Schools',
    source: 'Where good fitters disagree',
    heads: ['Question', 'School', 'Why', 'Costs', 'Not'],
    rows: SCHOOLS.map((s) => [
      s.question,
      s.usual ? `${s.choice} (usual)` : s.choice,
      s.reason,
      s.costs,
      s.notWhen,
    ]),
  },
  {
    id: 'factors',
    title: 'Factors',
    source: 'chapter 0: on strength, by the duty of the boat',
    heads: ['On', 'sheltered', 'coastal', 'ocean'],
    rows: (
      [
        ['metal, on yield or proof', 'metal'],
        ['laminate, on ultimate', 'laminate'],
        ['core, shear and crush', 'core'],
        ['secondary bond', 'bond'],
        ['glazing plastics', 'glazing'],
      ] as const
    ).map(([t, k]) => [
      t,
      ...(['sheltered', 'coastal', 'ocean'] as const).map((d) => String(DUTY_FACTORS[d][k])),
    ]),
  },
  {
    id: 'sizes',
    title: 'Fastener sizes',
    source: FASTENERS_SOURCE,
    heads: [
      'Size',
      'Pitch',
      'Stress area mm\u00b2',
      'Clearance',
      'Tap drill',
      'Hex nut',
      'Locking nut',
      'Plain washer',
      'Large washer',
    ],
    rows: Object.values(SIZES).map((s) => [
      s.id,
      mm(s.pitchMm),
      s.stressAreaMm2.toFixed(1),
      mm(s.clearanceMm),
      mm(s.tapDrillMm),
      mm(s.hexNutMm),
      mm(s.lockingNutMm),
      `${mm(s.plainWasher.diameterMm)} \u00d7 ${mm(s.plainWasher.thicknessMm)}`,
      `${mm(s.largeWasher.diameterMm)} \u00d7 ${mm(s.largeWasher.thicknessMm)}`,
    ]),
  },
  {
    id: 'grades',
    title: 'Grades',
    source: 'chapter 2.2, MPa',
    heads: ['Grade', 'Yield or proof', 'Ultimate', 'E', 'Where'],
    rows: Object.values(GRADES).map((g) => [
      g.title,
      String(g.proofMPa),
      String(g.ultimateMPa),
      String(g.eMPa),
      g.where,
    ]),
  },
  {
    id: 'laminates',
    title: 'Laminates',
    source: `${LAMINATES_SOURCE}, MPa; estimates until a coupon replaces them`,
    heads: [
      'Laminate',
      'Fibre by mass',
      'E',
      'Bending',
      'Tensile',
      'In-plane shear',
      'Bearing',
      'Punching',
      'Through',
    ],
    rows: (Object.keys(LAMINATES) as LaminateId[]).flatMap((id) =>
      [LAMINATES[id].least, LAMINATES[id].typical, LAMINATES[id].most].map((f) => {
        const p = laminateProperties(id, f)
        return [
          LAMINATES[id].title,
          f === LAMINATES[id].typical ? `${f} (usual)` : String(f),
          n(p.eMPa),
          n(p.bendingMPa),
          n(p.tensileMPa),
          n(p.inPlaneShearMPa),
          n(p.bearingMPa),
          n(p.punchingMPa),
          n(p.throughMPa),
        ]
      }),
    ),
  },
  {
    id: 'cores',
    title: 'Cores',
    source: `${CORES_SOURCE}, MPa`,
    heads: ['Core', 'Compressive', 'Shear', 'E through', 'G', 'Rots', 'Wicks'],
    rows: Object.values(CORES).map((c) => [
      c.title,
      String(c.compressiveMPa),
      String(c.shearMPa),
      String(c.eMPa),
      String(c.gMPa),
      c.rots ? 'yes' : 'no',
      c.wicks,
    ]),
  },
  {
    id: 'plates',
    title: 'Plate materials',
    source: PLATES_SOURCE,
    heads: ['Material', 'Bending or yield MPa', 'E MPa', 'kg/m\u00b3', 'Notes'],
    rows: Object.values(PLATES).map((p) => [
      p.title,
      String(p.strengthMPa),
      String(p.eMPa),
      String(p.densityKgM3),
      p.note,
    ]),
  },
  {
    id: 'sealants',
    title: 'Sealants',
    source: SEALANTS_SOURCE,
    heads: [
      'Chemistry',
      'Bond MPa',
      'Moves',
      'Comes apart',
      'Below water',
      'Sunlight',
      'Apply \u00b0C',
      'Cures by',
      'Cleans with',
      'Keep away',
    ],
    rows: Object.values(SEALANTS).map((s) => [
      s.title,
      String(s.bondMPa),
      String(s.movement),
      s.removable,
      s.belowWater ? 'yes' : 'no',
      s.sunlight,
      `${s.applyC[0]} to ${s.applyC[1]}`,
      s.cures,
      s.cleans,
      s.keepAway,
    ]),
  },
  {
    id: 'lines',
    title: 'Lines',
    source: `${LINES_SOURCE}; N = figure \u00d7 d\u00b2`,
    heads: ['Line', 'N per mm\u00b2 of d\u00b2', 'at 12 mm, kN'],
    rows: Object.values(LINES).map((l) => [
      l.title,
      String(l.newtonPerMm2),
      ((l.newtonPerMm2 * 144) / 1000).toFixed(1),
    ]),
  },
  {
    id: 'threads',
    title: 'Pipe threads',
    source: 'chapter 5.1: ISO 228 and ISO 7 (BSP), ASME B1.20.1 (NPT)',
    heads: ['Size', 'BSP, threads an inch', 'BSP, major', 'NPT, threads an inch', 'NPT, pipe'],
    rows: THREAD_SIZES.map((t) => [t, String(BSP[t][0]), mm(BSP[t][1]), String(NP[t][0]), mm(NP[t][1])]),
  },
  {
    id: 'metals',
    title: 'Metals in sea water',
    source: POTENTIALS_SOURCE,
    heads: ['Metal', 'mV against silver/silver chloride', 'active'],
    rows: Object.values(POTENTIALS).map((p) => [
      p.title,
      String(p.mV),
      p.activeMV === undefined ? '' : String(p.activeMV),
    ]),
  },
  {
    id: 'glazing',
    title: 'Glazing and lids',
    source: GLAZING_SOURCE,
    heads: ['Material', 'Bending MPa', 'E MPa', 'Poisson', 'Expansion 1e-6/K', 'Notes'],
    rows: Object.values(GLAZING).map((g) => [
      g.title,
      String(g.strengthMPa),
      String(g.eMPa),
      String(g.poisson),
      (g.alphaPerK * 1e6).toFixed(0),
      g.note,
    ]),
  },
  {
    id: 'cloths',
    title: 'Cloths',
    source: 'chapter 8.3, typical, wetted by hand',
    heads: ['Cloth', 'g/m\u00b2', 'Cured ply', 'Fibre by mass'],
    rows: Object.values(CLOTHS).map((c) => [c.title, String(c.gM2), mm(c.plyMm), String(c.fibre)]),
  },
  {
    id: 'cautions',
    title: 'Cautions',
    source: 'chapter 12',
    heads: ['Where', 'What'],
    rows: CAUTIONS.map((c) => [c.id.replaceAll('-', ' '), c.text]),
  },
])
/** Rows of so many letters are read, not compared: on a phone their cells stand below one another. */
const MANY_LETTERS = 110
const wordy = (p: Page) => p.rows.some((r) => r.join(' ').length > MANY_LETTERS)
const asked = computed(() => words.value.toLowerCase().split(/\s+/).filter(Boolean))
const shown = computed(() => {
  if (asked.value.length)
    return pages.value
      .map((p) => ({
        ...p,
        rows: p.rows.filter((r) =>
          asked.value.every((w) => `${p.title} ${r.join(' ')}`.toLowerCase().includes(w)),
        ),
      }))
      .filter((p) => p.rows.length)
  return pages.value.filter(
    (p) =>
      p.id === (typeof route.params.page === 'string' && route.params.page ? route.params.page : 'schools'),
  )
})
</script>

<template>
  <div class="reference">
    <nav aria-label="Reference pages">
      <h1>Reference</h1>
      <label class="hidden-words" for="reference-find">Find in the tables</label>
      <ElInput
        id="reference-find"
        v-model="words"
        class="entry"
        type="search"
        placeholder="balsa, M8, butyl …"
      />
      <RouterLink to="/reference/sums" class="sums">Quick sums</RouterLink>
      <RouterLink
        v-for="p in pages"
        :key="p.id"
        :to="`/reference/${p.id}`"
        :class="{ here: !asked.length && shown[0]?.id === p.id }"
        @click="words = ''"
        >{{ p.title }}</RouterLink
      >
    </nav>
    <div class="pages" tabindex="0" aria-label="Tables">
      <section v-for="p in shown" :key="p.id" :class="{ stacked: wordy(p) }">
        <h2 class="page-title">{{ p.title }}</h2>
        <p class="soft small">{{ p.source }}</p>
        <RowTable
          :label="p.title"
          :columns="p.heads.map((h, i) => ({ key: String(i), title: h }))"
          :rows="p.rows"
          :known="(r) => r.join()"
          ><template #cell="{ row: r, column: i }"
            ><span :class="{ figure: /^[-\d. ×mMin#/()usal–]+$/.test(r[Number(i)]!) && i !== '0' }">{{
              r[Number(i)]
            }}</span></template
          ></RowTable
        >
      </section>
      <YardValues
        v-if="shown.some((p) => ['cores', 'laminates', 'plates', 'sealants', 'lines'].includes(p.id))"
      />
      <p v-if="!shown.length" class="soft">No table speaks of “{{ words }}”.</p>
    </div>
  </div>
</template>

<style scoped src="./reference.css"></style>
