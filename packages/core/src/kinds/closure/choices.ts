import { formatLength, type Units } from '../../base/quantity/format'
import type { Decision } from '../kind'
import type { ClosureDesign, OldHole } from './design'
import { FILL_MOST_MM } from './judge'

/** What becomes of an old hole (chapter 8.3; which of them is advised is ours, with its reasons). */
export const HOLE_CHOICES = ['close', 'leave-filled', 'reuse', 'next-size'] as const
export type HoleChoice = (typeof HOLE_CHOICES)[number]
export const HOLE_CHOICE_SAID: Record<HoleChoice, string> = {
  close: 'close it for good',
  'leave-filled': 'fill it and leave it',
  reuse: 'a fitting of the same size goes in again',
  'next-size': 'bored to the next size',
}
/** Clearance holes of M4 to M20, mm: what a worn hole is bored to next. */
const CLEARANCE_MM = [4.5, 5.5, 6.6, 9, 11, 13.5, 17.5, 22] as const
/** So much is cut away before the wall is sound again. */
const CLEAN_MM = 0.4
export const nextSizeMm = (holeMm: number): number | null =>
  CLEARANCE_MM.find((c) => c >= holeMm + CLEAN_MM) ?? null

const CORE = { dry: 0, unknown: 1, wet: 2 } as const
/** Why a choice is against what the place asks; nothing where it is not. */
function against(d: ClosureDesign, h: OldHole): Partial<Record<HoleChoice, string>> {
  const cored = d.structure.kind === 'sandwich'
  const wet = cored && d.coreState === 'wet'
  const out: Partial<Record<HoleChoice, string>> = {}
  if (d.place.belowWaterline) out['leave-filled'] = 'below the waterline a plug is held by its sides alone'
  else if (d.highlyLoaded) out['leave-filled'] = 'much is carried here, and a plug carries nothing'
  else if (h.holeMm > FILL_MOST_MM) out['leave-filled'] = `it is wider than ${FILL_MOST_MM} mm`
  if (d.family === 'torn') {
    out['leave-filled'] = 'it is torn, and a plug lets the tear run on'
    out.reuse = 'it is torn: nothing sits round in it'
    out['next-size'] = 'a tear runs on from a round hole as from a long one'
  }
  if (nextSizeMm(h.holeMm) === null) out['next-size'] = 'no usual bolt fills it'
  if (wet)
    for (const c of ['leave-filled', 'reuse', 'next-size'] as const)
      out[c] = 'the core round it is wet, and is opened until it is dry'
  return out
}
function advice(d: ClosureDesign, no: ReturnType<typeof against>): [HoleChoice, string] {
  if (no['leave-filled']) return ['close', no['leave-filled']]
  const cored = d.structure.kind === 'sandwich'
  if (cored && d.coreState === 'unknown')
    return ['close', 'nobody has read the core: grinding it open shows it, a plug hides it']
  return ['leave-filled', `up to ${FILL_MOST_MM} mm above the water a plug of thickened epoxy is enough`]
}
/** One decision a hole: what is advised, and what it is made on. */
export function holeDecisions(d: ClosureDesign, units: Units): Decision[] {
  return d.holes.map((h, i) => {
    const no = against(d, h)
    const [advised, why] = advice(d, no)
    const next = nextSizeMm(h.holeMm)
    const reasons = HOLE_CHOICES.filter((c) => no[c] && no[c] !== why).map(
      (c) => `not ${HOLE_CHOICE_SAID[c]}: ${no[c]}`,
    )
    const said = [`${HOLE_CHOICE_SAID[advised]}: ${why}`, ...reasons]
    const name = h.label ?? `hole ${i + 1}`
    return {
      about: name,
      title: name,
      choices: [...HOLE_CHOICES],
      advised,
      because: `${said.join('; ').replace(/^./, (c) => c.toUpperCase())}.`,
      against: Object.keys(no),
      on: {
        holeMm: h.holeMm,
        below: d.place.belowWaterline ? 1 : 0,
        loaded: d.highlyLoaded ? 1 : 0,
        torn: d.family === 'torn' ? 1 : 0,
        core: d.structure.kind === 'sandwich' ? CORE[d.coreState] : -1,
      },
      said: `${formatLength(h.holeMm, units)} across${next === null ? '' : `, the next size is ${formatLength(next, units)}`}`,
    }
  })
}
