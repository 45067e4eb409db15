<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import { useAttempt } from '../../pieces/attempt'

/** Links by which a surveyor or a buyer reads the boat without an account, each until a day. */
interface ShownLink {
  id: number
  forWhom: string
  until: string | null
  madeBy: string
  madeAt: string
  lastSeen: string | null
  state: 'good' | 'over' | 'withdrawn'
}
const props = defineProps<{ boatId: string }>()
const { said, busy, attempt } = useAttempt()
const at = `/boats/${props.boatId}/links`
const links = ref<ShownLink[]>([])
onMounted(() => attempt(async () => (links.value = await api<ShownLink[]>('GET', at))))
const USUAL_DAYS = 30
const MOST_DAYS = 366
const form = reactive({ forWhom: '', until: dayjs().add(USUAL_DAYS, 'day').format('YYYY-MM-DD') })
/** Shown once: of its secret only the hash is kept. */
const made = ref('')
const make = () =>
  attempt(async () => {
    const got = await api<{ path: string; links: ShownLink[] }>('POST', at, { ...form })
    made.value = location.origin + got.path
    links.value = got.links
    form.forWhom = ''
  })
const copied = ref(false)
async function copy() {
  await navigator.clipboard.writeText(made.value)
  copied.value = true
}
const withdraw = (l: ShownLink) =>
  attempt(async () => (links.value = await api<ShownLink[]>('DELETE', `${at}/${l.id}`)))
const shut = (day: Date) => dayjs(day).isBefore(dayjs(), 'day') || dayjs(day).diff(dayjs(), 'day') > MOST_DAYS
const stateSaid = (l: ShownLink) =>
  l.state === 'withdrawn'
    ? 'withdrawn'
    : `${l.state === 'over' ? 'ended' : 'until'} ${l.until ? dayjs(l.until).format('D MMM YYYY') : ''}`
const seenSaid = (l: ShownLink) =>
  l.lastSeen ? `opened, last ${dayjs(l.lastSeen).format('D MMM YYYY')}` : 'not opened yet'
</script>

<template>
  <section aria-labelledby="links-head">
    <h3 id="links-head">To read it without an account</h3>
    <form class="make" @submit.prevent="make">
      <label for="link-for">For whom</label>
      <ElInput id="link-for" v-model="form.forWhom" class="entry" maxlength="80" />
      <label for="link-until">Last day</label>
      <ElDatePicker
        id="link-until"
        v-model="form.until"
        type="date"
        format="D MMM YYYY"
        value-format="YYYY-MM-DD"
        :clearable="false"
        :disabled-date="shut"
      />
      <ElButton class="act" native-type="submit" :disabled="busy || !form.forWhom.trim()"
        >Make a link</ElButton
      >
    </form>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <div v-if="made" class="made" role="status">
      <p>
        Whoever has this address reads her register, map and designs, and changes nothing. It is shown this
        once:
      </p>
      <p class="figure address">{{ made }}</p>
      <ElButton class="act" @click="copy">{{ copied ? 'Copied' : 'Copy' }}</ElButton>
    </div>
    <ul v-if="links.length" class="links">
      <li v-for="l in links" :key="l.id" :class="{ soft: l.state !== 'good' }">
        <strong>{{ l.forWhom }}</strong>, {{ stateSaid(l) }}; {{ seenSaid(l) }}.
        <span class="small">Made by {{ l.madeBy }}.</span>
        <ElButton
          v-if="l.state === 'good'"
          class="act"
          :disabled="busy"
          :aria-label="`Withdraw the link for ${l.forWhom}`"
          @click="withdraw(l)"
          >Withdraw</ElButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
h3 {
  font-size: 0.95rem;
  padding-top: 8px;
}
.make {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 6px 10px;
  align-items: center;
  justify-items: start;
}
.make .act {
  grid-column: 2;
}
.made {
  border-left: 3px solid var(--tide);
  padding: 4px 10px;
  margin: 8px 0;
}
.address {
  overflow-wrap: anywhere;
  user-select: all;
}
.links {
  list-style: none;
  padding: 0;
}
.links li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}
.bad {
  color: var(--short);
}
</style>
