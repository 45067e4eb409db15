import { QueryTypes, type InferAttributes } from 'sequelize'
import type { AnyDesign, BoatPart, BoatZone, HoleRow, WetSpot, YardValue } from '@north-tide/core'
import { breather } from '../breath'
import { Boat, Fitting } from '../models'
import { packed, type Packed } from '../packed'
import { partsOfBoat } from './parts-of-boat'
import { designOf, frozen } from './designs'
import { holesOf } from './holes'
import { wetSpotsOf } from './wet'
import { yardsOwn } from './yard'
import { zonesOf } from './zones'

/**
 * What of a boat is kept between two reads. Every act needs all of her, and hardly anything of her has
 * changed since the last: one statement asks what stands another way now, and only that is read anew.
 * What is kept is shared, so nobody may write in it. Not for use within a transaction that has written:
 * a row that it wrote twice looks the same to it.
 */
export type FittingRow = InferAttributes<Fitting>
interface Holes {
  rows: HoleRow[]
  /** the same as JSON, and that packed */
  text: () => string
  packed: () => Promise<Packed>
}
interface Surfaces {
  zones: BoatZone[]
  parts: BoatPart[]
  wet: Record<string, WetSpot[]>
}
interface Fittings {
  rows: FittingRow[]
  /** each one's design as this version reads it */
  designs: Map<string, AnyDesign>
}
export interface KeptBoat {
  holes: Holes
  surfaces: Surfaces
  fittings: Fittings
  own: { yard: YardValue[]; goods: unknown[] }
}

interface Marks {
  zones: string
  ground: string
  holes: string
  fittings: string
  own: string
  /** what of her is in her picture beside these: her own line, her outline, what is ordered */
  beside: string
}
/**
 * What no change leaves as it was: how many rows there are, and the sum of the transactions that wrote
 * them, which only grows. Fittings are marked one by one; of holes, which are thousands, the database
 * notes every statement that wrote in them.
 */
const markOf = (from: string) => `(SELECT concat_ws(' ', count(*), sum(x.xmin::text::bigint)) FROM ${from})`
const MARKS = `SELECT
  ${markOf('zones x WHERE x.boat_id = $1')} AS zones,
  concat_ws(' ',
    ${markOf('zone_layers x JOIN zones z ON z.id = x.zone_id WHERE z.boat_id = $1')},
    ${markOf('structures x WHERE x.boat_id = $1')},
    ${markOf(`readings x WHERE x.boat_id = $1 AND x.kind = 'moisture'`)}) AS ground,
  (SELECT concat_ws(' ', count(*), max(id), sum(id)) FROM hole_changes WHERE boat_id = $1) AS holes,
  (SELECT COALESCE(json_agg(json_build_array(x.id, x.xmin::text) ORDER BY x.created_at, x.id), '[]')::text
     FROM fittings x WHERE x.boat_id = $1) AS fittings,
  concat_ws(' ', ${markOf('yard_values x')}, ${markOf('goods x')}) AS own,
  concat_ws(' ',
    ${markOf('boats x WHERE x.id = $1')},
    ${markOf('outline_stations x WHERE x.boat_id = $1')},
    ${markOf("work_log x JOIN fittings f ON f.id = x.fitting_id WHERE f.boat_id = $1 AND x.kind = 'order'")}) AS beside`
async function marksOf(boatId: string): Promise<Marks> {
  const [row] = await Boat.sequelize!.query<Marks>(MARKS, { bind: [boatId], type: QueryTypes.SELECT })
  return row!
}

/** Her picture packed, made anew where anything of it is another than before. */
export function pictureKeeper(make: (boatId: string) => Promise<Packed>) {
  const kept = keeper<Packed>(make)
  return async (boatId: string): Promise<Packed> => {
    const m = await marksOf(boatId)
    return kept(boatId, [m.zones, m.ground, m.holes, m.fittings, m.beside].join(' | '))
  }
}

interface Marked<T> {
  mark: string
  value: Promise<T>
}
const MOST_BOATS = 150
/** Keeps what was read for as long as its mark is the same; those who ask meanwhile wait for one reading. */
function keeper<T>(read: (key: string, mark: string, before: Marked<T> | undefined) => Promise<T>) {
  const kept = new Map<string, Marked<T>>()
  return (key: string, mark: string): Promise<T> => {
    const there = kept.get(key)
    if (there?.mark === mark) return there.value
    const now: Marked<T> = { mark, value: read(key, mark, there) }
    // What could not be read is asked for again, and not remembered.
    now.value.catch(() => kept.get(key) === now && kept.delete(key))
    kept.delete(key)
    kept.set(key, now)
    if (kept.size > MOST_BOATS) kept.delete(kept.keys().next().value!)
    return now.value
  }
}

const holes = keeper<Holes>(async (boatId) => {
  const rows = await holesOf(boatId)
  for (const r of rows) Object.freeze(r)
  Object.freeze(rows)
  let text: string | undefined
  let small: Promise<Packed> | undefined
  const asText = () => (text ??= JSON.stringify(rows))
  return { rows, text: asText, packed: () => (small ??= packed(asText())) }
})
const surfaces = keeper<Surfaces>(async (boatId) => {
  const [zones, parts] = await Promise.all([zonesOf(boatId), partsOfBoat(boatId)])
  return frozen({ zones, parts, wet: await wetSpotsOf(boatId, zones) })
})
const own = keeper(async () => frozen(await yardsOwn()))

type RowMark = [id: string, mark: string]
/** Of a boat's fittings those are read anew that were written since, and no others. */
const fittings = keeper<Fittings>(async (_boatId, mark, before) => {
  const marks = JSON.parse(mark) as RowMark[]
  const had = await before?.value.catch(() => undefined)
  const hadMarks = new Map(before && had ? (JSON.parse(before.mark) as RowMark[]) : [])
  const known = new Map(had?.rows.map((r) => [r.id, r]))
  const changed = marks.filter(([id, m]) => !known.has(id) || hadMarks.get(id) !== m).map(([id]) => id)
  const read = new Map<string, FittingRow>()
  if (changed.length)
    for (const f of await Fitting.findAll({ where: { id: changed } })) read.set(f.id, f.get({ plain: true }))
  const rows: FittingRow[] = []
  const designs = new Map<string, AnyDesign>()
  const othersTurn = breather()
  for (const [id] of marks) {
    const row = read.get(id) ?? (changed.includes(id) ? undefined : known.get(id))
    // One that was taken away since it was marked.
    if (!row) continue
    rows.push(read.has(id) ? heldFast(row) : row)
    designs.set(id, read.has(id) ? designOf(row) : had!.designs.get(id)!)
    await othersTurn()
  }
  return { rows, designs }
})
function heldFast(row: FittingRow): FittingRow {
  frozen(row.design)
  frozen(row.solver)
  return Object.freeze(row)
}

/** A boat as she is now, of which only that is read which is another than before. */
export async function keptBoat(boatId: string): Promise<KeptBoat> {
  // The marks are taken first: what changes while the rest is read makes the next ones others.
  const m = await marksOf(boatId)
  const [h, s, f, o] = await Promise.all([
    holes(boatId, `${m.zones} ${m.holes}`),
    surfaces(boatId, `${m.zones} ${m.ground}`),
    fittings(boatId, m.fittings),
    own('yard', m.own),
  ])
  return { holes: h, surfaces: s, fittings: f, own: o }
}
/** Her holes alone. */
export const everyHole = async (boatId: string): Promise<Holes> => (await keptBoat(boatId)).holes
