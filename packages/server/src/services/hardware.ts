import Papa from 'papaparse'
import { QueryTypes, type Transaction } from 'sequelize'
import { z } from 'zod'
import {
  CATALOGUE,
  CalcError,
  FAMILIES,
  INCH_IDS,
  METRIC_IDS,
  QUESTIONS,
  areaOf,
  boundsOf,
  catalogueEntry,
  contains,
  parseInput,
  type CatalogueEntry,
  type Habits,
} from '@north-tide/core'
import { safeCell } from '../csv'
import { ApiError } from '../errors'
import { Boat } from '../models'
import { must, type Account } from './access'
import { MOST_VERSION, stale } from './saving'
import { longestLine } from './outline'

/** Hardware that the yard drew itself, beside the catalogue, and the yard's habits among the schools. */
const db = () => Boat.sequelize!
const point = z.strictObject({ xMm: z.number().min(-5000).max(5000), yMm: z.number().min(-5000).max(5000) })
const size = z.number().positive().max(5000)
const body = z
  .strictObject({
    id: z
      .string()
      .trim()
      .regex(
        /^[A-Za-z0-9][A-Za-z0-9._/-]{0,38}$/,
        'letters, figures, dots and dashes are accepted, up to 39',
      ),
    title: z.string().trim().min(1).max(120),
    maker: z.string().trim().max(80).default('the yard'),
    family: z.enum(FAMILIES),
    face: z.enum(['stainless', 'aluminium', 'bronze']),
    base: z.union([
      z.strictObject({
        lengthMm: size,
        widthMm: size,
        thicknessMm: size,
        bodyHeightMm: z.number().min(0).max(5000),
      }),
      z.strictObject({ diameterMm: size, thicknessMm: size, bodyHeightMm: z.number().min(0).max(5000) }),
    ]),
    outline: z.array(point).max(400).default([]),
    bolts: z.array(point).min(1).max(60),
    sizes: z.array(z.enum([...METRIC_IDS, ...INCH_IDS] as [string, ...string[]])).min(1),
    head: z.enum(['hex', 'countersunk']),
    ratedN: z.number().positive().max(1e7).nullable().default(null),
    units: z.enum(['metric', 'inch']),
    pipeMm: size.nullable().default(null),
    /** of the one that was read; 0 for a new one */
    version: z.number().int().min(0).max(MOST_VERSION).default(0),
  })
  .superRefine((v, ctx) => {
    v.bolts.forEach((b, i) => {
      if (
        !contains(
          'diameterMm' in v.base
            ? { diameterMm: v.base.diameterMm }
            : { lengthMm: v.base.lengthMm, widthMm: v.base.widthMm },
          b,
        )
      )
        ctx.addIssue({
          code: 'custom',
          path: ['bolts', i],
          message: `Hole ${i + 1} at ${b.xMm}, ${b.yMm} mm does not stand inside the base`,
        })
    })
    const thread = new Set(v.sizes.map((s) => (METRIC_IDS as readonly string[]).includes(s)))
    if (thread.size > 1)
      ctx.addIssue({
        code: 'custom',
        path: ['sizes'],
        message: 'Metric and inch threads do not mix in one casting; give the ones that pass its holes',
      })
  })
export interface Hardware extends CatalogueEntry {
  outline: { xMm: number; yMm: number }[]
  own: true
  version: number
}
interface Row {
  id: string
  title: string
  maker: string
  family: Hardware['family']
  face: Hardware['face']
  length_mm: number | null
  width_mm: number | null
  diameter_mm: number | null
  thickness_mm: number
  body_height_mm: number
  outline_x: number[]
  outline_y: number[]
  holes_x: number[]
  holes_y: number[]
  sizes: string[]
  head: 'hex' | 'countersunk'
  rated_n: number | null
  units: 'metric' | 'inch'
  pipe_mm: number | null
  version: number
  made_by: string
}
const points = (xs: number[], ys: number[]) => xs.map((xMm, i) => ({ xMm, yMm: ys[i]! }))
const shown = (r: Row): Hardware => ({
  id: r.id,
  title: r.title,
  maker: r.maker,
  family: r.family,
  face: r.face,
  base:
    r.diameter_mm !== null
      ? { diameterMm: r.diameter_mm, thicknessMm: r.thickness_mm, bodyHeightMm: r.body_height_mm }
      : {
          lengthMm: r.length_mm!,
          widthMm: r.width_mm!,
          thicknessMm: r.thickness_mm,
          bodyHeightMm: r.body_height_mm,
        },
  outline: points(r.outline_x, r.outline_y),
  bolts: points(r.holes_x, r.holes_y),
  sizes: r.sizes,
  head: r.head,
  ratedN: r.rated_n,
  units: r.units,
  ...(r.pipe_mm === null ? {} : { pipeMm: r.pipe_mm }),
  own: true,
  version: r.version,
})
export const ownHardware = async (): Promise<Hardware[]> =>
  (await db().query<Row>('SELECT * FROM hardware ORDER BY id', { type: QueryTypes.SELECT })).map(shown)
export const wholeCatalogue = async (): Promise<CatalogueEntry[]> => [...CATALOGUE, ...(await ownHardware())]
export const entryNamed = async (id: string): Promise<CatalogueEntry | undefined> =>
  catalogueEntry(id) ?? (await ownHardware()).find((h) => h.id === id)

/** `over` writes whatever version is there: a whole file that is read in says so itself. */
async function write(v: z.output<typeof body>, who: Account, transaction: Transaction, over = false) {
  if (catalogueEntry(v.id))
    throw new ApiError(409, 'taken', `${v.id} stands in the catalogue; give yours another number`, 'id')
  const [there] = await db().query<Row>('SELECT * FROM hardware WHERE id = $1 FOR UPDATE', {
    bind: [v.id],
    type: QueryTypes.SELECT,
    transaction,
  })
  if (!over && (there?.version ?? 0) !== v.version)
    throw stale(
      v.id,
      { version: there?.version ?? 0, updatedBy: there?.made_by ?? null },
      v.version,
      there ? shown(there) : null,
    )
  const b = v.base
  const bind = [
    v.id,
    v.title,
    v.maker,
    v.family,
    v.face,
    'lengthMm' in b ? b.lengthMm : null,
    'widthMm' in b ? b.widthMm : null,
    'diameterMm' in b ? b.diameterMm : null,
    b.thicknessMm,
    b.bodyHeightMm,
    v.outline.map((p) => p.xMm),
    v.outline.map((p) => p.yMm),
    v.bolts.map((p) => p.xMm),
    v.bolts.map((p) => p.yMm),
    v.sizes,
    v.head,
    v.ratedN,
    v.units,
    v.pipeMm,
    who.name,
  ]
  await db().query(
    `INSERT INTO hardware (id, title, maker, family, face, length_mm, width_mm, diameter_mm, thickness_mm, body_height_mm, outline_x, outline_y, holes_x, holes_y, sizes, head, rated_n, units, pipe_mm, made_by)
     VALUES ($1,$2,$3,$4,$5,$6,$7,$8,$9,$10,$11,$12,$13,$14,$15,$16,$17,$18,$19,$20)
     ${there || over ? UPDATE : ''}`,
    { bind, transaction },
  )
}
const UPDATE = `ON CONFLICT (id) DO UPDATE SET title=$2, maker=$3, family=$4, face=$5, length_mm=$6, width_mm=$7, diameter_mm=$8, thickness_mm=$9, body_height_mm=$10, outline_x=$11, outline_y=$12, holes_x=$13, holes_y=$14, sizes=$15, head=$16, rated_n=$17, units=$18, pipe_mm=$19, made_by=$20, version=hardware.version+1`
export async function saveHardware(who: Account, raw: unknown): Promise<Hardware[]> {
  must(who, 'yard-parts')
  const v = parseInput(body, raw)
  await db().transaction((transaction) => write(v, who, transaction))
  return ownHardware()
}
export async function removeHardware(who: Account, id: string): Promise<Hardware[]> {
  must(who, 'yard-parts')
  await db().query('DELETE FROM hardware WHERE id = $1', { bind: [id] })
  return ownHardware()
}

const FIELDS = [
  'id',
  'title',
  'maker',
  'family',
  'face',
  'lengthMm',
  'widthMm',
  'diameterMm',
  'thicknessMm',
  'bodyHeightMm',
  'holes',
  'sizes',
  'head',
  'ratedN',
  'units',
  'pipeMm',
  'outline',
] as const
const packed = (ps: { xMm: number; yMm: number }[]) => ps.map((p) => `${p.xMm} ${p.yMm}`).join('; ')
export async function hardwareCsv(): Promise<string> {
  const data = (await ownHardware())
    .map((h) => ({
      ...h,
      ...h.base,
      holes: packed(h.bolts),
      sizes: h.sizes.join(' '),
      outline: packed(h.outline),
    }))
    .map((r) => Object.fromEntries(Object.entries(r).map(([k, v]) => [k, safeCell(v)])))
  return `${Papa.unparse({ fields: [...FIELDS], data }, { newline: '\n' })}\n`
}
/** Several at once, from JSON or CSV: all of them or none. */
export async function importHardware(who: Account, raw: unknown): Promise<Hardware[]> {
  must(who, 'yard-parts')
  const given = parseInput(
    z.union([
      z.strictObject({
        format: z.literal('north-tide-hardware'),
        version: z.literal(1),
        hardware: z.array(z.unknown()).min(1).max(500),
      }),
      z.strictObject({ csv: z.string().min(1).max(900_000) }),
    ]),
    raw,
  )
  const rows: unknown[] =
    'csv' in given
      ? fromCsv(given.csv)
      : given.hardware.map((h) => {
          const { own: _own, version: _version, ...rest } = (h ?? {}) as { own?: unknown; version?: unknown }
          return rest
        })
  const read = rows.map((r, i) => {
    try {
      return parseInput(body, r)
    } catch (error) {
      if (error instanceof CalcError)
        throw new CalcError(
          error.code,
          `${'csv' in given ? `line ${i + 2}` : `hardware.${i}`}${error.path ? `.${error.path}` : ''}`,
          error.message,
        )
      throw error
    }
  })
  await db().transaction(async (transaction) => {
    for (const v of read) await write(v, who, transaction, true)
  })
  return ownHardware()
}
function fromCsv(csv: string): unknown[] {
  const parsed = Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const number = (t: string | undefined) => (t?.trim() ? Number(t) : null)
  const list = (t: string | undefined) =>
    (t ?? '')
      .split(';')
      .map((p) => p.trim())
      .filter(Boolean)
      .map((p) => {
        const [x, y] = p.split(/[\s,]+/).map(Number)
        return { xMm: x, yMm: y }
      })
  const clean = (t: string | undefined) => (t ?? '').trim().replace(/^'(?=[=+\-@\t])/, '')
  return parsed.data.map((r) => ({
    id: clean(r.id),
    title: clean(r.title),
    ...(clean(r.maker) ? { maker: clean(r.maker) } : {}),
    family: clean(r.family),
    face: clean(r.face),
    base:
      number(r.diameterMm) !== null
        ? {
            diameterMm: number(r.diameterMm),
            thicknessMm: number(r.thicknessMm),
            bodyHeightMm: number(r.bodyHeightMm) ?? 0,
          }
        : {
            lengthMm: number(r.lengthMm),
            widthMm: number(r.widthMm),
            thicknessMm: number(r.thicknessMm),
            bodyHeightMm: number(r.bodyHeightMm) ?? 0,
          },
    bolts: list(clean(r.holes)),
    sizes: clean(r.sizes).split(/\s+/).filter(Boolean),
    head: clean(r.head),
    ratedN: number(r.ratedN),
    units: clean(r.units),
    pipeMm: number(r.pipeMm),
    outline: list(clean(r.outline)),
  }))
}

/**
 * An outline from a drawing, centred; the base that is judged is no larger than it: its bounds, drawn in
 * until the areas are the same.
 */
export function baseFromDxf(dxf: string) {
  const { points: ps, unitMm, assumedUnit } = longestLine(dxf)
  const raw = ps.map((p) => ({ xMm: p.x * unitMm, yMm: p.y * unitMm }))
  if (raw.length < 3)
    throw new ApiError(400, 'invalid-input', 'This line encloses no area; a closed outline is wanted', 'file')
  const b = boundsOf({ outline: raw })
  const outline = raw.map((p) => ({
    xMm: Math.round((p.xMm - (b.minX + b.maxX) / 2) * 100) / 100,
    yMm: Math.round((p.yMm - (b.minY + b.maxY) / 2) * 100) / 100,
  }))
  const [l, w] = [b.maxX - b.minX, b.maxY - b.minY]
  const k = Math.sqrt(Math.min(1, areaOf({ outline }) / (l * w)))
  return { outline, lengthMm: Math.floor(l * k * 10) / 10, widthMm: Math.floor(w * k * 10) / 10, assumedUnit }
}

export const habits = async (): Promise<Habits> =>
  Object.fromEntries(
    (
      await db().query<{ question: string; school: string }>('SELECT question, school FROM yard_habits', {
        type: QueryTypes.SELECT,
      })
    ).map((r) => [r.question, r.school]),
  )
export const habitQuestion = z.enum(QUESTIONS.map((q) => q.id) as [string, ...string[]])
const habit = z.strictObject({
  question: habitQuestion,
  school: z.string().nullable(),
})
export function knownSchool(question: string, school: string, path = 'school'): void {
  const { schools } = QUESTIONS.find((x) => x.id === question)!
  if (!schools.includes(school))
    throw new ApiError(
      400,
      'invalid-input',
      `"${school}" is no answer to it; one of ${schools.join(', ')} is accepted`,
      path,
    )
}
export async function setHabit(who: Account, raw: unknown): Promise<Habits> {
  must(who, 'yard-values')
  const { question, school } = parseInput(habit, raw)
  if (school !== null) knownSchool(question, school)
  if (school === null) await db().query('DELETE FROM yard_habits WHERE question = $1', { bind: [question] })
  else await writeHabit(who, question, school)
  return habits()
}
export const writeHabit = (who: Account, question: string, school: string, transaction?: Transaction) =>
  db().query(
    'INSERT INTO yard_habits (question, school, set_by) VALUES ($1, $2, $3) ON CONFLICT (question) DO UPDATE SET school = $2, set_by = $3, set_at = now()',
    { bind: [question, school, who.name], ...(transaction ? { transaction } : {}) },
  )
