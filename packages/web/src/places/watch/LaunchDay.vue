<script setup lang="ts">
import { computed, ref } from 'vue'
import dayjs from 'dayjs'
import type { WatchList } from '@north-tide/core'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'
import RowTable from '../../pieces/RowTable.vue'

/** The day of the launch: what keeps her ashore, and, once she floats, since when. */
export interface Launched {
  at: string
  who: string
  against: string[]
  reason: string
}
const props = defineProps<{
  boat: string
  ashore: WatchList['notLaunchable']
  launches: Launched[]
  may: boolean
}>()
const emit = defineEmits<{ afloat: [] }>()
const { said, busy, attempt } = useAttempt()
/** Not said: now. */
const at = ref<Date | null>(null)
const reason = ref('')
const wants = computed(() => props.ashore.length > 0 && !reason.value.trim())
const put = () =>
  attempt(async () => {
    await api('POST', `/boats/${props.boat}/launches`, {
      ...(at.value ? { at: at.value.toISOString() } : {}),
      reason: reason.value.trim(),
    })
    reason.value = ''
    at.value = null
    emit('afloat')
  })
const later = (day: Date) => dayjs(day).isAfter(dayjs(), 'day')
const when = (l: Launched) => dayjs(l.at).format('D MMM YYYY, HH:mm')
</script>

<template>
  <h2>{{ ashore.length ? 'Do not launch her' : 'Nothing on record keeps her ashore' }}</h2>
  <RowTable
    v-if="ashore.length"
    label="What keeps her ashore"
    :columns="[
      { key: 'name', title: 'What' },
      { key: 'reason', title: 'Why' },
    ]"
    :rows="ashore"
  />
  <form v-if="may" class="afloat" aria-label="She is in the water" @submit.prevent="put">
    <h2>She is in the water</h2>
    <p class="small soft">
      From then on every new fitting below the waterline is looked at: at once, after 10 minutes, an hour, a
      day, a week. Somebody stays with her for the first hour, the bilge pump proven first.
    </p>
    <label for="launch-at">Since</label>
    <ElDatePicker
      id="launch-at"
      v-model="at"
      type="datetime"
      format="D MMM YYYY, HH:mm"
      placeholder="now"
      :disabled-date="later"
    />
    <template v-if="ashore.length">
      <label for="launch-reason">Why she floats all the same</label>
      <ElInput
        id="launch-reason"
        v-model="reason"
        class="entry"
        type="textarea"
        :rows="2"
        maxlength="500"
        placeholder="kept with the launch, beside what stands above"
      />
    </template>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <ElButton class="act main" native-type="submit" :disabled="busy || wants">She is in the water</ElButton>
  </form>
  <section v-if="launches.length" aria-labelledby="launched-head">
    <h2 id="launched-head">Launched</h2>
    <ul class="was" aria-label="Launched">
      <li v-for="l in launches" :key="l.at">
        <strong>{{ when(l) }}</strong>, said by {{ l.who
        }}<template v-if="l.reason">: {{ l.reason }}</template>
        <p v-if="l.against.length" class="small soft">Against it then: {{ l.against.join('; ') }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.05rem;
  padding-top: 10px;
}
.afloat {
  display: grid;
  gap: 6px;
  max-width: 620px;
  justify-items: start;
}
.afloat label {
  font-weight: 600;
}
.was {
  list-style: none;
  padding: 0;
}
.was li {
  padding: 8px 0;
  border-bottom: 1px solid var(--line);
}
.bad {
  color: var(--short);
}
</style>
