import type { Transaction } from 'sequelize'
import { launchOf, ownFigures, plainHole } from '@north-tide/core'
import type { AnyDesign, Around, BoatPart, BoatZone, HoleRow, LogLine, YardValue } from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { breather } from '../breath'
import { Fitting, type Boat } from '../models'
import { partsOfBoat } from './boats'
import { designOf } from './designs'
import { zonesOf } from './zones'
import { holesOf } from './every-hole'
import { wetSpotsOf } from './wet'
import { yardsOwn } from './yard'

/** A boat as an act needs it: read once, passed along, the same for every fitting that is looked at. */
export interface Snapshot {
  boat: Boat
  zones: BoatZone[]
  parts: BoatPart[]
  yard: YardValue[]
  goods: unknown[]
  holes: HoleRow[]
  wet: Around['wet']
  fittings: Fitting[]
  /** each fitting's design as this version reads it */
  designs: Map<string, AnyDesign>
}

export async function snapshotOf(boat: Boat, transaction: Transaction | null = null): Promise<Snapshot> {
  const boatId = boat.id
  const [zones, parts, { yard, goods }, holes, fittings] = await Promise.all([
    zonesOf(boatId, transaction),
    partsOfBoat(boatId, transaction),
    yardsOwn(transaction),
    holesOf(boatId, { transaction }),
    fittingsOf(boatId, transaction),
  ])
  const wet = await wetSpotsOf(boatId, zones, transaction)
  return {
    boat,
    zones,
    parts,
    yard,
    goods,
    holes,
    wet,
    fittings,
    designs: await designsOf(fittings),
  }
}
async function designsOf(fittings: Fitting[]) {
  const designs = new Map<string, AnyDesign>()
  const othersTurn = breather()
  for (const f of fittings) {
    designs.set(f.id, designOf(f))
    await othersTurn()
  }
  return designs
}
export const fittingsOf = (boatId: string, transaction: Transaction | null = null) =>
  Fitting.findAll({
    where: { boatId },
    order: [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  })

/** A row is as good as its members, so it is judged when they have been. */
export function membersFirst(fittings: Fitting[]): Fitting[] {
  const rows = new Set(fittings.map((f) => f.groupId))
  return [...fittings].sort((p, q) => Number(rows.has(p.id)) - Number(rows.has(q.id)))
}
/** What stands round one fitting of the boat, or round one that is yet to be. */
export function aroundIn(s: Snapshot, self: string | null, log: LogLine[]): Around {
  // One that was replaced is no longer there, so it is nobody's neighbour.
  const gone = new Set(s.fittings.flatMap((f) => (f.replacesId ? [f.replacesId] : [])))
  const before = s.fittings.find((f) => f.id === self)?.replacesId ?? null
  const others = s.fittings
    .filter((f) => f.id !== self && !gone.has(f.id) && f.id !== before)
    .map((f) => ({
      id: f.id,
      kind: f.kind,
      name: f.name,
      design: s.designs.get(f.id)!,
      outline: kindNamed(f.kind).footprint(s.designs.get(f.id)!),
      verdict: f.verdict,
      groupId: f.groupId ?? null,
    }))
  return {
    zones: s.zones,
    parts: s.parts,
    holes: s.holes.filter((h) => self === null || h.fittingId !== self).map(plainHole),
    wet: s.wet,
    yard: s.yard,
    goods: s.goods,
    log,
    others,
    members: self === null ? [] : others.filter((o) => o.groupId === self),
    units: s.boat.units,
    boat: ownFigures(s.boat),
    today: new Date().toISOString().slice(0, 10),
    launch: launchOf(s.boat.launchOn, Date.now()) ?? undefined,
  }
}
