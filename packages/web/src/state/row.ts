import { row } from '@north-tide/core/row'
import { kindBench } from './kind-bench'

/** One row on the bench. */
export const useRow = kindBench(row, (d) => ({
  sizeMm: d.bolt.holeMm,
  sizeIsCatalogues: true,
  tempC: d.tempC,
  airC: null,
  humidityPct: d.humidityPct,
  hullMm: d.through?.thicknessMm ?? null,
  deadriseDeg: null,
  place: d.place,
}))
