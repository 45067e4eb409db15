import dayjs from 'dayjs'
import type { Transaction } from 'sequelize'
import { launchOf, ownFigures, plainHole } from '@north-tide/core'
import type {
  AnyDesign,
  Around,
  BoatHole,
  BoatPart,
  BoatZone,
  HoleRow,
  LogLine,
  YardValue,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { breather } from '../breath'
import { Fitting, type Boat } from '../models'
import { designOf } from './designs'
import { holesOf } from './holes'
import { keptBoat, type FittingRow, type Marks } from './kept-boat'
import { once } from './once'
import { partsOfBoat } from './parts-of-boat'
import { wetSpotsOf } from './wet'
import { yardsOwn } from './yard'
import { zonesOf } from './zones'

/** A boat as an act needs it: read once, passed along, the same for every fitting that is looked at. */
export interface Snapshot<F extends FittingRow = FittingRow> {
  boat: Boat
  zones: BoatZone[]
  parts: BoatPart[]
  yard: YardValue[]
  goods: unknown[]
  holes: HoleRow[]
  wet: Around['wet']
  /** each to be read, within a transaction its own to write in; the list stays as it is */
  fittings: F[]
  /** each fitting's design as this version reads it */
  designs: Map<string, AnyDesign>
}

/**
 * To be read and judged by: what nobody has changed is not read anew. A transaction may ask that has written
 * nothing yet; `marks` are hers as they were taken just now.
 */
export async function snapshotOf(
  boat: Boat,
  transaction: Transaction | null = null,
  marks: Marks | null = null,
): Promise<Snapshot> {
  const { holes, surfaces, fittings, own } = await keptBoat(boat.id, transaction, marks)
  return {
    boat,
    ...surfaces,
    ...own,
    holes: holes.rows,
    fittings: Object.freeze(fittings.rows.map((f) => ({ ...f }))) as FittingRow[],
    designs: fittings.designs,
  }
}
/** As a transaction sees her that may have changed her itself: all of her is read. */
export async function snapshotWithin(boat: Boat, transaction: Transaction): Promise<Snapshot<Fitting>> {
  const boatId = boat.id
  const zones = await zonesOf(boatId, transaction)
  const parts = await partsOfBoat(boatId, transaction)
  const { yard, goods } = await yardsOwn(transaction)
  const holes = await holesOf(boatId, { transaction })
  const fittings = await fittingsOf(boatId, transaction)
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
export const fittingsOf = (boatId: string, transaction: Transaction) =>
  Fitting.findAll({
    where: { boatId },
    order: [
      ['createdAt', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  })

const plain = once((hole: HoleRow) => plainHole(hole))
const plainHoles = once((holes: HoleRow[]) => holes.map((h) => plain(h)))
const footprint = once((d: AnyDesign, kind: string) => kindNamed(kind).footprint(d))

/** Where in the list the holes of each fitting stand. */
const placesOf = once((holes: HoleRow[]) => {
  const places = new Map<string, number[]>()
  holes.forEach(({ fittingId: id }, i) => {
    if (id !== null) (places.get(id) ?? places.set(id, []).get(id)!).push(i)
  })
  return places
})
/** All holes but one's own. */
function holesAround(holes: HoleRow[], self: string | null): BoatHole[] {
  const all = plainHoles(holes)
  const own = self === null ? undefined : placesOf(holes).get(self)
  if (!own) return all
  const others = all.slice()
  for (const i of own.toReversed()) others.splice(i, 1)
  return others
}

/** A row is as good as its members, so it is judged when they have been. */
export function membersFirst<F extends FittingRow>(fittings: F[]): F[] {
  const rows = new Set(fittings.map((f) => f.groupId))
  return [...fittings].sort((p, q) => Number(rows.has(p.id)) - Number(rows.has(q.id)))
}
type Neighbour = Around['others'][number]
/** One that was replaced is no longer there, so it is nobody's neighbour. */
const replacedIn = once(
  (fittings: FittingRow[]) => new Set(fittings.flatMap((f) => (f.replacesId ? [f.replacesId] : []))),
)
/** As its neighbours see a fitting: the same to all of them for as long as nothing of it is written. */
const seen = new WeakMap<FittingRow, Neighbour>()
function neighbour(f: FittingRow, design: AnyDesign): Neighbour {
  const had = seen.get(f)
  if (
    had?.design === design &&
    had.verdict === f.verdict &&
    had.name === f.name &&
    had.groupId === (f.groupId ?? null)
  )
    return had
  const now: Neighbour = {
    id: f.id,
    kind: f.kind,
    name: f.name,
    design,
    outline: footprint(design, f.kind),
    verdict: f.verdict,
    groupId: f.groupId ?? null,
  }
  seen.set(f, now)
  return now
}
/** A boat as one fitting after another is looked at. */
export interface Round {
  /** what stands round one of its fittings, or round one that is yet to be */
  of(self: string | null, log: LogLine[]): Around
  /** another verdict stands in a row of the snapshot: those that follow see it so */
  turned(f: FittingRow): void
}
export function roundOf(s: Snapshot): Round {
  const gone = replacedIn(s.fittings)
  const all = s.fittings.filter((f) => !gone.has(f.id)).map((f) => neighbour(f, s.designs.get(f.id)!))
  const at = (id: string | null) => all.findIndex((o) => o.id === id)
  const same = {
    zones: s.zones,
    parts: s.parts,
    wet: s.wet,
    yard: s.yard,
    goods: s.goods,
    units: s.boat.units,
    boat: ownFigures(s.boat),
    today: dayjs().format('YYYY-MM-DD'),
    launch: launchOf(s.boat.launchOn, Date.now()) ?? undefined,
  }
  return {
    of(self, log) {
      const own = at(self)
      const others = own < 0 ? all.slice() : all.toSpliced(own, 1)
      const members = self === null ? [] : others.filter((o) => o.groupId === self)
      return { ...same, holes: holesAround(s.holes, self), log, others, members }
    },
    turned(f) {
      const own = at(f.id)
      if (own >= 0) all[own] = neighbour(f, s.designs.get(f.id)!)
    },
  }
}
export const aroundIn = (s: Snapshot, self: string | null, log: LogLine[]): Around => roundOf(s).of(self, log)
