<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import dayjs from 'dayjs'
import { sayIn, standingDecision } from '@north-tide/core'
import {
  THROUGH_HULL_CATALOGUE,
  RISK_SAID,
  findingsFor,
  seenInFigures,
  taperPlugOf,
} from '@north-tide/core/through-hull'
import { useThroughHull } from '../../state/through-hull'
import { useBoats } from '../../state/boats'
import FindingsList from '../../pieces/FindingsList.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import PhotoStrip from '../../pieces/PhotoStrip.vue'
import PickOne from '../../pieces/PickOne.vue'

/**
 * What is wrong with one that is in the boat already: quick to tick, what each costs, and what becomes of
 * it.
 */
const throughHull = useThroughHull()
const boats = useBoats()
const router = useRouter()
const d = computed(() => throughHull.design!)
const list = computed(() => findingsFor(d.value.family))
const seen = computed(() =>
  seenInFigures(d.value, throughHull.judgement!).filter((id) => !d.value.findings.includes(id)),
)
const worst = computed(() => list.value.filter((f) => d.value.findings.includes(f.id)))
const plug = computed(() => d.value.taperPlug)
const advice = computed(() => (plug.value ? taperPlugOf(plug.value) : null))
const entry = ref(d.value.family === 'screwed-valve' ? 'MV-S114' : (d.value.catalogueId ?? 'MV-S114'))
const said = ref('')
const why = ref('')
const undecided = ref('')
const decided = computed(
  () => (plug.value && standingDecision(throughHull.work, 'taper-plug', { ...plug.value })?.decision) ?? null,
)
const decisions = computed(() => throughHull.log.filter((l) => l.kind === 'decision').reverse())
async function decide(decision: 'recondition' | 'replace') {
  undecided.value = ''
  try {
    await throughHull.act('POST', 'decide', { decision, reason: why.value.trim() })
    why.value = ''
  } catch (error) {
    undecided.value = error instanceof Error ? error.message : 'It was not written down'
  }
}
const twins = computed(() =>
  throughHull.around.others.filter(
    (o) =>
      Math.abs(o.design.place.xMm - d.value.place.xMm) < 300 &&
      o.design.family === d.value.family &&
      d.value.place.yMm !== 0 &&
      Math.abs(o.design.place.yMm + d.value.place.yMm) < 150,
  ),
)
async function replace() {
  said.value = ''
  try {
    await router.push(`/through-hulls/${await throughHull.replaceBy(entry.value)}`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not begun'
  }
}
</script>

<template>
  <div class="survey">
    <FindingsList
      :list="list"
      :ticked="d.findings"
      :existing="d.existing"
      :said="RISK_SAID"
      :read-only="throughHull.readOnly"
      @change="throughHull.change($event)"
    >
      <template #seen>
        <p v-if="seen.length" class="said small" role="status">
          The figures say:
          {{ seen.map((id) => list.find((f) => f.id === id)?.title.toLowerCase() ?? id).join('; ') }}.
          <ElButton
            v-if="!throughHull.readOnly"
            class="act"
            @click="throughHull.change({ findings: [...d.findings, ...seen] })"
          >
            Tick {{ seen.length > 1 ? 'them' : 'it' }}
          </ElButton>
        </p>
      </template>
      <template #none>
        Nothing is ticked. Twist it, scratch it, swing the handle, look under the pad and behind the clips.
      </template>
      <template v-if="throughHull.fitting!.holes.length"
        ><h3>Photos</h3>
        <PhotoStrip subject="hole" :subject-id="throughHull.fitting!.holes[0]!.id"
      /></template>
      <p v-if="worst.length && twins.length" class="small">
        Look at its twin on the other side:
        <RouterLink v-for="t in twins" :key="t.id" :to="`/through-hulls/${t.id}`">{{ t.name }} </RouterLink>
      </p>
      <template
        v-if="!throughHull.readOnly && !throughHull.fitting!.replacedBy && (d.existing || d.findings.length)"
      >
        <h3>Replace it</h3>
        <label for="replace-by"
          >With
          <PickOne
            id="replace-by"
            v-model="entry"
            label="With"
            :options="THROUGH_HULL_CATALOGUE.map((e) => ({ value: e.id, title: e.title }))"
        /></label>
        <ElButton class="act main" @click="replace">Begin its replacement</ElButton>
        <p class="soft small">
          It begins with this place, hull and bore; the hole keeps its number and its history.
        </p>
      </template>
      <p v-if="said" class="said" role="alert">{{ said }}</p>
    </FindingsList>
    <div v-if="d.valve?.kind === 'taper-plug' || plug">
      <h3>Taper plug: lap it in, or replace it</h3>
      <template v-if="plug">
        <DimensionField
          label="Deepest pit"
          :model-value="plug.pitMm"
          :units="boats.units"
          :least="0"
          :disabled="throughHull.readOnly"
          @update:model-value="throughHull.change({ 'taperPlug.pitMm': $event })"
        />
        <DimensionField
          label="Wall there"
          :model-value="plug.wallMm"
          :units="boats.units"
          above
          :disabled="throughHull.readOnly"
          @update:model-value="throughHull.change({ 'taperPlug.wallMm': $event })"
        />
        <DimensionField
          label="Band in contact"
          kind="number"
          unit="%"
          :model-value="plug.contactPct"
          :units="boats.units"
          :least="0"
          :most="100"
          :disabled="throughHull.readOnly"
          @update:model-value="throughHull.change({ 'taperPlug.contactPct': $event })"
        />
        <p data-test="taper">
          <strong>{{ advice!.advised === 'replace' ? 'Replace it.' : 'It can be lapped in.' }}</strong>
          <span class="small">{{ sayIn(advice!.because, boats.units) }}</span>
        </p>
        <ol class="small">
          <li v-for="s in advice!.steps" :key="s">{{ s }}</li>
        </ol>
        <label v-if="!throughHull.readOnly" for="taper-why" class="small"
          >Why<ElInput
            id="taper-why"
            v-model="why"
            class="entry wide"
            maxlength="300"
            :placeholder="
              advice!.advised === 'replace'
                ? 'wanted where it is lapped in all the same'
                : 'if there is more to say'
            "
        /></label>
        <div v-if="!throughHull.readOnly" class="acts">
          <ElButton class="act" :aria-pressed="decided === 'recondition'" @click="decide('recondition')">
            Decide: lap it in</ElButton
          ><ElButton class="act" :aria-pressed="decided === 'replace'" @click="decide('replace')">
            Decide: replace
          </ElButton>
        </div>
        <p v-if="undecided" class="said small" role="alert">{{ undecided }}</p>
        <ul v-if="decisions.length" class="small plainlist">
          <li v-for="(l, i) in decisions" :key="i">
            {{ dayjs(l.at).format('D MMM YYYY HH:mm') }}, {{ l.who }}: {{ l.note }}
          </li>
        </ul>
      </template>
      <ElButton
        v-else-if="!throughHull.readOnly"
        class="act"
        @click="
          throughHull.change({
            taperPlug: { pitMm: 0, wallMm: 5, contactPct: 80 },
          })
        "
      >
        Measure pits and contact
      </ElButton>
    </div>
  </div>
</template>

<style scoped>
.survey {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 22px;
}
.survey:has(> div:nth-child(3)) {
  grid-template-columns: 290px minmax(0, 1.35fr) minmax(0, 0.8fr);
  gap: 16px;
}
.survey > div:nth-child(3) {
  display: grid;
  gap: 5px;
  align-content: start;
  order: -1;
}
.findings {
  list-style: none;
  margin: 0;
  padding: 0;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
.risk {
  margin-left: auto;
  white-space: nowrap;
  color: var(--ink-soft);
}
.sinks {
  color: var(--short);
  font-weight: 600;
}
.soon {
  color: var(--buoy);
}
.cost {
  padding-bottom: 7px;
}
.said {
  color: var(--buoy);
  font-weight: 600;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
.acts [aria-pressed='true'] {
  background: var(--tide-soft);
}
.wide {
  width: 100%;
}
.plainlist {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
h3 {
  margin-top: 8px;
}
select {
  max-width: 240px;
}
@media (max-width: 1180px) {
  .survey,
  .survey:has(> div:nth-child(3)) {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
