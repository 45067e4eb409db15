<script setup lang="ts">
import { reactive, ref } from 'vue'
import { LIFE_STATES, lifeSaid, type LifeState } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import PickOne from '../../pieces/PickOne.vue'
import WaitsHere from '../../pieces/WaitsHere.vue'
import WhenField from '../../pieces/WhenField.vue'

/** The same step in the life of many holes; the odd one out is left as it was, and named with its reason. */
interface Done {
  done: { id: number; label: string }[]
  left: { id: number; label: string; why: string }[]
}
const props = defineProps<{ boat: string; ids: number[]; shown: number }>()
const emit = defineEmits<{ all: [on: boolean]; done: []; close: [] }>()
const { said, busy, attempt } = useAttempt()
const form = reactive({ state: 'in-service' as LifeState, note: '', reason: '', at: '' })
const out = ref<Done | null>(null)
const STATES = LIFE_STATES.filter((s) => s !== 'marked').map((value) => ({ value, title: lifeSaid(value) }))
const send = () =>
  attempt(async () => {
    out.value = await api<Done>('POST', `/boats/${props.boat}/penetrations/events`, {
      ids: props.ids,
      event: {
        state: form.state,
        note: form.note.trim(),
        ...(form.reason.trim() ? { gateReason: form.reason.trim() } : {}),
        ...(form.at ? { at: new Date(form.at).toISOString() } : {}),
      },
    })
    emit('all', false)
    emit('done')
  })
</script>

<template>
  <section class="many-holes" aria-label="Many holes at once">
    <form aria-label="A step of them all" @submit.prevent="send">
      <div class="acts">
        <ElButton class="act" @click="emit('all', true)">Choose all {{ shown }} shown</ElButton>
        <ElButton v-if="ids.length" class="act" @click="emit('all', false)">None</ElButton>
        <strong class="figure" role="status">{{ ids.length }} chosen</strong>
      </div>
      <label class="small">They are<PickOne v-model="form.state" label="They are" :options="STATES" /></label>
      <label class="small">Note<ElInput v-model="form.note" class="entry" maxlength="300" /></label>
      <label class="small"
        >Reason, where a gate stands before it<ElInput v-model="form.reason" class="entry" maxlength="300"
      /></label>
      <WhenField v-model="form.at" class="small" label="When, if not now" kind="datetime" />
      <div class="acts">
        <ElButton class="act main" native-type="submit" :disabled="!ids.length || busy"
          >Write it down</ElButton
        >
        <ElButton class="act" @click="emit('close')">Leave it</ElButton>
      </div>
    </form>
    <WaitsHere :path="`/boats/${boat}/penetrations/events`" @fewer="emit('done')" />
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <div v-if="out" role="status">
      <p>
        {{ out.done.length }} written down<template v-if="out.left.length"
          >; {{ out.left.length }} left as {{ out.left.length === 1 ? 'it was' : 'they were' }}:</template
        >
      </p>
      <ul v-if="out.left.length" aria-label="Left as they were">
        <li v-for="l in out.left" :key="l.id">
          <RouterLink :to="`/register/${l.id}`">{{ l.label }}</RouterLink>: {{ l.why }}
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.many-holes {
  padding: 8px 20px;
  border-bottom: 1px solid var(--line-strong);
  max-height: 40vh;
  overflow: auto;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
form label {
  display: grid;
  gap: 2px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.bad {
  color: var(--short);
}
</style>
