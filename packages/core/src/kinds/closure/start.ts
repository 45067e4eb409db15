import type { KindSpot } from '../kind'
import type { ClosureEntry } from './catalogue'
import { CLOSURE_VERSION, closureSchema, type ClosureDesign } from './design'

/** A skin under this is ground from one side: half of it would leave nothing to bond to. */
export const ONE_SIDE_MM = 8

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
    holes: [{ label: null, dxMm: 0, dyMm: 0, holeMm: e.holeMm }],
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
