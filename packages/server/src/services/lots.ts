import dayjs from 'dayjs'
import Papa from 'papaparse'
import { z } from 'zod'
import { CalcError, SEALANT_IDS, parseInput, type TubeLot } from '@north-tide/core'
import { safeCell } from '../csv'
import { ApiError, notFound } from '../errors'
import { Lot } from '../models'
import { must, type Account } from './access'

/** Lots of sealant and epoxy in the yard's stores: added, received, opened, used up and tested. */
const day = z.iso.date({ error: 'a date as 2027-05-31 is accepted' })
const quantity = z.number().min(0).max(100_000)
const body = z.strictObject({
  code: z
    .string()
    .trim()
    .regex(/^[A-Za-z0-9][A-Za-z0-9._/-]{0,38}$/, 'letters, figures, dots and dashes are accepted, up to 39'),
  title: z.string().trim().min(1).max(120),
  chemistry: z.enum([...SEALANT_IDS, 'epoxy'] as [string, ...string[]]),
  kind: z.enum(['sealant', 'epoxy']),
  quantity: quantity.nullable().default(null),
  unit: z.string().trim().max(20).default(''),
  expiresOn: day,
  openedOn: day.nullable().default(null),
  storedHot: z.boolean().default(false),
})
type Added = z.infer<typeof body>
const change = z.strictObject({
  /** what stood there when it was read: somebody else may have drawn from the lot since */
  was: z.strictObject({ quantity: quantity.nullable(), openedOn: day.nullable() }),
  quantity: quantity.nullable().optional(),
  openedOn: day.nullable().optional(),
  expiresOn: day.optional(),
  storedHot: z.boolean().optional(),
})
const lotTest = z.strictObject({ note: z.string().trim().min(1).max(300) })

function fits(l: { openedOn: string | null }, today = dayjs()) {
  if (l.openedOn && dayjs(l.openedOn).isAfter(today, 'day'))
    throw new CalcError(
      'range',
      'openedOn',
      `${dayjs(l.openedOn).format('D MMM YYYY')} has not come yet; a day that has passed is accepted`,
    )
}
async function lotOf(id: number): Promise<Lot> {
  const lot = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Lot.findByPk(id) : null
  if (!lot) throw notFound('lot')
  return lot
}
const SIZE = /(\d+)\s*ml/i
/** Lots that stand in the store as tubes: their size is read from their name, their number from the count. */
export async function tubeLots(): Promise<TubeLot[]> {
  const lots = await Lot.findAll({ where: { kind: 'sealant' }, order: [['id', 'ASC']] })
  return lots.flatMap((l) => {
    const size = SIZE.exec(l.title)
    if (!size || !/tube|cartridge/i.test(l.unit!) || !l.quantity || l.recalledOn) return []
    const sizeMl = Number(size[1])
    const whole = Math.floor(l.quantity)
    const part = Math.round((l.quantity - whole) * sizeMl)
    return [
      {
        code: l.code,
        chemistry: l.chemistry,
        sizeMl,
        count: whole,
        opened: part > 0 && l.openedOn ? [{ day: l.openedOn, leftMl: part }] : [],
        expiry: l.expiresOn,
        hot: l.storedHot,
        test: l.testedOn ? { day: l.testedOn, ok: true } : null,
      },
    ]
  })
}
async function free(code: string) {
  if (await Lot.findOne({ where: { code } }))
    throw new ApiError(409, 'exists', `There is a lot ${code} already; a lot keeps its code for good`, 'code')
}

export async function listLots(who: Account) {
  must(who, 'stores')
  const lots = await Lot.findAll({
    order: [
      ['kind', 'DESC'],
      ['expiresOn', 'ASC'],
    ],
  })
  return lots.map((l) => ({
    id: l.id,
    code: l.code,
    title: l.title,
    chemistry: l.chemistry,
    kind: l.kind,
    openedOn: l.openedOn,
    expiresOn: l.expiresOn,
    storedHot: l.storedHot,
    quantity: l.quantity,
    unit: l.unit,
    testedOn: l.testedOn,
    testNote: l.testNote,
    recalledOn: l.recalledOn ?? null,
    recalledWhy: l.recalledWhy ?? '',
  }))
}
export async function addLot(who: Account, given: unknown) {
  must(who, 'stores')
  const lot = parseInput(body, given)
  fits(lot)
  await free(lot.code)
  await Lot.create(lot)
  return listLots(who)
}
/** Received more, opened, used up, or its date corrected: refused where it is not any more as it was read. */
export async function changeLot(who: Account, id: number, given: unknown) {
  must(who, 'stores')
  const { was, ...next } = parseInput(change, given)
  const lot = await lotOf(id)
  // A date in another's hand: who moves it vouches for the lot.
  if (next.expiresOn && next.expiresOn !== lot.expiresOn) must(who, 'vouch-lot')
  fits({ openedOn: next.openedOn ?? null })
  const told = Object.fromEntries(Object.entries(next).filter(([, v]) => v !== undefined))
  // Written only over what was read, in one stroke: of two draws at once one is refused, none is lost.
  const [changed] = await Lot.update(told, { where: { id, ...was } })
  if (!changed) {
    const now = await lotOf(id)
    throw new ApiError(
      409,
      'stale',
      `Somebody changed ${now.code} meanwhile: ${now.quantity ?? 'no'} ${now.unit} on hand now`,
    )
  }
  return listLots(who)
}
/** A bead or a cup tried before a doubtful lot is used; the gates ask for it. */
export async function recordLotTest(who: Account, id: number, given: unknown) {
  must(who, 'vouch-lot')
  const { note } = parseInput(lotTest, given)
  const lot = await lotOf(id)
  await lot.update({ testedOn: dayjs().format('YYYY-MM-DD'), testNote: `${note}, ${who.name}` })
  return listLots(who)
}

const COLUMNS = [
  'code',
  'title',
  'chemistry',
  'kind',
  'quantity',
  'unit',
  'expiresOn',
  'openedOn',
  'storedHot',
]
const MOST_ROWS = 2000
const listed = z.strictObject({ csv: z.string().min(1).max(900_000) })
const yes = (v: string) => /^(yes|true|1|x)$/i.test(v.trim())

/** A row of a list as the body of one lot, or where and what is wrong with it. */
function rowOf(r: Record<string, string>, line: number): Added {
  const text = (k: string) => (r[k] ?? '').trim()
  const amount = text('quantity').replace(',', '.')
  const given = {
    code: text('code'),
    title: text('title'),
    chemistry: text('chemistry'),
    kind: text('kind') || (text('chemistry') === 'epoxy' ? 'epoxy' : 'sealant'),
    quantity: amount === '' ? null : Number(amount),
    unit: text('unit'),
    expiresOn: text('expiresOn'),
    openedOn: text('openedOn') || null,
    storedHot: yes(r.storedHot ?? ''),
  }
  try {
    const lot = parseInput(body, given)
    fits(lot)
    return lot
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    throw new CalcError(error.code, 'csv', `line ${line}, ${error.path || 'the row'}: ${error.message}`)
  }
}
/** A list of lots, all of it or none. */
export async function importLots(who: Account, given: unknown) {
  must(who, 'stores')
  const { csv } = parseInput(listed, given)
  const table = Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const missing = ['code', 'title', 'chemistry', 'expiresOn'].filter((c) => !table.meta.fields?.includes(c))
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
      `${table.data.length} rows were given; up to ${MOST_ROWS} are read at once`,
    )
  const lots = table.data.map((r, i) => rowOf(r, i + 2))
  const twice = lots.find((l, i) => lots.findIndex((o) => o.code === l.code) !== i)
  if (twice) throw new CalcError('range', 'csv', `${twice.code} stands in the list twice`)
  for (const l of lots) await free(l.code)
  await Lot.sequelize!.transaction(async (transaction) => void (await Lot.bulkCreate(lots, { transaction })))
  return listLots(who)
}
/** The stores as a list that can be read again. */
export async function lotsCsv(who: Account): Promise<string> {
  const lots = await listLots(who)
  const columns = [...COLUMNS, 'testedOn', 'testNote']
  return Papa.unparse({
    fields: columns,
    data: lots.map((l) => columns.map((c) => safeCell((l as Record<string, unknown>)[c] ?? ''))),
  })
}
