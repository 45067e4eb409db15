import { z } from 'zod'
import { answerOf, parseInput } from '../base/calculator/calculator'
import { positive, nonNegative } from '../base/schema/schema'
import { CLOTHS } from '../base/materials/cloths'
import { holeClosure } from '../chapters/repair/hole-closure'
import { say, sentence, type Verdict } from '../base/verdict/check'

/** A hole that is too big, in the wrong place, or no longer wanted (chapter 8.3). */
const schema = z.strictObject({
  what: z.enum(['too-big', 'wrong-place', 'old']),
  holeMm: positive(),
  thicknessMm: positive(),
  place: z.enum(['above', 'below']),
  highlyLoaded: z.boolean().default(false),
  singleAccess: z.boolean().default(false),
  gapToNextMm: nonNegative().optional(),
  nextReachMm: nonNegative().default(0),
  cored: z.boolean().default(false),
  /** bevel of n to one; left out: what the place asks for */
  ratio: z.number().min(1).max(100).optional(),
  sides: z.enum(['one', 'both']).optional(),
  cloth: z.enum(['mat-450', 'biaxial-400', 'biaxial-600', 'woven-200']).default('biaxial-400'),
  order: z.enum(['small-first', 'large-first']).default('large-first'),
})
export type WrongHole = z.input<typeof schema>
export interface WayOut {
  id: 'use' | 'larger' | 'refill' | 'close'
  title: string
  verdict: Verdict
  because: string
  steps: string[]
  /** what the register writes */
  record: string
}
export interface WrongHoleAnswer {
  ways: WayOut[]
  best: WayOut['id'] | null
  closure: ReturnType<typeof closureOf>
}
/** What is to stand in a hole: a tail, a bolt; and the next size up that would fill it. */
export interface FitsHole {
  /** as it is called in a sentence: tail, bolt */
  what: string
  odMm: number
  /** what it is drilled to */
  holeMm: number
  /** the most that may stand open between the two */
  mostClearMm: number
  /** why so much may */
  filledBy: string
  centre: string
  next: { title: string; odMm: number; holeMm: number; then: string; check: string; verdict: Verdict } | null
  /** how the new hole lies in what fills the old one, where the core is open */
  coreStep: string
}
/** The bevel that a place asks for: 8:1 above the water, 12:1 below, 20:1 where much is asked of it. */
export const bevelFor = (v: { highlyLoaded?: boolean; place: 'above' | 'below' }) =>
  v.highlyLoaded ? 20 : v.place === 'below' ? 12 : 8
/** A skin under this is ground from one side: half of it would leave nothing to bond to. */
const ONE_SIDE_MM = 8
const closureOf = (v: z.output<typeof schema>) =>
  answerOf(holeClosure, {
    holeMm: v.holeMm,
    thicknessMm: v.thicknessMm,
    ratio: v.ratio ?? bevelFor(v),
    sides: v.singleAccess ? 'one' : (v.sides ?? (v.thicknessMm < ONE_SIDE_MM ? 'one' : 'both')),
    cloth: v.cloth,
    order: v.order,
    place: v.place,
    highlyLoaded: v.highlyLoaded,
    singleAccess: v.singleAccess,
    nextReachMm: v.nextReachMm,
    ...(v.gapToNextMm === undefined ? {} : { gapToNextMm: v.gapToNextMm }),
  })

type Asked = z.output<typeof schema>
/** What fills a hole that is bored again, or closed: said once, and written so. */
const patchSaid = (v: Asked, closure: ReturnType<typeof closureOf>) =>
  `bevel ${say(v.ratio ?? bevelFor(v))}:1 to ${say(closure.groundMm)} mm, ${closure.pliesPerSide} plies of ${CLOTHS[v.cloth].title}${closure.plies.some((p) => p.side === 'inside') ? ' each side' : ''}, ${v.order === 'large-first' ? 'largest first' : 'smallest first'}`

function tooBig(v: Asked, fits: FitsHole, patch: string, steep: boolean): WayOut[] {
  const ways: WayOut[] = []
  const c = v.holeMm - fits.odMm
  if (c <= fits.mostClearMm + 1e-9)
    ways.push({
      id: 'use',
      title: 'Use it as it is',
      verdict: c >= 1 || v.holeMm <= fits.holeMm ? 'holds' : 'tight',
      because: `${say(c)} mm between hole and ${fits.what}: ${fits.filledBy}.`,
      steps: [fits.centre],
      record: `kept at ${say(v.holeMm)} mm`,
    })
  const { next } = fits
  if (next && next.holeMm < 2 * v.holeMm)
    ways.push({
      id: 'larger',
      title: `Go up to ${next.title}`,
      verdict: next.verdict,
      because: `Bored out to ${say(next.holeMm)} mm its ${fits.what} of ${say(next.odMm)} mm fits; ${next.then}.`,
      steps: [`Plug the hole with a disc of ply, centre on it, bore ${say(next.holeMm)} mm.`, next.check],
      record: `bored out to ${say(next.holeMm)} mm for ${next.title}`,
    })
  ways.push({
    id: 'refill',
    title: 'Fill and bore again',
    verdict: steep ? 'tight' : 'holds',
    because: `A plug of solid laminate or filled epoxy round the place, wide enough that the new hole of ${say(fits.holeMm)} mm stands in it and not in its seam.`,
    steps: [
      `Grind and lay it up as an old hole: ${patch}.`,
      'Cure by its temperature; then bore again from a pilot.',
      ...(v.cored ? [fits.coreStep] : []),
    ],
    record: `filled (${patch}) and bored again to ${say(fits.holeMm)} mm`,
  })
  return ways
}

/** The ways out, best first: use it, go up a size, fill and bore again, or close it for good. */
export function wrongHole(raw: WrongHole, fits: FitsHole | null): WrongHoleAnswer {
  const v = parseInput(schema, raw)
  const closure = closureOf(v)
  const patch = patchSaid(v, closure)
  // A steep bevel is allowed, and said; it never ranks as sound as the one that the place asks for.
  const steep = closure.cautions.some((c) => c.id === 'steep-bevel')
  const ways = v.what === 'too-big' && fits ? tooBig(v, fits, patch, steep || closure.fits === false) : []
  ways.push({
    id: 'close',
    title: 'Close it for good',
    verdict: steep || closure.fits === false ? 'tight' : 'holds',
    because: `${sentence(patch)}; the largest disc reaches the ground edge. ${say(closure.clothG)} g of cloth, ${say(closure.resinG)} g of resin.${closure.fits === false ? ' The bevel meets its neighbour\u2019s: one patch over both.' : ''}`,
    steps: [
      ...(closure.backingDiscMm
        ? [`Bond a backing disc of ${say(closure.backingDiscMm)} mm in first: only one side is reached.`]
        : []),
      `Grind ${patch}.`,
      'Wash, dry, wet out, lay the discs.',
      v.place === 'below'
        ? 'Fair; barrier coats of epoxy, three or more, then antifouling.'
        : 'Fair and paint.',
      'Where it was is in the register before it is filled, measured from two things that stay.',
    ],
    record: `closed: ${patch}, ${say(closure.clothG)} g cloth`,
  })
  const order = v.what === 'too-big' ? ['use', 'refill', 'larger', 'close'] : ['close']
  ways.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id))
  return { ways, best: ways[0]?.id ?? null, closure }
}
