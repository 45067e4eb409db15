import { epoxyBatchOf } from '../../chapters/bedding/epoxy-batch'
import { moistureCureOf } from '../../chapters/bedding/moisture-cure'
import { chooseSealant } from '../../chapters/bedding/sealant-choice'
import { sealant, type SealantId } from '../../base/materials/sealants'
import { dayAfter, daySaid } from '../../base/quantity/day'
import type { Check } from '../../base/verdict/check'
import type { Launch } from '../../boat/place'
import type { Bedded } from './bed'
import type { ThroughHullDesign } from './design'

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

/**
 * What is chosen and would not be cured in time is tight, with the day on which it would be ready: bedded
 * today, as nobody can bed it earlier.
 */
export function lateFor(c: Check, s: Bedded, d: ThroughHullDesign, launch: Launch | undefined): Check {
  if (!launch || !s.chosen || c.verdict === 'short' || c.verdict === 'unproven' || d.place.zMm >= 0) return c
  const days = daysToFloat(s.chosen, d.bedding.tempC, d.bedding.humidityPct)
  const { title } = sealant(s.chosen)
  const launched = `she is launched on ${daySaid(launch.on)}`
  if (days === null)
    return {
      ...c,
      verdict: 'tight',
      because: `${c.because} On such a day ${title} does not cure, and ${launched}.`,
    }
  const late = Math.ceil(days - launch.inDays - 1e-9)
  if (late <= 0) return c
  const ready = daySaid(dayAfter(launch.on, late))
  return {
    ...c,
    verdict: 'tight',
    because: `${c.because} Bedded today it is fit to float about ${ready}; ${launched}, ${late} day${late === 1 ? '' : 's'} too early. One that cures in time, or a later launch.`,
  }
}
