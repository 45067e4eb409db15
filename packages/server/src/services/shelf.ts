import Papa from 'papaparse'
import { z } from 'zod'
import {
  CalcError,
  PIECE_STATES,
  SHELF_KINDS,
  itemText,
  parseInput,
  parseItem,
  type FastenerItem,
  type Offer,
  type ShelfRow,
} from '@north-tide/core'
import { safeCell } from '../csv'
import { ApiError, notFound } from '../errors'
import { OfferRow, ShelfItem } from '../models'
import { labelSheetOf } from './labels'
import { must, type Account } from './access'
import { MOST_VERSION, stale, within } from './saving'

/** What is counted on the shelf, and who sells what in which packs. */
export type Shelved = ShelfRow & { version: number }
const words = (most: number) => z.string().trim().max(most)
const count = z.number().int().min(0).max(10_000)
const version = z.number().int().positive().max(MOST_VERSION)
const adding = z.strictObject({
  kind: z.enum(SHELF_KINDS),
  text: words(200).default(''),
  item: z.unknown().optional(),
  count,
  state: z.enum(PIECE_STATES).default('new'),
  whereItIs: words(80).default(''),
})
const changing = z.strictObject({
  version,
  count: count.optional(),
  state: z.enum(PIECE_STATES).optional(),
  whereItIs: words(80).optional(),
})
/** A fastener is known by its figures, anything else by its words. */
function named(kind: string, text: string, item: unknown): { text: string; item: FastenerItem | null } {
  if (kind === 'fastener') {
    if (item === undefined || item === null)
      throw new CalcError('missing', 'item', 'A fastener is put down by its figures: size, grade, length')
    const it = within('item', () => parseItem(item))
    return { item: it, text: itemText(it) }
  }
  if (item !== undefined && item !== null)
    throw new CalcError('invalid-input', 'item', 'Only a fastener has figures of its own; leave it out')
  if (!text) throw new CalcError('missing', 'text', 'Say what it is')
  return { item: null, text }
}
const shown = (s: ShelfItem): Shelved => ({
  id: s.id!,
  kind: s.kind,
  text: s.text,
  item: s.item,
  count: s.count,
  state: s.state!,
  whereItIs: s.whereItIs!,
  version: s.version!,
})
export const shelfRows = async (): Promise<Shelved[]> =>
  (
    await ShelfItem.findAll({
      order: [
        ['kind', 'ASC'],
        ['text', 'ASC'],
        ['id', 'ASC'],
      ],
    })
  ).map(shown)
export async function listShelf(who: Account): Promise<Shelved[]> {
  must(who, 'stores')
  return shelfRows()
}
export async function addToShelf(who: Account, body: unknown): Promise<Shelved[]> {
  must(who, 'stores')
  const { text, item, ...rest } = parseInput(adding, body)
  await ShelfItem.create({ ...rest, ...named(rest.kind, text, item) })
  return shelfRows()
}
const known = (id: number) => Number.isInteger(id) && id > 0 && id < 2 ** 31
/** Counted, or moved: refused where somebody counted it meanwhile. */
export async function changeShelf(who: Account, id: number, body: unknown): Promise<Shelved[]> {
  must(who, 'stores')
  const { version: seen, ...c } = parseInput(changing, body)
  const there = known(id) ? await ShelfItem.findByPk(id) : null
  if (!there) throw notFound('thing on the shelf')
  const told = Object.fromEntries(Object.entries(c).filter(([, v]) => v !== undefined))
  const [n] = await ShelfItem.update({ ...told, version: seen + 1 }, { where: { id, version: seen } })
  if (!n) {
    await there.reload()
    throw stale(there.text, { version: there.version! }, seen, shown(there))
  }
  return shelfRows()
}
const COLUMNS = [
  'kind',
  'what',
  'size',
  'grade',
  'head',
  'length',
  'threading',
  'type',
  'count',
  'state',
  'where',
]
const MOST_ROWS = 2000
const listed = z.strictObject({ csv: z.string().min(1).max(900_000) })
type Row = Record<string, string>
const figure = (s: string) => (s === '' ? undefined : Number(s.replace(',', '.')))
/** A row of a list: bolts by size, grade, head and length, nuts and washers by type. */
function fastenerOf(r: Row): unknown {
  const kind = r.what!.toLowerCase()
  const inch = /^(#|\d+\/|.*-)/.test(r.size ?? '')
  const length = figure(r.length ?? '')
  return kind === 'bolt'
    ? {
        kind,
        size: r.size,
        grade: r.grade,
        head: r.head || 'hex',
        ...(length === undefined ? {} : inch ? { lengthInch: length } : { lengthMm: length }),
        ...(r.threading ? { threading: r.threading } : {}),
      }
    : { kind, type: r.type || (kind === 'washer' ? 'plain' : 'hex'), size: r.size, grade: r.grade }
}
/** A list of what was counted, all of it or none; each row is a row of its own. */
export async function importShelf(who: Account, body: unknown): Promise<Shelved[]> {
  must(who, 'stores')
  const { csv } = parseInput(listed, body)
  const table = Papa.parse<Row>(csv.replace(/^\ufeff/, ''), { header: true, skipEmptyLines: 'greedy' })
  const missing = ['kind', 'what', 'count'].filter((c) => !table.meta.fields?.includes(c))
  if (missing.length)
    throw new CalcError(
      'missing',
      'csv',
      `The first line names the columns; still needed: ${missing.join(', ')}`,
    )
  if (table.data.length > MOST_ROWS)
    throw new CalcError(
      'range',
      'csv',
      `Up to ${MOST_ROWS} rows are read at once; there are ${table.data.length}`,
    )
  const rows = table.data.map((raw, i) => {
    const r = Object.fromEntries(COLUMNS.map((c) => [c, (raw[c] ?? '').trim()])) as Row
    try {
      const base = parseInput(adding, {
        kind: r.kind,
        text: r.what,
        count: figure(r.count!),
        ...(r.state ? { state: r.state } : {}),
        whereItIs: r.where,
      })
      return { ...base, ...named(base.kind, base.text, base.kind === 'fastener' ? fastenerOf(r) : undefined) }
    } catch (error) {
      if (!(error instanceof CalcError)) throw error
      throw new CalcError(error.code, 'csv', `line ${i + 2}, ${error.path || 'the row'}: ${error.message}`)
    }
  })
  await ShelfItem.bulkCreate(rows)
  return shelfRows()
}
export async function shelfCsv(who: Account): Promise<string> {
  const rows = await listShelf(who)
  const cells = (s: Shelved): Record<string, unknown> => {
    const it = s.item as Record<string, unknown> | null
    return {
      kind: s.kind,
      what: it ? it.kind : s.text,
      size: it?.size,
      grade: it?.grade,
      head: it?.head,
      length: it?.lengthInch ?? it?.lengthMm,
      threading: it?.threading,
      type: it?.type,
      count: s.count,
      state: s.state,
      where: s.whereItIs,
    }
  }
  return Papa.unparse({
    fields: COLUMNS,
    data: rows.map((r) => COLUMNS.map((c) => safeCell(cells(r)[c] ?? ''))),
  })
}
/** Labels of the drawers: a phone that scans one opens its count. */
export async function shelfLabels(who: Account, origin: string) {
  const rows = await listShelf(who)
  return labelSheetOf(
    'Labels of the shelf',
    rows.map((s) => ({
      code: `S-${s.id}`,
      lines: [s.text, s.whereItIs, s.state === 'new' ? '' : s.state].filter(Boolean),
      url: `${origin}/stores?view=shelf&bin=${s.id}`,
    })),
  )
}

export type Offered = Offer & { version: number }
const pack = z.strictObject({
  n: z.number().int().min(1).max(10_000),
  priceCents: z.number().int().min(0).max(100_000_000),
})
const offering = z.strictObject({
  maker: words(80).min(1),
  kind: z.enum(SHELF_KINDS).default('part'),
  text: words(200).default(''),
  item: z.unknown().optional(),
  packs: z.array(pack).min(1).max(12),
  leadDays: z.number().int().min(0).max(730).nullable().default(null),
  version: z.number().int().min(0).max(MOST_VERSION).default(0),
})
const offered = (o: OfferRow): Offered => ({
  id: o.id!,
  maker: o.maker,
  text: o.text,
  item: o.item,
  packs: o.packs,
  leadDays: o.leadDays,
  version: o.version!,
})
export const offerRows = async (): Promise<Offered[]> =>
  (
    await OfferRow.findAll({
      order: [
        ['text', 'ASC'],
        ['maker', 'ASC'],
      ],
    })
  ).map(offered)
export async function listOffers(who: Account): Promise<Offered[]> {
  must(who, 'stores')
  return offerRows()
}
/** One maker offers one thing once, in several packs; put down again, it is changed. */
export async function keepOffer(who: Account, body: unknown): Promise<Offered[]> {
  must(who, 'yard-parts')
  const { version: seen, kind, text, item, ...o } = parseInput(offering, body)
  if (new Set(o.packs.map((p) => p.n)).size < o.packs.length)
    throw new CalcError('invalid-input', 'packs', 'A pack of one size is given twice; each is given once')
  const it = named(kind, text, item)
  await OfferRow.sequelize!.transaction(async (transaction) => {
    const there = await OfferRow.findOne({
      where: { maker: o.maker, text: it.text },
      transaction,
      lock: transaction.LOCK.UPDATE,
    })
    if ((there?.version ?? 0) !== seen)
      throw there
        ? stale(`${o.maker}: ${it.text}`, { version: there.version! }, seen, offered(there))
        : new ApiError(404, 'not-found', 'That offer is there no longer', 'version')
    if (there) await there.update({ ...o, ...it, version: seen + 1 }, { transaction })
    else await OfferRow.create({ ...o, ...it }, { transaction })
  })
  return offerRows()
}
export async function dropOfferRow(who: Account, id: number): Promise<Offered[]> {
  must(who, 'yard-parts')
  if (!known(id) || !(await OfferRow.destroy({ where: { id } }))) throw notFound('offer')
  return offerRows()
}
