import { structureOf, zoneTitle, type BoatZone } from '../../boat/spot'
import type { Measure } from '../../boat/where'
import { zoneThere } from '../surface'
import type { OpeningDesign } from './design'

/**
 * The opening itself at another place, with the zone and the layup that are there and what the place was
 * measured from; a deck of its own that the fitter gave a reason for stays. `said` is what went with it;
 * empty where only the place did.
 */
export function openingMoved(
  d: OpeningDesign,
  zones: BoatZone[],
  at: { xMm?: number; yMm?: number },
  measuredFrom: Measure[] = [],
): { change: Record<string, unknown>; said: string } {
  const to = { xMm: d.place.xMm, yMm: d.place.yMm, ...at }
  const zone = zoneThere(d, zones, to)
  const place = { ...d.place, ...to, zone: zone?.code ?? null, measuredFrom }
  if (place.zone === d.place.zone) return { change: { place }, said: '' }
  const own = d.structureReason !== null
  const layup = own
    ? ', and keeps the deck of its own'
    : zone
      ? ' and takes its layup'
      : ', whose layup nobody has given'
  return {
    change: { place, ...(own || !zone ? {} : structureOf(zone)) },
    said: `Moved: it stands on ${zoneTitle(zones, place.zone)} now${layup}.`,
  }
}
