import { rig } from '@north-tide/core/rig'
import { kindBench } from './kind-bench'

/** One chainplate on the bench. */
export const useRig = kindBench(rig, (d) => ({
  sizeMm: d.slot ? Math.max(d.slot.lengthMm, d.slot.widthMm) : (d.bolts?.holeMm ?? null),
  sizeIsCatalogues: true,
  tempC: d.tempC,
  airC: null,
  humidityPct: d.humidityPct,
  hullMm: null,
  deadriseDeg: null,
  place: d.place,
}))
