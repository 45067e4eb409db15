import { answerOf } from '../../base/calculator/calculator'
import { throughHullStack } from '../../chapters/hull/through-hull-stack'
import { wedgeBlock } from '../../chapters/hull/wedge-block'
import { say, type Check } from '../../base/verdict/check'
import { THROUGH_HULL_FAMILY } from './families'
import type { ThroughHullDesign } from './design'
import type { Stack, ThroughHullJudgement, Wedge } from './judgement'
import { plain } from './plain'

/** Over this a flange that stands on one edge is not drawn down. */
const SEAT_DEG = 3
const tan = (deg: number) => Math.tan((deg * Math.PI) / 180)
const atan = (x: number) => (Math.atan(x) * 180) / Math.PI

/** Which way the wedges make the hull thicker along the bore, and how thick the whole pack is. */
export function wedgesOf(d: ThroughHullDesign): ThroughHullJudgement['wedges'] {
  const make = (blocks: 'inside' | 'outside', baseMm: number, marginMm: number) =>
    (d.wedge.blocks !== 'both' && d.wedge.blocks !== blocks) ||
    (d.hull.deadriseDeg === 0 && d.hull.slopeDeg === 0)
      ? null
      : answerOf(wedgeBlock, {
          deadriseDeg: d.hull.deadriseDeg,
          slopeDeg: d.hull.slopeDeg,
          baseMm,
          thinMm: d.wedge.thinMm,
          holeMm: d.boredMm ?? d.skin.holeMm,
          hullMm: d.hull.thicknessMm,
          marginMm,
          blocks,
        })
  // The block inside carries the pad, or the flange with its margin.
  return {
    outside: make('outside', d.skin.flangeMm, d.wedge.marginMm),
    inside: make(
      'inside',
      Math.max(baseOf(d), (d.pad?.diameterMm ?? 0) - 2 * d.wedge.marginMm),
      d.wedge.marginMm,
    ),
  }
}
const meanOf = (w: Wedge | null) => (w ? (w.thinMm + w.thickMm) / 2 : 0)
/** What sits on the block: the seacock's flange or the pad, whichever is wider. */
export const baseOf = (d: ThroughHullDesign) =>
  Math.max(d.valve && d.valve.kind !== 'screwed' ? d.valve.flangeMm : 0, d.skin.flangeMm)
/** No figure has been given and none measured: the zero that stands there says nothing. */
export const slopeUnknown = (d: ThroughHullDesign) =>
  d.hull.angleUnknown === true && !d.hull.angleMeasured && d.hull.deadriseDeg === 0
/** A plumb fitting stands on wedges; without, it is square to the hull and leans with it. */
export const plumb = (d: ThroughHullDesign) => d.wedge.blocks !== 'none'

export function stackOf(d: ThroughHullDesign, wedges: ThroughHullJudgement['wedges']): Stack | null {
  if (!THROUGH_HULL_FAMILY[d.family].stack) return null
  const s = d.skin
  const wedge = wedges.inside ?? wedges.outside
  const blocks = meanOf(wedges.inside) + meanOf(wedges.outside)
  return answerOf(throughHullStack, {
    hullMm: wedge?.hullBoreMm ?? d.hull.thicknessMm,
    padMm: (d.pad?.thicknessMm ?? 0) + blocks,
    beddingMm: d.beddingMm,
    ...(d.boredMm === null ? {} : { holeMm: d.boredMm }),
    ...(d.hull.kind === 'cored' ? { solidDiameterMm: d.hull.solidMm ?? 0.001 } : {}),
    fitting: {
      tailMm: s.tailMm,
      ...(s.tailOdMm === null ? {} : { tailOdMm: s.tailOdMm }),
      holeMm: s.holeMm,
      flangeMm: s.flangeMm,
      leastTotalMm: s.leastTotalMm,
      ...(s.greatestTotalMm === null ? {} : { greatestTotalMm: s.greatestTotalMm }),
      windowMm: s.windowMm,
      nutMm: s.nutMm,
      collarMm: s.collarMm,
    },
  })
}

/** How the hull leans here, and the way it rises fastest (5.5). */
export function tiltOf(d: ThroughHullDesign, wedge: Wedge | null): { deg: number; azimuthDeg: number } {
  const { deadriseDeg, slopeDeg } = d.hull
  return {
    deg: wedge?.tiltDeg ?? atan(Math.hypot(tan(deadriseDeg), tan(slopeDeg))),
    azimuthDeg: wedge?.azimuthDeg ?? (Math.atan2(tan(slopeDeg), tan(deadriseDeg)) * 180) / Math.PI,
  }
}

/** What of the hull nobody has measured here, said with every check that leans on it. */
export function estimatedHull(d: ThroughHullDesign): (c: Check) => Check {
  const leans = [
    ...(d.hull.measured ? [] : ['hull thickness']),
    ...(d.hull.angleMeasured ? [] : ['deadrise']),
  ]
  return (c) => (leans.length ? { ...c, assumed: [...c.assumed, ...leans] } : c)
}

function stackChecks(d: ThroughHullDesign, stack: Stack): Check[] {
  return stack.checks.map((c) =>
    c.id === 'solid-core' && d.hull.solidMm === null
      ? {
          ...c,
          capacity: null,
          utilisation: null,
          because: `The bottom is cored: make it solid over ${say(1.5 * d.skin.flangeMm)} mm round the hole before anything else, tapered 12:1.`,
        }
      : c,
  )
}

/** Hull, pad, bedding and nut against the tail, and whether both faces bear. */
export function seatChecks(
  d: ThroughHullDesign,
  j: Pick<ThroughHullJudgement, 'stack' | 'wedge' | 'tilt'>,
): Check[] {
  const estimated = estimatedHull(d)
  const checks: Check[] = []
  if (j.stack) checks.push(...stackChecks(d, j.stack).map(estimated))
  if (j.wedge) checks.push(...j.wedge.checks.map((c) => estimated({ ...c, id: `wedge-${c.id}` })))
  if (THROUGH_HULL_FAMILY[d.family].stack && slopeUnknown(d))
    checks.push(
      plain(
        'slope',
        'How the hull slopes',
        'unproven',
        'Nobody has said how the hull slopes here, and 0\u00b0 would be a guess: wedges, seat and thickness along the bore lean on it. Give the deadrise of the zone, lay a level on it, or say that it is measured level.',
        'chapter 5.5',
      ),
    )
  const one = d.wedge.blocks === 'inside' || d.wedge.blocks === 'outside' ? d.wedge.blocks : null
  if (d.family !== 'welded-stub' && j.tilt.deg > SEAT_DEG && one)
    checks.push(
      plain(
        'seat',
        'Faces parallel',
        'short',
        `Only the ${one === 'inside' ? 'nut' : 'head'} stands on a wedge: the ${one === 'inside' ? 'head outside' : 'nut inside'} bears on one edge at ${say(j.tilt.deg)}\u00b0. A block each side, or square to the hull.`,
        'chapter 5.5',
      ),
    )
  return checks
}
