import { SHEETS_MM } from '../../chapters/making/sheets'
import type { KindSpot } from '../kind'
import type { ClosureEntry } from './catalogue'
import { CLOSURE_VERSION, closureSchema, type ClosureDesign } from './design'

/** A skin under this is ground from one side: half of it would leave nothing to bond to. */
export const ONE_SIDE_MM = 8

/** Two metres of it from where it leaks; three tapes that step out. */
const jointAt = (spot: KindSpot) => ({
  path: [0, 2000].map((by) => ({ xMm: spot.xMm + by, yMm: spot.yMm, zMm: spot.zMm })),
  gapMm: 2,
  depthMm: 15,
  filletMm: 15,
  angleDeg: 90,
  tapesMm: [100, 150, 200],
  pieceMm: 2000,
  screws: 0,
  minutesEach: 2,
  hardener: 'slow' as const,
})
const BLOCK = {
  way: 'laid' as const,
  lengthMm: 250,
  widthMm: 120,
  thickMm: 20,
  thinMm: null,
  trimMm: 10,
  taper: 'plane' as const,
  hardener: 'medium' as const,
  sheetsMm: SHEETS_MM,
}
/** A first design: what the place asks for, in epoxy, from the outside. */
export function startClosure(e: ClosureEntry, spot: KindSpot, name: string): ClosureDesign {
  const s = spot.structure
  const thick = s.kind !== 'sandwich' && s.thicknessMm >= ONE_SIDE_MM
  return closureSchema.parse({
    schemaVersion: CLOSURE_VERSION,
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
    holes: e.holeMm > 0 ? [{ label: null, dxMm: 0, dyMm: 0, holeMm: e.holeMm }] : [],
    joint: e.family === 'joint' ? jointAt(spot) : null,
    block: e.family === 'block' ? BLOCK : null,
    way: 'laminate',
    access: 'both',
    sides: thick ? 'both' : 'one',
    cloth: 'biaxial-400',
    order: 'large-first',
    resin: 'epoxy',
    highlyLoaded: false,
    coreState: 'unknown',
    tempC: 15,
    humidityPct: 65,
  })
}
