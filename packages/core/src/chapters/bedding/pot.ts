import { rank, type Verdict } from '../../base/verdict/check'
import { epoxyBatchOf, HARDENERS, HARDENER_IDS, potLifeAt, type Hardener } from './epoxy-batch'

/** One mix of epoxy for one bond: what goes in, how long it can be worked, when it is hard. */
export interface Pot {
  /** mixed, with what stays in the cup */
  ml: number
  hardener: Hardener | null
  potLifeMin: number | null
  gelMin: number | null
  /** hours until it may be ground or loaded */
  sandH: number | null
  batches: number
  fillerG: number
  verdict: Verdict
  because: string
}
/** Typical of wiping, wetting and drawing one joint up. */
export const WORKING_MIN = 15
const IN_HAND = 0.9
/** 2 : 1 by volume, 15 % left in the cup (4.5). */
const USUAL = { wasteFraction: 0.15, ratio: 2, onePot: false, resinGPerMl: 1.15, hardenerGPerMl: 0.98 }

/** The fastest that leaves a tenth of its pot life in hand on such a day; undefined where none does. */
const easyHardener = (tempC: number) =>
  HARDENER_IDS.find((h) => WORKING_MIN <= IN_HAND * potLifeAt(h, tempC) && tempC >= HARDENERS[h].lowestC)

/**
 * A pot of filled epoxy by 4.5: null where none is needed. `hardener` is what the shop has; left out, the
 * fastest that gives the time.
 */
export function potOf(
  neededMl: number,
  day: { tempC: number; ratio?: number; hardener?: Hardener | null },
  use: 'wet-out' | 'syrup' | 'mayonnaise' | 'peanut-butter',
): Pot | null {
  if (!(neededMl > 0)) return null
  const tempC = Math.max(-20, Math.min(60, day.tempC))
  const hardener = day.hardener ?? easyHardener(tempC)
  const m = epoxyBatchOf({
    ...USUAL,
    ...(day.ratio === undefined ? {} : { ratio: day.ratio }),
    neededMl,
    tempC,
    workingMinutes: WORKING_MIN,
    use,
    ...(hardener ? { hardener } : {}),
  })
  return {
    ml: m.mixedMl,
    hardener: m.hardener,
    potLifeMin: m.potLifeMin,
    gelMin: m.gelMin,
    sandH: m.sandH,
    batches: m.batches,
    fillerG: m.fillerG,
    verdict: m.verdict,
    because: m.because,
  }
}
/** The worst of several, the first among equals; null where there is none. */
export const worstPot = <P extends { pot: Pot }>(pots: P[]): P | null =>
  pots.reduce<P | null>((a, b) => (!a || rank(b.pot.verdict) < rank(a.pot.verdict) ? b : a), null)
