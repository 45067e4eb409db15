import { distanceToSegment, insidePolygon, type Point } from '../../base/geometry/outline'
import { toBoat } from '../../base/geometry/turn'
import { limit } from '../../chapters/making/limits'
import { inWords, say, unproven, type Check } from '../../base/verdict/check'
import { onFace, zoneOfPlace, type BoatPart, type BoatZone } from '../../boat/spot'
import type { OpeningDesign } from './design'
import type { AroundOpening, Clear } from './judgement'
import { cutOnBoat, outlineAt } from './outline'
import { KEEP, surroundingChecks } from './surroundings'

/** Clear of panel edges and of stiffeners, mm (chapter 6.1). */
const TO_EDGE_MM = 50
const TO_MEMBER_MM = 30
const SOURCE = 'chapter 6.1'
const FLAT = ['deck', 'roof']
/** Members that an opening must not cut; wiring and headliner are moved, or cut with care. */
const STIFF = ['beam', 'longitudinal', 'bulkhead', 'knee']
const NEAR_MM = 600

function clearOf(d: OpeningDesign, p: BoatPart): Clear | null {
  const b = cutOnBoat(d)
  const half = (p.widthMm ?? 40) / 2
  const along = Math.abs(p.x1Mm - p.x0Mm) > Math.abs(p.y1Mm - p.y0Mm) && Math.abs(p.y1Mm - p.y0Mm) <= 2
  const [x0, x1] = [Math.min(p.x0Mm, p.x1Mm), Math.max(p.x0Mm, p.x1Mm)]
  const [y0, y1] = [Math.min(p.y0Mm, p.y1Mm), Math.max(p.y0Mm, p.y1Mm)]
  // One drawn from -1 to 1 stands for a member across the whole breadth.
  const whole = !along && y1 - y0 <= 2
  if (along ? x1 < b.minX || x0 > b.maxX : !whole && (y1 < b.minY || y0 > b.maxY)) return null
  const at = along ? (p.y0Mm + p.y1Mm) / 2 : (p.x0Mm + p.x1Mm) / 2
  const [low, high] = along ? [b.minY, b.maxY] : [b.minX, b.maxX]
  const before = at < (low + high) / 2
  const free = before ? low - (at + half) : at - half - high
  if (free > NEAR_MM) return null
  const side = along ? (before ? 'port' : 'starboard') : before ? 'forward' : 'aft'
  const middle = along ? d.place.yMm : d.place.xMm
  return {
    title: p.title.toLowerCase(),
    side,
    freeMm: Math.max(0, free),
    leastMm: TO_MEMBER_MM,
    cut: free < 0,
    fromMiddleMm: (free < 0 ? at : before ? at + half : at - half) - middle,
    depthMm: p.depthMm ?? null,
  }
}
/** What stands near the cut-out, the nearest first: what may not be cut, unless others are asked for. */
export const clearAround = (d: OpeningDesign, parts: BoatPart[], kinds: readonly string[] = STIFF): Clear[] =>
  parts
    .filter((p) => kinds.includes(p.kind))
    .flatMap((p) => clearOf(d, p) ?? [])
    .sort((a, b) => Number(b.cut) - Number(a.cut) || a.freeMm - b.freeMm)

/** From the cut-out to the panel's own edge; null where a part of it lies past the edge. */
function toEdge(d: OpeningDesign, zone: BoatZone): number | null {
  const points: Point[] = outlineAt(d.outline, 0).map((p) => {
    const q = toBoat(d, { xMm: p.x, yMm: p.y })
    return FLAT.includes(zone.face)
      ? { xMm: d.place.xMm + q.xMm, yMm: d.place.yMm + q.yMm }
      : onFace(zone, {
          xMm: d.place.xMm + q.xMm,
          yMm: d.place.yMm + q.xMm,
          zMm: d.place.zMm + q.yMm,
        })
  })
  const o = zone.outline
  if (points.some((p) => !insidePolygon(o, p))) return null
  const edges = o.map((a, i) => [a, o[(i + 1) % o.length]!] as const)
  return Math.min(...points.map((p) => Math.min(...edges.map(([a, b]) => distanceToSegment(p, a, b)))))
}
function edgeCheck(d: OpeningDesign, zone: BoatZone | null): Check {
  const shape = { id: 'room-edge', title: 'Room to the panel\u2019s edge', unit: 'mm', source: SOURCE }
  if (!zone)
    return unproven({ ...shape, because: 'No known surface lies here, so nobody knows where its edge is.' })
  const free = toEdge(d, zone)
  if (free === null)
    return inWords({
      ...shape,
      verdict: 'short',
      because: `The cut-out runs over the edge of ${zone.title.toLowerCase()}: another place, or a smaller one.`,
    })
  return {
    ...limit({ ...shape, demand: TO_EDGE_MM, capacity: free }),
    because: `${say(free)} mm are left to the edge of ${zone.title.toLowerCase()}; ${TO_EDGE_MM} are the least.`,
  }
}
/** 38 mm aft clears the beam. */
const saidOf = (c: Clear) =>
  c.cut ? `The cut-out goes through the ${c.title}` : `${say(c.freeMm)} mm ${c.side} clears the ${c.title}`
function memberCheck(d: OpeningDesign, zone: BoatZone | null, clear: Clear[]): Check {
  const shape = { id: 'room-member', title: 'Clear of beams and stringers', unit: 'mm', source: SOURCE }
  const [worst] = clear
  if (!worst)
    return zone
      ? inWords({ ...shape, verdict: 'holds', because: 'Nothing that stiffens the panel is drawn near it.' })
      : unproven({ ...shape, because: 'What stiffens the panel here is not drawn.' })
  if (worst.cut)
    return inWords({
      ...shape,
      verdict: d.cutMemberMm2 > 0 && d.ring && d.carlin ? 'tight' : 'short',
      because:
        d.cutMemberMm2 > 0 && d.ring && d.carlin
          ? `${saidOf(worst)}: the ring and a carlin each side give back what it carried.`
          : `${saidOf(worst)}. Move it, or say what its flange measures and let a ring and carlins carry it.`,
    })
  return {
    ...limit({ ...shape, demand: TO_MEMBER_MM, capacity: worst.freeMm }),
    because: `${clear.slice(0, 3).map(saidOf).join('; ')}; ${TO_MEMBER_MM} mm are the least.`,
  }
}
/**
 * A carlin each side brings the load of the member that was cut to the next ones: as much section as the
 * flange that is gone, and as deep as the member where its depth is known; ours, a surveyor's word goes
 * first.
 */
function carlinCheck(d: OpeningDesign, clear: Clear[]): Check | null {
  const cut = clear.find((c) => c.cut)
  if (!cut && d.cutMemberMm2 === 0) return null
  const what = cut ? `the ${cut.title}` : 'what is cut'
  const shape = { id: 'carlin', title: 'Carlins beside the cut', unit: 'mm\u00b2', source: SOURCE }
  if (!d.carlin)
    return inWords({
      ...shape,
      verdict: 'short',
      because: `There is no carlin: one each side, from the next member forward to the next aft, takes over what ${what} carried.`,
    })
  const area = d.carlin.widthMm * d.carlin.depthMm
  const shallow = cut?.depthMm != null && d.carlin.depthMm < cut.depthMm
  const made = limit({ ...shape, demand: d.cutMemberMm2, capacity: area })
  return {
    ...made,
    ...(shallow ? { verdict: 'short' as const } : {}),
    because: `${say(d.carlin.widthMm)} by ${say(d.carlin.depthMm)} mm each side, ${say(area)} mm\u00b2, for ${say(d.cutMemberMm2)} mm\u00b2 of flange${shallow ? `; ${what} is ${say(cut!.depthMm!)} mm deep, and a shallower carlin bends more than it did` : ''}. Let into the next members, bonded and tabbed, before the cut is made.`,
    assumed: ['section of the carlins by the flange that is cut'],
  }
}
export function roomChecks(
  d: OpeningDesign,
  a: AroundOpening,
): { checks: Check[]; clear: Clear[]; guarded: Clear[] } {
  const zone = zoneOfPlace(a.zones, d.place)
  const flat = zone === null || FLAT.includes(zone.face)
  const clear = flat ? clearAround(d, a.parts) : []
  const carlin = flat ? carlinCheck(d, clear) : null
  return {
    checks: [
      edgeCheck(d, zone),
      ...(flat ? [memberCheck(d, zone, clear)] : []),
      ...(carlin ? [carlin] : []),
      ...(zone && flat ? surroundingChecks(d, a) : []),
    ],
    clear,
    guarded: flat ? clearAround(d, a.parts, KEEP) : [],
  }
}
