<script setup lang="ts">
import { computed, onMounted, reactive, ref } from 'vue'
import dayjs from 'dayjs'
import { api } from '../../api'
import PickOne from '../../pieces/PickOne.vue'
import RowTable from '../../pieces/RowTable.vue'
import { useAttempt } from '../../pieces/attempt'
import { usePlan } from '../../state/plan'

/** To carry: the sheet of the day, the table, the calendar; and links that a calendar asks by itself. */
const props = defineProps<{ day: string; of: string }>()
const emit = defineEmits<{ close: [] }>()
interface Feed {
  id: number
  title: string
  what: 'plan' | 'watch'
  onlyWho: string | null
  madeAt: string
  readAt: string | null
}
const yard = usePlan()
const { said, attempt } = useAttempt()
const feeds = ref<Feed[]>([])
const link = ref('')
const form = reactive({ title: '', who: '' })
const query = computed(() => (props.of === 'all' ? '' : `?boat=${encodeURIComponent(props.of)}`))
const people = computed(() => [
  { value: '', title: 'everybody' },
  ...(yard.plan?.ask.fitters ?? []).map((f) => ({ value: f.name, title: f.name })),
])
const sheet = computed(
  () =>
    `/api/plan/day.pdf?day=${props.day}${props.of === 'all' ? '' : `&boat=${encodeURIComponent(props.of)}`}`,
)
onMounted(() =>
  attempt(async () => void (feeds.value = (await api<{ feeds: Feed[] }>('GET', '/feeds')).feeds)),
)
async function add() {
  await attempt(async () => {
    const made = await api<Feed & { path: string }>('POST', '/feeds', {
      title: form.title.trim(),
      what: 'plan',
      boatId: props.of === 'all' ? null : props.of,
      onlyWho: form.who || null,
    })
    link.value = `${location.origin}${made.path}`
    form.title = ''
    feeds.value = (await api<{ feeds: Feed[] }>('GET', '/feeds')).feeds
  })
}
const revoke = (f: Feed) =>
  attempt(async () => {
    feeds.value = (await api<{ feeds: Feed[] }>('DELETE', `/feeds/${f.id}`)).feeds
    link.value = ''
  })
const date = (t: string | null) => (t ? dayjs(t).format('D MMM YYYY, HH:mm') : 'never')
</script>

<template>
  <ElDialog
    :model-value="true"
    title="Carry it"
    width="min(620px, 94vw)"
    @update:model-value="!$event && emit('close')"
  >
    <p class="links">
      <a class="act" :href="sheet" download>Sheet of {{ dayjs(day).format('ddd D MMM') }}</a>
      <a class="act" :href="`/api/plan.ics${query}`" download>Calendar</a>
      <a class="act" :href="`/api/plan.csv${query}`" download>Table</a>
    </p>
    <h2>Links for a calendar</h2>
    <p class="soft small">
      A calendar asks such a link by itself. Whoever has it reads the plan as you may: revoke it when it is no
      longer wanted.
    </p>
    <p v-if="said" class="bad" role="alert">{{ said }}</p>
    <p v-if="link" role="status" class="link">
      <span>Shown once; put it into your calendar now:</span>
      <ElInput :model-value="link" readonly aria-label="The link" class="entry" />
    </p>
    <RowTable
      v-if="feeds.length"
      label="Links for a calendar"
      :columns="[
        { key: 'title', title: 'Link' },
        { key: 'made', title: 'Made' },
        { key: 'read', title: 'Asked last' },
        { key: 'act' },
      ]"
      :rows="feeds"
      :known="(f) => f.id"
    >
      <template #title="{ row: f }"
        >{{ f.title }} <span v-if="f.onlyWho" class="soft small">{{ f.onlyWho }}</span></template
      >
      <template #made="{ row: f }">{{ date(f.madeAt) }}</template>
      <template #read="{ row: f }">{{ date(f.readAt) }}</template>
      <template #act="{ row: f }"
        ><ElButton class="act small" :aria-label="`Revoke ${f.title}`" @click="revoke(f)"
          >Revoke</ElButton
        ></template
      >
    </RowTable>
    <form class="new" aria-label="A new link" @submit.prevent="add">
      <label
        >What it is called<ElInput v-model="form.title" class="entry" maxlength="80" placeholder="my phone"
      /></label>
      <label>Whose work<PickOne v-model="form.who" label="Whose work" :options="people" /></label>
      <ElButton class="act" native-type="submit" :disabled="!form.title.trim()">Make a link</ElButton>
    </form>
  </ElDialog>
</template>

<style scoped>
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-bottom: 12px;
}
.link {
  display: grid;
  gap: 4px;
  padding: 8px 0;
}
.bad {
  color: var(--short);
}
.new {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 8px;
  align-items: end;
  padding-top: 12px;
}
.new label {
  display: grid;
  gap: 2px;
}
</style>
