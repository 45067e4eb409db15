<script setup lang="ts">
import { computed, ref } from 'vue'
import ChoiceField from '../../pieces/ChoiceField.vue'
import DimensionField from '../../pieces/DimensionField.vue'
import { useHullGiven } from './given'

/** What only its family asks: a plug, a stud, a transducer, a chest, a drain. */
const { d, j, u, off, set } = useHullGiven()
const user = ref('')
function addUser() {
  if (!user.value.trim()) return
  set('chest.users', [...(d.value.chest?.users ?? []), { name: user.value.trim(), flowLpm: 30 }])
  user.value = ''
}
/** The elements it is made with, and how the one that fits best is left. */
const elementSaid = computed(() => {
  const made = `Made for ${d.value.transducer!.tiltsDeg.join('°, ')}°`
  const best = j.value?.tiltElement
  if (!best) return `${made}.`
  const left = `${best.residualDeg.toFixed(1)}° left, ${Math.abs(best.offsetM).toFixed(2)} m off`
  return `${made}; ${best.tiltDeg}° fits best, ${left} at ${d.value.transducer!.waterDepthM} m.`
})
</script>

<template>
  <template v-if="d.plug"
    ><ElCheckbox
      v-for="[k, t] in [
        ['throughBolted', 'through-bolted'],
        ['block', 'backing block behind'],
        ['grounds', 'she may ground here'],
        ['flush', 'flush outside'],
        ['choke', 'choke hole in the block'],
      ] as const"
      :key="k"
      class="tick"
      :model-value="d.plug[k]"
      :disabled="off"
      @change="set(`plug.${k}`, $event as boolean)"
      >{{ t }}</ElCheckbox
    >
    <template v-if="d.plug.choke">
      <DimensionField
        label="Choke hole"
        :model-value="d.plug.chokeMm"
        :units="u"
        above
        optional
        placeholder="as flooding says"
        :disabled="off"
        @update:model-value="set('plug.chokeMm', $event)"
      />
      <DimensionField
        label="Pumps there carry"
        kind="number"
        unit="L/min"
        :model-value="d.plug.pumpsLpm"
        :units="u"
        optional
        :least="0"
        :disabled="off"
        @update:model-value="set('plug.pumpsLpm', $event)"
      /> </template
  ></template>
  <template v-if="d.stud"
    ><ElCheckbox
      v-for="[k, t] in [
        ['wired', 'wired to what it protects'],
        ['clearOfBilge', 'clear of standing bilge water'],
        ['spannerRoom', 'room for a spanner'],
      ] as const"
      :key="k"
      class="tick"
      :model-value="d.stud[k]"
      :disabled="off"
      @change="set(`stud.${k}`, $event as boolean)"
      >{{ t }}</ElCheckbox
    ></template
  >
  <template v-if="d.transducer"
    ><ChoiceField
      label="Arrow"
      :model-value="d.transducer.arrow"
      :options="
        [
          { value: 'keel', title: 'to the keel' },
          { value: 'forward', title: 'forward' },
        ] as const
      "
      :disabled="off"
      @update:model-value="set('transducer.arrow', $event)"
    />
    <p class="soft small">{{ elementSaid }}</p></template
  >
  <template v-if="d.chest"
    ><DimensionField
      label="Strainer, open"
      kind="number"
      unit="mm²"
      :model-value="d.chest.openMm2"
      :units="u"
      above
      :disabled="off"
      @update:model-value="set('chest.openMm2', $event)"
    /><DimensionField
      v-for="(q, i) in d.chest.users"
      :key="q.name"
      :label="`For the ${q.name}`"
      kind="number"
      unit="l/min"
      :model-value="q.flowLpm"
      :units="u"
      above
      :disabled="off"
      @update:model-value="
        set(
          'chest.users',
          d.chest!.users.map((x, k) => (k === i && $event !== null ? { ...x, flowLpm: $event } : x)),
        )
      "
    />
    <form v-if="!off" class="another" @submit.prevent="addUser">
      <label class="hidden-words" for="chest-user">Another user of the chest</label
      ><ElInput
        id="chest-user"
        v-model="user"
        class="entry"
        maxlength="60"
        placeholder="another user"
      /><ElButton
        class="act"
        :disabled="!user.trim() || d.chest.users.some((x) => x.name === user.trim())"
        native-type="submit"
      >
        Add
      </ElButton>
    </form></template
  >
  <template v-if="d.drain"
    ><DimensionField
      label="Cockpit, m²"
      kind="number"
      unit="m²"
      :model-value="d.drain.areaM2"
      :units="u"
      above
      :disabled="off"
      @update:model-value="set('drain.areaM2', $event)"
    /><DimensionField
      label="Filled to"
      :model-value="d.drain.waterMm"
      :units="u"
      above
      :disabled="off"
      @update:model-value="set('drain.waterMm', $event)"
    /><DimensionField
      label="Fall"
      :model-value="d.drain.fallMm"
      :units="u"
      :least="0"
      :disabled="off"
      @update:model-value="set('drain.fallMm', $event)"
    /><DimensionField
      label="Drains"
      kind="number"
      :model-value="d.drain.drains"
      :units="u"
      :least="1"
      :most="20"
      :disabled="off"
      @update:model-value="set('drain.drains', Math.max(1, Math.round($event ?? 1)))"
    />
    <p v-if="j?.drain" class="soft small">
      Empty in {{ Math.round(j.drain.timeS) }} s{{
        j.drain.oneBlockedS === null ? '' : `, ${Math.round(j.drain.oneBlockedS)} s with one blocked`
      }}.
    </p></template
  >
</template>

<style scoped src="../../pieces/given.css"></style>
<style scoped>
.another {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 6px;
}
</style>
