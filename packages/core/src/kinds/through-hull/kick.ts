import { answerOf } from '../../base/calculator/calculator'
import { seacockLoad } from '../../chapters/hull/seacock-load'
import { say, unproven, type Check, type Verdict } from '../../base/verdict/check'
import { attempt } from '../remedies'
import { THROUGH_HULL_FAMILY } from './families'
import type { ThroughHullDesign } from './design'
import type { Kick } from './judgement'
import { plain } from './plain'
import { estimatedHull, wedgesOf } from './seat'

/**
 * Secondary bond on ground, clean laminate (8.1): what stands in a design until somebody has pulled a
 * sample.
 */
const TYPICAL_BOND_MPA = 12

/** Beside a weld the metal has its soft yield, MPa; estimates (5.6). */
const SOFT_YIELD_MPA = { aluminium: 125, steel: 235 } as const
/** Leg of the fillet round a stub as it is drawn; an estimate until the welder says. */
const WELD_LEG_MM = 6
/** A stub: its pipe at the plating, the thread on which a valve screws, and the weld. */
function stubKick(d: ThroughHullDesign): Kick | null {
  const { skin: s, valve: v, hull } = d
  if (!v || (hull.kind !== 'aluminium' && hull.kind !== 'steel')) return null
  const yieldMPa = Math.min(s.yieldMPa, SOFT_YIELD_MPA[hull.kind])
  const boreMm = Math.max(1, s.boreMm)
  const aboveMm = Math.max(0, s.tailMm - hull.thicknessMm - v.inlet.depthMm)
  const screwed = v.kind === 'screwed' && s.rootMm && s.rootMm > boreMm && aboveMm < v.heightMm
  return answerOf(seacockLoad, {
    method: 'stub',
    heightMm: v.heightMm,
    duty: d.duty,
    tail: { outerMm: s.tailOdMm ?? s.holeMm - 2, boreMm, yieldMPa },
    ...(screwed ? { thread: { rootMm: s.rootMm!, aboveMm } } : {}),
    weldMm: WELD_LEG_MM,
  })
}

function kickOf(d: ThroughHullDesign, method: 'through' | 'insert' | 'nut'): Kick | null {
  if (!d.valve) return null
  if (d.family === 'welded-stub') return stubKick(d)
  const v = d.valve
  const common = { heightMm: v.heightMm, method, duty: d.duty }
  if (method === 'nut')
    return d.skin.rootMm && d.skin.rootMm > d.skin.boreMm
      ? answerOf(seacockLoad, {
          ...common,
          tail: { outerMm: d.skin.rootMm, boreMm: Math.max(1, d.skin.boreMm), yieldMPa: d.skin.yieldMPa },
        })
      : null
  if (!d.pad || v.boltCircleMm === null || v.boltCircleMm >= v.flangeMm) return null
  // A wedge between pad and hull counts by its worse side everywhere.
  const block = wedgesOf(d).inside
  const wedge = block ? { thinMm: block.thinMm, thickMm: block.thickMm } : null
  const padMm = d.pad.thicknessMm
  const flange = {
    flangeMm: v.flangeMm,
    boltCircleMm: v.boltCircleMm,
    bolts: d.hold.bolts,
    size: d.hold.size,
    grade: d.hold.grade,
    padMm,
  }
  if (method === 'through')
    return answerOf(seacockLoad, {
      ...common,
      ...flange,
      hullMm: d.hull.thicknessMm,
      ...(wedge ? { wedge } : {}),
    })
  return answerOf(seacockLoad, {
    ...common,
    ...flange,
    padDiameterMm: d.pad.diameterMm,
    bondMPa: d.pad.bondMPa,
    ...(d.hold.insertMm === null ? {} : { insertMm: d.hold.insertMm }),
    ...(d.hold.engagedMm === null
      ? {}
      : { engagedMm: Math.min(d.hold.engagedMm, padMm + (wedge?.thinMm ?? 0)) }),
    ...(wedge ? { wedge: { ...wedge, diameterMm: block!.saw.outlineMm[0]! } } : {}),
  })
}
/** A school that cannot be asked with these figures is left out, not an error of the whole. */
export const kickHeld = (d: ThroughHullDesign): Kick | null =>
  d.valve ? attempt(() => kickOf(d, d.hold.method)) : null

/** Will it take a kick (5.6). */
export function kickChecks(d: ThroughHullDesign, kick: Kick | null): Check[] {
  if (!d.valve || !THROUGH_HULL_FAMILY[d.family].valve) return []
  const welded = d.family === 'welded-stub'
  const estimated = estimatedHull(d)
  if (!kick)
    return [
      unproven({
        id: 'kick',
        title: 'Will it take a kick',
        unit: '',
        source: 'chapter 5.6',
        because: welded
          ? 'A stub is welded into a hull of metal; of another hull nobody can say.'
          : d.hold.method === 'nut'
            ? 'The tail\u2019s thread root is not given.'
            : 'A flange with its bolt circle and a pad under it are needed for this.',
      }),
    ]
  return kick.checks.map((c) =>
    estimated({
      ...c,
      ...(c.id.startsWith('bond') && d.pad?.bondMPa === TYPICAL_BOND_MPA
        ? { assumed: [...c.assumed, 'strength of the pad\u2019s bond'] }
        : {}),
      ...(welded && c.id === 'weld' ? { assumed: [...c.assumed, `leg of the weld, ${WELD_LEG_MM} mm`] } : {}),
      id: `kick-${c.id}`,
      title: `Kick: ${c.title[0]!.toLowerCase()}${c.title.slice(1)}`,
    }),
  )
}

export interface KickSchool {
  method: 'through' | 'insert' | 'nut'
  verdict: Verdict
  utilisation: number | null
  governing: string
}
/**
 * The same kick, held by each of the schools that these figures allow; `kick` is the judgement's own. No part
 * of a judgement: only who compares them asks for the other two.
 */
export function kickSchools(d: ThroughHullDesign, kick: Kick | null): KickSchool[] {
  if (!d.valve || d.family === 'welded-stub') return []
  return (['through', 'insert', 'nut'] as const).flatMap((method) => {
    const k = method === d.hold.method ? kick : attempt(() => kickOf(d, method))
    if (!k) return []
    const top = k.checks.reduce((a, b) => ((b.utilisation ?? 0) > (a.utilisation ?? 0) ? b : a))
    return [{ method, verdict: k.verdict, utilisation: top.utilisation, governing: top.title }]
  })
}

export function padChecks(d: ThroughHullDesign): Check[] {
  const checks: Check[] = []
  if (d.pad && d.valve && d.valve.kind !== 'screwed' && d.pad.diameterMm < d.valve.flangeMm)
    checks.push(
      plain(
        'pad-size',
        'Pad larger than the flange',
        'short',
        `The pad is ${say(d.pad.diameterMm)} mm across and the flange ${say(d.valve.flangeMm)} mm.`,
        'chapter 5.6',
      ),
    )
  if (d.pad?.material === 'plywood' && d.place.zMm < 0)
    checks.push(
      plain(
        'pad-material',
        'Pad that cannot go soft',
        'short',
        'Plywood under the waterline goes soft the day its coating is broken: epoxy-glass.',
        'chapter 5',
      ),
    )
  return checks
}
