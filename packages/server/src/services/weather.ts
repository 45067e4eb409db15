import dayjs from 'dayjs'
import Papa from 'papaparse'
import { Op } from 'sequelize'
import { z } from 'zod'
import {
  CalcError,
  COVERS,
  hoursInOrder,
  parseInput,
  stripAnswer,
  stripQuestion,
  type WeatherAnswer,
  type WeatherHour,
  type WeatherStrip,
} from '@north-tide/core'
import { runNamed } from '@north-tide/core/registry'
import { Lot, WeatherRow } from '../models'
import { must, type Account } from './access'

/** What the weather is to be, by a file or a simulated service, and what it was, by a reading. */
const hour = z.strictObject({
  at: z.string().regex(/^\d{4}-\d\d-\d\dT\d\d:00$/, 'a full hour as 2027-05-31T09:00 is accepted'),
  airC: z.number().min(-30).max(60),
  humidityPct: z.number().gt(0).max(100),
  windMs: z.number().min(0).max(100).default(0),
  rainMm: z.number().min(0).max(500).default(0),
  sun: z.number().min(0).max(1).default(0),
  cloud: z.number().min(0).max(1).default(0.5),
})
type Hour = z.output<typeof hour>
const HOUR = 'YYYY-MM-DD[T]HH:00'
const MOST_ROWS = 400

/** From this hour on, readings before forecasts. */
export async function weatherHours(): Promise<WeatherHour[]> {
  const from = dayjs().format(HOUR)
  const rows = await WeatherRow.findAll({ where: { at: { [Op.gte]: from } }, order: [['at', 'ASC']] })
  const hours = rows.map((r): WeatherHour => ({
    at: r.at,
    airC: r.airC,
    humidityPct: r.humidityPct,
    windMs: r.windMs,
    rainMm: r.rainMm,
    sun: r.sun,
    cloud: r.cloud,
    measured: r.measured,
  }))
  return hoursInOrder(hours, from)
}
export async function weatherSource(): Promise<{ source: string; saidAt: string } | null> {
  const row = await WeatherRow.findOne({ where: { measured: false }, order: [['saidAt', 'DESC']] })
  return row && { source: row.source, saidAt: row.saidAt!.toISOString() }
}
/** A forecast takes the place of the one before it, whole. */
async function keep(hours: Hour[], source: string) {
  await WeatherRow.sequelize!.transaction(async (transaction) => {
    await WeatherRow.destroy({ where: { measured: false }, transaction })
    await WeatherRow.bulkCreate(
      hours.map((h) => ({ ...h, measured: false, source, saidAt: new Date() })),
      { transaction },
    )
  })
}
const NUMBERS = ['airC', 'humidityPct', 'windMs', 'rainMm', 'sun', 'cloud'] as const
const listed = z.strictObject({ csv: z.string().min(1).max(200_000) })
/** A forecast as a table: a row an hour, all of it or none. */
export async function forecastByCsv(who: Account, body: unknown) {
  must(who, 'plan')
  const { csv } = parseInput(listed, body)
  const table = Papa.parse<Record<string, string>>(csv.replace(/^\ufeff/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  })
  const missing = ['at', 'airC', 'humidityPct'].filter((c) => !table.meta.fields?.includes(c))
  if (missing.length)
    throw new CalcError(
      'missing',
      'csv',
      `The first line names the columns; still needed: ${missing.join(', ')}`,
    )
  if (table.data.length > MOST_ROWS)
    throw new CalcError('range', 'csv', `${table.data.length} hours were given; up to ${MOST_ROWS} are read`)
  const hours = table.data.map((r, i) => hourOf(r, i + 2))
  const twice = hours.find((h, i) => hours.findIndex((o) => o.at === h.at) !== i)
  if (twice) throw new CalcError('range', 'csv', `${twice.at.replace('T', ' ')} stands in it twice`)
  await keep(hours, 'a file')
  return { hours: hours.length }
}
function hourOf(r: Record<string, string>, line: number): Hour {
  const given: Record<string, unknown> = { at: (r.at ?? '').trim().replace(' ', 'T') }
  for (const c of NUMBERS) {
    const text = (r[c] ?? '').trim()
    if (text) given[c] = Number(text.replace(',', '.'))
  }
  try {
    return parseInput(hour, given)
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    throw new CalcError(error.code, 'csv', `line ${line}, ${error.path || 'the row'}: ${error.message}`)
  }
}
export const SIMULATED = 'a simulated service'
const DAYS = 7
/**
 * A week's forecast by the hour that ships with the product and says what it is: a cold spell with night
 * frost from tomorrow for two days, rain on the fifth.
 */
export function simulatedForecast(from = dayjs()): Hour[] {
  const first = from.startOf('day')
  return Array.from({ length: DAYS * 24 }, (_, i) => {
    const at = first.add(i, 'hour')
    const n = Math.floor(i / 24)
    const cold = n === 1 || n === 2
    const wave = Math.cos((2 * Math.PI * (at.hour() - 15)) / 24)
    const airC = Math.round(10 * ((cold ? 2.5 : 13) + (cold ? 4.5 : 5) * wave)) / 10
    const wet = n === 4 && at.hour() >= 9 && at.hour() < 19
    const day = at.hour() >= 7 && at.hour() < 20
    const cloud = wet ? 1 : cold ? 0.1 : 0.5
    return {
      at: at.format(HOUR),
      airC,
      humidityPct: wet ? 96 : Math.round(68 - 14 * wave),
      windMs: wet ? 9 : 4,
      rainMm: wet ? 1.5 : 0,
      sun: day ? Math.round(100 * (1 - cloud) * Math.max(0, wave + 0.3)) / 130 : 0,
      cloud,
    }
  }).map((h) => ({ ...h, sun: Math.min(1, h.sun) }))
}
export async function forecastBySimulation(who: Account) {
  must(who, 'plan')
  const hours = simulatedForecast()
  await keep(hours, SIMULATED)
  return { hours: hours.length }
}
/** What was read in the yard: it counts before what was foretold of that hour. */
export async function weatherReading(who: Account, body: unknown) {
  must(who, 'stores')
  const h = parseInput(hour.extend({ at: hour.shape.at.optional() }), body)
  const at = h.at ?? dayjs().format(HOUR)
  await WeatherRow.upsert({ ...h, at, measured: true, source: who.name, saidAt: new Date() })
  return { at }
}

const windows = z.strictObject({ cover: z.enum(COVERS).default('open'), heat: z.unknown().optional() })
/** Hours of the forecast in which what stands in the store can be bonded, and what heat would take. */
export async function weatherStrip(who: Account, body: unknown): Promise<WeatherStrip | null> {
  must(who, 'stores')
  const { cover, heat } = parseInput(windows, body)
  const [hours, lots] = await Promise.all([weatherHours(), Lot.findAll({ where: { kind: 'sealant' } })])
  if (!hours.length) return null
  const here = [...new Set(lots.filter((l) => l.quantity !== 0).map((l) => l.chemistry))].sort()
  return stripAnswer(runNamed('weather-windows', stripQuestion(hours, cover, here, heat)) as WeatherAnswer)
}
