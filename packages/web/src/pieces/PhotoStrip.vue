<script setup lang="ts">
import { computed, onMounted, reactive, ref, useTemplateRef } from 'vue'
import dayjs from 'dayjs'
import type { Act } from '@north-tide/core'
import { api } from '../api'
import { sendPhoto } from './photo-send'
import type { PhotoShown } from '../types'
import { useBoats } from '../state/boats'
import { useSession } from '../state/session'
import { useSurvey } from '../state/survey'
import DimensionField from './DimensionField.vue'
import WaitsHere from './WaitsHere.vue'
import WithdrawForm from './WithdrawForm.vue'
import ReadFile from './ReadFile.vue'

const props = defineProps<{ subject: PhotoShown['subject']; subjectId: string | number }>()
const boats = useBoats()
const survey = useSurvey()
const session = useSession()
const may = (act: Act) => session.may(act, boats.picture?.id)
const mine = computed(() =>
  survey.photos.filter((p) => p.subject === props.subject && p.subjectId === String(props.subjectId)),
)
const said = ref('')
const busy = ref(0)
const adds = useTemplateRef<HTMLElement>('adds')
const caption = ref('')
/** Where on the map the next one belongs, as what a liner hides. */
const pin = reactive({ xMm: null as number | null, yMm: null as number | null })
onMounted(() => survey.loadPhotos().catch(() => undefined))

/** One after the other, also where several were picked at once. */
let sending = Promise.resolve()
function send(f: File) {
  const unread = [...(adds.value?.querySelectorAll('input') ?? [])].some((i) => !i.reportValidity())
  if (unread || (pin.xMm === null) !== (pin.yMm === null)) {
    said.value = 'Say how far aft and how far to starboard it is pinned, or neither; then choose it again.'
    return
  }
  sending = sending.then(() => sendOne(f))
}
async function sendOne(f: File) {
  if (!busy.value) said.value = ''
  busy.value++
  try {
    const { xMm, yMm } = pin
    await sendPhoto(
      boats.picture!.id,
      {
        subject: props.subject,
        subjectId: String(props.subjectId),
        caption: caption.value,
        pin: props.subject === 'boat' && xMm !== null && yMm !== null ? { xMm, yMm } : null,
      },
      f,
    )
    caption.value = ''
    Object.assign(pin, { xMm: null, yMm: null })
  } catch (error) {
    if (!session.ended(error)) said.value = (error as Error).message
  } finally {
    busy.value--
  }
  await survey.loadPhotos().catch(() => undefined)
}
async function withdraw(id: number, why: string) {
  await api('POST', `/photos/${id}/withdraw`, { why })
  await survey.loadPhotos()
}
</script>

<template>
  <div class="photos" aria-label="Photos">
    <ul v-if="mine.length">
      <li v-for="p in mine" :key="p.id">
        <a :href="`/api/photos/${p.id}/large`" target="_blank" rel="noopener"
          ><img
            :src="`/api/photos/${p.id}/small`"
            :alt="p.caption || `Photo of ${dayjs(p.takenAt).format('D MMM YYYY')}`"
            width="96"
            height="72"
            loading="lazy"
        /></a>
        <small class="soft">{{ p.caption || dayjs(p.takenAt).format('D MMM') }}, {{ p.who }}</small>
        <WithdrawForm
          v-if="may('measure') && (may('pass-gate') || session.account?.name === p.who)"
          what="photo"
          :send="(why) => withdraw(p.id, why)"
        />
      </li>
    </ul>
    <p v-else class="soft small">No photo yet.</p>
    <WaitsHere
      v-if="boats.picture"
      :path="`/boats/${boats.picture.id}/photos`"
      :has="{ subject, subjectId: String(subjectId) }"
      @fewer="survey.loadPhotos().catch(() => undefined)"
    />
    <div v-if="may('measure')" ref="adds" class="add">
      <ElInput
        v-model="caption"
        class="entry"
        maxlength="300"
        placeholder="caption"
        aria-label="Caption of the next photo"
      />
      <template v-if="subject === 'boat'">
        <DimensionField v-model="pin.xMm" label="Pinned, aft of the stem" :units="boats.units" optional />
        <DimensionField v-model="pin.yMm" label="to starboard" :units="boats.units" optional />
      </template>
      <ReadFile accept="image/jpeg,image/png,image/webp" words="Add a photo" multiple @file="send" />
      <span v-if="busy" class="soft small" role="status">sending …</span>
    </div>
    <p v-if="said" class="said small" role="alert">{{ said }}</p>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 6px 0;
  padding: 0;
}
li {
  display: grid;
  gap: 2px;
  width: 110px;
  font-size: 0.75rem;
}
img {
  object-fit: cover;
  border: 1px solid var(--line-strong);
  display: block;
}
.add {
  display: flex;
  gap: 10px;
  align-items: center;
  flex-wrap: wrap;
}
.file {
  display: inline-flex;
  align-items: center;
  min-height: var(--touch);
  padding: 0 14px;
  border: 1px solid var(--tide);
  border-radius: var(--radius);
  color: var(--tide);
  font-weight: 600;
  cursor: pointer;
  position: relative;
  overflow: hidden;
}
.file input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
.file:focus-within {
  outline: 3px solid var(--tide);
  outline-offset: 2px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
</style>
