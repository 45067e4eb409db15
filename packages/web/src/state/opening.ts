import {
  opening,
  type OpeningDesign,
  type OpeningEntry,
  type OpeningJudgement,
  type Weakened,
} from '@north-tide/core/opening'
import { kindBench } from './kind-bench'

/** One opening on the bench. */
export const useOpening = kindBench<OpeningDesign, OpeningJudgement, OpeningEntry, Weakened>(
  opening,
  (d) => ({
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
  }),
  () => new Worker(new URL('../workers/weakened-worker.ts', import.meta.url), { type: 'module' }),
)
