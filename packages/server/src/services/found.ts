import Papa from 'papaparse'
import { z } from 'zod'
import { LIFE_STATES, measureSaid, measureSchema, parseInput, parseLength, parseNumber, zoneAt, zoneTitleAt, type Units } from '@north-tide/core'
import type { Transaction } from 'sequelize'
import { ApiError, notFound } from '../errors'
import { Boat, LifeEvent, Penetration } from '../models'
import { mayWrite, type Account } from './access'
import { zonesOf } from './boats'
import { pointOf } from './fittings'
import { blank } from './life'
import { holesOf } from './register'

/** Holes that were there before anyone kept a record: age unknown, state found. */
export const FOUND_KINDS = ['old fastener', 'filled hole', 'cut-off rivet', 'oval hole', 'open hole', 'mystery bolt'] as const
const body = z.strictObject({
  foundKind: z.enum(FOUND_KINDS), whatFor: z.string().trim().max(120).default(''), diameterMm: z.number().positive().max(1000), acrossMm: z.number().positive().max(1000).nullish(),
  xMm: z.number().min(-1e5).max(1e6).optional(), yMm: z.number().min(-1e5).max(1e5).optional(), zMm: z.number().min(-1e5).max(1e5).optional(),
  measures: z.array(measureSchema).min(1).max(12).optional(), believe: z.strictObject({ x: z.number().int().min(0).optional(), y: z.number().int().min(0).optional() }).optional(),
  state: z.enum(['suspect', 'closed']).default('suspect'), note: z.string().trim().max(1000).default(''), through: z.string().trim().max(200).default('as found'),
})

async function nextNumber(boatId: string, transaction: Transaction) {
  await Boat.findByPk(boatId, { transaction, lock: transaction.LOCK.UPDATE })
  return (((await Penetration.max('number', { where: { boatId }, transaction })) as number | null) ?? 0) + 1
}

export async function addFound(who: Account, boatId: string, raw: unknown) {
  mayWrite(who, boatId)
  const b = parseInput(body, raw)
  const boat = await Boat.findByPk(boatId)
  if (!boat) throw notFound('boat')
  const at = await pointOf(boatId, b)
  const zone = zoneAt(await zonesOf(boatId), at)
  const id = await Boat.sequelize!.transaction(async (transaction) => {
    const number = await nextNumber(boatId, transaction)
    const zMm = b.zMm ?? zone?.zMm ?? 0
    const p = await Penetration.create(
      {
        boatId, number, fittingId: null, boltIndex: null, whatFor: b.whatFor || `Found: ${b.foundKind}`, zone: zone?.title ?? 'not in a zone', xMm: at.xMm, yMm: at.yMm, zMm, diameterMm: b.diameterMm, acrossMm: b.acrossMm ?? null, foundKind: b.foundKind,
        through: b.through, fastener: '', plate: '', coreSchool: 'none', sealant: null, belowWaterline: zMm < 0, found: true, measuredFrom: [...at.measuredFrom.map((m) => measureSaid(m, boat.units)), ...at.working].join('; '),
      },
      { transaction },
    )
    await LifeEvent.create({ ...blank, penetrationId: p.id, seq: 1, state: b.state, note: `Age unknown. ${b.note || b.foundKind}.`, evidence: b.state === 'closed' ? b.note || b.foundKind : '', who: who.name, happenedAt: new Date(), sizeMm: b.diameterMm }, { transaction })
    return p.id
  })
  return (await holesOf(boatId)).find((h) => h.id === id)!
}

/** Columns that a list of holes may have; the first name is the product's own. */
export const HOLE_COLUMNS = {
  whatFor: { title: 'what for', names: ['whatfor', 'what for', 'what', 'name', 'description', 'use'], needed: true },
  xMm: { title: 'x, aft of the stem', names: ['xmm', 'x', 'x mm', 'aft', 'aft of stem'], needed: true },
  yMm: { title: 'y, to starboard', names: ['ymm', 'y', 'y mm', 'starboard', 'off centreline'], needed: true },
  zMm: { title: 'z, above the waterline', names: ['zmm', 'z', 'z mm', 'height'], needed: false },
  diameterMm: { title: 'size', names: ['diametermm', 'diameter', 'size', 'dia', 'hole'], needed: true },
  state: { title: 'state', names: ['state', 'status', 'condition'], needed: false },
  foundKind: { title: 'kind', names: ['foundkind', 'kind', 'type'], needed: false },
  through: { title: 'through', names: ['through', 'structure'], needed: false },
  note: { title: 'note', names: ['note', 'notes', 'remark', 'remarks'], needed: false },
} as const
type Column = keyof typeof HOLE_COLUMNS
const COLUMN_IDS = Object.keys(HOLE_COLUMNS) as Column[]

const importing = z.strictObject({ csv: z.string().min(1).max(900_000), columns: z.partialRecord(z.enum(COLUMN_IDS as [Column, ...Column[]]), z.string()).optional(), units: z.enum(['metric', 'inch']).optional(), write: z.boolean().default(false) })

export interface RowError {
  line: number
  column: string
  message: string
}
export interface ImportAnswer {
  headers: string[]
  columns: Partial<Record<Column, string>>
  missing: string[]
  rows: number
  errors: RowError[]
  duplicates: number
  written: number
  preview: Record<string, unknown>[]
}
const MOST_ROWS = 5000
const DUPLICATE_MM = 2

function match(headers: string[]): Partial<Record<Column, string>> {
  const plain = (s: string) => s.toLowerCase().replace(/[_\s.-]+/g, ' ').replace(/\s*\((mm|in)\)\s*$/, '').trim()
  const used = new Set<string>()
  const out: Partial<Record<Column, string>> = {}
  for (const c of COLUMN_IDS) {
    const found = headers.find((h) => !used.has(h) && (HOLE_COLUMNS[c].names as readonly string[]).includes(plain(h)))
    if (found) {
      out[c] = found
      used.add(found)
    }
  }
  return out
}

/** Reads a list of holes. Nothing is written unless every row can be, and then all at once. */
export async function importHoles(who: Account, boatId: string, raw: unknown): Promise<ImportAnswer> {
  mayWrite(who, boatId)
  const b = parseInput(importing, raw)
  const boat = await Boat.findByPk(boatId)
  if (!boat) throw notFound('boat')
  const parsed = Papa.parse<Record<string, string>>(b.csv.replace(/^\ufeff/, ''), { header: true, skipEmptyLines: 'greedy' })
  const headers = (parsed.meta.fields ?? []).filter((h) => h.trim())
  if (headers.length < 2) throw new ApiError(400, 'invalid-input', 'No table was found; the first line names the columns, parted by commas or semicolons', 'csv')
  if (parsed.data.length > MOST_ROWS) throw new ApiError(400, 'invalid-input', `${parsed.data.length} rows were given; up to ${MOST_ROWS} are read at once`, 'csv')
  const columns = b.columns ?? match(headers)
  for (const [c, h] of Object.entries(columns)) if (!headers.includes(h)) throw new ApiError(400, 'invalid-input', `There is no column "${h}"`, `columns.${c}`)
  const missing = COLUMN_IDS.filter((c) => HOLE_COLUMNS[c].needed && !columns[c]).map((c) => HOLE_COLUMNS[c].title)
  const units: Units = b.units ?? 'metric'
  const errors: RowError[] = parsed.errors.filter((e) => e.code !== 'UndetectableDelimiter').map((e) => ({ line: (e.row ?? 0) + 2, column: '', message: e.message }))
  const holes = await holesOf(boatId)
  const zones = await zonesOf(boatId)
  let duplicates = 0
  const rows: { whatFor: string; xMm: number; yMm: number; zMm: number; diameterMm: number; state: (typeof LIFE_STATES)[number]; foundKind: string; through: string; note: string }[] = []
  const clean = (s: string | undefined) => (s ?? '').trim().replace(/^'(?=[=+\-@\t])/, '')
  if (!missing.length)
    parsed.data.forEach((row, i) => {
      const line = i + 2
      const cell = (c: Column) => clean(columns[c] ? row[columns[c]!] : '')
      const fail = (c: Column, message: string) => void errors.push({ line, column: columns[c] ?? HOLE_COLUMNS[c].title, message })
      const length = (c: Column, above = false): number | null => {
        const t = cell(c)
        const r = /^[-+]?\d*\.?\d+(e[-+]?\d+)?$/i.test(t) && units === 'metric' ? parseNumber(t) : parseLength(t.replace(/^-/, ''), units)
        if (!r.ok) {
          fail(c, t ? r.message : 'It is empty; a length is needed')
          return null
        }
        const v = t.startsWith('-') && r.value > 0 ? -r.value : r.value
        if (above && v <= 0) fail(c, `${t} was given; more than 0 is accepted`)
        return v
      }
      const [xMm, yMm, diameterMm] = [length('xMm'), length('yMm'), length('diameterMm', true)]
      const state = cell('state').toLowerCase() || 'suspect'
      if (!(LIFE_STATES as readonly string[]).includes(state)) fail('state', `"${state}" is no state; one of ${LIFE_STATES.join(', ')} is accepted`)
      const whatFor = cell('whatFor')
      if (!whatFor) fail('whatFor', 'It is empty; say what the hole was for')
      if (whatFor.length > 120) fail('whatFor', `${whatFor.length} letters were given; up to 120 are kept`)
      const kind = cell('foundKind').toLowerCase() || 'open hole'
      if (!(FOUND_KINDS as readonly string[]).includes(kind)) fail('foundKind', `"${kind}" is no kind; one of ${FOUND_KINDS.join(', ')} is accepted`)
      const z0 = cell('zMm') ? length('zMm') : null
      if (xMm === null || yMm === null || diameterMm === null) return
      if (Math.abs(xMm) > 1e6 || Math.abs(yMm) > 1e5 || diameterMm > 1000) fail('xMm', 'This lies far off any boat; check the unit')
      if (holes.some((h) => Math.hypot(h.xMm - xMm, h.yMm - yMm) < DUPLICATE_MM)) duplicates++
      rows.push({ whatFor, xMm, yMm, zMm: z0 ?? zoneAt(zones, { xMm, yMm })?.zMm ?? 0, diameterMm, state: state as (typeof LIFE_STATES)[number], foundKind: kind, through: cell('through') || 'as found', note: cell('note') })
    })
  const answer: ImportAnswer = { headers, columns, missing, rows: parsed.data.length, errors: errors.slice(0, 200), duplicates, written: 0, preview: rows.slice(0, 8) }
  if (!b.write || missing.length || errors.length || !rows.length) return answer
  await Boat.sequelize!.transaction(async (transaction) => {
    let number = await nextNumber(boatId, transaction)
    for (const r of rows) {
      const p = await Penetration.create({ boatId, number: number++, fittingId: null, boltIndex: null, whatFor: r.whatFor, zone: zoneTitleAt(zones, r), xMm: r.xMm, yMm: r.yMm, zMm: r.zMm, diameterMm: r.diameterMm, foundKind: r.foundKind, through: r.through, fastener: '', plate: '', coreSchool: 'none', sealant: null, belowWaterline: r.zMm < 0, found: true }, { transaction })
      await LifeEvent.create({ ...blank, penetrationId: p.id, seq: 1, state: r.state, note: `Age unknown. From a list. ${r.note}`.trim(), evidence: r.state === 'closed' ? r.note || 'as the list says' : '', who: who.name, happenedAt: new Date(), sizeMm: r.diameterMm }, { transaction })
    }
  })
  return { ...answer, written: rows.length }
}
