import Papa from 'papaparse'
import { z } from 'zod'
import {
  LIFE_STATES,
  lifeSaid,
  lifeStateOf,
  gatesFor,
  parseInput,
  parseLength,
  parseNumber,
  zoneAt,
  zoneCodeAt,
  type Gate,
  type LifeState,
  type Units,
} from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { breath } from '../breath'
import { Boat, LifeEvent, Penetration } from '../models'
import { must, type Account } from './access'
import { zonesOf } from './zones'
import { FOUND_KINDS, foundAs, nextNumber } from './found'
import { insertMany } from './insert-many'
import { eventRow, passOrRefuse, type NextEvent } from './life'
import { holesOf } from './holes'

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
const AT_ONCE = 1000

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

interface Row {
  whatFor: string
  xMm: number
  yMm: number
  zMm: number
  diameterMm: number
  state: LifeState
  foundKind: string
  through: string
  note: string
}
type Table = Papa.ParseResult<Record<string, string>>
type Columns = Partial<Record<Column, string>>
const refused = (message: string, path: string) => new ApiError(400, 'invalid-input', message, path)

/** The list as a table, or why it is none. */
function tableOf(csv: string): { headers: string[]; table: Table } {
  const table: Table = Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const headers = (table.meta.fields ?? []).filter((h) => h.trim())
  if (headers.length < 2)
    throw refused(
      'No table was found; the first line names the columns, parted by commas or semicolons',
      'csv',
    )
  if (table.data.length > MOST_ROWS)
    throw refused(`${table.data.length} rows were given; up to ${MOST_ROWS} are read at once`, 'csv')
  return { headers, table }
}
function columnsOf(headers: string[], given: Columns | undefined): Columns {
  const columns = given ?? match(headers)
  for (const [c, h] of Object.entries(columns))
    if (!headers.includes(h)) throw refused(`There is no column "${h}"`, `columns.${c}`)
  return columns
}

/** One line of the list, each cell with its error beside it. */
class Line {
  readonly errors: RowError[] = []
  constructor(
    private readonly row: Record<string, string>,
    private readonly line: number,
    private readonly columns: Columns,
    private readonly units: Units,
  ) {}

  cell(c: Column): string {
    const header = this.columns[c]
    // A leading quote keeps a spreadsheet from reading the cell as a formula.
    return (header ? (this.row[header] ?? '') : '').trim().replace(/^'(?=[=+\-@\t])/, '')
  }
  fail(c: Column, message: string) {
    const column = this.columns[c] ?? HOLE_COLUMNS[c].title
    this.errors.push({ line: this.line, column, message })
  }
  length(c: Column, above = false): number | null {
    const t = this.cell(c)
    const bare = /^[-+]?\d*\.?\d+(e[-+]?\d+)?$/i.test(t) && this.units === 'metric'
    const r = bare ? parseNumber(t) : parseLength(t.replace(/^-/, ''), this.units)
    if (!r.ok) {
      this.fail(c, t ? r.message : 'It is empty; a length is needed')
      return null
    }
    const v = t.startsWith('-') && r.value > 0 ? -r.value : r.value
    if (above && v <= 0) this.fail(c, `${t} was given; more than 0 is accepted`)
    return v
  }
  oneOf<T extends string>(
    c: Column,
    value: string,
    list: readonly T[],
    what: string,
    said = (v: T): string => v,
  ): T {
    if (!(list as readonly string[]).includes(value))
      this.fail(c, `"${value}" is no ${what}; one of ${list.map(said).join(', ')} is accepted`)
    return value as T
  }
  /** The hole of this line; null where no place or size can be read. */
  read(zones: Awaited<ReturnType<typeof zonesOf>>): Row | null {
    const [xMm, yMm] = [this.length('xMm'), this.length('yMm')]
    const diameterMm = this.length('diameterMm', true)
    const asked = lifeStateOf(this.cell('state').toLowerCase()) || 'suspect'
    const state = this.oneOf('state', asked, LIFE_STATES, 'state', lifeSaid)
    const whatFor = this.cell('whatFor')
    if (!whatFor) this.fail('whatFor', 'It is empty; say what the hole was for')
    if (whatFor.length > 120) this.fail('whatFor', `${whatFor.length} letters were given; up to 120 are kept`)
    const kind = this.cell('foundKind').toLowerCase() || 'open hole'
    const foundKind = this.oneOf('foundKind', kind, FOUND_KINDS, 'kind')
    const z0 = this.cell('zMm') ? this.length('zMm') : null
    if (xMm === null || yMm === null || diameterMm === null) return null
    if (Math.abs(xMm) > 1e6 || Math.abs(yMm) > 1e5 || diameterMm > 1000)
      this.fail('xMm', 'This lies far off any boat; check the unit')
    return {
      whatFor,
      xMm,
      yMm,
      zMm: z0 ?? zoneAt(zones, { xMm, yMm })?.zMm ?? 0,
      diameterMm,
      state,
      foundKind,
      through: this.cell('through') || 'as found',
      note: this.cell('note'),
    }
  }
}

/** The first step in the life of a hole of the list, and what stands before it. */
function firstStep(r: Row): { next: NextEvent; gates: Gate[] } {
  const evidence = r.state === 'closed' || r.state === 'proved' ? r.note : ''
  const next = foundAs(r.state, `Age unknown. From a list. ${r.note}`.trim(), evidence, r.diameterMm)
  const gates = gatesFor({ coreSchool: 'none', sealant: null, diameterMm: r.diameterMm }, [], {
    ...next,
    at: next.at.getTime(),
    lot: null,
  })
  return { next, gates }
}
const writtenOf = (boatId: string, number: number, zone: string, r: Row) => ({
  boatId,
  number,
  fittingId: null,
  boltIndex: null,
  whatFor: r.whatFor,
  zone,
  xMm: r.xMm,
  yMm: r.yMm,
  zMm: r.zMm,
  diameterMm: r.diameterMm,
  foundKind: r.foundKind,
  through: r.through,
  fastener: '',
  plate: '',
  coreSchool: 'none' as const,
  sealant: null,
  belowWaterline: r.zMm < 0,
  found: true,
})

interface At {
  xMm: number
  yMm: number
}
/** Whether a hole is on record so near that it is the same; by squares of that size, for thousands. */
function besideOneOf(holes: At[]): (at: At) => boolean {
  const square = (v: number) => Math.floor(v / DUPLICATE_MM)
  const by = new Map<string, At[]>()
  for (const h of holes) {
    const key = `${square(h.xMm)} ${square(h.yMm)}`
    by.set(key, [...(by.get(key) ?? []), h])
  }
  return (at) => {
    for (let i = -1; i <= 1; i++)
      for (let j = -1; j <= 1; j++)
        for (const h of by.get(`${square(at.xMm) + i} ${square(at.yMm) + j}`) ?? [])
          if (Math.hypot(h.xMm - at.xMm, h.yMm - at.yMm) < DUPLICATE_MM) return true
    return false
  }
}

/** Reads a list of holes. Nothing is written unless every row can be, and then all at once. */
export async function importHoles(who: Account, boatId: string, raw: unknown): Promise<ImportAnswer> {
  must(who, 'measure', boatId)
  const b = parseInput(importing, raw)
  if (!(await Boat.findByPk(boatId))) throw notFound('boat')
  const { headers, table } = tableOf(b.csv)
  const columns = columnsOf(headers, b.columns)
  const lacking = COLUMN_IDS.filter((c) => HOLE_COLUMNS[c].needed && !columns[c])
  const [holes, zones] = await Promise.all([holesOf(boatId), zonesOf(boatId)])
  const lines = lacking.length
    ? []
    : table.data.map((row, i) => new Line(row, i + 2, columns, b.units ?? 'metric'))
  const rows = lines.map((l) => l.read(zones)).filter((r) => r !== null)
  const errors: RowError[] = [
    ...table.errors
      .filter((e) => e.code !== 'UndetectableDelimiter')
      .map((e) => ({ line: (e.row ?? 0) + 2, column: '', message: e.message })),
    ...lines.flatMap((l) => l.errors),
  ]
  const there = besideOneOf(holes)
  const steps = rows.map(firstStep)
  const all = steps.flatMap((s) => s.gates)
  const gates = all.filter((g, i) => all.findIndex((o) => o.id === g.id) === i)
  const answer: ImportAnswer = {
    headers,
    columns,
    missing: lacking.map((c) => HOLE_COLUMNS[c].title),
    rows: table.data.length,
    errors: errors.slice(0, 200),
    duplicates: rows.filter(there).length,
    written: 0,
    preview: rows.slice(0, 8) as unknown as ImportAnswer['preview'],
    gates,
  }
  if (!b.write || lacking.length || errors.length || !rows.length) return answer
  passOrRefuse(who, boatId, gates, b.gateReason)
  await Boat.sequelize!.transaction(async (transaction) => {
    const first = await nextNumber(boatId, transaction)
    // Thousands come in one list: so many to a statement, and not each by itself.
    for (let from = 0; from < rows.length; from += AT_ONCE) {
      const part = rows.slice(from, from + AT_ONCE)
      const made = await insertMany<{ id: number; number: number }>(
        Penetration,
        part.map((r, i) => writtenOf(boatId, first + from + i, zoneCodeAt(zones, r), r)),
        ['id', 'number'],
        transaction,
      )
      const events = made.map((p) => {
        const { next, gates: passed } = steps[p.number - first]!
        return eventRow(who, p.id, 1, next, passed, b.gateReason)
      })
      await insertMany(LifeEvent, events, [], transaction)
      await breath()
    }
  })
  return { ...answer, written: rows.length }
}
