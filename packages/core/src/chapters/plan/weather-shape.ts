import { z } from 'zod'
import { SEALANT_IDS } from '../../base/materials/sealants'
import { nonNegative, positive } from '../../base/schema/schema'
import { HARDENER_IDS } from '../bedding/epoxy-batch'
import { minuteOf } from './clock'

/** A forecast, the works that wait for it, and heat: shapes of weather-windows. */
const HOUR = 60
const hourField = z
  .string()
  .refine(
    (t) => t.includes('T') && minuteOf(t) !== null && minuteOf(t)! % HOUR === 0,
    'a full hour like 2031-04-14T09:00 is needed',
  )
const temp = () => z.number().min(-30).max(60)
const hour = z.strictObject({
  at: hourField,
  airC: temp(),
  humidityPct: z.number().positive().max(100),
  windMs: nonNegative(),
  rainMm: nonNegative(),
  sun: z.number().min(0).max(1),
  cloud: z.number().min(0).max(1).default(0.5),
})
const shared = { id: z.string().min(1), hours: positive().max(12) }
const after = { minC: z.number().optional(), afterHours: z.number().int().min(0).optional() }
const windy = { maxWindMs: positive().optional() }
const work = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('bond'), ...shared, chemistry: z.enum(SEALANT_IDS), ...after }),
  z.strictObject({ kind: z.literal('paint'), ...shared, ...after, ...windy }),
  z.strictObject({ kind: z.literal('epoxy'), ...shared, hardener: z.enum(HARDENER_IDS), ...after }),
  z.strictObject({ kind: z.literal('grind'), ...shared, ...windy }),
  z.strictObject({ kind: z.literal('aloft'), ...shared, ...windy }),
  z.strictObject({ kind: z.literal('ladder'), ...shared, ...windy }),
])
const heat = z.strictObject({
  from: hourField,
  to: hourField,
  targetC: temp(),
  areaM2: positive(),
  build: z.enum(['film', 'double-film', 'board', 'blanket']).default('film'),
  volumeM3: nonNegative().default(0),
  airChanges: nonNegative().default(1),
  heater: z.enum(['electric', 'ducted', 'open-flame']).default('electric'),
})
const clockHour = (usual: number) => z.number().int().min(0).max(24).default(usual)
export const weatherInput = z
  .strictObject({
    hours: z.array(hour).min(1).max(240),
    workHours: z.strictObject({ from: clockHour(8), to: clockHour(17) }).default({ from: 8, to: 17 }),
    cover: z.enum(['open', 'roof', 'tent']).default('open'),
    colour: z.enum(['light', 'medium', 'dark']).default('light'),
    works: z.array(work),
    heat: heat.optional(),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: (string | number)[], message: string, code?: string) =>
      ctx.addIssue({ code: 'custom', path, message, ...(code ? { params: { code } } : {}) })
    v.hours.forEach((h, i) => {
      if (i > 0 && minuteOf(h.at)! !== minuteOf(v.hours[i - 1]!.at)! + HOUR)
        refuse(
          ['hours', i, 'at'],
          `${h.at} does not follow ${v.hours[i - 1]!.at}; hour comes after hour`,
          'gap',
        )
    })
    if (v.workHours.from >= v.workHours.to)
      refuse(['workHours', 'to'], `${v.workHours.to} was given; the working day ends after it begins`)
    const ids = v.works.map((w) => w.id)
    if (new Set(ids).size < ids.length) refuse(['works'], 'A work is there twice; each has an id of its own')
    if (!v.heat) return
    const [from, to] = [minuteOf(v.heat.from)!, minuteOf(v.heat.to)!]
    if (from >= to) return refuse(['heat', 'to'], `${v.heat.to} was given; heating ends after it begins`)
    if (from < minuteOf(v.hours[0]!.at)! || to > minuteOf(v.hours.at(-1)!.at)! + HOUR)
      refuse(['heat'], 'Heating goes on outside the forecast', 'outside-forecast')
  })
export type Weather = z.output<typeof weatherInput>
export type Work = Weather['works'][number]
