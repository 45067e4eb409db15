import type { Structure } from '../../base/materials/structure'
import { fullThickness } from '../../base/materials/structure'
import type { KindSpot } from '../kind'
import type { RowEntry } from './catalogue'
import { ROW_VERSION, rowSchema, type RowDesign } from './design'

const faceOf = (s: Structure): RowDesign['bedding']['face'] => {
  if (s.kind === 'metal') return s.metal === 'mild-steel' ? 'steel' : 'aluminium'
  return s.kind === 'timber' ? 'wood' : 'gelcoat'
}
/** As long as a row of four begins, fore and aft through the spot; its own line is drawn next. */
const MEMBERS = 3
const BOLTS = 9
/** A first row along a straight line from the spot aft; what nobody has measured stays unproven. */
export function startRow(e: RowEntry, spot: KindSpot, name: string): RowDesign {
  const long = Math.ceil(e.pitch.wantedMm * (e.memberId ? MEMBERS : BOLTS))
  const at = (xMm: number) => ({ xMm, yMm: spot.yMm, zMm: spot.zMm })
  return rowSchema.parse({
    schemaVersion: ROW_VERSION,
    name,
    family: e.family,
    catalogueId: e.id,
    place: {
      zone: spot.zone,
      xMm: spot.xMm,
      yMm: spot.yMm,
      zMm: spot.zMm,
      belowWaterline: spot.belowWaterline,
      measuredFrom: spot.measuredFrom ?? [],
    },
    structure: spot.structure,
    measured: spot.measured,
    duty: spot.duty,
    path: [at(spot.xMm), at(spot.xMm + long)],
    fromMm: 0,
    toMm: long,
    // A track has its own holes: it goes where it goes, and its ends follow.
    ends: e.family === 'track' ? 'free' : 'fixed',
    endToleranceMm: null,
    footprintMm: e.footprintMm,
    pitch: e.pitch,
    count: null,
    keepouts: [],
    mapMarginMm: 30,
    memberId: e.memberId,
    bolt: { diameterMm: e.boltMm, holeMm: Math.round((e.boltMm + 0.5) * 10) / 10 },
    strip: e.strip && {
      ...e.strip,
      material: 'ss-316',
      easy: { chordMm: 2000, sagittaMm: 40 },
      edge: null,
      boltTensionN: null,
      stockMm: 6000,
    },
    bends: [],
    bedding: { sealant: null, face: faceOf(spot.structure) },
    tempC: 15,
    humidityPct: 65,
    through: spot.measured.length ? { thicknessMm: fullThickness(spot.structure), flareDeg: 0 } : null,
  })
}
