import type { Structure } from '../../base/materials/structure'
import type { KindSpot } from '../kind'
import type { RigEntry } from './catalogue'
import { RIG_VERSION, rigSchema, type RigDesign } from './design'
import { RIG_FAMILY } from './families'
import { startSet } from './set-start'

const faceOf = (s: Structure): NonNullable<RigDesign['slot']>['face'] => {
  if (s.kind === 'metal') return s.metal === 'mild-steel' ? 'steel' : 'aluminium'
  return s.kind === 'timber' ? 'wood' : 'gelcoat'
}
const PLY = { kneeEMPa: 10_000, kneeMm: 15 }
const bondOf = (e: RigEntry): RigDesign['bond'] =>
  e.family === 'bonded'
    ? {
        lengthMm: 250,
        widthMm: 120,
        sides: 2,
        kneeNPerMm: PLY.kneeEMPa * PLY.kneeMm,
        gMPa: 600,
        glueMm: 1,
        bond: null,
      }
    : null
const slotOf = (e: RigEntry, s: Structure): RigDesign['slot'] =>
  RIG_FAMILY[e.family].slot
    ? {
        lengthMm: e.plate.widthMm + 3,
        widthMm: e.plate.thicknessMm + 3,
        filled: s.kind !== 'sandwich',
        cover: true,
        sealant: null,
        face: faceOf(s),
      }
    : null
/** A first design by the maker's sizes; what nobody has measured stays unproven. */
export function startRig(e: RigEntry, spot: KindSpot, name: string): RigDesign {
  const own = RIG_FAMILY[e.family]
  const s = spot.structure
  return rigSchema.parse({
    schemaVersion: RIG_VERSION,
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
    structure: s,
    measured: spot.measured,
    duty: spot.duty,
    ...(e.set
      ? { wire: null, plate: null, pin: null, set: startSet(e, spot) }
      : {
          wire: { breakingN: e.breakingN, misalignDeg: 0, leverMm: own.slot ? 40 : 20, inPlaneDeg: 0 },
          plate: { ...e.plate, grade: 'ss-316' },
          pin: { diameterMm: e.pinMm, grade: 'ss-316-drawn' },
        }),
    ...(e.family === 'strap'
      ? // What she weighs when nobody has said: she is refused nothing, and asked for it.
        { drogue: { displacementKg: spot.boat?.displacementKg ?? 5000, share: 0.7 } }
      : {}),
    bolts: e.bolts && {
      points: Array.from({ length: e.bolts.count }, (_, i) => ({
        xMm: e.bolts!.firstMm + i * e.bolts!.pitchMm,
        yMm: 0,
      })),
      diameterMm: e.bolts.diameterMm,
      holeMm: e.bolts.diameterMm + 1,
      grade: 'A4-80',
    },
    hull: null,
    bond: bondOf(e),
    slot: slotOf(e, s),
    creep: [],
    seen: { beadBroken: false, weeps: false, kneeLifts: false },
    drawnOn: null,
    tempC: 15,
    humidityPct: 65,
  })
}
