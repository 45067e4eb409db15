<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { sayIn } from '@north-tide/core'
import { useBoats } from '../state/boats'
import PhotoStrip from './PhotoStrip.vue'
import TakeReading from './TakeReading.vue'
import TickFields from './TickFields.vue'
import { useTicking, type TickProps } from './ticking'

/**
 * What is said when a step is ticked: it goes into the hole’s life too, so that nobody writes it a second
 * time.
 */
const props = defineProps<TickProps>()
const emit = defineEmits<{ done: []; leave: [] }>()
const boats = useBoats()
const tick = useTicking(props, () => emit('done'))
const { asks, form, said, busy, mayPass, deadrise, send, written, blocked, look } = tick
const { gates, heel, concerned, keepApart, takeHull, takeLevel, takeAir } = tick
const { usual } = props.bench
const root = ref<HTMLFormElement>()
onMounted(() => {
  root.value?.scrollIntoView({ block: 'nearest' })
  root.value?.querySelector<HTMLElement>('input, select')?.focus({ preventScroll: true })
})
const spot = computed(() => ({
  boatId: boats.picture!.id,
  xMm: Math.round(usual.place.xMm),
  yMm: Math.round(usual.place.yMm),
  side: usual.place.yMm >= 0 ? 'starboard' : 'port',
}))
</script>

<template>
  <form ref="root" class="ticking" :aria-label="`Ticking ${step.id}`" @submit.prevent="send()">
    <p v-if="written.length" class="soft small">Goes into the register as {{ written.join(', then ') }}.</p>
    <fieldset v-if="written.length && concerned.length > 1" class="holes">
      <legend class="small">Done at all of them? Untick the odd one out, and say why below.</legend>
      <ElCheckbox
        v-for="l in concerned"
        :key="l"
        class="tick"
        :model-value="!form.apart.includes(l)"
        @change="keepApart(l, $event as boolean)"
        ><span class="figure">{{ l }}</span></ElCheckbox
      >
    </fieldset>
    <fieldset v-if="step.looks.length" class="looks">
      <legend class="hidden-words">Seen to</legend>
      <ElCheckbox
        v-for="l in step.looks"
        :key="l"
        class="tick"
        :model-value="form.looked.includes(l)"
        @change="look(l, $event as boolean)"
        ><span>{{ l }}</span></ElCheckbox
      >
    </fieldset>
    <TickFields :step="step" :tick="tick" :usual="bench.usual" />
    <template v-if="asks('hull')"
      ><TakeReading kind="ultrasonic" :asked="{ ...spot, aboutMm: usual.hullMm ?? 0 }" @take="takeHull"
    /></template>
    <template v-if="asks('angle')">
      <TakeReading
        kind="level"
        :asked="{ ...spot, role: 'hull', aboutDeg: usual.deadriseDeg ?? 0 }"
        @take="takeLevel"
      />
      <p v-if="deadrise !== null" class="small" data-test="deadrise">
        <template v-if="heel !== null"
          >The cradle heels her <strong class="figure">{{ Math.abs(heel).toFixed(2) }}°</strong> to
          {{ heel >= 0 ? 'starboard' : 'port' }}; without it the deadrise is</template
        ><template v-else>With the cradle taken as level the deadrise is</template>
        <strong class="figure">{{ deadrise.toFixed(1) }}°</strong>.
      </p>
    </template>
    <p v-if="asks('stops')" class="soft small">0 aft, 90 to starboard, counter-clockwise seen from inside.</p>
    <template v-if="asks('photo')"
      ><PhotoStrip
        v-if="bench.fitting!.holes.length"
        subject="hole"
        :subject-id="bench.fitting!.holes[0]!.id"
      />
      <p v-else class="soft small">
        Its hole is not in the register yet, so a photo has no place to go.
      </p></template
    >
    <TakeReading v-if="asks('air')" kind="hygrometer" @take="takeAir" />
    <div v-if="gates.length" class="gates" role="alert">
      <p><strong>Before this stands:</strong></p>
      <ul>
        <li v-for="g in gates" :key="g.id">{{ sayIn(g.text.replace(/^Before this: /, ''), boats.units) }}</li>
      </ul>
      <label v-if="mayPass" class="long"
        >Why it is passed over; it stays on the record<ElInput
          v-model="form.reason"
          class="entry"
          maxlength="300"
      /></label>
      <p v-else>An apprentice ticks in order; a fitter passes a gate.</p>
    </div>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <div class="acts">
      <ElButton class="act main" :disabled="blocked" native-type="submit">
        {{
          asks('seen') ? 'Dry: tick it' : gates.length ? 'Pass it and tick' : 'Tick it'
        }}</ElButton><ElButton
        v-if="asks('seen')"
        class="act wet"
        :disabled="busy || !form.note.trim()"
        @click="root!.reportValidity() && send(true)"
      >
        It is wet: suspect</ElButton
      ><ElButton class="act" @click="emit('leave')">Leave it</ElButton>
    </div>
  </form>
</template>

<style scoped src="./tick.css"></style>
<style scoped>
.ticking {
  display: grid;
  gap: 7px;
  padding: 8px 0 6px;
  max-width: 560px;
}
.holes {
  border: 0;
  margin: 0;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
.holes legend {
  color: var(--ink-soft);
}
.looks {
  border: 0;
  margin: 0;
  padding: 0;
}
.tick {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  min-height: 34px;
  padding: 5px 0;
}
.tick input {
  width: 20px;
  height: 20px;
  margin: 0;
  flex: none;
  accent-color: var(--tide);
}
.gates {
  background: var(--short-ground);
  color: var(--short);
  padding: 8px 12px;
}
.gates ul {
  margin: 3px 0 6px;
  padding-left: 18px;
}
.gates .long {
  color: var(--ink);
}
.bad {
  color: var(--short);
  font-weight: 600;
}
.wet {
  border-color: var(--short);
  color: var(--short);
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
