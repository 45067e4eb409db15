import { closure } from '@north-tide/core/closure'
import { kindBench } from './kind-bench'

/** One job of closing holes on the bench. */
export const useClosure = kindBench(closure, (d) => ({
  sizeMm: null,
  sizeIsCatalogues: false,
  tempC: d.tempC,
  airC: null,
  humidityPct: d.humidityPct,
  hullMm: null,
  deadriseDeg: null,
  place: d.place,
}))
