import { z } from 'zod'
import { calculate, parseInput } from '../calculator'
import { positive, nonNegative } from '../schema'
import { holeClosure } from '../repair/hole-closure'
import { say, type Verdict } from '../verdict/check'
import type { BelowDesign } from './design'
import { SKINS } from './goods'

/** A hole that is too big, in the wrong place, or no longer wanted (chapter 8.3). */
const schema = z.strictObject({
  what: z.enum(['too-big', 'wrong-place', 'old']), holeMm: positive(), thicknessMm: positive(), place: z.enum(['above', 'below']), highlyLoaded: z.boolean().default(false), singleAccess: z.boolean().default(false),
  gapToNextMm: nonNegative().optional(), cored: z.boolean().default(false),
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
const MOST_CLEAR_MM = 3
const closureOf = (v: z.output<typeof schema>) =>
  calculate(holeClosure, { holeMm: v.holeMm, thicknessMm: v.thicknessMm, ratio: v.highlyLoaded ? 20 : v.place === 'below' ? 12 : 8, sides: v.singleAccess || v.thicknessMm < 8 ? 'one' : 'both', place: v.place, highlyLoaded: v.highlyLoaded, singleAccess: v.singleAccess, ...(v.gapToNextMm === undefined ? {} : { gapToNextMm: v.gapToNextMm }) })

/** The ways out, best first: use it, go up a size, fill and bore again, or close it for good. */
export function wrongHole(raw: WrongHole, d: BelowDesign | null): WrongHoleAnswer {
  const v = parseInput(schema, raw)
  const closure = closureOf(v)
  const ways: WayOut[] = []
  const od = d?.skin.tailOdMm ?? null
  const patch = `bevel ${v.highlyLoaded ? 20 : v.place === 'below' ? 12 : 8}:1 to ${say(closure.groundMm)} mm, ${closure.pliesPerSide} plies${closure.plies.some((p) => p.side === 'inside') ? ' each side' : ''}`
  if (v.what === 'too-big' && d && od !== null) {
    const c = v.holeMm - od
    if (c <= MOST_CLEAR_MM + 1e-9) ways.push({ id: 'use', title: 'Use it as it is', verdict: c >= 1 ? 'holds' : 'tight', because: `${say(c)} mm between hole and tail: bedding fills that.`, steps: ['Centre the tail with three slips of card while the bead is laid.'], record: `kept at ${say(v.holeMm)} mm` })
    const next = SKINS.filter((s) => s.material === d.skin.material && s.thread && s.holeMm > v.holeMm - 1e-9 && s.holeMm > d.skin.holeMm).sort((a, b) => a.holeMm - b.holeMm)[0]
    if (next && next.tailOdMm !== null && next.holeMm < 2 * v.holeMm) ways.push({ id: 'larger', title: `Go up to ${next.title}`, verdict: d.valve ? 'tight' : 'holds', because: `Bored out to ${say(next.holeMm)} mm its tail of ${say(next.tailOdMm)} mm fits; valve, tail and hose go up with it, and so does what floods.`, steps: [`Plug the hole with a disc of ply, centre on it, bore ${say(next.holeMm)} mm.`, 'Check the chain again: every part goes up a size.'], record: `bored out to ${say(next.holeMm)} mm for ${next.title}` })
    ways.push({ id: 'refill', title: 'Fill and bore again', verdict: 'holds', because: `A plug of solid laminate or filled epoxy round the place, wide enough that the new hole of ${say(d.skin.holeMm)} mm stands in it and not in its seam.`, steps: [`Grind and lay it up as an old hole: ${patch}.`, 'Cure by its temperature; then bore again from a pilot.', ...(v.cored ? ['Make the core solid over 1.5 flanges at the same time.'] : [])], record: `filled (${patch}) and bored again to ${say(d.skin.holeMm)} mm` })
  }
  ways.push({
    id: 'close', title: 'Close it for good', verdict: closure.fits === false ? 'tight' : 'holds', because: `${patch}; the largest disc reaches the ground edge. ${say(closure.clothG)} g of cloth, ${say(closure.resinG)} g of resin.${closure.fits === false ? ' The bevel meets its neighbour\u2019s: one patch over both.' : ''}`,
    steps: [...(closure.backingDiscMm ? [`Bond a backing disc of ${say(closure.backingDiscMm)} mm in first: only one side is reached.`] : []), `Grind ${patch}.`, 'Wash, dry, wet out, lay the discs.', v.place === 'below' ? 'Fair; barrier coats of epoxy, three or more, then antifouling.' : 'Fair and paint.', 'Where it was is in the register before it is filled, measured from two things that stay.'],
    record: `closed: ${patch}, ${say(closure.clothG)} g cloth`,
  })
  const order = v.what === 'too-big' ? ['use', 'refill', 'larger', 'close'] : ['close']
  ways.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id))
  return { ways, best: ways[0]?.id ?? null, closure }
}
