<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { CORES, FACES_OF_BOAT, REACH_KINDS, REACH_TITLES, lengthText, lengthUnit } from '@north-tide/core'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useSurvey } from '../../../state/survey'
import type { BoatPicture, RejudgeJob, ZoneShown } from '../../../types'
import ChoiceField from '../../../pieces/ChoiceField.vue'
import DimensionField from '../../../pieces/DimensionField.vue'
import PhotoStrip from '../../../pieces/PhotoStrip.vue'
import { typedLengths } from '../../../pieces/typed-lengths'
import { useAttempt } from './attempt'

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
const form = reactive({
  title: z?.title ?? '',
  face: z?.face ?? 'deck',
  kind: z?.kind ?? ('sandwich' as ZoneShown['kind']),
  zMm: (z?.zMm ?? 900) as number | null,
  atXMm: (z?.atXMm ?? null) as number | null,
  stacking: z?.stacking ?? 0,
  reach: z?.reach ?? '',
  reachKind: z?.reachKind ?? 'unknown',
  state: z?.state ?? '',
  deadrise: (z?.deadrise ?? []).map((p) => ({ xMm: p.xMm as number | null, deg: p.deg as number | null })),
  corners: (z ? z.outline.map((p) => [p.xMm, p.yMm] as const) : box).map(([x, y]) => ({
    x: text(x),
    y: text(y),
  })),
  layers: z
    ? z.layers.map((l) => ({
        material: l.material,
        thicknessMm: l.thicknessMm as number | null,
        measured: l.measured,
        measuredBy: l.measuredBy,
      }))
    : layersFor('sandwich'),
})
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
const NAMES = computed(() =>
  form.kind === 'sandwich' ? ['outer skin', 'core', 'inner skin'] : ['thickness'],
)
const axes = computed(() =>
  form.face === 'bulkhead'
    ? ['y, to starboard', 'z, up']
    : form.face === 'topsides' || form.face === 'bottom'
      ? ['x, aft', 'z, up']
      : ['x, aft', 'y, to starboard'],
)
const picture = computed(() => {
  const ps = form.corners.map((c) => ({ x: read(c.x), y: read(c.y) }))
  if (ps.some((p) => p.x === null || p.y === null) || ps.length < 3) return null
  const xs = ps.map((p) => p.x!)
  const ys = ps.map((p) => -p.y!)
  const [x0, y0, w, h] = [
    Math.min(...xs),
    Math.min(...ys),
    Math.max(1, Math.max(...xs) - Math.min(...xs)),
    Math.max(1, Math.max(...ys) - Math.min(...ys)),
  ]
  const m = 0.05 * Math.max(w, h)
  return {
    viewBox: `${x0 - m} ${y0 - m} ${w + 2 * m} ${h + 2 * m}`,
    points: xs.map((x, i) => `${x},${ys[i]}`).join(' '),
    dots: xs.map((x, i) => ({ x, y: ys[i]! })),
    r: 0.012 * Math.max(w, h),
  }
})
const measuredSaid = (i: number) => {
  const l = z?.layers[i]
  return l?.count
    ? `${l.count} reading${l.count > 1 ? 's' : ''}, spread ${lengthText(l.spreadMm ?? 0, boats.units)} ${lengthUnit(boats.units)}`
    : ''
}
async function send() {
  kept.value = ''
  await attempt(async () => {
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
    )
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
    <div class="cols">
      <div class="one">
        <label class="long" for="zone-title"
          >Name<input id="zone-title" v-model="form.title" class="entry" maxlength="80" :readonly="!may"
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
          <label class="tick"><input v-model="l.measured" type="checkbox" :disabled="!may" /> measured</label>
          <label v-if="l.measured" class="long" :for="`by-${i}`"
            >How, and by whom<input
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
          >How one gets there<input
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
            <button v-if="may" type="button" class="plain soft small" @click="form.deadrise.splice(i, 1)">
              take away
            </button>
          </div>
          <button
            v-if="may"
            type="button"
            class="plain soft small"
            @click="form.deadrise.push({ xMm: null, deg: null })"
          >
            Add a station
          </button>
        </fieldset>
        <label class="long" for="zone-state"
          >State<input id="zone-state" v-model="form.state" class="entry" maxlength="300" :readonly="!may"
        /></label>
      </div>
      <div class="two">
        <svg
          v-if="picture"
          :viewBox="picture.viewBox"
          class="shape"
          role="img"
          aria-label="The zone as drawn"
        >
          <polygon :points="picture.points" />
          <circle v-for="(d, i) in picture.dots" :key="i" :cx="d.x" :cy="d.y" :r="picture.r" />
        </svg>
        <table class="rows">
          <thead>
            <tr>
              <th></th>
              <th v-for="a in axes" :key="a">{{ a }}</th>
              <th></th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(c, i) in form.corners" :key="i">
              <td class="soft small">{{ i + 1 }}</td>
              <td>
                <input
                  v-model="c.x"
                  class="entry figure"
                  :aria-label="`Corner ${i + 1}, ${axes[0]}`"
                  :readonly="!may"
                  :class="{ bad: read(c.x) === null }"
                />
              </td>
              <td>
                <input
                  v-model="c.y"
                  class="entry figure"
                  :aria-label="`Corner ${i + 1}, ${axes[1]}`"
                  :readonly="!may"
                  :class="{ bad: read(c.y) === null }"
                />
              </td>
              <td>
                <button
                  v-if="may"
                  type="button"
                  class="plain soft small"
                  @click="form.corners.splice(i + 1, 0, { ...c })"
                >
                  after it
                </button>
                <button
                  v-if="may && form.corners.length > 3"
                  type="button"
                  class="plain soft small"
                  @click="form.corners.splice(i, 1)"
                >
                  take away
                </button>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
    </div>
    <p v-if="said" class="said" role="alert">{{ said }}</p>
    <p v-if="kept" class="soft" role="status">{{ kept }}</p>
    <div v-if="may" class="acts">
      <ElButton class="act main" native-type="submit" :disabled="busy || !form.title.trim()">
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
  font-size: 18px;
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
.shape {
  max-height: 190px;
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--line);
}
.shape polygon {
  fill: color-mix(in srgb, var(--laminate) 55%, var(--sheet));
  stroke: var(--ink);
  stroke-width: 1.4;
  vector-effect: non-scaling-stroke;
}
.shape circle {
  fill: var(--tide);
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
</style>
