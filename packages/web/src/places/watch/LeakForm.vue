<script setup lang="ts">
import { computed } from 'vue'
import { DRIPS_SAID, DRIPS_WHEN, type DripsWhen } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import DimensionField from '../../pieces/DimensionField.vue'
import { keptForm } from '../../pieces/kept-form'
import PickOne from '../../pieces/PickOne.vue'
import TypedAgain from '../../pieces/TypedAgain.vue'
import { useBoats } from '../../state/boats'
import BoatSketch from '../boat/BoatSketch.vue'

/** Where it drips, and when: pressed on the plan, or typed. */
const emit = defineEmits<{ kept: [id: number]; close: [] }>()
const boats = useBoats()
const { said, path, busy, attempt } = useAttempt()
const blank = {
  whereSeen: '',
  when: 'rain' as DripsWhen,
  xMm: null as number | null,
  yMm: null as number | null,
  zMm: null as number | null,
  trimDeg: 0 as number | null,
  heelDeg: 0 as number | null,
}
const { form, again, done, afresh } = keptForm('leak', () => ({ ...blank }))
const spot = computed(() =>
  form.xMm !== null && form.yMm !== null ? { xMm: form.xMm, yMm: form.yMm } : null,
)
const whens = DRIPS_WHEN.map((value) => ({ value, title: DRIPS_SAID[value] }))
async function keep() {
  await attempt(async (key) => {
    const l = await api<{ id: number }>(
      'POST',
      `/boats/${boats.picture!.id}/leaks`,
      { ...form, trimDeg: form.trimDeg ?? 0, heelDeg: form.heelDeg ?? 0 },
      key,
    )
    done()
    emit('kept', l.id)
  })
}
</script>

<template>
  <div class="split">
    <ElForm label-position="top" class="form" aria-label="A drip" @submit.prevent="keep">
      <TypedAgain :again="again" @afresh="afresh" />
      <ElFormItem label="Where it shows" for="leak-where" :error="path === 'whereSeen' ? said : ''">
        <ElInput id="leak-where" v-model="form.whereSeen" maxlength="200" placeholder="on the chart table" />
      </ElFormItem>
      <ElFormItem label="It drips"
        ><PickOne v-model="form.when" label="It drips" :options="whens"
      /></ElFormItem>
      <DimensionField v-model="form.xMm" label="x, aft of the stem" :units="boats.units" />
      <DimensionField v-model="form.yMm" label="y, to starboard" :units="boats.units" />
      <DimensionField v-model="form.zMm" label="z, up from the waterline" :units="boats.units" />
      <DimensionField
        v-model="form.trimDeg"
        label="Trim, down by the stern"
        kind="number"
        unit="°"
        :units="boats.units"
      />
      <DimensionField
        v-model="form.heelDeg"
        label="Heel, to starboard"
        kind="number"
        unit="°"
        :units="boats.units"
      />
      <p v-if="said && path !== 'whereSeen'" class="bad" role="alert">{{ said }}</p>
      <div class="acts">
        <ElButton
          class="act main"
          native-type="submit"
          :disabled="
            busy || !form.whereSeen.trim() || form.xMm === null || form.yMm === null || form.zMm === null
          "
          >Look for it</ElButton
        >
        <ElButton class="act" @click="emit('close')">Leave it</ElButton>
      </div>
    </ElForm>
    <BoatSketch
      v-if="boats.picture"
      :boat="boats.picture"
      :units="boats.units"
      :spot="spot"
      drawing
      label="Press where the drip shows"
      @add="(_, at) => Object.assign(form, { xMm: at.xMm, yMm: at.yMm })"
    />
  </div>
</template>

<style scoped>
.split {
  display: grid;
  grid-template-columns: minmax(280px, 2fr) 3fr;
  gap: 24px;
  width: 100%;
}
.form {
  display: grid;
  gap: 6px;
}
.acts {
  display: flex;
  gap: 8px;
}
.bad {
  color: var(--short);
}
@media (max-width: 900px) {
  .split {
    grid-template-columns: 1fr;
  }
}
</style>
