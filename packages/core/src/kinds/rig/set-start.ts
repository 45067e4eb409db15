import { fullThickness } from '../../base/materials/structure'
import type { KindSpot } from '../kind'
import type { RigEntry } from './catalogue'
import type { RigDesign } from './design'

/** Three screws on a circle round the bore, the first above it. */
const jigRound = (radiusMm: number) =>
  [90, 210, 330].map((deg) => ({
    xMm: Math.round(10 * radiusMm * Math.cos((deg * Math.PI) / 180)) / 10,
    yMm: Math.round(10 * radiusMm * Math.sin((deg * Math.PI) / 180)) / 10,
  }))
const LAMINATE_E = 14_000
/** Typical of its size; what nobody has measured or said stays unproven. */
export function startSet(e: RigEntry, spot: KindSpot): RigDesign['set'] {
  const s = e.set
  if (!s) return null
  const plyMm = 0.9
  const plies = 6
  return {
    loadN: null,
    shaft: s.shaftMm === null ? null : { diameterMm: s.shaftMm, spanMm: 1200, bearingMm: null },
    jig: e.family === 'knee' ? null : { screws: jigRound(s.jigMm), pitchMm: 1.25, leverMm: 0 },
    sights: [],
    recess: s.recess && { ...s.recess, hardener: 'slow' },
    tabs: {
      lengthMm: s.footMm,
      widthMm: 50 + 25 * (plies - 1),
      sides: 2,
      ownNPerMm: LAMINATE_E * Math.max(6, fullThickness(spot.structure)),
      tabNPerMm: LAMINATE_E * plies * plyMm,
      plies,
      plyMm,
      filletMm: 20,
      gMPa: 600,
      glueMm: 1,
      bond: null,
    },
  }
}
