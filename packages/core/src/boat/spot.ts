import { distanceToSegment, insidePolygon, type Point } from '../base/geometry/outline'
import { CORES, type CoreId } from '../base/materials/cores'
import type { Measurable, Structure } from '../base/materials/structure'
import type { Spot, SpotBoat } from './place'
import type { Duty } from '../base/verdict/factors'
import { formatLength, type Units } from '../base/quantity/format'
import { wetnessAt, type WetSpot } from './wetness'

export interface ZoneLayer {
  material: string
  thicknessMm: number
  measured: boolean
  measuredBy: string
  /** greatest less least of the readings, and how many there are */
  spreadMm?: number | null
  count?: number
}
export interface BoatZone {
  code: string
  title: string
  face: string
  kind: 'sandwich' | 'solid' | 'metal' | 'timber'
  zMm: number
  /** x and y seen from above; x and z in profile; y and z on a bulkhead */
  outline: Point[]
  stacking: number
  reach: string
  state: string
  layers: ZoneLayer[]
  id?: number
  version?: number
  reachKind?: (typeof REACH_KINDS)[number]
  /** where a bulkhead stands */
  atXMm?: number | null
  /** deadrise of a bottom by station, degrees; empty or left out while nobody has said */
  deadrise?: { xMm: number; deg: number }[]
}
export const PART_KINDS = [
  'beam',
  'longitudinal',
  'bulkhead',
  'knee',
  'tank',
  'cable',
  'liner',
  'headliner',
  'wet',
  'sling',
  'bunk',
] as const
export type PartKind = (typeof PART_KINDS)[number]
export interface BoatPart {
  id?: number
  kind: PartKind
  title: string
  x0Mm: number
  y0Mm: number
  x1Mm: number
  y1Mm: number
  /** from the inner face of the deck down to it; null where nobody has measured */
  belowMm?: number | null
  /** how deep it is itself */
  depthMm?: number | null
  /** across its own length, for beams, longitudinals and bulkheads */
  widthMm?: number | null
  version?: number
}
export interface BoatHole {
  label: string
  xMm: number
  yMm: number
  diameterMm?: number
  state?: string
}
export const HULL_KINDS = ['laminate', 'cored', 'plywood', 'aluminium', 'steel', 'timber'] as const
export type HullKind = (typeof HULL_KINDS)[number]
export const FACES_OF_BOAT = ['deck', 'roof', 'topsides', 'bottom', 'bulkhead'] as const
export const REACH_KINDS = ['open', 'one-arm', 'none', 'unknown'] as const
export const REACH_TITLES = {
  open: 'open',
  'one-arm': 'one arm',
  none: 'none',
  unknown: 'not looked at',
} as const

/** A zone's layup as the structure that the checks know, with the thicknesses that were measured. */
export function structureOf(zone: BoatZone): { structure: Structure; measured: Measurable[] } {
  const [a, b, c] = zone.layers
  const thick = (l?: ZoneLayer) => l?.thicknessMm ?? 1
  if (zone.kind === 'sandwich') {
    const measured = (['outerMm', 'coreMm', 'innerMm'] as const).filter((_, i) => zone.layers[i]?.measured)
    return {
      structure: {
        kind: 'sandwich',
        skin: { laminate: a?.material === 'woven' ? 'woven' : 'mat' },
        outerMm: thick(a),
        innerMm: thick(c),
        core: { material: (b?.material ?? 'balsa-150') as CoreId, thicknessMm: thick(b) },
      },
      measured: [...measured],
    }
  }
  const measured: Measurable[] = a?.measured ? ['thicknessMm'] : []
  if (zone.kind === 'metal')
    return {
      structure: {
        kind: 'metal',
        metal: a?.material === 'mild-steel' ? 'mild-steel' : 'aluminium-5083',
        thicknessMm: thick(a),
      },
      measured,
    }
  if (zone.kind === 'timber')
    return {
      structure: {
        kind: 'timber',
        timber: a?.material === 'softwood' ? 'softwood' : 'plywood',
        thicknessMm: thick(a),
      },
      measured,
    }
  return {
    structure: {
      kind: 'solid',
      skin: { laminate: a?.material === 'mat' ? 'mat' : 'woven' },
      thicknessMm: thick(a),
    },
    measured,
  }
}

const fromAbove = (z: BoatZone) => z.face === 'deck' || z.face === 'roof'

/** The topmost surface under a point of the plan, or null off the boat. */
export function zoneAt(zones: BoatZone[], p: Point): BoatZone | null {
  return (
    zones
      .filter((z) => fromAbove(z) && insidePolygon(z.outline, p))
      .sort((a, b) => b.stacking - a.stacking)[0] ?? null
  )
}

export interface Place3 extends Point {
  zMm: number
}
/**
 * A point of the boat on a zone's own face: x and y from above, x and z in profile, y and z on a bulkhead.
 */
export const onFace = (zone: Pick<BoatZone, 'face'>, p: Place3): Point =>
  zone.face === 'bulkhead'
    ? { xMm: p.yMm, yMm: p.zMm }
    : zone.face === 'topsides' || zone.face === 'bottom'
      ? { xMm: p.xMm, yMm: p.zMm }
      : p

/**
 * The zone that a fitting stands on: by its code where that is no deck, else the topmost surface under it.
 * Never by its title, which anybody may change.
 */
export const zoneOfPlace = (zones: BoatZone[], p: Point & { zone?: string | null }): BoatZone | null =>
  zones.find((z) => !fromAbove(z) && z.code === p.zone) ?? zoneAt(zones, p)

export const NO_ZONE = 'not in a zone'
/** The zone's code as the register keeps it. */
export const zoneCodeAt = (zones: BoatZone[], p: Point) => zoneAt(zones, p)?.code ?? NO_ZONE
/** What a zone is called now, for a code that a design or a hole keeps. */
export const zoneTitle = (zones: Pick<BoatZone, 'code' | 'title'>[], code: string | null): string =>
  code === null ? 'no zone' : (zones.find((z) => z.code === code)?.title ?? code)
/**
 * The code of a zone that a file names: files of earlier versions, and of other boats, give its title.
 * Null where this boat has no such zone.
 */
export const zoneCodeOf = (zones: Pick<BoatZone, 'code' | 'title'>[], said: string | null): string | null =>
  said === null
    ? null
    : (zones.find((z) => z.code === said)?.code ?? zones.find((z) => z.title === said)?.code ?? null)

/**
 * Deadrise of a zone at a place along the boat, degrees, straight between the stations where it was said
 * and level past them; null while nobody has said.
 */
export function deadriseAt(zone: BoatZone | null, xMm: number): number | null {
  const said = [...(zone?.deadrise ?? [])].sort((a, b) => a.xMm - b.xMm)
  if (!said.length) return null
  const i = said.findIndex((s) => s.xMm >= xMm)
  if (i < 0) return said.at(-1)!.deg
  const [a, b] = [said[i - 1], said[i]!]
  return !a || b.xMm === a.xMm ? b.deg : a.deg + ((b.deg - a.deg) * (xMm - a.xMm)) / (b.xMm - a.xMm)
}

/** Past the ends and sides of her outline by more than this, a place is on no boat. */
const OFF_BOAT_MM = 1000
/** Why a place cannot be on this boat, and which of its figures says so; null where it can. */
export function offBoat(
  stations: { xMm: number; halfBreadthMm: number }[],
  at: Point,
): { path: 'xMm' | 'yMm'; message: string } | null {
  if (!stations.length) return null
  const [first, last] = [Math.min(...stations.map((s) => s.xMm)), Math.max(...stations.map((s) => s.xMm))]
  const half = Math.max(...stations.map((s) => s.halfBreadthMm))
  if (at.xMm < first - OFF_BOAT_MM || at.xMm > last + OFF_BOAT_MM)
    return {
      path: 'xMm',
      message: `${at.xMm} was given; she runs from ${first} to ${last} mm aft of the stem`,
    }
  if (Math.abs(at.yMm) > half + OFF_BOAT_MM)
    return { path: 'yMm', message: `${at.yMm} was given; she is ${half} mm wide to either side` }
  return null
}

/**
 * From the nearest of the bolts to the nearest edge of the zone, mm; the plan's figure, until it is
 * measured on the boat.
 */
export function edgeDistance(zone: BoatZone, at: Point, bolts: Point[]): number {
  const spots = bolts.length ? bolts.map((b) => ({ xMm: at.xMm + b.xMm, yMm: at.yMm + b.yMm })) : [at]
  return Math.min(
    ...spots.map((p) =>
      Math.min(
        ...zone.outline.map((a, i) => distanceToSegment(p, a, zone.outline[(i + 1) % zone.outline.length]!)),
      ),
    ),
  )
}

export function spotFor(
  zone: BoatZone | null,
  at: Point & { zMm?: number },
  bolts: Point[],
  duty: Duty,
  boat?: SpotBoat,
): Spot {
  const s = zone
    ? structureOf(zone)
    : {
        structure: { kind: 'solid', skin: { laminate: 'woven' }, thicknessMm: 6 } satisfies Structure,
        measured: [],
      }
  const zMm = at.zMm ?? zone?.zMm ?? 0
  const edge = zone ? Math.round(edgeDistance(zone, onFace(zone, { ...at, zMm }), bolts)) : 0
  return {
    zone: zone?.code ?? null,
    xMm: Math.round(at.xMm),
    yMm: Math.round(at.yMm),
    zMm: Math.round(zMm),
    edgeMm: edge > 0 ? edge : null,
    belowWaterline: zone?.face === 'bottom' || zMm < 0,
    ...s,
    duty,
    ...(boat ? { boat } : {}),
  }
}

const MATERIAL: Record<string, string> = {
  mat: 'laminate',
  woven: 'woven/mat',
  'aluminium-5083': 'aluminium 5083',
  'mild-steel': 'mild steel',
  plywood: 'plywood',
  softwood: 'softwood',
}
export function layupSaid(zone: BoatZone, units: Units): string {
  return zone.layers
    .map(
      (l) =>
        `${l.measured ? '' : '~'}${formatLength(l.thicknessMm, units)}${l.spreadMm ? ` (\u00b1${formatLength(l.spreadMm / 2, units)})` : ''} ${MATERIAL[l.material] ?? CORES[l.material as CoreId]?.title ?? l.material}`,
    )
    .join(', ')
}

/** What lies under a point, in words: what it is made of, what is near below, and the nearest hole. */
export function underPointer(
  { zones, parts, holes, wet: read = {} }: AroundSpot,
  p: Point,
  units: Units,
): { title: string; words: string } {
  const zone = zoneAt(zones, p)
  if (!zone) return { title: 'Off the deck', words: 'Nothing of the boat lies under the pointer.' }
  const said = [`${layupSaid(zone, units)}.`]
  const wet = parts.find((s) => s.kind === 'wet' && insideEllipse(s, p))
  if (wet) said.push(`${wet.title}.`)
  const core = wetnessAt(read[zone.code] ?? [], p)
  if (core)
    said.push(
      core.guess
        ? `Core not read within ${formatLength(Math.round(core.nearestMm), units)}.`
        : core.excess >= 1
          ? `Core ${core.wetness}, ${Math.round(core.excess)} over dry.`
          : `Core ${core.wetness}.`,
    )
  const beam = parts
    .filter((s) => s.kind === 'beam' || s.kind === 'bulkhead')
    .map((s) => ({ s, dx: s.x0Mm - p.xMm }))
    .sort((a, b) => Math.abs(a.dx) - Math.abs(b.dx))[0]
  if (beam && Math.abs(beam.dx) < 400)
    said.push(
      `${beam.s.kind === 'beam' ? 'Beam' : beam.s.title} ${formatLength(Math.abs(Math.round(beam.dx)), units)} ${beam.dx >= 0 ? 'aft' : 'forward'}.`,
    )
  const longitudinal = parts
    .filter((s) => s.kind === 'longitudinal')
    .map((s) => Math.abs(s.y0Mm - p.yMm))
    .sort((a, b) => a - b)[0]
  if (longitudinal !== undefined && longitudinal < 150)
    said.push(`Longitudinal ${formatLength(Math.round(longitudinal), units)} off.`)
  for (const s of parts)
    if ((s.kind === 'tank' || s.kind === 'headliner' || s.kind === 'liner') && within(s, p))
      said.push(`${s.title} ${s.belowMm != null ? `${formatLength(s.belowMm, units)} ` : ''}below.`)
  for (const s of parts)
    if (
      s.kind === 'cable' &&
      distanceToSegment(p, { xMm: s.x0Mm, yMm: s.y0Mm }, { xMm: s.x1Mm, yMm: s.y1Mm }) < 150
    )
      said.push(`${s.title} near.`)
  if (zone.reach) said.push(`Reach from inside: ${zone.reach}.`)
  let near: { h: BoatHole; mm: number } | null = null
  for (const h of holes) {
    const mm = Math.hypot(h.xMm - p.xMm, h.yMm - p.yMm)
    if (!near || mm < near.mm) near = { h, mm }
  }
  if (near && near.mm < 400) said.push(`${near.h.label} ${formatLength(Math.round(near.mm), units)} away.`)
  return {
    title: wet || (core && !core.guess && core.wetness === 'wet') ? `${zone.title}, wet` : zone.title,
    words: said.join(' '),
  }
}

export function insideEllipse(s: BoatPart, p: Point): boolean {
  const [cx, cy] = [(s.x0Mm + s.x1Mm) / 2, (s.y0Mm + s.y1Mm) / 2]
  const [rx, ry] = [Math.abs(s.x1Mm - s.x0Mm) / 2 || 1, Math.abs(s.y1Mm - s.y0Mm) / 2 || 1]
  return ((p.xMm - cx) / rx) ** 2 + ((p.yMm - cy) / ry) ** 2 <= 1
}

/** Nearer to a bolt than this and a thing below is in the way of drill, nut or plate. */
const NEAR_MM = 40
const NEIGHBOUR_MM = 50
const EDGE_MM = 50
/** The common bevel of a patch over one skin, and over a whole laminate (chapter 8.3). */
const BEVEL = 12

export interface Flag {
  id: string
  text: string
}
export interface AroundSpot {
  zones: BoatZone[]
  parts: BoatPart[]
  holes: BoatHole[]
  /** moisture readings by zone code */
  wet?: Record<string, WetSpot[]>
}

const bevelReach = (zone: BoatZone) => BEVEL * (zone.layers[0]?.thicknessMm ?? 0)

/** Things that a fitter settles before drilling here, each with what to do: said, never forbidden. */
export function flagsAt(
  { zones, parts, holes, wet = {} }: AroundSpot,
  at: Point & { zone?: string | null; zMm?: number },
  bolts: Point[],
): Flag[] {
  const out: Flag[] = []
  const side = zones.find((z) => !fromAbove(z) && z.code === at.zone)
  if (side) return flagsOnSide(side, at, bolts)
  const spots = bolts.length ? bolts.map((b) => ({ xMm: at.xMm + b.xMm, yMm: at.yMm + b.yMm })) : [at]
  const zone = zoneAt(zones, at)
  if (!zone)
    out.push({
      id: 'off-deck',
      text: 'This place is on no known surface: its layup is a guess. Drill a probe, or add the zone.',
    })
  const read = zone ? (wet[zone.code] ?? []) : []
  const worst = spots
    .map((p) => wetnessAt(read, p))
    .reduce<ReturnType<typeof wetnessAt>>((m, w) => (w && (!m || w.excess > m.excess) ? w : m), null)
  if (parts.some((s) => s.kind === 'wet' && [at, ...spots].some((p) => insideEllipse(s, p))))
    out.push({
      id: 'wet-core',
      text: 'The core is wet here: dry it out, recore, or set an insert before anything is bolted on.',
    })
  else if (worst && !worst.guess && worst.wetness !== 'dry')
    out.push({
      id: 'wet-core',
      text: `The core reads ${worst.wetness} here, ${Math.round(worst.excess)} over dry: ${worst.wetness === 'wet' ? 'dry it out, recore, or set an insert before anything is bolted on' : 'find the way in, and read it again before it is sealed up'}.`,
    })
  else if (worst?.guess && zone?.kind === 'sandwich')
    out.push({
      id: 'wet-unread',
      text: `The nearest moisture reading is ${Math.round(worst.nearestMm)} mm away: whether the core is dry here is a guess. Take one on the spot.`,
    })
  const cross = parts.find(
    (s) =>
      (s.kind === 'beam' || s.kind === 'bulkhead' || s.kind === 'knee') &&
      spots.some((p) => Math.abs(p.xMm - s.x0Mm) < NEAR_MM + (s.widthMm ?? 0) / 2 && withinY(s, p)),
  )
  if (cross)
    out.push({
      id: cross.kind === 'beam' ? 'beam' : cross.kind,
      text: `A bolt comes within ${NEAR_MM} mm of the ${cross.kind === 'beam' ? 'beam' : cross.title.toLowerCase()} at x ${Math.round(cross.x0Mm)}: shift it, or clip the plate to the ${cross.kind}.`,
    })
  const long = parts.find(
    (s) =>
      s.kind === 'longitudinal' &&
      spots.some(
        (p) =>
          distanceToSegment(p, { xMm: s.x0Mm, yMm: s.y0Mm }, { xMm: s.x1Mm, yMm: s.y1Mm }) <
          NEAR_MM + (s.widthMm ?? 0) / 2,
      ),
  )
  if (long)
    out.push({
      id: 'longitudinal',
      text: `A bolt comes within ${NEAR_MM} mm of the ${long.title.toLowerCase()}: shift it, or clip the plate to it.`,
    })
  const cable = parts.find(
    (s) =>
      s.kind === 'cable' &&
      spots.some(
        (p) => distanceToSegment(p, { xMm: s.x0Mm, yMm: s.y0Mm }, { xMm: s.x1Mm, yMm: s.y1Mm }) < NEAR_MM,
      ),
  )
  if (cable)
    out.push({
      id: 'cable',
      text: `${cable.title} runs within ${NEAR_MM} mm of a bolt: switch it off, move it aside, and set a stop on the drill.`,
    })
  const tank = parts.find((s) => s.kind === 'tank' && spots.some((p) => within(s, p)))
  if (tank)
    out.push({
      id: 'tank',
      text: `${tank.title} lies below${tank.belowMm != null ? `, ${Math.round(tank.belowMm)} mm down` : ''}: set a stop on the drill${tank.belowMm == null ? ', and find out how far down it is' : ''}.`,
    })
  const lining = parts.find(
    (s) => (s.kind === 'headliner' || s.kind === 'liner') && spots.some((p) => within(s, p)),
  )
  if (lining)
    out.push({
      id: 'lining',
      text: `${lining.title} covers the inside: take it down first, or the nuts cannot be reached nor a leak be seen.`,
    })
  if (zone?.reachKind === 'none')
    out.push({
      id: 'no-reach',
      text: 'There is no reach from inside here: cut an access, take a fitting that is held from above, or move.',
    })
  if (zone) {
    const edge = edgeDistance(zone, at, bolts)
    if (edge < EDGE_MM)
      out.push({
        id: 'panel-edge',
        text: `The panel “${zone.title.toLowerCase()}” ends ${Math.round(edge)} mm from a bolt and another build-up begins: measure it there, or move in.`,
      })
  }
  const apart = (h: BoatHole) => Math.min(...spots.map((p) => Math.hypot(h.xMm - p.xMm, h.yMm - p.yMm)))
  const near = holes.filter((h) => apart(h) < NEIGHBOUR_MM && apart(h) > 0.5)
  if (near.length)
    out.push({
      id: 'neighbour',
      text: `${near
        .map((h) => h.label)
        .slice(0, 4)
        .join(', ')} within ${NEIGHBOUR_MM} mm of a bolt: close it first, or move.`,
    })
  const bevelled = zone
    ? holes.filter(
        (h) =>
          !near.includes(h) && h.state === 'suspect' && apart(h) - (h.diameterMm ?? 0) / 2 < bevelReach(zone),
      )
    : []
  if (bevelled.length)
    out.push({
      id: 'bevel',
      text: `When ${bevelled
        .map((h) => h.label)
        .slice(0, 4)
        .join(
          ', ',
        )} ${bevelled.length > 1 ? 'are' : 'is'} closed, a bevel of ${BEVEL}:1 reaches a bolt here: grind and fill first, then drill this.`,
    })
  return out
}

/**
 * On a topside, a bottom or a bulkhead: what the plan of the deck says of beams and tanks is not true
 * there.
 */
function flagsOnSide(zone: BoatZone, at: Point & { zMm?: number }, bolts: Point[]): Flag[] {
  const out: Flag[] = []
  if (zone.reachKind === 'none')
    out.push({ id: 'no-reach', text: 'There is no reach from inside here: cut an access, or move.' })
  const p = onFace(zone, { ...at, zMm: at.zMm ?? zone.zMm })
  if (!insidePolygon(zone.outline, p))
    out.push({
      id: 'off-deck',
      text: `This place lies outside \u201c${zone.title.toLowerCase()}\u201d as it is drawn: check the height, or mend the outline.`,
    })
  else if (edgeDistance(zone, p, bolts) < EDGE_MM)
    out.push({
      id: 'panel-edge',
      text: `\u201c${zone.title}\u201d ends ${Math.round(edgeDistance(zone, p, bolts))} mm from a bolt: measure what it joins, or move in.`,
    })
  if ((at.zMm ?? zone.zMm) < 0)
    out.push({
      id: 'below-water',
      text: 'This lies below the waterline: plan it ashore, with a plug ready and a watch after launch.',
    })
  return out
}

const between = (v: number, a: number, b: number) => v >= Math.min(a, b) && v <= Math.max(a, b)
const within = (s: BoatPart, p: Point) => between(p.xMm, s.x0Mm, s.x1Mm) && between(p.yMm, s.y0Mm, s.y1Mm)
/** A part drawn from −1 to 1 stands for one across the whole breadth. */
const withinY = (s: BoatPart, p: Point) => Math.abs(s.y1Mm - s.y0Mm) <= 2 || between(p.yMm, s.y0Mm, s.y1Mm)
