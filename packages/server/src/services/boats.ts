import { QueryTypes, type Transaction } from 'sequelize'
import { z } from 'zod'
import { mayDo, offBoat, parseInput, zoneTitle, type BoatZone } from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { ApiError, notFound } from '../errors'
import { Boat, Fitting, Station } from '../models'
import { must, type Account } from './access'
import { designOf } from './designs'
import { packed, type Packed } from '../packed'
import { keptBoat, pictureKeeper, type FittingRow } from './kept-boat'

export const summary = (b: Boat) => ({
  id: b.id,
  name: b.name,
  kind: b.kind,
  lengthMm: b.lengthMm,
  beamMm: b.beamMm,
  displacementKg: b.displacementKg,
  duty: b.duty,
  units: b.units,
  hullMaterial: b.hullMaterial,
  hullKind: b.hullKind,
  version: b.version,
  note: b.note,
  launchOn: b.launchOn,
  rig: b.rig,
  /** what is on record of her before this came with a file, which somebody read here */
  imported: b.importedAt ? { at: b.importedAt.toISOString(), by: b.importedBy! } : null,
  /** put away: read, and written in no more */
  archived: b.archivedAt ? { at: b.archivedAt.toISOString(), by: b.archivedBy!, why: b.archivedWhy! } : null,
})

export async function listBoats(who: Account) {
  const boats = await Boat.findAll({
    order: [
      ['isMain', 'DESC'],
      ['name', 'ASC'],
    ],
  })
  return boats.filter((b) => mayDo(who, 'read', b.id)).map(summary)
}

/** A boat that is about to be written to, held until the act is done. */
export async function boatFor(id: string, transaction: Transaction): Promise<Boat> {
  const boat = await Boat.findByPk(id, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })
  if (!boat) throw notFound('boat')
  return boat
}

export async function boatById(id: string, transaction: Transaction | null = null): Promise<Boat> {
  const boat = await Boat.findByPk(id, { transaction })
  if (!boat) throw notFound('boat')
  return boat
}

export const stationsOf = async (boatId: string) =>
  (await Station.findAll({ where: { boatId }, order: [['xMm', 'ASC']] })).map((s) => ({
    xMm: s.xMm,
    halfBreadthMm: s.halfBreadthMm,
    sheerMm: s.sheerMm,
    keelMm: s.keelMm,
  }))

/** A place that no boat of this outline has is refused, beside the figure that says so. */
export function refuseOffBoat(
  stations: { xMm: number; halfBreadthMm: number }[],
  at: { xMm: number; yMm: number },
  path = '',
) {
  const off = offBoat(stations, at)
  if (off) throw new ApiError(400, 'off-boat', off.message, `${path}${off.path}`)
}

/** All that the plan shows of one boat. */
export async function boatPicture(who: Account, id: string) {
  must(who, 'read', id)
  const { rest, holes } = await pictured(id)
  return { ...rest, holes: holes.rows }
}
/** The same as it goes over the line: of a boat that nobody touched nothing is written out anew. */
export async function boatPicturePacked(who: Account, id: string, asked: unknown): Promise<Packed> {
  must(who, 'read', id)
  const { holes } = parseInput(PICTURE, asked)
  return packedPicture[holes](id)
}
/** `holes`: each as an object, or all of them column by column, which is a fifth of it (`base/columns`). */
const PICTURE = z.object({ holes: z.enum(['rows', 'columns']).default('rows') })
const packedIn = (how: 'text' | 'columns') =>
  pictureKeeper(async (id) => {
    const { rest, holes } = await pictured(id)
    return packed(`${JSON.stringify(rest).slice(0, -1)},"holes":${holes[how]()}}`)
  })
const packedPicture = { rows: packedIn('text'), columns: packedIn('columns') }
async function pictured(id: string) {
  const boat = await boatById(id)
  const [stations, { surfaces, fittings, holes }, orders] = await Promise.all([
    stationsOf(id),
    keptBoat(id),
    ordersOn(id),
  ])
  const rest = {
    ...summary(boat),
    ...surfaces,
    stations,
    fittings: fittings.rows.map((f) => ({
      ...fittingRow(f, surfaces.zones),
      ordered: orders.has(f.id),
    })),
  }
  return { rest, holes }
}
/** Fittings that an order stands for. */
async function ordersOn(boatId: string): Promise<Set<string>> {
  const rows = await Fitting.sequelize!.query<{ id: string }>(
    `SELECT id FROM (SELECT DISTINCT ON (w.fitting_id) w.fitting_id AS id, w.undoes FROM work_log w JOIN fittings f ON f.id = w.fitting_id
      WHERE f.boat_id = $1 AND w.kind = 'order' ORDER BY w.fitting_id, w.id DESC) o WHERE NOT undoes`,
    { bind: [boatId], type: QueryTypes.SELECT },
  )
  return new Set(rows.map((r) => r.id))
}
/** A fitting, of whatever kind, as lists and the map show it. */
export function fittingRow(f: FittingRow, zones: BoatZone[]) {
  const kind = kindNamed(f.kind)
  const design = designOf(f)
  const { place } = design
  return {
    id: f.id,
    kind: f.kind,
    name: f.name,
    verdict: f.verdict,
    governing: f.governing,
    stale: f.stale ?? null,
    solverDue: f.solverDue,
    recorded: f.recordedAt !== null,
    version: f.version,
    replacesId: f.replacesId ?? null,
    family: design.family,
    what: kind.families[design.family] ?? kind.title,
    xMm: place.xMm,
    yMm: place.yMm,
    zMm: place.zMm,
    outline: kind.footprint(design),
    zone: place.zone === null ? null : zoneTitle(zones, place.zone),
    zoneCode: place.zone,
    ...kind.listed?.(design),
  }
}
