import Papa from 'papaparse'
import { z } from 'zod'
import {
  CalcError,
  LIFE_STATES,
  mayDo,
  lifeSaid,
  lifeStateOf,
  NO_ZONE,
  gatesFor,
  measureSaid,
  measureSchema,
  parseInput,
  parseLength,
  parseNumber,
  zoneAt,
  zoneCodeAt,
  type Gate,
  type LifeState,
  type Units,
} from '@north-tide/core'
import type { Transaction } from 'sequelize'
import { ApiError, forbidden, notFound } from '../errors'
import { Boat, LifeEvent, Penetration } from '../models'
import { must, type Account } from './access'
import { refuseOffBoat, stationsOf } from './boats'
import { zonesOf } from './zones'
import { pointOf } from './fittings'
import { passOrRefuse, weigh, write, type NextEvent } from './life'
import { holesOf, lockedHole } from './register'

/** Holes that were there before anyone kept a record: age unknown, state found. */
export const FOUND_KINDS = [
  'old fastener',
  'filled hole',
  'cut-off rivet',
  'oval hole',
  'open hole',
  'mystery bolt',
] as const
const body = z.strictObject({
  foundKind: z.enum(FOUND_KINDS),
  whatFor: z.string().trim().max(120).default(''),
  diameterMm: z.number().positive().max(1000),
  acrossMm: z.number().positive().max(1000).nullish(),
  /** of the long way of an oval hole, from fore and aft, positive turning to starboard */
  directionDeg: z.number().min(-90).max(90).nullish(),
  xMm: z.number().min(-1e5).max(1e6).optional(),
  yMm: z.number().min(-1e5).max(1e5).optional(),
  zMm: z.number().min(-1e5).max(1e5).optional(),
  measures: z.array(measureSchema).min(1).max(12).optional(),
  believe: z
    .strictObject({ x: z.number().int().min(0).optional(), y: z.number().int().min(0).optional() })
    .optional(),
  state: z.enum(['suspect', 'closed']).default('suspect'),
  note: z.string().trim().max(1000).default(''),
  gateReason: z.string().trim().max(500).default(''),
  through: z.string().trim().max(200).default('as found'),
})

async function nextNumber(boatId: string, transaction: Transaction) {
  await Boat.findByPk(boatId, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })
  return (((await Penetration.max('number', { where: { boatId }, transaction })) as number | null) ?? 0) + 1
}

export async function addFound(who: Account, boatId: string, raw: unknown) {
  must(who, 'measure', boatId)
  const b = parseInput(body, raw)
  if (b.directionDeg != null && b.acrossMm == null)
    throw new CalcError('invalid-input', 'directionDeg', 'A round hole lies no way: give the long way too')
  const boat = await Boat.findByPk(boatId)
  if (!boat) throw notFound('boat')
  const at = await pointOf(boatId, b)
  refuseOffBoat(await stationsOf(boatId), at, b.measures ? 'measures.' : '')
  const zone = zoneAt(await zonesOf(boatId), at)
  const id = await Boat.sequelize!.transaction(async (transaction) => {
    const number = await nextNumber(boatId, transaction)
    const zMm = b.zMm ?? zone?.zMm ?? 0
    const p = await Penetration.create(
      {
        boatId,
        number,
        fittingId: null,
        boltIndex: null,
        whatFor: b.whatFor || `Found: ${b.foundKind}`,
        zone: zone?.code ?? NO_ZONE,
        xMm: at.xMm,
        yMm: at.yMm,
        zMm,
        diameterMm: b.diameterMm,
        acrossMm: b.acrossMm ?? null,
        directionDeg: b.directionDeg ?? null,
        foundKind: b.foundKind,
        through: b.through,
        fastener: '',
        plate: '',
        coreSchool: 'none',
        sealant: null,
        belowWaterline: zMm < 0,
        found: true,
        measuredFrom: [...at.measuredFrom.map((m) => measureSaid(m, boat.units)), ...at.working].join('; '),
      },
      { transaction },
    )
    // What is not said is not made up: a hole that is closed already says how, or a fitter takes it on
    // himself.
    const next = foundAs(
      b.state,
      `Age unknown. ${b.note || b.foundKind}.`,
      b.state === 'closed' ? b.note : '',
      b.diameterMm,
    )
    const gates = weigh(p, [], next, [])
    passOrRefuse(who, p.boatId, gates, b.gateReason)
    await write(who, p, 1, next, gates, b.gateReason, transaction)
    return p.id
  })
  return (await holesOf(boatId, { only: id }))[0]!
}
/** The first event of a hole that was there before anyone kept a record. */
const foundAs = (state: LifeState, note: string, evidence: string, sizeMm: number): NextEvent => ({
  state,
  at: new Date(),
  note,
  evidence,
  sizeMm,
  tempC: null,
  humidityPct: null,
  lot: null,
  corrects: null,
})

const withdrawing = z.strictObject({ why: z.string().trim().min(1).max(300) })
/**
 * A found hole that was kept by mistake: taken off map and register with a reason, and kept for whoever
 * asks. An apprentice takes back only his own.
 */
export async function withdrawFound(who: Account, id: number, raw: unknown) {
  const { why } = parseInput(withdrawing, raw)
  await Boat.sequelize!.transaction(async (transaction) => {
    const p = await lockedHole(who, id, transaction)
    if (p.withdrawnWhy) throw new ApiError(409, 'withdrawn', 'It is withdrawn already')
    if (!p.found || p.fittingId)
      throw new ApiError(
        409,
        'in-use',
        'Only a hole that was found, and that nothing stands in, is withdrawn',
      )
    const first = await LifeEvent.findOne({ where: { penetrationId: p.id, seq: 1 }, transaction })
    if (!mayDo(who, 'pass-gate', p.boatId) && first?.who !== who.name)
      throw forbidden('An apprentice withdraws what he kept himself; a fitter the rest')
    await p.update({ withdrawnWhy: why, withdrawnBy: who.name, withdrawnAt: new Date() }, { transaction })
  })
}

/** Columns that a list of holes may have; the first name is the product's own. */
export const HOLE_COLUMNS = {
  whatFor: {
    title: 'what for',
    names: ['whatfor', 'what for', 'what', 'name', 'description', 'use'],
    needed: true,
  },
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

const importing = z.strictObject({
  csv: z.string().min(1).max(900_000),
  gateReason: z.string().trim().max(500).default(''),
  columns: z.partialRecord(z.enum(COLUMN_IDS as [Column, ...Column[]]), z.string()).optional(),
  units: z.enum(['metric', 'inch']).optional(),
  write: z.boolean().default(false),
})

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
  /**
   * what stands before some of the rows, each said once; a fitter passes it with a reason for the whole
   * list
   */
  gates: Gate[]
}
const MOST_ROWS = 5000
const DUPLICATE_MM = 2

function match(headers: string[]): Partial<Record<Column, string>> {
  const plain = (s: string) =>
    s
      .toLowerCase()
      .replace(/[_\s.-]+/g, ' ')
      .replace(/\s*\((mm|in)\)\s*$/, '')
      .trim()
  const used = new Set<string>()
  const out: Partial<Record<Column, string>> = {}
  for (const c of COLUMN_IDS) {
    const found = headers.find(
      (h) => !used.has(h) && (HOLE_COLUMNS[c].names as readonly string[]).includes(plain(h)),
    )
    if (found) {
      out[c] = found
      used.add(found)
    }
  }
  return out
}

/** Reads a list of holes. Nothing is written unless every row can be, and then all at once. */
export async function importHoles(who: Account, boatId: string, raw: unknown): Promise<ImportAnswer> {
  must(who, 'measure', boatId)
  const b = parseInput(importing, raw)
  const boat = await Boat.findByPk(boatId)
  if (!boat) throw notFound('boat')
  const parsed = Papa.parse<Record<string, string>>(b.csv.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const headers = (parsed.meta.fields ?? []).filter((h) => h.trim())
  if (headers.length < 2)
    throw new ApiError(
      400,
      'invalid-input',
      'No table was found; the first line names the columns, parted by commas or semicolons',
      'csv',
    )
  if (parsed.data.length > MOST_ROWS)
    throw new ApiError(
      400,
      'invalid-input',
      `${parsed.data.length} rows were given; up to ${MOST_ROWS} are read at once`,
      'csv',
    )
  const columns = b.columns ?? match(headers)
  for (const [c, h] of Object.entries(columns))
    if (!headers.includes(h))
      throw new ApiError(400, 'invalid-input', `There is no column "${h}"`, `columns.${c}`)
  const missing = COLUMN_IDS.filter((c) => HOLE_COLUMNS[c].needed && !columns[c]).map(
    (c) => HOLE_COLUMNS[c].title,
  )
  const units: Units = b.units ?? 'metric'
  const errors: RowError[] = parsed.errors
    .filter((e) => e.code !== 'UndetectableDelimiter')
    .map((e) => ({ line: (e.row ?? 0) + 2, column: '', message: e.message }))
  const holes = await holesOf(boatId)
  const zones = await zonesOf(boatId)
  let duplicates = 0
  const rows: {
    whatFor: string
    xMm: number
    yMm: number
    zMm: number
    diameterMm: number
    state: (typeof LIFE_STATES)[number]
    foundKind: string
    through: string
    note: string
  }[] = []
  const clean = (s: string | undefined) => (s ?? '').trim().replace(/^'(?=[=+\-@\t])/, '')
  if (!missing.length)
    parsed.data.forEach((row, i) => {
      const line = i + 2
      const cell = (c: Column) => clean(columns[c] ? row[columns[c]!] : '')
      const fail = (c: Column, message: string) =>
        void errors.push({ line, column: columns[c] ?? HOLE_COLUMNS[c].title, message })
      const length = (c: Column, above = false): number | null => {
        const t = cell(c)
        const r =
          /^[-+]?\d*\.?\d+(e[-+]?\d+)?$/i.test(t) && units === 'metric'
            ? parseNumber(t)
            : parseLength(t.replace(/^-/, ''), units)
        if (!r.ok) {
          fail(c, t ? r.message : 'It is empty; a length is needed')
          return null
        }
        const v = t.startsWith('-') && r.value > 0 ? -r.value : r.value
        if (above && v <= 0) fail(c, `${t} was given; more than 0 is accepted`)
        return v
      }
      const [xMm, yMm, diameterMm] = [length('xMm'), length('yMm'), length('diameterMm', true)]
      const state = lifeStateOf(cell('state').toLowerCase()) || 'suspect'
      if (!(LIFE_STATES as readonly string[]).includes(state))
        fail('state', `"${state}" is no state; one of ${LIFE_STATES.map(lifeSaid).join(', ')} is accepted`)
      const whatFor = cell('whatFor')
      if (!whatFor) fail('whatFor', 'It is empty; say what the hole was for')
      if (whatFor.length > 120) fail('whatFor', `${whatFor.length} letters were given; up to 120 are kept`)
      const kind = cell('foundKind').toLowerCase() || 'open hole'
      if (!(FOUND_KINDS as readonly string[]).includes(kind))
        fail('foundKind', `"${kind}" is no kind; one of ${FOUND_KINDS.join(', ')} is accepted`)
      const z0 = cell('zMm') ? length('zMm') : null
      if (xMm === null || yMm === null || diameterMm === null) return
      if (Math.abs(xMm) > 1e6 || Math.abs(yMm) > 1e5 || diameterMm > 1000)
        fail('xMm', 'This lies far off any boat; check the unit')
      if (holes.some((h) => Math.hypot(h.xMm - xMm, h.yMm - yMm) < DUPLICATE_MM)) duplicates++
      rows.push({
        whatFor,
        xMm,
        yMm,
        zMm: z0 ?? zoneAt(zones, { xMm, yMm })?.zMm ?? 0,
        diameterMm,
        state: state as (typeof LIFE_STATES)[number],
        foundKind: kind,
        through: cell('through') || 'as found',
        note: cell('note'),
      })
    })
  const steps = rows.map((r) => {
    const next = foundAs(
      r.state,
      `Age unknown. From a list. ${r.note}`.trim(),
      r.state === 'closed' || r.state === 'proved' ? r.note : '',
      r.diameterMm,
    )
    return {
      next,
      gates: gatesFor({ coreSchool: 'none', sealant: null, diameterMm: r.diameterMm }, [], {
        ...next,
        at: next.at.getTime(),
        lot: null,
      }),
    }
  })
  const gates = steps.flatMap((s) => s.gates).filter((g, i, all) => all.findIndex((o) => o.id === g.id) === i)
  const answer: ImportAnswer = {
    headers,
    columns,
    missing,
    rows: parsed.data.length,
    errors: errors.slice(0, 200),
    duplicates,
    written: 0,
    preview: rows.slice(0, 8),
    gates,
  }
  if (!b.write || missing.length || errors.length || !rows.length) return answer
  passOrRefuse(who, boatId, gates, b.gateReason)
  await Boat.sequelize!.transaction(async (transaction) => {
    let number = await nextNumber(boatId, transaction)
    for (const [i, r] of rows.entries()) {
      const p = await Penetration.create(
        {
          boatId,
          number: number++,
          fittingId: null,
          boltIndex: null,
          whatFor: r.whatFor,
          zone: zoneCodeAt(zones, r),
          xMm: r.xMm,
          yMm: r.yMm,
          zMm: r.zMm,
          diameterMm: r.diameterMm,
          foundKind: r.foundKind,
          through: r.through,
          fastener: '',
          plate: '',
          coreSchool: 'none',
          sealant: null,
          belowWaterline: r.zMm < 0,
          found: true,
        },
        { transaction },
      )
      await write(who, p, 1, steps[i]!.next, steps[i]!.gates, b.gateReason, transaction)
    }
  })
  return { ...answer, written: rows.length }
}
