<script setup lang="ts">
import { computed, ref } from 'vue'
import { CORES, FACES_OF_BOAT, REACH_KINDS, REACH_TITLES, lengthText, lengthUnit } from '@north-tide/core'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useSurvey } from '../../../state/survey'
import type { BoatPicture, RejudgeJob, ZoneShown } from '../../../types'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import BoatSketch from '../BoatSketch.vue'
import PhotoStrip from '../../../pieces/PhotoStrip.vue'
import { typedLengths } from '../../../pieces/typed-lengths'
import { keptForm } from '../../../pieces/kept-form'
import TypedAgain from '../../../pieces/TypedAgain.vue'
import { useAttempt } from '../../../pieces/attempt'
import RowTable from '../../../pieces/RowTable.vue'
import { layerNames } from './reading-kinds'

const props = defineProps<{ boat: BoatPicture; zone: ZoneShown | null; may: boolean }>()
const emit = defineEmits<{ gone: []; made: [id: number] }>()
const boats = useBoats()
const survey = useSurvey()
const { said, path, busy, attempt } = useAttempt()
const kept = ref('')
const b = props.boat
const { text, read } = typedLengths(
  () => boats.units,
  () => form.corners,
  ['x', 'y'],
)
const box = (
  [
    [0.1, 0.3],
    [0.3, 0.3],
    [0.3, -0.3],
    [0.1, -0.3],
  ] as const
).map(([x, y]) => [Math.round(b.lengthMm * x), Math.round(b.beamMm * y)] as const)
const layersFor = (kind: string) =>
  kind === 'sandwich'
    ? [
        { material: 'mat', thicknessMm: 4 as number | null, measured: false, measuredBy: '' },
        { material: 'balsa-150', thicknessMm: 12 as number | null, measured: false, measuredBy: '' },
        { material: 'mat', thicknessMm: 3 as number | null, measured: false, measuredBy: '' },
      ]
    : [
        {
          material: kind === 'metal' ? 'aluminium-5083' : kind === 'timber' ? 'plywood' : 'mat',
          thicknessMm: (kind === 'metal' ? 4 : kind === 'timber' ? 15 : 8) as number | null,
          measured: false,
          measuredBy: '',
        },
      ]
const z = props.zone
const cornersOf = (ps: readonly (readonly [number, number])[]) =>
  ps.map(([x, y]) => ({ x: text(x), y: text(y) }))
const blank = {
  title: '',
  face: 'deck',
  kind: 'sandwich' as ZoneShown['kind'],
  zMm: 900 as number | null,
  atXMm: null as number | null,
  stacking: 0,
  reach: '',
  reachKind: 'unknown' as NonNullable<ZoneShown['reachKind']>,
  state: '',
  deadrise: [] as { xMm: number | null; deg: number | null }[],
}
const asKept = ({ title, face, kind, zMm, stacking, reach, state, ...more }: ZoneShown) => ({
  title,
  face,
  kind,
  zMm,
  stacking,
  reach,
  state,
  atXMm: more.atXMm ?? null,
  reachKind: more.reachKind ?? 'unknown',
  deadrise: (more.deadrise ?? []).map((p) => ({ ...p })),
})
const first = (): typeof blank & {
  corners: { x: string; y: string }[]
  layers: ReturnType<typeof layersFor>
} =>
  z
    ? {
        ...asKept(z),
        corners: cornersOf(z.outline.map((p) => [p.xMm, p.yMm] as const)),
        layers: z.layers.map(({ material, thicknessMm, measured, measuredBy }) => ({
          material,
          thicknessMm,
          measured,
          measuredBy,
        })),
      }
    : { ...blank, deadrise: [], corners: cornersOf(box), layers: layersFor('sandwich') }
const formOf = `zone:${b.id}:${z?.id ?? 'new'}:${z?.version ?? 0}`
const { form, again, done, afresh } = keptForm(formOf, first)
const setKind = (k: ZoneShown['kind']) => {
  form.kind = k
  form.layers = layersFor(k)
}
const SKINS = [
  { value: 'mat', title: 'chopped-mat laminate' },
  { value: 'woven', title: 'woven/mat laminate' },
]
const materials = (i: number) =>
  form.kind === 'sandwich' && i === 1
    ? Object.entries(CORES).map(([value, c]) => ({ value, title: c.title }))
    : form.kind === 'metal'
      ? [
          { value: 'aluminium-5083', title: 'aluminium 5083' },
          { value: 'mild-steel', title: 'mild steel' },
        ]
      : form.kind === 'timber'
        ? [
            { value: 'plywood', title: 'plywood' },
            { value: 'softwood', title: 'softwood' },
          ]
        : SKINS
const NAMES = computed(() => layerNames(form.kind))
const axes = computed(() =>
  form.face === 'bulkhead'
    ? ['y, to starboard', 'z, up']
    : form.face === 'topsides' || form.face === 'bottom'
      ? ['x, aft', 'z, up']
      : ['x, aft', 'y, to starboard'],
)
/** The corners as they are typed; null while one of them cannot be read. */
const corners = computed(() => {
  const ps = form.corners.map((c) => ({ xMm: read(c.x), yMm: read(c.y) }))
  return ps.some((p) => p.xMm === null || p.yMm === null) ? [] : (ps as { xMm: number; yMm: number }[])
})
const view = computed(() =>
  form.face === 'bulkhead' ? 'section' : form.face === 'topsides' || form.face === 'bottom' ? 'side' : 'plan',
)
const moveCorner = (i: number, p: { xMm: number; yMm: number }) =>
  Object.assign(form.corners[i]!, { x: text(p.xMm), y: text(p.yMm) })
const addCorner = (after: number, p: { xMm: number; yMm: number }) =>
  form.corners.splice(after + 1, 0, { x: text(Math.round(p.xMm)), y: text(Math.round(p.yMm)) })
const drawing = ref(false)
/** what stood there before it was drawn anew */
const before = ref<{ x: string; y: string }[] | null>(null)
function draw() {
  before.value = form.corners.map((c) => ({ ...c }))
  form.corners = []
  drawing.value = true
}
function drawnBack() {
  form.corners = before.value!
  before.value = null
  drawing.value = false
}
const hint = computed(() =>
  !props.may
    ? 'Where the zone lies'
    : drawing.value
      ? form.corners.length > 2
        ? 'Press the next corner, or the first one to close it'
        : 'Press where each corner belongs, one after the other'
      : 'Drag a corner; press between two for a new one',
)
const measuredSaid = (i: number) => {
  const l = z?.layers[i]
  return l?.count
    ? `${l.count} reading${l.count > 1 ? 's' : ''}, spread ${lengthText(l.spreadMm ?? 0, boats.units)} ${lengthUnit(boats.units)}`
    : ''
}
async function send() {
  kept.value = ''
  await attempt(async (key) => {
    const { corners, deadrise, ...rest } = form
    if (deadrise.some((p) => p.xMm === null || p.deg === null))
      throw new Error('A station of the deadrise wants both: where it is, and how many degrees')
    const outline = corners.map((c, i) => {
      const [xMm, yMm] = [read(c.x), read(c.y)]
      if (xMm === null || yMm === null)
        throw new Error(`Corner ${i + 1}: “${xMm === null ? c.x : c.y}” cannot be read; a length is accepted`)
      return { xMm, yMm }
    })
    const body = { ...rest, outline, deadrise, ...(z ? { version: props.zone!.version } : {}) }
    const a = await api<{ zones: ZoneShown[]; job: RejudgeJob }>(
      z ? 'PUT' : 'POST',
      `/boats/${b.id}/zones${z ? `/${z.id}` : ''}`,
      body,
      key,
    )
    done()
    await survey.follow(a.job)
    kept.value = a.job.total
      ? `Kept; ${survey.job?.total ?? 0} fittings judged again, ${survey.job?.turned ?? 0} turned.`
      : 'Kept.'
    if (!z) emit('made', a.zones.at(-1)!.id)
  })
}
async function remove() {
  await attempt(async () => {
    const a = await api<{ job: RejudgeJob }>('DELETE', `/boats/${b.id}/zones/${z!.id}`)
    await survey.follow(a.job)
    emit('gone')
  })
}
</script>

<template>
  <form class="zone" :aria-label="zone ? `Zone ${zone.title}` : 'A new zone'" @submit.prevent="send">
    <h2 class="heading">{{ zone?.title ?? 'A new zone' }}</h2>
    <TypedAgain :again="again" @afresh="afresh" />
    <div class="cols">
      <div class="one">
        <label class="long" for="zone-title"
          >Name<ElInput id="zone-title" v-model="form.title" class="entry" maxlength="80" :readonly="!may"
        /></label>
        <ChoiceField
          v-model="form.face"
          label="Face"
          :options="FACES_OF_BOAT.map((f) => ({ value: f as string, title: f }))"
          :disabled="!may"
        />
        <DimensionField
          v-model="form.zMm"
          label="Height above the waterline"
          :units="boats.units"
          :disabled="!may"
        />
        <DimensionField
          v-if="form.face === 'bulkhead'"
          v-model="form.atXMm"
          label="Stands at x"
          :units="boats.units"
          :disabled="!may"
          :problem="path === 'atXMm' ? said : null"
          optional
        />
        <ChoiceField
          :model-value="form.kind"
          label="Build"
          :options="[
            { value: 'sandwich', title: 'cored laminate' },
            { value: 'solid', title: 'single laminate' },
            { value: 'metal', title: 'metal' },
            { value: 'timber', title: 'timber or plywood' },
          ]"
          :disabled="!may"
          @update:model-value="setKind($event)"
        />
        <fieldset v-for="(l, i) in form.layers" :key="i" class="layer">
          <legend>
            {{ NAMES[i] }}<span v-if="measuredSaid(i)" class="soft small"> · {{ measuredSaid(i) }}</span>
          </legend>
          <ChoiceField v-model="l.material" label="Of" :options="materials(i)" :disabled="!may" />
          <DimensionField
            v-model="l.thicknessMm"
            label="Thick"
            :units="boats.units"
            above
            :estimated="!l.measured"
            :disabled="!may"
            :problem="path === `layers.${i}.thicknessMm` ? said : null"
          />
          <ElCheckbox class="tick" v-model="l.measured" :disabled="!may">measured</ElCheckbox>
          <label v-if="l.measured" class="long" :for="`by-${i}`"
            >How, and by whom<ElInput
              :id="`by-${i}`"
              v-model="l.measuredBy"
              class="entry"
              maxlength="200"
              :readonly="!may"
          /></label>
        </fieldset>
        <ChoiceField
          v-model="form.reachKind"
          label="Reach from inside"
          :options="REACH_KINDS.map((r) => ({ value: r, title: REACH_TITLES[r] }))"
          :disabled="!may"
        />
        <label class="long" for="zone-reach"
          >How one gets there<ElInput
            id="zone-reach"
            v-model="form.reach"
            class="entry"
            maxlength="200"
            :readonly="!may"
            placeholder="through the fore peak, one arm"
        /></label>
        <fieldset v-if="form.face === 'bottom' || form.face === 'topsides'" class="layer">
          <legend>Deadrise, by station</legend>
          <p v-if="!form.deadrise.length" class="soft small">
            Nobody has said; what goes through here is unproven until a level is laid on it.
          </p>
          <div v-for="(p, i) in form.deadrise" :key="i" class="station">
            <DimensionField v-model="p.xMm" label="At x, aft" :units="boats.units" :disabled="!may" />
            <DimensionField
              v-model="p.deg"
              label="Slopes"
              kind="angle"
              :units="boats.units"
              :least="0"
              :most="79"
              :disabled="!may"
            />
            <ElButton v-if="may" class="plain soft small" @click="form.deadrise.splice(i, 1)">
              take away
            </ElButton>
          </div>
          <ElButton v-if="may" class="plain soft small" @click="form.deadrise.push({ xMm: null, deg: null })">
            Add a station
          </ElButton>
        </fieldset>
        <label class="long" for="zone-state"
          >State<ElInput id="zone-state" v-model="form.state" class="entry" maxlength="300" :readonly="!may"
        /></label>
      </div>
      <div class="two">
        <BoatSketch
          :boat="boat"
          :units="boats.units"
          :view="view"
          :corners="corners"
          :edit="may"
          :self="zone?.code ?? ''"
          :drawing="drawing"
          :label="hint"
          @move="moveCorner"
          @add="addCorner"
          @closed="drawing = false"
        />
        <div v-if="may" class="acts">
          <ElButton v-if="!drawing" class="act" @click="draw">Draw it anew</ElButton>
          <ElButton v-else class="act" @click="drawing = false">It is drawn</ElButton>
          <ElButton v-if="before" class="act" @click="drawnBack">As it was</ElButton>
        </div>
        <RowTable
          label="Corners"
          :columns="[
            { key: 'no', class: 'soft small' },
            ...(['x', 'y'] as const).map((k, n) => ({ key: k, title: axes[n] })),
            { key: 'act' },
          ]"
          :rows="form.corners"
        >
          <template #no="{ index: i }">{{ i + 1 }}</template>
          <template v-for="(k, n) in ['x', 'y'] as const" :key="k" #[k]="{ row: c, index: i }"
            ><ElInput
              v-model="c[k]"
              class="entry figure"
              :aria-label="`Corner ${i + 1}, ${axes[n]}`"
              :readonly="!may"
              :class="{ bad: read(c[k]) === null }"
          /></template>
          <template #act="{ row: c, index: i }">
            <ElButton v-if="may" class="plain soft small" @click="form.corners.splice(i + 1, 0, { ...c })">
              after it
            </ElButton>
            <ElButton
              v-if="may && form.corners.length > 3"
              class="plain soft small"
              @click="form.corners.splice(i, 1)"
            >
              take away
            </ElButton>
          </template>
        </RowTable>
      </div>
    </div>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="kept" class="soft" role="status">{{ kept }}</p>
    <div v-if="may" class="acts">
      <ElButton
        class="act main"
        native-type="submit"
        :disabled="busy || !form.title.trim() || form.corners.length < 3"
      >
        {{ zone ? 'Keep this zone' : 'Add this zone' }}</ElButton><ElButton
        v-if="zone"
        class="act"
        :disabled="busy"
        @click="remove"
      >
        Take it away
      </ElButton>
    </div>
    <PhotoStrip v-if="zone" subject="zone" :subject-id="zone.id" />
  </form>
</template>

<style scoped>
.zone {
  display: grid;
  gap: 10px;
  max-width: 900px;
}
.heading {
  font-size: 1.125rem;
}
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 10px 30px;
}
.one,
.two {
  display: grid;
  gap: 8px;
  align-content: start;
}
.long {
  display: grid;
  gap: 2px;
}
.layer {
  border: 0;
  border-left: 3px solid var(--line-strong);
  padding: 0 0 4px 12px;
  margin: 0;
  display: grid;
  gap: 2px;
}
.layer legend {
  font-weight: 700;
  padding: 0;
}
.station .plain,
.layer > .plain {
  padding: 4px 0;
  text-align: left;
  text-decoration: underline dotted;
}
.station {
  display: grid;
  gap: 2px;
  border-bottom: 1px solid var(--line);
  padding-bottom: 4px;
}
.tick {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 30px;
}
.two .entry {
  width: 96px;
  text-align: right;
}
.two .entry.bad {
  border-bottom-color: var(--short);
  background: var(--short-ground);
}
.two .plain {
  padding: 4px;
  text-decoration: underline dotted;
}
.acts {
  display: flex;
  gap: 10px;
}
.said {
  color: var(--short);
  font-weight: 600;
}
@media (max-width: 767px) {
  .cols {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
