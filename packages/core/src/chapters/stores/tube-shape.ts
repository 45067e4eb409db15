import { z } from 'zod'
import { SEALANT_IDS, type SealantId } from '../../base/materials/sealants'
import { nonNegative, positive } from '../../base/schema/schema'

/** What is bedded when, and what is in the store: shapes of tube-plan. Butyl is tape. */
type Tubed = Exclude<SealantId, 'butyl'>
const CHEMISTRIES = SEALANT_IDS.filter((s): s is Tubed => s !== 'butyl') as [Tubed, ...Tubed[]]
const chemistry = z.enum(CHEMISTRIES)
const name = z.string().min(1)
const day = z.iso.date()
const ml = () => positive().max(20_000)
const tubeMl = () => z.number().min(10).max(5000)

const job = z.strictObject({
  id: name,
  day,
  chemistry,
  ml: ml(),
  fittings: z.number().int().min(1).default(1),
  minutesEach: positive().default(10),
  colour: name.optional(),
  structural: z.boolean().default(false),
})
const lot = z.strictObject({
  id: name,
  chemistry,
  colour: name.optional(),
  sizeMl: tubeMl(),
  count: z.number().int().min(0).max(1000).default(1),
  opened: z.array(z.strictObject({ day, leftMl: nonNegative().max(20_000) })).default([]),
  expiry: day,
  storage: z.enum(['cool', 'hot']).default('cool'),
  test: z.strictObject({ day, ok: z.boolean() }).optional(),
  openDays: z.number().int().min(0).optional(),
})
export const tubeInput = z
  .strictObject({
    jobs: z.array(job),
    lots: z.array(lot).default([]),
    days: z
      .array(
        z.strictObject({
          day,
          tempC: z.number().min(-30).max(60).default(18),
          humidityPct: z.number().positive().max(100).default(60),
        }),
      )
      .default([]),
    buyMl: tubeMl().default(300),
    nozzleMl: nonNegative().default(8),
  })
  .superRefine((v, ctx) => {
    const once = (list: 'jobs' | 'lots' | 'days', keys: string[]) => {
      if (new Set(keys).size < keys.length)
        ctx.addIssue({
          code: 'custom',
          path: [list],
          message: `One of ${list} is there twice; each is given once`,
        })
    }
    once(
      'jobs',
      v.jobs.map((j) => j.id),
    )
    once(
      'lots',
      v.lots.map((l) => l.id),
    )
    once(
      'days',
      v.days.map((d) => d.day),
    )
  })
export type TubeInput = z.output<typeof tubeInput>
export type Job = TubeInput['jobs'][number]
export type Lot = TubeInput['lots'][number]

/** Days that an opened tube lasts after the day on which it was opened; estimates. */
export const OPEN_DAYS: Record<Tubed, number> = {
  'pu-permanent': 1,
  'pu-medium': 1,
  polysulfide: 1,
  hybrid: 2,
  'hybrid-strong': 2,
  'silicone-neutral': 2,
  methacrylate: 14,
  'epoxy-filled': 30,
}
/** Minutes at 25 \u00b0C in the nozzle of what is mixed there; null for what is not. */
export const MIXED_MIN: Partial<Record<Tubed, number>> = { methacrylate: 10, 'epoxy-filled': 30 }
