<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { DECK_FINDINGS, RISK_SAID, findingsOf } from '@north-tide/core'
import { useBench } from '../../state/bench'
import { useBoats } from '../../state/boats'
import FindingsList from '../../pieces/FindingsList.vue'
import GoodFor from './GoodFor.vue'
import PhotoStrip from '../../pieces/PhotoStrip.vue'
import PickOne from '../../pieces/PickOne.vue'

/** What is wrong with deck hardware that is there, and what becomes of it. */
const bench = useBench()
const boats = useBoats()
const router = useRouter()
const d = computed(() => bench.design!)
const list = computed(() => findingsOf(DECK_FINDINGS, d.value.family))
const entry = ref(d.value.catalogueId ?? boats.catalogue[0]!.id)
const said = ref('')
const twins = computed(() =>
  (boats.picture?.fittings ?? []).filter(
    (f) =>
      f.id !== bench.fitting?.id &&
      f.family === d.value.family &&
      d.value.place.yMm !== 0 &&
      Math.abs(f.xMm - d.value.place.xMm) < 300 &&
      Math.abs(f.yMm + d.value.place.yMm) < 150,
  ),
)
async function replace() {
  said.value = ''
  try {
    await router.push(`/bench/${await bench.replaceBy(entry.value)}`)
  } catch (error) {
    said.value = error instanceof Error ? error.message : 'It was not begun'
  }
}
</script>

<template>
  <div class="found">
    <FindingsList
      :list="list"
      :ticked="d.findings"
      :existing="d.existing"
      :said="RISK_SAID"
      :read-only="bench.readOnly"
      @change="bench.change($event)"
    >
      <template #none>
        Nothing is ticked. Twist it, push the plate, look along the line of sealant and at the lining below.
      </template>
      <p v-if="d.findings.length && twins.length" class="small">
        Look at its twin on the other side:
        <RouterLink v-for="t in twins" :key="t.id" :to="`/bench/${t.id}`">{{ t.name }} </RouterLink>
      </p>
      <template v-if="bench.fitting!.holes.length">
        <h3>Photos</h3>
        <PhotoStrip subject="hole" :subject-id="bench.fitting!.holes[0]!.id" />
      </template>
      <template v-if="!bench.readOnly && !bench.fitting!.replacedBy && (d.existing || d.findings.length)">
        <h3>Bed it anew</h3>
        <p v-if="d.job === 'rebed'" class="small">
          It is bedded anew: the pattern stays, its holes are mended, bolts are new. The steps stand under
          Work.
          <ElButton class="act" @click="bench.change({ job: 'new' })">Not that</ElButton>
        </p>
        <ElButton v-else class="act" @click="bench.change({ job: 'rebed' })">
          Same pattern, new bolts
        </ElButton>
        <h3>Replace it</h3>
        <label for="replace-by">With</label>
        <PickOne
          id="replace-by"
          v-model="entry"
          :options="boats.catalogue.map((e) => ({ value: e.id, title: e.title }))"
        />
        <ElButton class="act main" @click="replace">Begin its replacement</ElButton>
        <p class="soft small">It begins at this place, on the deck as it is surveyed now.</p>
      </template>
      <p v-if="bench.fitting!.replacedBy" class="small">
        It is being replaced.
        <RouterLink :to="`/bench/${bench.fitting!.replacedBy}`">Open what comes in its place</RouterLink>
      </p>
      <p v-if="said" class="bad" role="alert">{{ said }}</p>
    </FindingsList>
    <GoodFor v-if="d.existing" class="wide" />
  </div>
</template>

<style scoped>
.found {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
  gap: 22px;
}
.wide {
  grid-column: 1 / -1;
}
.bad {
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 767px) {
  .found {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
