import { opening } from '@north-tide/core/opening'
import { kindBench } from './kind-bench'

/** One opening on the bench. */
export const useOpening = kindBench(opening, (d) => ({
  sizeMm:
    d.outline.kind === 'circle'
      ? d.outline.diameterMm
      : d.outline.kind === 'rect'
        ? Math.max(d.outline.lengthMm, d.outline.widthMm)
        : null,
  sizeIsCatalogues: true,
  tempC: null,
  airC: null,
  humidityPct: null,
  hullMm: null,
  deadriseDeg: null,
  place: d.place,
}))
