import type { FastenerNeed } from '../fastener-need'
import type { Design } from './design'
import { isBlind } from './hold'
import type { Judgement } from './judgement'

const sunk = (d: Design) => d.bolt.head === 'countersunk'
const headWasher = (d: Design) => (sunk(d) ? 'none' : d.bolt.headWasher)
/** Bolts by length with their nuts and washers; a length that no stock reaches is no need that can be met. */
export function fastenersOf(d: Design, j: Judgement): FastenerNeed[] {
  const blind = isBlind(d)
  const cast = d.hold.way === 'nut-in-epoxy'
  const by = new Map<string, FastenerNeed>()
  for (const { bolts, grip } of j.grips) {
    if (!grip) continue
    const length = grip.lengthInch === null ? { lengthMm: grip.lengthMm } : { lengthInch: grip.lengthInch }
    const key = JSON.stringify([length, grip.threading])
    const had = by.get(key)
    // Of several stacks under bolts of one length the shortest grip is what a shank has to stay under.
    by.set(key, {
      size: d.bolt.size,
      grade: d.bolt.grade,
      head: d.bolt.head,
      ...length,
      threading: grip.threading,
      gripMm: Math.min(grip.gripMm, had?.gripMm ?? Infinity),
      mayTrim: true,
      count: bolts.length + (had?.count ?? 0),
      nut: blind ? (cast ? 'hex' : 'none') : d.bolt.nut,
      washers: { head: headWasher(d), nut: blind ? 'none' : d.bolt.nutWasher },
    })
  }
  return [...by.values()]
}
