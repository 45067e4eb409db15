import { fieldOf, toe } from '../../chapters/deck/base-contact'
import type { BoltShares } from '../../chapters/deck/bolt-group'
import { heelLine, solveContact, wholeMoments, type Contact, type Footing } from '../../chapters/deck/contact'
import { toeStrip, type Field } from '../../chapters/deck/toe-strip'
import { momentsOf, type LoadDirection } from '../../chapters/load/design-load'
import type { Point } from '../../base/geometry/outline'
import type { Design } from './design'
import type { Resting, Shared } from './shared'

/**
 * Pressure of the toe's strip, spread at 45° through the outer skin; of a track under the bolts that
 * carry.
 */
function stripOf(d: Design, footing: Footing, field: Field): number {
  const s = d.structure
  const [b, spread] = s.kind === 'sandwich' ? [s.outerMm + s.core.thicknessMm, s.outerMm] : [s.thicknessMm, 0]
  const strip = toeStrip(footing, field, b)
  return strip.areaMm2 > 0 ? strip.forceN / (strip.areaMm2 + spread * strip.outlineMm) : 0
}

/** What of a base at rest only the directions that decide are asked for: worked out when it is. */
class AtRest implements Shared {
  readonly caseName: string
  readonly direction: LoadDirection
  readonly hand: BoltShares
  readonly maxShearN: number
  readonly maxTensionN: number
  readonly sumTensionN: number
  readonly pushN: number
  readonly toePressureMPa: number
  readonly field: Field
  readonly unresistedMomentNmm = 0
  readonly unresistedTwistNmm: number
  private readonly toeAt: Point | null
  private strip: number | null = null

  constructor(
    s: Shared,
    private readonly d: Design,
    private readonly footing: Footing,
    private readonly found: Contact,
    private readonly moments: { x: number; y: number },
    readonly bolts: Shared['bolts'],
    k: number,
  ) {
    this.caseName = s.caseName
    this.direction = s.direction
    this.hand = s.hand
    this.maxShearN = s.maxShearN
    this.unresistedTwistNmm = s.unresistedTwistNmm
    let most = -Infinity
    let sum = 0
    for (const { tensionN } of bolts) {
      most = Math.max(most, tensionN)
      sum += tensionN
    }
    this.maxTensionN = most
    this.sumTensionN = sum
    const t = toe(footing, found.lift, k)
    this.toePressureMPa = t.toePressureMPa
    this.toeAt = t.toeAt
    this.pushN = t.toeAt ? Math.max(0, found.pressedForceN) : 0
    this.field = fieldOf(found.lift, k)
  }
  get stripMPa(): number {
    return (this.strip ??= stripOf(this.d, this.footing, this.field))
  }
  get resting(): Resting {
    const { d, footing, found, bolts, moments, pushN } = this
    // Where the push acts follows from equilibrium with the bolts' pulls.
    const centre =
      pushN > 0
        ? {
            xMm: (bolts.reduce((a, b, i) => a + b.tensionN * d.bolts[i]!.xMm, 0) + moments.y) / pushN,
            yMm: (bolts.reduce((a, b, i) => a + b.tensionN * d.bolts[i]!.yMm, 0) - moments.x) / pushN,
          }
        : null
    return {
      heelLine: heelLine(footing, found.lift),
      contactFraction: found.pressed.A / wholeMoments(footing).A,
      toeAt: this.toeAt,
      toePressureMPa: this.toePressureMPa,
      deckForceN: pushN,
      centre,
    }
  }
}

/** Bolts of one base as the deck under it lets them pull; as by hand where the search finds no rest. */
export function restingOn(
  d: Design,
  { footing, who }: { footing: Footing; who: number[] },
  point: { x: number; y: number; z: number },
  { kb, k }: { kb: number; k: number },
): (s: Shared) => Shared {
  const bolts = who.map((i) => d.bolts[i]!)
  const nth = d.bolts.map((_, i) => who.indexOf(i))
  return (s) => {
    const { outN } = s.direction
    const moments = momentsOf(point, s.direction)
    const { x: Mx, y: My } = moments
    if (outN === 0 && Mx === 0 && My === 0) return s
    const found = solveContact({ footing, bolts, kb, k, preloadN: 0, Fz: outN, Mx, My })
    if (!found) return s
    const carried = s.hand.bolts.map((b, i) => ({
      tensionN: nth[i]! < 0 ? 0 : found.tensions[nth[i]!]!,
      shearN: b.shearN,
    }))
    return new AtRest(s, d, footing, found, moments, carried, k)
  }
}
