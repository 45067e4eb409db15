import { fullThickness } from '../../base/materials/structure'
import type { KindSpot } from '../kind'
import type { RigEntry } from './catalogue'
import { LAMINATE_E } from './glue'
import type { RigDesign } from './design'

/** Three screws on a circle round the bore, the first above it. */
const jigRound = (radiusMm: number) =>
  [90, 210, 330].map((deg) => ({
    xMm: Math.round(10 * radiusMm * Math.cos((deg * Math.PI) / 180)) / 10,
    yMm: Math.round(10 * radiusMm * Math.sin((deg * Math.PI) / 180)) / 10,
  }))
/** They are sighted: a shaft's line, or the plumb line under a step. */
const JIGGED: readonly RigEntry['family'][] = ['strut', 'post']
/** A tube as it stands under most masts of this size; its foot as large as its plate. */
const columnOf = (s: NonNullable<RigEntry['set']>): NonNullable<RigDesign['set']>['column'] =>
  s.tubeMm === undefined
    ? null
    : {
        outsideMm: s.tubeMm.outside,
        wallMm: s.tubeMm.wall,
        lengthMm: s.tubeMm.length,
        grade: 'al-6061',
        footMm2: s.footMm * s.footMm,
        footMPa: null,
      }
const glueStart = (s: NonNullable<RigEntry['set']>): NonNullable<RigDesign['set']>['glue'] =>
  s.plateMm === undefined
    ? null
    : {
        lengthMm: s.footMm,
        widthMm: s.plateMm.wide,
        thicknessMm: s.plateMm.thick,
        plateMPa: 18_000,
        lineMm: 0.8,
        gMPa: 300,
        adhesive: 'methacrylate',
        bond: null,
        dryRunMin: null,
      }
/** Typical of its size; what nobody has measured or said stays unproven. */
export function startSet(e: RigEntry, spot: KindSpot): RigDesign['set'] {
  const s = e.set
  if (!s) return null
  const plyMm = 0.9
  const plies = 6
  return {
    loadN: null,
    shaft: s.shaftMm === null ? null : { diameterMm: s.shaftMm, spanMm: 1200, bearingMm: null, grade: null },
    grade: e.family === 'strut' ? 'silicon-bronze' : null,
    column: columnOf(s),
    glue: glueStart(s),
    jig: !JIGGED.includes(e.family) ? null : { screws: jigRound(s.jigMm), pitchMm: 1.25, leverMm: 0 },
    sights: [],
    recess: s.recess && { ...s.recess, hardener: 'slow' },
    tabs: s.plateMm
      ? null
      : {
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
