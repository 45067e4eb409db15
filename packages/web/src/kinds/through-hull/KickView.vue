<script setup lang="ts">
import { computed } from 'vue'
import { formatForce, formatLength, schoolsFor, sayIn, formatUse } from '@north-tide/core'
import { METHOD_TITLE, kickPicture, kickSchools } from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import DimensionField from '../../pieces/DimensionField.vue'
import DrawingView from '../../pieces/DrawingView.vue'
import VerdictSign from '../../pieces/VerdictSign.vue'
import RowTable from '../../pieces/RowTable.vue'

/** Will it take a kick: the three ways of holding it beside each other, in the worst direction. */
const throughHull = useThroughHull()
const boats = useBoats()
const j = computed(() => throughHull.judgement!)
const d = computed(() => throughHull.design!)
const ways = computed(() => kickSchools(d.value, j.value.kick))
const picture = computed(() => kickPicture(d.value, j.value, boats.units))
const set = (path: string, v: unknown) => throughHull.change({ [path]: v })
const schools = schoolsFor('Seacock bolts')
</script>

<template>
  <div class="kick">
    <div>
      <p>
        <strong>2.22 kN across its inboard end</strong>,
        {{ formatLength(d.valve!.heightMm, boats.units) }} above the pad, in the worst of 36 directions.
      </p>
      <RowTable
        label="Ways of holding it"
        :columns="[
          { key: 'sign' },
          { key: 'heldBy', title: 'Held by' },
          { key: 'used', title: 'Used', number: true },
          { key: 'whatGoverns', title: 'What governs', class: 'small' },
          { key: 'act' },
        ]"
        :rows="ways"
        :about="
          (k) => ({
            class: { on: k.method === d.hold.method },
            'data-method': k.method,
            'data-verdict': k.verdict,
          })
        "
        :known="(k) => k.method"
      >
        <template #sign="{ row: k }"><VerdictSign :verdict="k.verdict" :size="16" /></template>
        <template #heldBy="{ row: k }">{{ METHOD_TITLE[k.method] }}</template>
        <template #used="{ row: k }">{{ formatUse(k.utilisation) }}</template>
        <template #whatGoverns="{ row: k }">{{ k.governing.toLowerCase() }}</template>
        <template #act="{ row: k }"
          ><ElButton
            v-if="k.method !== d.hold.method && !throughHull.readOnly"
            class="act"
            @click="throughHull.change({ 'hold.method': k.method })"
          >
            Choose</ElButton
          ><strong v-else-if="k.method === d.hold.method" class="small">chosen</strong></template
        >
      </RowTable>
      <p v-if="!ways.length" class="soft">
        A flange with its bolt circle and a pad, or a tail whose thread root is known, are needed for this.
      </p>
      <p v-if="j.kick?.bolts" class="soft small">
        The most pulled bolt: {{ formatForce(j.kick.bolts.maxTensionN, boats.units) }}; each shears
        {{ formatForce(j.kick.bolts.shearN, boats.units) }}.
      </p>
    </div>
    <figure v-if="picture">
      <DrawingView :drawing="picture" :units="boats.units" />
      <figcaption class="soft small">{{ sayIn(picture.title, boats.units) }}</figcaption>
    </figure>
    <div>
      <h3>Checks</h3>
      <ul class="checks">
        <li v-for="c in j.checks.filter((q) => q.id.startsWith('kick'))" :key="c.id">
          <VerdictSign :verdict="c.verdict" :size="16" /><span
            ><strong>{{ c.title.replace('Kick: ', '') }}</strong>
            <span class="figure">{{ formatUse(c.utilisation) }}</span><br /><span class="small">{{
              sayIn(c.because, boats.units)
            }}</span></span
          >
        </li>
      </ul>
    </div>
    <div>
      <template v-if="d.pad && d.valve!.boltCircleMm !== null">
        <h3>Held by</h3>
        <DimensionField
          label="Pad diameter"
          :model-value="d.pad.diameterMm"
          :units="boats.units"
          above
          :disabled="throughHull.readOnly"
          @update:model-value="set('pad.diameterMm', $event)"
        />
        <DimensionField
          label="Pad thickness"
          :model-value="d.pad.thicknessMm"
          :units="boats.units"
          above
          :disabled="throughHull.readOnly"
          @update:model-value="set('pad.thicknessMm', $event)"
        />
        <template v-if="d.hold.method === 'insert'">
          <DimensionField
            label="Insert, outside"
            :model-value="d.hold.insertMm"
            :units="boats.units"
            above
            optional
            placeholder="none, tapped"
            :disabled="throughHull.readOnly"
            @update:model-value="set('hold.insertMm', $event)"
          />
          <DimensionField
            label="Engaged"
            :model-value="d.hold.engagedMm"
            :units="boats.units"
            above
            optional
            placeholder="the whole pad"
            :disabled="throughHull.readOnly"
            @update:model-value="set('hold.engagedMm', $event)"
          />
          <DimensionField
            label="Pad’s bond"
            kind="number"
            unit="MPa"
            :model-value="d.pad.bondMPa"
            :units="boats.units"
            above
            estimated
            :disabled="throughHull.readOnly"
            @update:model-value="set('pad.bondMPa', $event)"
          />
        </template>
      </template>
      <h3>Schools</h3>
      <div v-for="s in schools" :key="s.id" class="small school">
        <strong>{{ s.choice }}.</strong> {{ s.reason }}
        <span class="soft">Costs: {{ s.costs }} Not: {{ s.notWhen }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.kick {
  display: grid;
  grid-template-columns: minmax(0, 1.5fr) 180px minmax(0, 1.1fr) 215px;
  gap: 16px;
}
.kick :deep(td) {
  padding-right: 6px;
}
figure {
  margin: 0;
  display: grid;
  grid-template-rows: 170px auto;
  align-content: start;
}
.kick :deep(.on td) {
  background: var(--tide-soft);
}
.checks {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 6px;
}
.checks li {
  display: flex;
  gap: 8px;
}
.school {
  padding-bottom: 8px;
}
@media (max-width: 1180px) {
  .kick {
    grid-template-columns: minmax(0, 1fr) 210px;
  }
}
@media (max-width: 767px) {
  .kick {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
