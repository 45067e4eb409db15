<script setup lang="ts">
import { computed, reactive } from 'vue'
import { COVERS, COVER_SAID, WEEKDAYS, WEEKDAY_SAID, type Cover, type Weekday } from '@north-tide/core'
import PickOne from '../../pieces/PickOne.vue'
import WhenField from '../../pieces/WhenField.vue'
import { useBoats } from '../../state/boats'
import { usePlan } from '../../state/plan'

/** What the next plan is asked for: which boats, from when, under what cover, on which days one launches. */
const props = defineProps<{ boats: { id: string; name: string }[] }>()
const emit = defineEmits<{ close: [] }>()
const yard = usePlan()
const k = yard.view?.kept?.ask
const form = reactive({
  boats: k?.boats ?? props.boats.map((b) => b.id),
  from: '',
  cover: (k?.cover ?? 'open') as Cover,
  launchDays: (k?.launchDays ?? ['mon', 'tue', 'wed', 'thu', 'fri', 'sat']) as Weekday[],
  target: k?.target ?? '',
  fittings: k?.fittings ?? [],
  join: k?.join ?? true,
})
const shown = useBoats()
/** Those of the boat that is open, and what was chosen before of another. */
const fittings = computed(() => {
  const here = shown.everyFitting.map((f) => ({ value: f.id, title: f.name }))
  const known = new Set(here.map((f) => f.value))
  const others = [
    ...new Map((yard.plan?.plan.days ?? []).flatMap((d) => d.steps).map((s) => [s.fittingId, s])),
  ]
  return [
    ...here,
    ...others.flatMap(([value, s]) =>
      known.has(value) ? [] : [{ value, title: `${s.boat}: ${s.fitting}` }],
    ),
  ]
})
function send() {
  void yard.ask({
    boats: form.boats,
    fittings: form.fittings.length ? form.fittings : null,
    from: form.from || null,
    cover: form.cover,
    launchDays: form.launchDays,
    target: form.target || null,
    join: form.join,
  })
  emit('close')
}
</script>

<template>
  <ElDialog
    :model-value="true"
    title="Plan anew"
    width="min(520px, 94vw)"
    @update:model-value="!$event && emit('close')"
  >
    <form class="ask" aria-label="Plan anew" @submit.prevent="send">
      <fieldset>
        <legend>Which boats</legend>
        <ElCheckboxGroup v-model="form.boats" aria-label="Which boats">
          <ElCheckbox v-for="b in boats" :key="b.id" :value="b.id">{{ b.name }}</ElCheckbox>
        </ElCheckboxGroup>
      </fieldset>
      <label
        >Only this work<ElSelect
          v-model="form.fittings"
          multiple
          filterable
          collapse-tags
          collapse-tags-tooltip
          class="pick"
          aria-label="Only this work"
          placeholder="all that is open"
        >
          <ElOption v-for="f in fittings" :key="f.value" :value="f.value" :label="f.title" /> </ElSelect
      ></label>
      <WhenField v-model="form.from" label="From" kind="date" any-day empty="now" />
      <label
        >They lie<PickOne
          v-model="form.cover"
          label="They lie"
          :options="COVERS.map((value) => ({ value, title: COVER_SAID[value] }))"
      /></label>
      <WhenField v-model="form.target" label="Wanted in the water" kind="date" any-day empty="by the boats" />
      <fieldset>
        <legend>Days on which one launches</legend>
        <ElCheckboxGroup v-model="form.launchDays" aria-label="Days on which one launches">
          <ElCheckbox v-for="d in WEEKDAYS" :key="d" :value="d">{{ WEEKDAY_SAID[d] }}</ElCheckbox>
        </ElCheckboxGroup>
      </fieldset>
      <ElCheckbox v-model="form.join"
        >Put bonds off to share a pot or a tube, where that makes nothing else later</ElCheckbox
      >
      <p class="soft small">
        What is ticked or begun stays. The new plan is shown beside the one that is kept, with what moves and
        why.
      </p>
      <div class="acts">
        <ElButton
          class="act main"
          native-type="submit"
          :disabled="!form.boats.length || !form.launchDays.length"
          >Plan it</ElButton
        ><ElButton class="act" @click="emit('close')">Leave it</ElButton>
      </div>
    </form>
  </ElDialog>
</template>

<style scoped>
.ask {
  display: grid;
  gap: 12px;
}
.ask label {
  display: grid;
  gap: 2px;
}
fieldset {
  border: 0;
  padding: 0;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
