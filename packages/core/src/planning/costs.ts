import { bestOffer, itemTextsOf, stockText, wantsByPiece } from './order'
import type { Offer, OrderJob } from './order-types'
import type { Step } from '../kinds/step'

/** What open work costs, by the yard's own prices: each sum with how much of it is an estimate. */
export interface FittingCost {
  fittingId: string
  kind: string
  name: string
  boatId: string
  partsCents: number
  /** counted parts that nobody's price is known of */
  unpriced: string[]
  minutes: number
  /** of those minutes the ones that were taken, and not only planned */
  takenMinutes: number
  /** null where hours have no price */
  labourCents: number | null
  totalCents: number
  /** a part has no price, or hours are planned and not taken */
  estimated: boolean
}
export interface CostJob extends OrderJob {
  steps: Step[]
  took: Record<string, number>
}
const each = (offers: Offer[], text: string): number | null => {
  const o = bestOffer(offers.filter((x) => x.text === text))
  return o && Math.min(...o.packs.map((p) => p.priceCents / p.n))
}
export function costOf(j: CostJob, offers: Offer[], hourCents: number | null): FittingCost {
  const wanted: [string, number][] = [
    ...j.needs.flatMap(itemTextsOf),
    ...j.parts.filter((p) => wantsByPiece(j, p)).map((p): [string, number] => [stockText(p), p.quantity!]),
  ]
  let parts = 0
  const unpriced: string[] = []
  for (const [text, n] of wanted) {
    const cents = each(offers, text)
    if (cents === null) unpriced.push(text)
    else parts += cents * n
  }
  // What was taken is of each pair of hands, as what is planned is.
  const hands = (s: Step) => s.hands
  const minutes = j.steps.reduce((t, s) => t + (j.took[s.id] ?? s.minutes) * hands(s), 0)
  const taken = j.steps.reduce((t, s) => t + (j.took[s.id] ?? 0) * hands(s), 0)
  const labour = hourCents === null ? null : Math.round((minutes / 60) * hourCents)
  const partsCents = Math.round(parts)
  return {
    fittingId: j.fittingId,
    kind: j.kind,
    name: j.name,
    boatId: j.boatId,
    partsCents,
    unpriced: [...new Set(unpriced)],
    minutes,
    takenMinutes: taken,
    labourCents: labour,
    totalCents: partsCents + (labour ?? 0),
    estimated: unpriced.length > 0 || taken < minutes,
  }
}
