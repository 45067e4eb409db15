import { insidePolygon } from '../../base/geometry/outline'
import { inWords, say, type Check } from '../../base/verdict/check'
import type { OpeningDesign } from './design'
import type { AroundOpening } from './judgement'
import { cutOnBoat } from './outline'

/** Less is the same deck, drawn a little higher at its crown. */
const SAME_DECK_MM = 50
/** A lid that is lifted out is tilted past its ledge or its stops: ours. */
const TO_LIFT_MM = 100
const DEG = 180 / Math.PI

/** How high the lid stands when it is open at a right angle: across its hinge. */
function standsMm(d: OpeningDesign): number {
  const b = cutOnBoat(d)
  const side = d.lid!.hingeSide
  return side === 'forward' || side === 'aft' ? b.maxX - b.minX : b.maxY - b.minY
}
/** The lowest surface that hangs over it, and how high over it. */
function roofOver(d: OpeningDesign, a: AroundOpening): { title: string; freeMm: number } | null {
  const { zMm } = d.place
  const over = a.zones
    .filter((z) => z.face === 'deck' || z.face === 'roof')
    .filter((z) => z.zMm > zMm + SAME_DECK_MM && insidePolygon(z.outline, d.place))
    .sort((p, q) => p.zMm - q.zMm)[0]
  return over ? { title: over.title.toLowerCase(), freeMm: over.zMm - zMm } : null
}
/** What hangs over a lid that is opened (chapter 6.1: access before a place is chosen). */
export function aboveCheck(d: OpeningDesign, a: AroundOpening): Check | null {
  if (!d.lid) return null
  const shape = { id: 'room-above', title: 'What hangs over it', unit: '', source: 'chapter 6.1' }
  const over = roofOver(d, a)
  if (!over)
    return inWords({
      ...shape,
      verdict: 'holds',
      because:
        'No deck or roof is drawn over it; booms, hoods and boats that are stowed there are not drawn.',
    })
  const hinged = d.lid.back === 'hinge'
  const needs = hinged ? standsMm(d) : TO_LIFT_MM
  const least = `${say(over.freeMm)} mm over it hangs ${over.title}`
  if (over.freeMm >= needs)
    return inWords({ ...shape, verdict: 'holds', because: `${least}; it opens under it.` })
  return inWords({
    ...shape,
    verdict: 'tight',
    because: hinged
      ? `${least}: a lid that stands ${say(needs)} mm high opens to ${Math.floor(Math.asin(over.freeMm / needs) * DEG)}\u00b0 and no further.`
      : `${least}: to lift it out and tilt it, ${TO_LIFT_MM} mm are asked for.`,
  })
}
