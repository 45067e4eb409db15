import { z } from 'zod'
import { MEASURABLE, structureSchema, type Measurable } from '../base/materials/structure'
import { dutySchema } from '../base/schema/schema'
import { structureOf, zoneAt, zoneOfPlace, type BoatZone } from '../boat/spot'
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

/** The surface at another place: a side of the hull is one for both sides, a deck is by where it lies. */
export function zoneThere(
  d: { place: FittingPlace },
  zones: BoatZone[],
  at: { xMm: number; yMm: number },
): BoatZone | null {
  const now = zones.find((z) => z.code === d.place.zone)
  return now && !['deck', 'roof'].includes(now.face) ? now : zoneAt(zones, at)
}
/** A copy of it at another place or across the centreline: on the surface that is there, nothing measured. */
export function copiedSurface<P extends FittingPlace>(
  d: { place: P },
  how: { mirror: boolean; xMm: number; yMm: number },
  zones: BoatZone[],
) {
  const yMm = how.mirror ? (d.place.yMm === 0 ? 0 : -d.place.yMm) : how.yMm
  const at = { xMm: how.mirror ? d.place.xMm : how.xMm, yMm }
  const zone = zoneThere(d, zones, at)
  return {
    place: { ...d.place, ...at, zone: zone ? zone.code : null, measuredFrom: [] },
    ...(zone ? structureOf(zone) : { measured: [] as Measurable[] }),
    structureReason: null,
  }
}
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
