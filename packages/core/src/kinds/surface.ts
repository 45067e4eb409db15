import { z } from 'zod'
import { MEASURABLE, structureSchema } from '../base/materials/structure'
import { dutySchema } from '../base/schema/schema'
import { zoneOfPlace, type BoatZone } from '../boat/spot'
import { measureSchema } from '../boat/where'
import type { Changed, FittingPlace } from './kind'
import { staleAgainst, type OnDeck } from './stale'

/** What the design of a kind has that stands on a surface of the boat: where, and what is there. */
export const surfaceFields = {
  place: z.strictObject({
    zone: z.string().max(80).nullable(),
    xMm: z.number(),
    yMm: z.number(),
    zMm: z.number(),
    belowWaterline: z.boolean(),
    measuredFrom: z.array(measureSchema).max(12).default([]),
  }),
  structure: structureSchema,
  structureReason: z.string().max(300).nullable().default(null),
  measured: z.array(z.enum(MEASURABLE)),
  duty: dutySchema,
  dutyReason: z.string().max(300).nullable().default(null),
}
type OnSurface = OnDeck & { place: FittingPlace }

/** The design on the boat as its zone says it is now. */
export function asSurveyed<D extends OnSurface>(d: D, zones: BoatZone[]): D {
  const stale = staleAgainst(d, zoneOfPlace(zones, d.place))
  return stale ? { ...d, structure: stale.structure, measured: stale.measured } : d
}
/** What the survey says otherwise than the design, and what would take it over. */
export function surveyedOtherwise(d: OnSurface, zones: BoatZone[]): Changed | null {
  const zone = zoneOfPlace(zones, d.place)
  const stale = zone && staleAgainst(d, zone)
  return stale
    ? { changes: stale.changes, take: { structure: stale.structure, measured: stale.measured } }
    : null
}
