import { boltCapacities } from '../../chapters/fastener/fastener'
import type { LoadDirection } from '../../chapters/load/design-load'
import type { Design } from './design'
import type { Shared } from './shared'
import { NO_BOLTS, weldStress, worstByGrain } from './own-ways'

type Point3 = { x: number; y: number; z: number }
const STRAIGHT_UP: LoadDirection = { azimuthDeg: 0, elevationDeg: 90, alongN: 0, acrossN: 0, outN: 1 }
/** One figure of a direction, and what it cannot be above where that is had for less. */
interface Measure {
  of: (s: Shared) => number
  atMost?: (s: Shared) => number
}
/** What the most used bolt is used by pull and shear together. */
function mostUsed(design: Design): (s: Shared) => number {
  const caps = boltCapacities(design.bolt.size, design.bolt.grade, design.bolt.threadsInShear)
  return (s) => {
    let most = 0
    for (const b of s.bolts) {
      const pull = b.tensionN / caps.tensionN
      const shear = b.shearN / caps.shearN
      most = Math.max(most, pull * pull + shear * shear)
    }
    return Math.sqrt(most)
  }
}
/** What presses the deck under the bolts, each pulled by its load or its preload, whichever is more. */
function clamped(s: Shared, preloadN: number): number {
  let sum = 0
  for (const b of s.bolts) sum += Math.max(b.tensionN, preloadN)
  return sum
}
/**
 * Every check is monotone in one of these measures of a direction, so only the directions that are
 * greatest in one of them have to be judged to have judged them all. Null stands for the one that depends
 * on the preload.
 */
function measuresOf(design: Design, point: Point3): (Measure | null)[] {
  return [
    { of: mostUsed(design) },
    { of: (s) => s.maxShearN },
    { of: (s) => s.sumTensionN },
    null,
    { of: (s) => s.maxTensionN },
    { of: (s) => s.pushN },
    // The mean of a strip is never above the pressure at its toe.
    { of: (s) => s.stripMPa, atMost: (s) => s.toePressureMPa },
    { of: (s) => s.unresistedMomentNmm },
    { of: (s) => s.unresistedTwistNmm },
    // What has a direction of its own: the timber by its grain, a doubler by its sides.
    ...(worstByGrain(design, NO_BOLTS) ? [{ of: (s: Shared) => worstByGrain(design, s)!.used }] : []),
    ...(weldStress(design, STRAIGHT_UP, point)
      ? [{ of: (s: Shared) => weldStress(design, s.direction, point)!.together }]
      : []),
  ]
}
/** Of two that are alike but for the last bit it is the first. */
const ABOVE = 1 + 1e-12
function greatest(all: Shared[], { of, atMost }: Measure): Shared {
  let best = all[0]!
  let most = of(best)
  for (let i = 1; i < all.length; i++) {
    const s = all[i]!
    if (atMost && !(atMost(s) > most * ABOVE)) continue
    const here = of(s)
    if (!(here > most * ABOVE)) continue
    best = s
    most = here
  }
  return best
}
/** The directions that decide, by the preload that is asked about. */
export function decidingAmong(all: Shared[], design: Design, point: Point3): (preloadN: number) => Shared[] {
  if (all.length === 1) return () => all
  const still = measuresOf(design, point).map((m) => m && greatest(all, m))
  return (preloadN) => {
    const clamp = { of: (s: Shared) => clamped(s, preloadN) }
    return [...new Set(still.map((s) => s ?? greatest(all, clamp)))]
  }
}
