import { CalcError } from '../../base/errors'
import { SIZES } from '../../base/materials/fasteners'
import { formatLength, type Units } from '../../base/quantity/format'
import { say } from '../../base/verdict/check'
import { deadriseFrom } from '../../boat/level'
import { WELDED, boltPart } from '../../boat/life'
import type { BoatZone } from '../../boat/spot'
import { historyOf, withoutHistory } from '../history'
import type { Around, Decision, Due, HoleSpec, Kind, Measured, PlacedSaid, TickReadings } from '../kind'
import type { StepAsk } from '../step'
import { boltsSaid, throughHullBolts } from './bolts'
import { orderBlocked, orderList } from './chain'
import { throughHullDrill, throughHullTemplate, throughHullTemplates, type ThroughHullTemplate } from './cut'
import { THROUGH_HULL_VERSION, throughHullSchema, type ThroughHullDesign } from './design'
import { clockDial } from './dial'
import { THROUGH_HULL_FAMILY, THROUGH_HULL_FAMILIES, USE_TITLES } from './families'
import { findingsFor, taperPlugOf } from './findings'
import { THROUGH_HULL_CATALOGUE, throughHullEntry, type ThroughHullEntry } from './catalogue'
import { judgeThroughHull } from './judge'
import { METHOD_TITLE, type ThroughHullJudgement } from './judgement'
import { baseOf } from './seat'
import { ownSchema, type OwnGoods } from './own-goods'
import { throughHullParts } from './parts'
import type { ThroughHullAround } from './placing'
import { throughHullTries } from './remedies'
import { throughHullSection } from './section'
import { hullAt, hullChanged, parseThroughHull, startThroughHull, tailInHole } from './start'
import { throughHullCautions, throughHullOrientation, throughHullSteps } from './steps'

type D = ThroughHullDesign
type J = ThroughHullJudgement

/** Those of the same kind through the same hull; what stands on deck is nobody's neighbour here. */
export const hullAround = (a: Around): ThroughHullAround => ({
  goods: a.goods as OwnGoods[],
  zones: a.zones,
  parts: a.parts,
  holes: a.holes,
  others: a.others.flatMap((o) =>
    o.kind === 'through-hull' ? [{ id: o.id, name: o.name, design: o.design as D }] : [],
  ),
  launch: a.launch,
})

function fastenerSaid(d: D, j: J, units: Units) {
  if (d.hold.method === 'nut') return 'its own nut'
  const lengths = j.bolts.length ? `: ${boltsSaid(d, j.bolts, (v) => formatLength(v, units))}` : ''
  return `${d.hold.bolts} ${d.hold.size} ${d.hold.grade}, ${METHOD_TITLE[d.hold.method]}${lengths}`
}
function penetrations(d: D, j: J, units: Units): HoleSpec[] {
  const mm = (v: number) => formatLength(v, units)
  const common = {
    zMm: d.place.zMm,
    through: `${d.hull.kind} ${mm(d.hull.thicknessMm)}${d.hull.measured ? '' : ' (estimate)'}${d.pad ? `, pad ${mm(d.pad.thicknessMm)}` : ''}${j.wedge ? `, wedge ${d.wedge.blocks}` : ''}`,
    plate: d.pad ? `pad ${d.pad.material}, ${mm(d.pad.thicknessMm)}` : '',
    sealant: d.family === 'welded-stub' ? WELDED : d.bedding.flange,
    belowWaterline: d.place.zMm < 0,
  }
  const bore: HoleSpec = {
    ...common,
    part: 'bore',
    boltIndex: null,
    title: d.name,
    xMm: d.place.xMm,
    yMm: d.place.yMm,
    diameterMm: j.stack?.holeMm ?? d.boredMm ?? d.skin.holeMm,
    fastener: fastenerSaid(d, j, units),
    coreSchool: d.hull.kind === 'cored' ? 'insert' : 'none',
    note: throughHullOrientation(d, j),
  }
  // Bolts into the pad make no hole in the hull; a drain plug's go right through.
  if (d.hold.method !== 'through') return [bore]
  return [
    bore,
    ...throughHullBolts(d).map((b, i): HoleSpec => ({
      ...common,
      part: boltPart(i),
      boltIndex: i,
      title: `${d.name}, bolt ${i + 1}`,
      xMm: d.place.xMm + b.xMm,
      yMm: d.place.yMm + b.yMm,
      diameterMm: SIZES[d.hold.size]!.clearanceMm,
      fastener: `${d.hold.size} ${d.hold.grade}`,
      coreSchool: 'none',
      note: '',
    })),
  ]
}

/** The circle that its flange, its pad and its bolts lie in. */
function footprint(d: D) {
  const bolts = throughHullBolts(d).map((b) => Math.hypot(b.xMm, b.yMm) + SIZES[d.hold.size]!.clearanceMm / 2)
  const r = Math.max(baseOf(d), d.pad?.diameterMm ?? 0, d.skin.holeMm) / 2
  const most = Math.max(r, ...bolts)
  return Array.from({ length: 24 }, (_, i) => ({
    xMm: d.place.xMm + (most / Math.cos(Math.PI / 24)) * Math.cos((i * Math.PI) / 12),
    yMm: d.place.yMm + (most / Math.cos(Math.PI / 24)) * Math.sin((i * Math.PI) / 12),
  }))
}

const BORED_GRAIN_MM = 0.05
function deadriseMeasured(d: D, shownDeg: number, heelDeg: number | null): Measured {
  const deg = Math.round(10 * deadriseFrom(shownDeg, heelDeg ?? 0, d.place.yMm)) / 10
  if (deg < 0)
    throw new CalcError(
      'invalid-input',
      'shownDeg',
      `${shownDeg}\u00b0 was given; with the cradle\u2019s heel taken out the hull would fall outboard. Outboard up is positive`,
    )
  const cradle = heelDeg === null ? 'cradle not read' : `cradle ${heelDeg.toFixed(2)}\u00b0 taken out`
  return {
    // Passed over with the cradle unread it is better than a guess, and no measurement yet.
    change: { 'hull.deadriseDeg': deg, 'hull.angleMeasured': heelDeg !== null },
    said: [`level shows ${shownDeg}\u00b0 outboard up, ${cradle}: ${deg}\u00b0`],
  }
}
/** The hole is what was bored, the day what was read: neither is typed a second time. */
function measured(d: D, step: { asks: StepAsk[] }, r: TickReadings, units: Units): Measured {
  const change: Record<string, unknown> = {}
  const said: string[] = []
  const asks = (what: StepAsk) => step.asks.includes(what)
  if (asks('hull') && r.hullMm !== null) {
    Object.assign(change, {
      'hull.thicknessMm': r.hullMm,
      'hull.measured': true,
      'hull.how': 'drilled pilot',
    })
    said.push(`hull ${formatLength(r.hullMm, units)}`)
  }
  if (asks('angle') && r.shownDeg !== null) {
    const m = deadriseMeasured(d, r.shownDeg, r.heelDeg)
    Object.assign(change, m.change)
    said.push(...m.said)
  }
  if (asks('stops') && r.stopsDeg !== null) {
    change['clock.measuredDeg'] = r.stopsDeg
    said.push(`stops at ${r.stopsDeg}\u00b0`)
  }
  if (asks('size') && r.sizeMm !== null && Math.abs(r.sizeMm - (d.boredMm ?? d.skin.holeMm)) > BORED_GRAIN_MM)
    change.boredMm = r.sizeMm
  if (asks('air') && r.tempC !== null)
    Object.assign(change, {
      'bedding.surfaceC': r.tempC,
      'bedding.tempC': r.tempC,
      'bedding.airC': r.airC ?? d.bedding.airC,
      'bedding.humidityPct': r.humidityPct ?? d.bedding.humidityPct,
      'bedding.takenAt': new Date(r.at).toISOString(),
    })
  return { change, said }
}

const inspections = (d: D): Due[] => [
  ...(d.valve
    ? [
        {
          id: 'exercise',
          title: 'Open and shut it',
          everyDays: 30,
          why: 'a valve that is never turned seizes',
        },
      ]
    : []),
  ...(d.hose
    ? [{ id: 'hose', title: 'Hose and clips', everyDays: 365, why: 'a hose lasts five to seven years' }]
    : []),
  ...(d.family === 'anode-stud' || d.metals.anode
    ? [{ id: 'anode', title: 'Anode', everyDays: 90, why: 'it is changed at half' }]
    : []),
  { id: 'bedding', title: 'Line of bedding', everyDays: 365, why: 'a broken line lets the sea in' },
]

const placed = (d: D, said: PlacedSaid): D =>
  parseThroughHull({
    ...d,
    ...(said.use ? { use: said.use } : {}),
    ...(said.holeMm === undefined ? {} : { existing: true, boredMm: said.holeMm }),
    hull:
      said.deadriseDeg === undefined
        ? d.hull
        : { ...d.hull, deadriseDeg: said.deadriseDeg, angleMeasured: true, angleUnknown: false },
  })

/** A new one in the same hole: it begins with the old one's place, hull, use and bore. */
function inPlaceOf(d: D, old: D): D {
  const entry = throughHullEntry(d.catalogueId ?? '')
  const begun = entry
    ? startThroughHull(entry, { place: old.place, hull: old.hull, duty: old.duty }, d.name)
    : { ...d, place: old.place, hull: old.hull }
  return parseThroughHull({
    ...begun,
    use: old.use,
    boredMm: old.boredMm,
    flowLpm: old.flowLpm,
    replaces: old.name,
    asks: old.asks,
    clock: { ...begun.clock, obstacles: old.clock.obstacles },
  })
}

/**
 * The same fitting at another place: on the hull that is there, with nothing of what was measured, answered
 * or found at the first. Mirrored, its handle swings the other way and its obstacles stand on the other hand.
 */
function copy(d: D, how: { mirror: boolean; xMm: number; yMm: number; name: string }, zones: BoatZone[]): D {
  const at = how.mirror
    ? { ...d.place, yMm: d.place.yMm === 0 ? 0 : -d.place.yMm }
    : { ...d.place, xMm: how.xMm, yMm: how.yMm }
  const there = hullAt(zones, { ...at, zone: null })
  const turned = (deg: number) => (deg === 0 ? 0 : -deg)
  const flip = how.mirror
    ? {
        wantedDeg: turned(d.clock.wantedDeg),
        obstacles: d.clock.obstacles.map((o) => ({ ...o, y1Mm: turned(o.y1Mm), y2Mm: turned(o.y2Mm) })),
      }
    : { obstacles: [] }
  return parseThroughHull({
    ...d,
    name: how.name,
    place: { ...at, zone: there.zone, measuredFrom: [] },
    hull: there.zone === null ? { ...d.hull, measured: false, angleMeasured: false } : there.hull,
    valve: d.valve && how.mirror ? { ...d.valve, sweepDeg: turned(d.valve.sweepDeg) } : d.valve,
    boredMm: null,
    clock: { ...d.clock, measuredDeg: null, ignored: [], ...flip },
    asks: {},
    existing: false,
    findings: [],
    taperPlug: null,
    replaces: null,
  })
}

/** A taper plug is lapped in or replaced, by the depth of its pits and the band that shows contact. */
function decisions(d: D, units: Units): Decision[] {
  if (!d.taperPlug) return []
  const { pitMm, wallMm, contactPct } = d.taperPlug
  const { advised, because } = taperPlugOf(d.taperPlug)
  const mm = (v: number) => formatLength(v, units)
  return [
    {
      about: 'taper-plug',
      title: 'Taper plug',
      choices: ['recondition', 'replace'],
      advised,
      because,
      against: advised === 'replace' ? ['recondition'] : [],
      on: { pitMm, wallMm, contactPct },
      said: `deepest pit ${mm(pitMm)} in a wall of ${mm(wallMm)}, band in contact ${contactPct} % of the way round`,
    },
  ]
}

export const throughHull: Kind<D, J, ThroughHullEntry> = {
  id: 'through-hull',
  title: 'Through-hull',
  faces: ['bottom', 'topsides'],
  schema: throughHullSchema as Kind<D, J>['schema'],
  version: THROUGH_HULL_VERSION,
  upgrade: withoutHistory,
  history: historyOf,
  families: Object.fromEntries(THROUGH_HULL_FAMILIES.map((f) => [f, THROUGH_HULL_FAMILY[f].title])),
  catalogue: THROUGH_HULL_CATALOGUE,
  goods: ownSchema,
  start: (entry, spot, name) => {
    const { zone, hull } = hullAt(spot.zones, spot)
    const { xMm, yMm, zMm } = spot
    return startThroughHull(
      entry,
      {
        place: { zone, xMm, yMm, zMm, measuredFrom: [] },
        hull,
        duty: spot.duty,
        daysToLaunch: spot.boat?.daysToLaunch,
      },
      name,
    )
  },
  footprint,
  judge: (d, a) => judgeThroughHull(d, hullAround(a), a.log, a.units),
  changed: hullChanged,
  listed: (d) => ({
    use: d.use,
    flangeMm: d.skin.flangeMm,
    existing: d.existing,
    material: d.skin.material,
  }),
  placed,
  inPlaceOf,
  tries: (d, j, a) => throughHullTries(d, j, hullAround(a).goods ?? []),
  drawings: (d, j, units) => {
    const dial = clockDial(d, j, units)
    return [
      { id: 'section', title: 'Section', drawing: throughHullSection(d, j, units) },
      ...(dial ? [{ id: 'dial', title: 'Dial', drawing: dial }] : []),
    ]
  },
  templates: throughHullTemplates,
  template: (d, j, what, units) => throughHullTemplate(d, j, what as ThroughHullTemplate, units),
  drill: throughHullDrill,
  penetrations,
  steps: throughHullSteps,
  parts: throughHullParts,
  cautions: throughHullCautions,
  card: (d, j, { units }) => [
    { title: 'Use', lines: [USE_TITLES[d.use]] },
    { title: 'Stands', lines: [throughHullOrientation(d, j)] },
    {
      title: 'Cut',
      lines: [
        `hole ${formatLength(j.stack?.holeMm ?? d.skin.holeMm, units)}`,
        ...(j.stack && j.stack.trimMm > 0 ? [`tail trimmed ${formatLength(j.stack.trimMm, units)}`] : []),
        ...(j.wedge ? [`wedge sawn at ${say(j.wedge.saw.angleDeg)}\u00b0`] : []),
      ],
    },
  ],
  inspections,
  atCompanionway: (d) => ({
    serves: USE_TITLES[d.use],
    shuts: d.valve
      ? `${d.valve.handle === 'tee' ? 'the tee' : 'the lever'} turns ${Math.abs(d.valve.sweepDeg)}\u00b0 ${d.valve.sweepDeg > 0 ? 'anticlockwise' : 'clockwise'}, seen on it; across is shut`
      : null,
    boreMm: d.skin.boreMm || d.skin.holeMm,
  }),
  leaksAs: (d) => ({ as: d.family === 'transducer' ? 'transducer' : 'through-hull', loaded: false }),
  watched: (d) => ({
    ...(d.valve ? { valve: { cockpitDrain: d.use === 'cockpit-drain' } } : {}),
    ...(d.hose ? { hose: true as const } : {}),
    ...(d.family === 'anode-stud' || d.metals.anode ? { anode: true as const } : {}),
  }),
  findings: (d) => findingsFor(d.family),
  measured,
  orderStops: orderBlocked,
  orderList: (d) => orderList(d),
  decisions,
  copy,
  fitsHole: tailInHole,
  bedHalfMm: (d) => Math.max(0, d.skin.flangeMm - (d.boredMm ?? d.skin.holeMm)) / 2 || null,
}
