import { QueryTypes, type InferAttributes, type Transaction } from 'sequelize'
import { toColumns } from '@north-tide/core'
import type { AnyDesign, BoatPart, BoatZone, HoleRow, WetSpot, YardValue } from '@north-tide/core'
import { breather } from '../breath'
import { Boat, Fitting } from '../models'
import { packed, type Packed } from '../packed'
import { together } from '../together'
import { partsOfBoat } from './parts-of-boat'
import { designOf, frozen } from './designs'
import { holesOf } from './holes'
import { once } from './once'
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
  /** the same column by column */
  columns: () => string
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

export interface Marks {
  zones: string
  ground: string
  holes: string
  fittings: string
  own: string
  /** what of her is in her picture beside these: her own line, her outline, what is ordered */
  beside: string
  /** every transaction before this one had ended */
  ended: string
  /** the oldest note there is of what was written in her holes */
  oldest: string | null
}
type Within = Transaction | null
async function marksOf(boatId: string, transaction: Within = null): Promise<Marks> {
  const how = { bind: [boatId], type: QueryTypes.SELECT as const, transaction }
  const [row] = await Boat.sequelize!.query<Marks>('SELECT * FROM boat_marks($1)', how)
  return row!
}

/** The boat that a fitting stands in with her marks, in one question; null where there is no such fitting. */
export async function boatAndMarks(fittingId: string): Promise<{ boat: Boat; marks: Marks } | null> {
  const [boat] = await Boat.sequelize!.query<Boat & { dataValues: { marks?: Marks } }>(
    `SELECT b.*, to_json(m) AS marks
       FROM fittings f JOIN boats b ON b.id = f.boat_id, boat_marks(b.id) m WHERE f.id = $1`,
    { bind: [fittingId], model: Boat, mapToModel: true },
  )
  if (!boat) return null
  const { marks } = boat.dataValues
  delete boat.dataValues.marks
  return { boat, marks: marks! }
}

/** Her picture packed, made anew where anything of it is another than before. */
export function pictureKeeper(make: (boatId: string) => Promise<Packed>) {
  const kept = keeper<Packed>(make)
  return async (boatId: string): Promise<Packed> => {
    const m = await marksOf(boatId)
    return kept(boatId, [m.zones, m.ground, m.holes, m.fittings, m.beside].join(' | '), m)
  }
}

/** What was read when the marks were these; `value` is there once it has been read. */
interface Marked<T> {
  mark: string
  marks: Marks
  read: Promise<T>
  value?: T
}
/** Read as others see it, or by a transaction's own connection. */
interface Reading<T> {
  marks: Marks
  before: Marked<T> | undefined
  transaction: Within
}
const MOST_BOATS = 150
/**
 * Keeps what was read for as long as its mark is the same; those who ask meanwhile wait for one reading. A
 * transaction does not: it holds a connection, and a reading under way may be waiting for one.
 */
function keeper<T>(read: (key: string, how: Reading<T>) => Promise<T>) {
  const kept = new Map<string, Marked<T>>()
  return (key: string, mark: string, marks: Marks, transaction: Within = null): Promise<T> => {
    const there = kept.get(key)
    const known = transaction === null || there?.value !== undefined
    if (known && there?.mark === mark) return there.read
    const before = there?.value === undefined ? undefined : there
    const now: Marked<T> = { mark, marks, read: read(key, { marks, before, transaction }) }
    now.read.then(
      (value) => (now.value = value),
      // What could not be read is asked for again, and not remembered.
      () => kept.get(key) === now && kept.delete(key),
    )
    kept.delete(key)
    kept.set(key, now)
    if (kept.size > MOST_BOATS) kept.delete(kept.keys().next().value!)
    return now.read
  }
}

const textOf = once((row: HoleRow) => JSON.stringify(row))
function holesAre(rows: HoleRow[]): Holes {
  let text: string | undefined
  let small: Promise<Packed> | undefined
  let columns: string | undefined
  const asText = () => (text ??= `[${rows.map((r) => textOf(r)).join(',')}]`)
  return Object.freeze({
    rows,
    text: asText,
    packed: () => (small ??= packed(asText())),
    columns: () => (columns ??= JSON.stringify(toColumns(rows))),
  })
}
const holes = keeper<Holes>(async (boatId, how) => {
  const rows = (await someAnew(boatId, how)) ?? (await holesOf(boatId, { transaction: how.transaction }))
  for (const r of rows) Object.freeze(r)
  return holesAre(Object.freeze(rows) as HoleRow[])
})
/** The surfaces as their holes name them. */
const titlesOf = once((zones: BoatZone[]) => JSON.stringify(zones.map((z) => [z.code, z.title])))
const namedBefore = new WeakMap<Holes, { titles: string; holes: Holes }>()
const rowBefore = new WeakMap<HoleRow, HoleRow>()
/** A hole as its surface is called now; the same one as long as that is the same. */
function rowNamed(r: HoleRow, known: Map<string, string>): HoleRow {
  const written = r.zoneCode ?? r.zone
  const zone = known.get(written) ?? written
  const zoneCode = known.has(written) ? written : null
  const same = [r, rowBefore.get(r)].find((one) => one?.zone === zone && one.zoneCode === zoneCode)
  if (same) return same
  const now = Object.freeze({ ...r, zone, zoneCode })
  rowBefore.set(r, now)
  return now
}
/**
 * Holes by the names that their surfaces have now: thousands are not read anew because one surface was
 * measured. A hole on none goes by what was written down for it.
 */
function named(holes: Holes, zones: BoatZone[]): Holes {
  const titles = titlesOf(zones)
  const before = namedBefore.get(holes)
  if (before?.titles === titles) return before.holes
  const known = new Map<string, string>(JSON.parse(titles) as [string, string][])
  const rows = holes.rows.map((r) => rowNamed(r, known))
  const others = rows.some((r, i) => r !== holes.rows[i])
  const now = others ? holesAre(Object.freeze(rows) as HoleRow[]) : holes
  namedBefore.set(holes, { titles, holes: now })
  return now
}
/** More than so many are read as fast with all the others. */
const MOST_ANEW = 500
/** Her holes with those read anew that were written in since; null where that cannot be told by the notes. */
async function someAnew(boatId: string, how: Reading<Holes>): Promise<HoleRow[] | null> {
  const { before, marks, transaction } = how
  // Of notes that were let go nobody knows.
  if (!before || before.marks.oldest !== marks.oldest) return null
  const [noted] = await Boat.sequelize!.query<{ every: boolean | null; ids: number[] | null }>(
    `SELECT bool_or(x.holes IS NULL) AS every, array_agg(DISTINCT h) AS ids
       FROM hole_changes x LEFT JOIN LATERAL unnest(x.holes) AS h ON true
      WHERE x.boat_id = $1 AND x.xmin::text::bigint >= $2::bigint`,
    { bind: [boatId, before.marks.ended], type: QueryTypes.SELECT, transaction },
  )
  const ids = noted!.ids
  if (noted!.every !== false || !ids || ids.length > MOST_ANEW) return null
  const others = new Set(ids)
  const rows = before.value!.rows.filter((r) => !others.has(r.id))
  rows.push(...(await holesOf(boatId, { only: ids, transaction })))
  return rows.sort((p, q) => p.number - q.number)
}
const surfaces = keeper<Surfaces>(async (boatId, { transaction: t }) => {
  const [zones, parts] = await together(t, [() => zonesOf(boatId, t), () => partsOfBoat(boatId, t)])
  return frozen({ zones, parts, wet: await wetSpotsOf(boatId, zones, t) })
})
const own = keeper<KeptBoat['own']>(async (_yard, { transaction }) => frozen(await yardsOwn(transaction)))

type RowMark = [id: string, mark: string]
/** Of a boat's fittings those are read anew that were written since, and no others. */
const fittings = keeper<Fittings>(async (_boatId, { marks: now, before, transaction }) => {
  const marks = JSON.parse(now.fittings) as RowMark[]
  const had = before?.value
  const hadMarks = new Map(before ? (JSON.parse(before.marks.fittings) as RowMark[]) : [])
  const known = new Map(had?.rows.map((r) => [r.id, r]))
  const changed = marks.filter(([id, m]) => !known.has(id) || hadMarks.get(id) !== m).map(([id]) => id)
  const read = new Map<string, FittingRow>()
  if (changed.length)
    for (const f of await Fitting.findAll({ where: { id: changed }, transaction }))
      read.set(f.id, f.get({ plain: true }))
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

/**
 * A boat as she is now, of which only that is read which is another than before. A transaction may ask that
 * has written nothing yet. `marks`: as they were taken just now.
 */
export async function keptBoat(
  boatId: string,
  transaction: Within = null,
  marks: Marks | null = null,
): Promise<KeptBoat> {
  // The marks are taken first: what changes while the rest is read makes the next ones others.
  const m = marks ?? (await marksOf(boatId, transaction))
  const [h, s, f, o] = await together(transaction, [
    () => holes(boatId, m.holes, m, transaction),
    () => surfaces(boatId, `${m.zones} ${m.ground}`, m, transaction),
    () => fittings(boatId, m.fittings, m, transaction),
    () => own('yard', m.own, m, transaction),
  ])
  return { holes: named(h, s.zones), surfaces: s, fittings: f, own: o }
}
/** Her holes alone. */
export const everyHole = async (boatId: string): Promise<Holes> => (await keptBoat(boatId)).holes
