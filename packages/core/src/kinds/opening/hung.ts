import { answerOf } from '../../base/calculator/calculator'
import { say, type Check, type Verdict } from '../../base/verdict/check'
import { binHang } from '../../chapters/making/bin-hang'
import type { Structure } from '../../base/materials/structure'
import type { Try } from '../kind'
import type { OpeningDesign } from './design'
import type { Edge, Hung } from './judgement'
import { sizeAt } from './outline'

/** What screws bite into here: a metal deck is taken as laminate, which is on the safe side. */
const intoOf = (s: Structure) => (s.kind === 'timber' ? s.timber : 'laminate')

/** From below a screw bites the inner skin, and the fill where the core was closed. */
const biteFromBelow = ({ structure: s, core }: OpeningDesign) =>
  s.kind === 'sandwich' ? s.innerMm + (core.filled ? s.core.thicknessMm : 0) : s.thicknessMm

/** A bin hung under the cut-out by its flange (chapter 15.3); null where none hangs. */
export function hungOf(d: OpeningDesign, e: Edge): Hung | null {
  const { bin, frame } = d
  if (!bin) return null
  const { lengthMm, widthMm } = sizeAt(d.outline)
  const screwed = frame.hold !== 'bond'
  const adhesive = d.bedding.sealant
  const bonded = adhesive !== null && (bin.bonded || !screwed)
  return answerOf(binHang, {
    lengthMm,
    widthMm,
    depthMm: bin.depthMm,
    massKg: bin.massKg,
    contents: bin.contents,
    flangeMm: frame.flangeMm,
    ...(bonded ? { bond: { adhesive, surface: bin.surface } } : {}),
    ...(screwed || !bonded
      ? {
          screws: {
            count: e.screwCount,
            diameterMm: frame.screwMm,
            biteMm: biteFromBelow(d),
            insetMm: frame.flangeMm - frame.insetMm,
            into: intoOf(d.structure),
          },
        }
      : {}),
    liftMinutes: bin.liftMinutes,
    minutesPerScrew: bin.minutesPerScrew,
    duty: d.duty,
  })
}

const figures = (c: Check, unit: string) =>
  c.demand === null || c.capacity === null ? c.because : `${say(c.demand)} of ${say(c.capacity)} ${unit}`
/** Either way may carry it alone: one that is short is only tight while the other holds. */
const backed = (own: Verdict, other: boolean): Verdict => (own === 'short' && other ? 'tight' : own)
export function hungChecks(h: Hung | null): Check[] {
  if (!h) return []
  const both = h.bondMPa !== null && h.screwN !== null
  const load = `${say(h.hungKg)} kg in a seaway pull with ${say(h.loadN)} N`
  return h.checks.map((c) => {
    const id = `bin-${c.id}`
    if (c.id === 'bond') {
      const alone = both ? '' : ' Nothing stands in for the bond when it lets go: screws too.'
      const verdict = !both && c.verdict !== 'short' ? 'tight' : backed(c.verdict, h.alone.screws)
      return { ...c, id, verdict, because: `${load}: ${figures(c, 'MPa')} at the inner edge.${alone}` }
    }
    if (c.id === 'screws') {
      const verdict = !both && c.verdict !== 'short' ? 'tight' : backed(c.verdict, h.alone.bond)
      const needed = `${say(h.screwsNeeded!)} screws carry it alone.`
      return { ...c, id, verdict, because: `${load}: ${figures(c, 'N')} on a screw. ${needed}` }
    }
    if (c.id === 'time')
      return {
        ...c,
        id,
        because: c.because || `Lifting and screwing take ${figures(c, 'min')} that it can be moved.`,
      }
    return { ...c, id, because: c.because || `A screw every ${figures(c, 'mm')}.` }
  })
}

export function hungTries(d: OpeningDesign, h: Hung | null): Try[] {
  if (!h || !d.bin) return []
  const out: Try[] = []
  for (const pitchMm of [120, 100, 80, 60])
    if (d.frame.hold === 'screws' && pitchMm < d.frame.pitchMm)
      out.push({
        id: `bin-pitch-${pitchMm}`,
        text: `screws every ${pitchMm} mm`,
        change: { 'frame.pitchMm': pitchMm },
        helps: ['bin-screws', 'bin-pitch'],
        group: 'bin-pitch',
      })
  if (d.frame.hold === 'screws' && !d.bin.bonded)
    out.push({
      id: 'bin-bond',
      text: 'bond it as well',
      change: { 'bin.bonded': true },
      helps: ['bin-screws', 'bin-bond'],
    })
  if (d.frame.hold === 'bond')
    out.push({
      id: 'bin-screwed',
      text: 'screws as well as the bond',
      change: { 'frame.hold': 'screws', 'bin.bonded': true },
      helps: ['bin-bond'],
    })
  for (const id of ['pu-permanent', 'hybrid-strong'] as const)
    if (d.bedding.sealant !== id)
      out.push({
        id: `bin-in-${id}`,
        text: `bonded in ${id === 'pu-permanent' ? 'permanent polyurethane' : 'strong hybrid'}`,
        change: { 'bedding.sealant': id, 'bin.bonded': true },
        helps: ['bin-bond', 'bin-time', 'bin-screws'],
        group: 'bin-in',
      })
  return out
}
