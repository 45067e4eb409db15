import { boundsOf, type Point } from '../../base/geometry/outline'
import { GRADES, SIZES } from '../../base/materials/fasteners'
import { PLATES } from '../../base/materials/plates'
import { sealant } from '../../base/materials/sealants'
import { formatForce, formatLength, formatTorque, type Units } from '../../base/quantity/format'
import { boltPart } from '../../boat/life'
import { zoneOfPlace, type BoatZone } from '../../boat/spot'
import { measureSaid } from '../../boat/where'
import { findingsOf } from '../findings'
import { historyOf, withoutHistory } from '../history'
import type { Around, Block, Due, HoleSpec, Kind } from '../kind'
import { CATALOGUE, type CatalogueEntry } from './catalogue'
import { mirrored, moved } from './copies'
import { SCHEMA_VERSION, designSchema, type Design } from './design'
import { FAMILY_TITLES } from './families'
import { DECK_FINDINGS } from './findings'
import { UNSEEN } from './unseen'
import { withHabits } from './habits'
import { gripLayersOf } from './grip'
import { asPasted } from './isolation'
import { judge } from './judge'
import { Memo, type Judgement } from './judgement'
import { panelAt } from './whole'
import { cautionsOf } from './cautions'
import { fastenersOf } from './needs'
import { boltsWanted, partsOf } from './parts'
import { drawPattern } from './pattern'
import { boltInHole, deckTries } from './remedies'
import { drawSection } from './section'
import { questionFor } from './solver'
import { withSolver } from './spread'
import { staleAgainst } from '../stale'
import { startDesign } from './start'
import { stepsOf } from './steps'
import { RESNUG } from './steps-bed'
import { drillSchedule, templateOf } from './template'
import { cornersOnBoat, toBoat } from '../../base/geometry/turn'

/** The design on the deck as its zone says it is now: what stands in it may be of last week. */
export function onDeckNow(d: Design, zones: BoatZone[]): Design {
  const stale = staleAgainst(d, zoneOfPlace(zones, d.place))
  return stale ? { ...d, structure: stale.structure, measured: stale.measured } : d
}

/** What of the grip is deck: neither the fitting above it nor the plate below. */
const NOT_DECK = ['base', 'bedding', 'filler bed', 'backing plate', 'glue line']
const throughSaid = (d: Design, units: Units) =>
  gripLayersOf(d)
    .filter((l) => !NOT_DECK.includes(l.name))
    .map((l) => `${l.name} ${formatLength(l.thicknessMm, units)}`)
    .join(', ')

const onBoat = (d: Design, p: Point): Point => {
  const q = toBoat(d, p)
  return { xMm: d.place.xMm + q.xMm, yMm: d.place.yMm + q.yMm }
}

function penetrations(d: Design, _j: Judgement, units: Units): HoleSpec[] {
  const common = {
    zMm: d.place.zMm,
    through: throughSaid(d, units),
    coreSchool: d.structure.kind === 'sandwich' ? d.core.school : 'none',
    sealant: d.bedding.sealant,
    belowWaterline: d.place.belowWaterline,
    note: d.place.measuredFrom.map((m) => measureSaid(m, units)).join('; '),
  }
  const bolts = d.bolts.map((b, i): HoleSpec => ({
    ...common,
    part: boltPart(i),
    boltIndex: i,
    title: `${d.name}, bolt ${i + 1}`,
    ...onBoat(d, b),
    diameterMm: SIZES[d.bolt.size]!.clearanceMm,
    fastener: `${d.bolt.size} ${GRADES[d.bolt.grade].title}`,
    plate: d.plate ? `${PLATES[d.plate.material].title}, ${formatLength(d.plate.thicknessMm, units)}` : '',
  }))
  // A pipe, cable or shaft beside the bolts is a hole like any other.
  return d.pipeMm === null
    ? bolts
    : [
        ...bolts,
        {
          ...common,
          part: 'pipe',
          boltIndex: null,
          title: `${d.name}, pipe`,
          xMm: d.place.xMm,
          yMm: d.place.yMm,
          diameterMm: d.pipeMm,
          fastener: '',
          plate: '',
        },
      ]
}

function footprint(d: Design) {
  const b = boundsOf(
    'diameterMm' in d.base
      ? { diameterMm: d.base.diameterMm }
      : { lengthMm: d.base.lengthMm, widthMm: d.base.widthMm },
  )
  return cornersOnBoat(d, b).map((p) => ({ xMm: d.place.xMm + p.xMm, yMm: d.place.yMm + p.yMm }))
}

function card(d: Design, j: Judgement, { units }: Around): Block[] {
  const mm = (v: number) => formatLength(v, units)
  const grip = j.grip
  return [
    {
      title: 'Load',
      lines: j.cases.map((c) => `${c.name}: ${formatForce(c.loadN, units)}`),
    },
    {
      title: 'Bolts',
      lines: [
        `${d.bolts.length} ${d.bolt.size}, ${GRADES[d.bolt.grade].title}, ${d.bolt.head} head${grip ? `, grip ${mm(grip.gripMm)}` : ''}`,
        `tightened to ${formatTorque(j.preload.torqueNm, units)}`,
      ],
    },
    {
      title: 'Behind',
      lines: d.plate
        ? [
            `${PLATES[d.plate.material].title}, ${mm(d.plate.lengthMm)} by ${mm(d.plate.widthMm)} by ${mm(d.plate.thicknessMm)}`,
          ]
        : [`no plate; ${d.bolt.nutWasher} washers`],
    },
    {
      title: 'Bedding',
      lines: [d.bedding.sealant ? sealant(d.bedding.sealant).title : 'no sealant is chosen yet'],
    },
  ]
}

const PEOPLE = ['stanchion', 'handrail', 'tether-point', 'ladder-step', 'lifting-point']
const inspections = (d: Design): Due[] => [
  { id: 'bedding', title: 'Line of bedding', everyDays: 365, why: 'a broken line lets water into the deck' },
  ...(d.structure.kind === 'sandwich'
    ? [
        {
          id: 'core-moisture',
          title: 'Core moisture round each hole',
          everyDays: 365,
          why: 'a core that drinks is found long before it is soft',
        },
      ]
    : []),
  ...(asPasted(d)
    ? [
        {
          id: 'paste',
          title: 'Metals at the bolts',
          everyDays: 365,
          why: 'only paste keeps them apart: white powder or blisters say that it is gone',
        },
      ]
    : []),
  ...(PEOPLE.includes(d.family)
    ? [{ id: 'loose', title: 'Twist it and look', everyDays: 180, why: 'people hang on it' }]
    : []),
]

export const deckHardware: Kind<Design, Judgement, CatalogueEntry> = {
  id: 'deck-hardware',
  title: 'Deck hardware',
  faces: ['deck', 'roof', 'topsides', 'bulkhead'],
  schema: designSchema as Kind<Design, Judgement>['schema'],
  version: SCHEMA_VERSION,
  upgrade: withoutHistory,
  history: historyOf,
  families: FAMILY_TITLES,
  catalogue: CATALOGUE,
  start: (entry, spot, name) => startDesign(entry, spot, name),
  footprint,
  alone: true,
  judge: (d, a) => judge(d, false, a.yard.length ? a.yard : undefined, new Memo(panelAt(d, a))),
  slow: (d, j, a) => questionFor(d, j, zoneOfPlace(a.zones, d.place), a.parts),
  withSlow: withSolver,
  asSurveyed: onDeckNow,
  changed: (d, zones) => {
    const zone = zoneOfPlace(zones, d.place)
    const stale = zone && staleAgainst(d, zone)
    return stale
      ? { changes: stale.changes, take: { structure: stale.structure, measured: stale.measured } }
      : null
  },
  listed: (d) => ({ base: d.base, bolts: d.bolts }),
  withHabits,
  placed: (d, said) => (said.holeMm === undefined ? d : { ...d, existing: true, unseen: [...UNSEEN] }),
  inPlaceOf: (d, old) => ({ ...d, replaces: old.name }),
  tries: (d, j) => deckTries(d, j),
  drawings: (d, j, units) => [
    { id: 'section', title: 'Section', drawing: drawSection(d, j, units) },
    { id: 'pattern', title: 'Pattern', drawing: drawPattern(d, j, units) },
  ],
  templates: (d) => ['pattern', ...(d.plate ? ['plate'] : [])],
  template: (d, j, what, units, inside) =>
    templateOf(d, j, what === 'plate' ? 'plate' : 'pattern', units, inside),
  drill: drillSchedule,
  penetrations,
  steps: (d, j, units) => stepsOf(d, j, units),
  parts: partsOf,
  fasteners: fastenersOf,
  cautions: cautionsOf,
  card,
  inspections,
  watched: (d) =>
    d.bedding.sealant === 'butyl'
      ? {
          afloat: [
            { step: RESNUG.week.id, after: 'snug', hours: RESNUG.week.hours, title: 'Snug its tape again' },
          ],
        }
      : {},
  leaksAs: (d) => ({
    as: d.family === 'stanchion' || d.family === 'track' ? d.family : 'deck-hardware',
    loaded: true,
  }),
  findings: (d) => findingsOf(DECK_FINDINGS, d.family),
  copy: (d, how, zones) => (how.mirror ? mirrored(d, zones, how.name) : moved(d, zones, how, how.name)),
  orderList: boltsWanted,
  measured: (_d, step, r, units) =>
    step.asks.includes('run-down') && r.runDownNm !== null
      ? {
          change: { 'bolt.runDownNm': r.runDownNm },
          said: [`a nut runs down with ${formatTorque(r.runDownNm, units)}`],
        }
      : { change: {}, said: [] },
  fitsHole: boltInHole,
  bedHalfMm: (d) =>
    'diameterMm' in d.base ? d.base.diameterMm / 2 : Math.min(d.base.lengthMm, d.base.widthMm) / 2,
}
