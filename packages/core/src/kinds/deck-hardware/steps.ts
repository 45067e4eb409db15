import { moistureCureOf } from '../../chapters/bedding/moisture-cure'
import { CORE_STEP_TEXT } from '../../chapters/deck/core-plug'
import { SIZES } from '../../base/materials/fasteners'
import { sealant } from '../../base/materials/sealants'
import { formatLength, formatTorque, formatVolume, type Units } from '../../base/quantity/format'
import type { LifeState } from '../../boat/life'
import { stepList, type Records, type Step } from '../step'
import type { Judgement } from './judgement'
import { bedMean } from './plans'
import type { Design } from './design'

type Add = ReturnType<typeof stepList>['add']
/** Bolts and the pipe beside them are drilled, sealed and bedded together. */
const all = (...states: LifeState[]): Records => ({ bolt: states, pipe: states })

/** What must be true before the drill, each on record. */
const beforeDrilling = (d: Design): string[] => [
  'no wire, tank, pipe, beam or liner stands behind any hole; batteries are off',
  'the template was checked from both sides, and it points the right way',
  'a stop is on the drill, and what catches the swarf is in place',
  ...(d.structure.kind === 'sandwich' ? ['the core is known here, wet or dry'] : []),
]
/** What must be true before the bead, each on record. */
const beforeBedding = (d: Design): string[] => [
  'dry fitted: every bolt went in and two threads show through each nut',
  'gun, spare nozzle, cloths, gloves and spanners lie within reach',
  'both faces were wiped minutes ago, and nobody has touched them since',
  ...(d.plate ? ['the plate is bonded or lies ready below, the right way round'] : []),
]

const WET: Record<string, string> = {
  'wet-recore':
    'Wet core first: cut one skin back to where the core is dry, take it out, lay new core and skin. Nothing is drilled for the fitting before.',
  'wet-dry-out':
    'Wet core first: open it, dry it under warmth and dry air for weeks, and read it again: within 5 of the dry reference before it is closed.',
  'wet-insert':
    'Wet core: cut it out under the whole base for the insert, and look at the cut edge: where it is dark or soft, cut on.',
}

function before(d: Design, add: Add) {
  add(
    'survey',
    'Look behind: wires, tanks, beams, reach for the nuts. Measure the deck from a drilled plug if it is an estimate.',
    { gate: true, caution: 'Batteries off; know what is behind.' },
  )
  if (d.schools.wet && WET[d.schools.wet]) add('wet-core', WET[d.schools.wet]!, { gate: true })
  add('template', 'Tape the template on, check it from both sides, mark the centres.')
  add('ready-drill', 'Last look before the drill. A hole cannot be undone.', {
    gate: true,
    asks: ['looks'],
    looks: beforeDrilling(d),
  })
  add('pilot', 'Drill one pilot and measure through it before the rest.')
}

const FIRST_CUT = ['bore', 'drill']
/** The wall is closed against water by the last of these that the school has. */
const SEALS = ['fill', 'bond-insert', 'seal-wall']
function coreSized(id: string, j: Judgement, holeMm: number, units: Units): string {
  const mm = (v: number) => formatLength(v, units)
  if (id === 'bore' && j.core?.boreMm) return ` Bore ${mm(j.core.boreMm)}.`
  if (id === 'reef' && j.core?.undercutMm) return ` ${mm(j.core.undercutMm)} all round.`
  if (id === 'redrill' || id === 'drill') return ` ${mm(holeMm)}.`
  return id === 'fill' && j.core
    ? ` ${formatVolume(j.core.fillEachMl, units)} a hole; a hole that takes twice that means wet or torn core.`
    : ''
}
function holes(d: Design, j: Judgement, units: Units, add: Add) {
  const steps = j.core?.steps ?? [{ id: 'drill', text: CORE_STEP_TEXT.drill! }]
  const finish = steps.some((s) => s.id === 'redrill') ? 'redrill' : 'drill'
  const sealed = steps.some((s) => SEALS.includes(s.id))
  const holeMm = SIZES[d.bolt.size]!.clearanceMm
  // Under an insert the fitting's holes are drilled through what was sealed before: one tick says both.
  const drillsLast = steps.findIndex((s) => SEALS.includes(s.id)) < steps.findIndex((s) => s.id === 'drill')
  for (const s of steps) {
    const first = FIRST_CUT.includes(s.id) && !(drillsLast && sealed)
    const more: Partial<Step> = {}
    if (s.id === finish || first) Object.assign(more, { gate: true, asks: ['size'], sizeOf: 'bolt' })
    if (first) more.records = all('drilled')
    if (s.id === 'fill' || s.id === 'seal-wall')
      Object.assign(more, { gate: true, records: all('core-sealed'), asks: ['lot', 'air'], lot: 'epoxy' })
    if (s.id === 'bond-insert') Object.assign(more, { gate: true, asks: ['lot', 'air'], lot: 'epoxy' })
    if (s.id === 'cure') more.gate = true
    if (drillsLast && sealed && s.id === 'drill')
      Object.assign(more, { records: all('drilled', 'core-sealed'), from: 'core-bond-insert' })
    add(`core-${s.id}`, `${s.text}${coreSized(s.id, j, holeMm, units)}`, more)
  }
}

function plate(d: Design, j: Judgement, units: Units, add: Add) {
  if (d.plate) {
    add(
      'plate-make',
      `${d.plate.sheets === 2 ? 'Bond the two sheets into one. ' : ''}Cut the plate${d.plate.outline ? ' to its clipped outline' : ''}, round its corners, bevel its edge, drill it through the deck\u2019s own holes.`,
    )
    if (!d.plate.bonded)
      add('plate-dry', 'The plate goes in dry: where the surface is not flat it bears only here and there.')
    else if (bedMean(d.plate) > 0)
      add(
        'plate-bond',
        `Bond the plate on a bed of filled epoxy, ${formatVolume(j.plate?.bedMl ?? 0, units)}; waxed bolts hold it while it cures.`,
        {
          gate: true,
          asks: ['lot', 'air'],
          lot: 'epoxy',
          alone: 'Waxed bolts and nuts clamp it: nobody has to hold it.',
          caution: 'Gloves, air; wax on every thread that must come apart.',
        },
      )
  }
  if (d.doubler && d.structure.kind === 'metal')
    add(
      'weld-doubler',
      `Weld the doubler all round, ${formatLength(d.doubler.weldMm, units)}, corners rounded, paint burnt off first; what lies behind is looked at and a watch is kept.`,
      { hands: 2, gate: true, caution: 'Fire: foam, paint and wires behind the plate.' },
    )
  const { sleeve, washer, sealant: paste } = d.isolation
  const kept = [
    sleeve ? 'sleeve in the hole' : '',
    washer ? 'washer under head and nut' : '',
    paste ? 'sealant or paste in the hole and under the head' : '',
  ].filter(Boolean)
  if (kept.length)
    add(
      'isolate',
      `Keep the metals apart: ${kept.join(', ')}${kept.length === 3 ? '' : '; with less than all three it still bridges'}.`,
    )
}

function cure(d: Design, add: Add) {
  if (!d.bedding.sealant || !sealant(d.bedding.sealant).moistureCure || d.bedding.humidityPct <= 0) return
  const rim = moistureCureOf({
    chemistry: d.bedding.sealant,
    pathMm: 5,
    tempC: d.bedding.tempC,
    humidityPct: d.bedding.humidityPct,
  })
  add(
    'cure',
    rim.days === null
      ? rim.because
      : `Leave it: fillet and collar cure in ${rim.days.toFixed(1)} days at ${d.bedding.tempC} \u00b0C; the middle takes far longer.`,
    { gate: true, waitH: rim.days === null ? null : rim.days * 24, records: all('cured') },
  )
}
function bed(d: Design, j: Judgement, units: Units, add: Add) {
  if (!d.bedding.sealant) return
  const s = sealant(d.bedding.sealant)
  add(
    'wipe',
    `Wipe both faces with ${s.cleans}, minutes before.${s.keepAway ? ` Keep away: ${s.keepAway}.` : ''} Last look before the bead.`,
    { gate: true, asks: ['looks'], looks: beforeBedding(d) },
  )
  add(
    'bed',
    `Bed the deck side, the bead laid ${d.schools.bead === 'bead-on-structure' ? 'on the structure, where one sees that it is unbroken' : 'on the fitting'}: round the base and a ring round each bolt. ${d.schools.inside === 'seal-inside' ? 'A thin bead inside under the plate\u2019s edge too; a leak will then not show there.' : 'The inside stays dry, so that a leak shows.'}`,
    { gate: true, records: all('bedded'), asks: ['lot', 'air'], lot: d.bedding.sealant },
  )
  const torqueNm = Math.round(10 * j.preload.torqueNm) / 10
  const { runDownNm, preloadTorqueNm } = j.preload
  const apart =
    runDownNm > 0
      ? ` Of it ${formatTorque(runDownNm, units)} ${d.bolt.runDownNm === null ? 'at most ' : ''}run the locking nut down and ${formatTorque(preloadTorqueNm, units)} clamp: measure the run-down first, and set what it takes and the rest.`
      : ''
  add(
    'snug',
    `Hold the bolt still and turn the nut: snug to even squeeze-out, ${formatTorque(j.preload.torqueNm, units)}${j.preload.limitedByDeck ? ', all that deck and plate can bear' : ''}.${apart}${j.preload.galling ? ' Paste on the thread.' : ''}`,
    {
      hands: 2,
      gate: true,
      asks: ['torque'],
      torqueNm,
      alone: 'A spanner taped to the head, or a wedge under it, holds it from below.',
    },
  )
  cure(d, add)
  if (d.bedding.tightening === 'two-step')
    add('tighten', 'When the bead is a gasket, a last part-turn on the nut only.', { hands: 2 })
}

/** The order of work, expanded from the design, never typed by hand (chapter 11.1). */
export function stepsOf(d: Design, j: Judgement, units: Units): Step[] {
  const { add, done } = stepList()
  before(d, add)
  holes(d, j, units, add)
  plate(d, j, units, add)
  add('dry-fit', 'Dry fit everything. Look at the bolt ends: two threads through each nut.', {
    hands: 2,
    gate: true,
    records: all('dry-fitted'),
  })
  if (d.bedding.toBePainted)
    add('paint-hold', 'Take it off again and wait for the paint. Bag and label the parts.', { gate: true })
  bed(d, j, units, add)
  add('clean', 'Cut the squeeze-out clean; look for an unbroken line all round, with a photo.')
  add('leak-test', 'Hose from low to high, this fitting alone, the inside watched dry.', {
    hands: 2,
    gate: true,
    records: all('proved'),
    asks: ['proof'],
    alone: 'Chalk or tissue inside says afterwards whether a drop came.',
  })
  add('record', 'Look through its record in the register: sizes, lots, torque, photos. It is in service.', {
    gate: true,
    records: all('in-service'),
  })
  return done()
}
