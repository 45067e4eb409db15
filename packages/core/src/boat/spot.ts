import { distanceToSegment, insidePolygon, type Point } from '../base/geometry/outline'
import { CORES, type CoreId } from '../base/materials/cores'
import type { Measurable, Structure } from '../base/materials/structure'
import type { Spot, SpotBoat } from './place'
import type { Duty } from '../base/verdict/factors'
import { formatLength, type Units } from '../base/quantity/format'

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
  /** code of the zone that it is in */
  zone?: string
  zMm?: number
  /** it belongs to a fitting */
  taken?: boolean
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

/** The faces that the plan shows. */
export const fromAbove = (z: BoatZone) => z.face === 'deck' || z.face === 'roof'

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

/** A half inch, and a sixty-fourth, is kept as it was typed: whole millimetres would not be. */
const hundredth = (v: number) => Math.round(v * 100) / 100

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
    xMm: hundredth(at.xMm),
    yMm: hundredth(at.yMm),
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
