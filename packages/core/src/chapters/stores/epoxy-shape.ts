import { z } from 'zod'
import { nonNegative, positive } from '../../base/schema/schema'
import { FILLER, HARDENER_IDS, MOST_POT_ML, type Hardener } from '../bedding/epoxy-batch'
import { minuteOf } from '../plan/clock'
import { timeField } from '../watch/days'

/** A day of mixing: shapes of epoxy-day. */
export type Use = keyof typeof FILLER
const USES = Object.keys(FILLER) as [Use, ...Use[]]
const temp = () => z.number().min(-20).max(60)
const job = z.strictObject({
  id: z.string().min(1),
  neededMl: positive().max(10_000),
  workMinutes: positive().max(10_000),
  use: z.enum(USES),
  stage: z.number().int().min(1).max(9).default(1),
  tempC: temp().optional(),
  hardener: z.enum(HARDENER_IDS).optional(),
  readyBy: timeField.optional(),
})
export const epoxyDayInput = z
  .strictObject({
    start: timeField,
    end: timeField,
    tempC: temp(),
    ratio: z.number().min(1).max(10),
    jobs: z.array(job),
    hardeners: z.array(z.enum(HARDENER_IDS)).default([...HARDENER_IDS]),
    potMaxMl: positive().max(MOST_POT_ML).default(MOST_POT_ML),
    mixMinutes: z.number().min(0).max(120).default(5),
    wasteFraction: z.number().min(0).max(2).default(0.15),
    wasteMinMl: nonNegative().default(5),
    pumps: z.strictObject({ resinStrokeMl: positive(), hardenerStrokeMl: positive() }).optional(),
    resinGPerMl: positive().default(1.15),
    hardenerGPerMl: positive().default(0.98),
    cure: z.array(z.strictObject({ from: timeField, tempC: temp() })).default([]),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: 'custom', path, message })
    if (minuteOf(v.end)! <= minuteOf(v.start)!)
      refuse(['end'], `${v.end} was given; the day ends after it begins`)
    if (v.wasteMinMl >= v.potMaxMl)
      refuse(['wasteMinMl'], `${v.wasteMinMl} was given; a pot holds ${v.potMaxMl} ml at most`)
    const ids = v.jobs.map((j) => j.id)
    if (new Set(ids).size < ids.length) refuse(['jobs'], 'A job is there twice; each has an id of its own')
    v.jobs.forEach((j, i) => {
      if (j.hardener && !v.hardeners.includes(j.hardener))
        refuse(['jobs', i, 'hardener'], `"${j.hardener}" was given; it is not in the store`)
    })
    v.cure.forEach((c, i) => {
      if (i > 0 && minuteOf(c.from)! <= minuteOf(v.cure[i - 1]!.from)!)
        refuse(['cure', i, 'from'], `${c.from} was given; each comes later than the one before`)
    })
  })
export type EpoxyDay = z.output<typeof epoxyDayInput>
export type EpoxyJob = EpoxyDay['jobs'][number]
export interface Part {
  job: EpoxyJob
  /** its place in the input */
  jobIndex: number
  index: number
  ml: number
  minutes: number
  hardener: Hardener
}
