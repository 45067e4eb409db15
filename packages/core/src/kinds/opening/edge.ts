import { answerOf } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { CORES } from '../../base/materials/cores'
import { fullThickness } from '../../base/materials/structure'
import { check, inWords, say, unproven, type Check } from '../../base/verdict/check'
import { openingEdge } from '../../chapters/opening/opening-edge'
import { limit } from '../../chapters/making/limits'
import { coreOf, type OpeningDesign } from './design'
import { OPENING_FAMILY } from './families'
import type { Edge } from './judgement'

const SOURCE = 'chapter 6.1'
/** What is asked of the calculator, and where the design says it. */
const PATHS: Record<string, string> = {
  pitchMm: 'frame.pitchMm',
  screwInsetMm: 'frame.insetMm',
  screwDiameterMm: 'frame.screwMm',
  flangeWidthMm: 'frame.flangeMm',
  rakeMm: 'core.rakeMm',
  beadMm: 'bedding.beadMm',
}
/** The skin that the edge stands in, for the ring: of a deck without a core the whole of it. */
const skinMm = (d: OpeningDesign) =>
  d.structure.kind === 'sandwich' ? undefined : fullThickness(d.structure)

/** @throws CalcError at the field of the design where the frame cannot be set out */
export function edgeOf(d: OpeningDesign): Edge {
  try {
    return answerOf(openingEdge, {
      outline: d.outline,
      ...coreOf(d),
      ...(skinMm(d) === undefined ? {} : { skinMm: skinMm(d) }),
      ...(d.core.rakeMm === null || d.structure.kind !== 'sandwich' ? {} : { rakeMm: d.core.rakeMm }),
      flangeWidthMm: d.frame.flangeMm,
      screwDiameterMm: d.frame.screwMm,
      screwInsetMm: d.frame.insetMm,
      frame: OPENING_FAMILY[d.family].frame,
      pitchMm: d.frame.pitchMm,
      beadMm: d.bedding.beadMm,
      filletMm: d.bedding.filletMm,
      cutStiffenerMm2: d.cutMemberMm2,
    })
  } catch (error) {
    if (error instanceof CalcError)
      throw new CalcError(error.code, PATHS[error.path] ?? error.path, error.message)
    throw error
  }
}

/** A raw edge of core drinks: it is raked back and filled, all round. */
function coreCheck(d: OpeningDesign, e: Edge): Check | null {
  const s = d.structure
  if (s.kind !== 'sandwich') return null
  const shape = { id: 'edge-core', title: 'Core closed all round', unit: 'mm', source: 'chapter 6.2' }
  const core = CORES[s.core.material]
  if (!d.core.filled)
    return inWords({
      ...shape,
      verdict: 'short',
      because: `The cut edge of ${core.title} stays open: ${core.rots ? 'it drinks, and rots' : 'water parts it from its skins'}. Rake it back and fill it.`,
    })
  const usual = core.rots ? 12 : s.core.material === 'epoxy-plug' ? 0 : 8
  return {
    ...limit({ ...shape, demand: usual, capacity: e.rakeMm }),
    because: `Raked back ${say(e.rakeMm)} mm and filled with ${say(e.fillMl)} ml; ${usual} mm is usual in ${core.title}.`,
    assumed: ['depth of the rake'],
  }
}
function ringCheck(d: OpeningDesign, e: Edge): Check[] {
  if (!e.ringNeeded) return []
  const shape = { id: 'ring', title: 'Ring behind the edge', unit: 'mm', source: SOURCE }
  const why =
    d.cutMemberMm2 > 0 ? 'a member is cut through here' : `${say(skinMm(d) ?? 0)} mm of laminate is thin`
  if (!d.ring)
    return [
      inWords({
        ...shape,
        verdict: 'short',
        because: `There is no ring, and ${why}: a frame of ${say(e.ringLeastWidthMm)} mm at least, bonded behind.`,
      }),
    ]
  const wide = {
    ...limit({ ...shape, demand: e.ringLeastWidthMm, capacity: d.ring.widthMm }),
    because: `A ring ${say(d.ring.widthMm)} mm wide; ${say(e.ringLeastWidthMm)} mm is the least for screws of ${say(d.frame.screwMm)} mm, and ${why}.`,
  }
  if (!(e.ringLeastAreaMm2 > 0)) return [wide]
  const area = d.ring.widthMm * d.ring.thicknessMm
  return [
    wide,
    {
      ...limit({
        id: 'ring-area',
        title: 'Ring gives back what was cut',
        unit: 'mm\u00b2',
        source: SOURCE,
        demand: e.ringLeastAreaMm2,
        capacity: area,
      }),
      because: `${say(area)} mm\u00b2 of ring stand for ${say(e.ringLeastAreaMm2)} mm\u00b2 of member.`,
    },
  ]
}
/** Twice its own diameter is the least that a screw bites, three times is good; an estimate. */
const BITE = { least: 2, good: 3 }
/** What a screw of the flange bites: skin, closed core under it, ring behind. */
export function biteOf(d: OpeningDesign, e: Edge): { biteMm: number; said: string } {
  const s = d.structure
  const ring = d.ring?.thicknessMm ?? 0
  if (s.kind !== 'sandwich') {
    const own = fullThickness(s)
    return { biteMm: own + ring, said: `${say(own)} mm${ring ? ` and ${say(ring)} mm of ring` : ''}` }
  }
  const off = d.frame.flangeMm - d.frame.insetMm
  const filled = d.core.filled && off <= e.rakeMm - d.frame.screwMm / 2
  const own = s.outerMm + (filled ? s.core.thicknessMm : 0)
  return {
    biteMm: own + ring,
    said: `${say(s.outerMm)} mm of skin${filled ? ` and ${say(s.core.thicknessMm)} mm of fill` : ', past the fill'}${ring ? `, ${say(ring)} mm of ring` : ''}`,
  }
}
function screwCheck(d: OpeningDesign, e: Edge): Check {
  const shape = { id: 'screw-bite', title: 'Screws bite', unit: 'mm', source: SOURCE }
  if (d.frame.hold === 'bolts')
    return inWords({ ...shape, verdict: 'holds', because: 'Bolted through, with nuts behind.' })
  if (d.frame.hold === 'bond')
    return inWords({
      ...shape,
      verdict: 'tight',
      because:
        'Only its bond holds the flange: no screw stands in for it while it cures, or when it lets go.',
    })
  const { biteMm, said } = biteOf(d, e)
  const least = BITE.least * d.frame.screwMm
  const made = check({
    ...shape,
    demand: least,
    capacity: biteMm,
    verdict:
      biteMm < least - 1e-9 ? 'short' : biteMm < BITE.good * d.frame.screwMm - 1e-9 ? 'tight' : 'holds',
    because: `A screw of ${say(d.frame.screwMm)} mm bites ${said}; ${say(least)} mm is the least${biteMm < least ? ': thin skins do not hold a screw. A ring behind, bolts, or a deeper rake' : ''}.`,
  })
  return { ...made, utilisation: null, assumed: ['bite of twice the screw'] }
}
/** A cut-out that is off by more than this, or by a twentieth, is another deck than the one supposed. */
const OFF_MM = 1
const OFF_SHARE = 0.05
/** The cut itself is a measurement: what came out tells how thick the boat is. */
function offcutCheck(d: OpeningDesign): Check | null {
  const shape = { id: 'offcut', title: 'Thickness at the edge', unit: 'mm', source: SOURCE }
  const taken = fullThickness(d.structure)
  if (d.offcutMm === null)
    return d.measured.length
      ? null
      : unproven({
          ...shape,
          because: 'Nobody has measured the laminate here: the pilot, or the cut-out that is kept, tells.',
        })
  const off = Math.abs(d.offcutMm - taken)
  const same = off <= Math.max(OFF_MM, OFF_SHARE * taken) + 1e-9
  const said = `The cut-out is ${say(d.offcutMm)} mm thick, and ${say(taken)} mm are reckoned with`
  return inWords({
    ...shape,
    verdict: same ? 'holds' : 'short',
    because: same
      ? `${said}.`
      : `${said}: put its layers into the survey, and look at screws and fill again.`,
  })
}
export const edgeChecks = (d: OpeningDesign, e: Edge): Check[] => [
  ...e.checks,
  ...[coreCheck(d, e), offcutCheck(d)].filter((c) => c !== null),
  ...ringCheck(d, e),
  screwCheck(d, e),
]
