import { epoxyBatchOf } from '../../chapters/bedding/epoxy-batch'
import { moistureCureOf } from '../../chapters/bedding/moisture-cure'
import { chooseSealant } from '../../chapters/bedding/sealant-choice'
import { sealant, type SealantId } from '../../base/materials/sealants'

/** What seals it is ranked by the days to launch (5.6). */
type Choice = ReturnType<typeof chooseSealant>
/** Fillet and collar: moisture has so far to go before she may float. */
const RIM_PATH_MM = 5
const METHACRYLATE_DAYS = 1

/** Days until it may float; null where it does not cure on such a day. */
export function daysToFloat(id: SealantId, tempC: number, humidityPct: number): number | null {
  if (id === 'butyl') return 0
  if (id === 'methacrylate') return METHACRYLATE_DAYS
  if (sealant(id).moistureCure)
    return moistureCureOf({ chemistry: id, pathMm: RIM_PATH_MM, tempC, humidityPct }).days
  const mix = epoxyBatchOf({
    neededMl: 50,
    wasteFraction: 0,
    ratio: 2,
    tempC,
    workingMinutes: 1,
    use: 'peanut-butter',
    onePot: false,
    resinGPerMl: 1.15,
    hardenerGPerMl: 0.98,
  })
  return mix.fullDays
}
/**
 * Of the choices that are not refused first those cured in time, then the late ones; what fits before what
 * fits with care, and in the order of 4.1 within. Launch day not known: that order alone.
 */
export function rankedForLaunch(
  choice: Choice,
  day: { tempC: number; humidityPct: number; daysToLaunch: number | null },
): SealantId[] {
  const kept = choice.choices.filter((c) => c.verdict !== 'refused')
  if (day.daysToLaunch === null) return kept.map((c) => c.id)
  const inTime = (id: SealantId) => {
    const days = daysToFloat(id, day.tempC, day.humidityPct)
    return days !== null && days <= day.daysToLaunch! + 1e-9
  }
  const rank = (c: (typeof kept)[number]) => 2 * Number(!inTime(c.id)) + Number(c.verdict !== 'fits')
  return kept
    .map((c, order) => ({ c, order }))
    .sort((a, b) => rank(a.c) - rank(b.c) || a.order - b.order)
    .map(({ c }) => c.id)
}
