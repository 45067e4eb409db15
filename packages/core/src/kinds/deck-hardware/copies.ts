import { spotFor, zoneAt, zoneOfPlace, zoneTitle, type BoatZone } from '../../boat/spot'
import type { Design } from './design'
import { toBoat } from '../../base/geometry/turn'

/** Its bolts from its middle, in the boat's directions. */
export const boltsOnBoat = (d: Pick<Design, 'bolts' | 'headingDeg'>) => d.bolts.map((b) => toBoat(d, b))

/**
 * The same fitting on the other side: y, pattern, plate, pads and load turned over the centreline, on the
 * deck that is there.
 */
export function mirrored(d: Design, zones: BoatZone[], name: string): Design {
  const flip = <P extends { xMm: number; yMm: number }>(p: P): P => ({ ...p, yMm: p.yMm === 0 ? 0 : -p.yMm })
  const load = (l: Design['load']): Design['load'] => {
    const out = { ...l }
    if (out.azimuthDeg !== undefined) out.azimuthDeg = out.azimuthDeg === 0 ? 0 : -out.azimuthDeg
    if (out.pointMm) out.pointMm = { ...out.pointMm, y: out.pointMm.y === 0 ? 0 : -out.pointMm.y }
    if (out.headingDeg) out.headingDeg = -out.headingDeg
    if (out.basis === 'person' && out.kind === 'guard') out.side = d.place.yMm > 0 ? 'port' : 'starboard'
    if (out.sweep?.azimuthDeg)
      out.sweep = {
        ...out.sweep,
        azimuthDeg: {
          ...out.sweep.azimuthDeg,
          from: -out.sweep.azimuthDeg.to,
          to: -out.sweep.azimuthDeg.from,
        },
      }
    return out
  }
  const turned: Design = {
    ...d,
    name,
    headingDeg: d.headingDeg === 0 ? 0 : -d.headingDeg,
    bolts: d.bolts.map(flip),
    load: load(d.load),
    cases: d.cases.map((c) => ({ ...c, load: load(c.load) })),
    plate: d.plate
      ? { ...d.plate, outline: d.plate.outline ? d.plate.outline.map(flip).reverse() : null }
      : null,
  }
  return moved(turned, zones, { xMm: d.place.xMm, yMm: d.place.yMm === 0 ? 0 : -d.place.yMm }, name)
}

/**
 * The same fitting at another place, on what the deck is there: what was bought or measured for the first
 * does not go with it.
 */
export function moved(d: Design, zones: BoatZone[], at: { xMm: number; yMm: number }, name: string): Design {
  const zone = zoneAt(zones, at)
  const spot = spotFor(zone, at, boltsOnBoat(d), d.duty)
  const cored = spot.structure.kind === 'sandwich'
  return {
    ...d,
    name,
    structureReason: null,
    unevenMm: [],
    place: {
      ...d.place,
      zone: spot.zone,
      xMm: spot.xMm,
      yMm: spot.yMm,
      zMm: spot.zMm,
      edgeMm: spot.edgeMm,
      belowWaterline: spot.belowWaterline,
      measuredFrom: [],
    },
    structure: zone ? spot.structure : d.structure,
    measured: zone ? spot.measured : [],
    core: {
      ...d.core,
      school: cored ? (d.core.school === 'none' ? 'bore-fill' : d.core.school) : 'none',
      ...(cored ? {} : { boreMm: null }),
    },
    doubler: spot.structure.kind === 'metal' ? d.doubler : null,
  }
}

/**
 * This fitting itself at another place, with all that the place decides: zone, layup, height, edge
 * distance, what is above the water.
 * A deck of its own that the fitter gave a reason for stays. `said` is what changed with it, in words;
 * empty where only the place did.
 */
export function shifted(
  d: Design,
  zones: BoatZone[],
  to: { xMm: number; yMm: number; headingDeg?: number },
): { design: Design; said: string[] } {
  const at = { xMm: to.xMm, yMm: to.yMm }
  const headingDeg = to.headingDeg ?? d.headingDeg
  const moves = at.xMm !== d.place.xMm || at.yMm !== d.place.yMm
  const place = { ...d.place, ...at }
  const zone = zoneOfPlace(zones, place)
  const side = zone !== null && zone === zones.find((z) => z.code === d.place.zone)
  const spot = spotFor(
    zone,
    side && zone.face !== 'deck' && zone.face !== 'roof' ? place : at,
    boltsOnBoat({ ...d, headingDeg }),
    d.duty,
  )
  const own = d.structureReason !== null
  const there = moved(d, zones, at, d.name)
  const design: Design = {
    ...d,
    headingDeg,
    place: {
      ...d.place,
      zone: spot.zone,
      xMm: at.xMm,
      yMm: at.yMm,
      zMm: zone && moves ? spot.zMm : d.place.zMm,
      edgeMm: spot.edgeMm,
      belowWaterline: zone && moves ? spot.belowWaterline : d.place.belowWaterline,
      measuredFrom: moves ? [] : d.place.measuredFrom,
    },
    ...(own || !zone || spot.zone === d.place.zone
      ? {}
      : {
          structure: spot.structure,
          measured: spot.measured,
          core: there.core,
          doubler: there.doubler,
          unevenMm: [],
        }),
  }
  return { design, said: saidOf(d, design, zones, { moves, own, known: zone !== null }) }
}
/** What went with it, in words. */
function saidOf(
  was: Design,
  now: Design,
  zones: BoatZone[],
  p: { moves: boolean; own: boolean; known: boolean },
): string[] {
  const to = zoneTitle(zones, now.place.zone)
  const layup = p.own
    ? ', and keeps the deck of its own'
    : p.known
      ? ' and takes its layup'
      : ', whose layup nobody has given'
  return [
    ...(now.place.zone === was.place.zone ? [] : [`it stands on ${to} now${layup}`]),
    ...(now.place.edgeMm === was.place.edgeMm ? [] : ['the edge distance is the plan\u2019s again']),
    ...(p.moves && was.place.measuredFrom.length ? ['it is no longer a measured place'] : []),
  ]
}
