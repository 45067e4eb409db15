import { daySaid } from '../../base/quantity/day'
import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { positive, nonNegative, verdictSchema } from '../../base/schema/schema'
import { say } from '../../base/verdict/check'

const CAPACITY = { zinc: 780, aluminium: 2500, magnesium: 1100 } as const
const DENSITY = {
  'bare-bronze': 150,
  'bare-stainless': 150,
  painted: 15,
  'aluminium-drive': 10,
  'bare-steel': 110,
} as const
const GOOD: Record<string, string[]> = {
  salt: ['zinc', 'aluminium'],
  brackish: ['aluminium'],
  fresh: ['magnesium'],
}
const DAY = 86_400_000
const dayNumber = (text: string) => Date.parse(`${text}T00:00:00Z`) / DAY
const date = z
  .string()
  .refine(
    (t) =>
      /^\d{4}-\d\d-\d\d$/.test(t) &&
      Number.isFinite(dayNumber(t)) &&
      new Date(dayNumber(t) * DAY).toISOString().startsWith(t),
    { message: 'a day as YYYY-MM-DD is accepted' },
  )
const input = z
  .strictObject({
    water: z.enum(['salt', 'brackish', 'fresh']).optional(),
    alloy: z.enum(['zinc', 'aluminium', 'magnesium']).optional(),
    items: z
      .array(
        z.strictObject({
          areaM2: positive(),
          finish: z
            .enum(['bare-bronze', 'bare-stainless', 'painted', 'aluminium-drive', 'bare-steel'])
            .optional(),
          densityMaPerM2: positive().optional(),
        }),
      )
      .min(1)
      .optional(),
    years: positive().default(1),
    usable: positive().max(1).default(0.5),
    pieceKg: positive().optional(),
    readings: z
      .array(
        z.union([
          z.strictObject({ date, percentLeft: nonNegative().max(100) }),
          z.strictObject({ date, massG: nonNegative() }),
        ]),
      )
      .min(1)
      .optional(),
    newMassG: positive().optional(),
  })
  .superRefine((v, ctx) => {
    const say = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: 'custom', path, message })
    if (!v.items && !v.readings)
      say(['items'], 'items is missing; give wetted areas, or readings of an anode')
    v.items?.forEach(
      (it, i) =>
        it.finish === undefined &&
        it.densityMaPerM2 === undefined &&
        say(['items', i, 'finish'], 'finish is missing; give the finish, or the current density measured'),
    )
    if (v.items && !v.water) say(['water'], 'water is missing; salt, brackish or fresh is accepted')
    if (v.items && !v.alloy) say(['alloy'], 'alloy is missing; zinc, aluminium or magnesium is accepted')
    if (v.readings?.some((r) => 'massG' in r) && v.newMassG === undefined)
      say(['newMassG'], 'newMassG is missing; a weighing says nothing without the mass when new')
  })
const output = z.object({
  currentMa: z.number().optional(),
  massKg: z.number().optional(),
  pieces: z.number().nullable().optional(),
  verdict: verdictSchema.optional(),
  because: z.string().optional(),
  halfDate: z.string().nullable().optional(),
  scatterPercent: z.number().nullable().optional(),
  lossPercentPer30Days: z.number().nullable().optional(),
})
type Input = z.output<typeof input>

function need(v: Input) {
  if (!v.items || !v.water || !v.alloy) return {}
  const currentMa = v.items.reduce((s, it) => s + it.areaM2 * (it.densityMaPerM2 ?? DENSITY[it.finish!]), 0)
  const massKg = ((currentMa / 1000) * 8760 * v.years) / (CAPACITY[v.alloy] * v.usable)
  const good = GOOD[v.water]!.includes(v.alloy)
  const why = good
    ? ''
    : v.alloy === 'magnesium'
      ? `Magnesium is for fresh water, never ${v.water}: it is gone in weeks. `
      : `${v.alloy} does not protect in ${v.water} water; ${GOOD[v.water]!.join(' or ')} does. `
  return {
    currentMa,
    massKg,
    pieces: v.pieceKg === undefined ? null : Math.ceil(massKg / v.pieceKg - 1e-9),
    verdict: good ? ('holds' as const) : ('short' as const),
    because: `${why}${say(currentMa)} mA want ${say(massKg)} kg of ${v.alloy} for ${say(v.years)} year${v.years === 1 ? '' : 's'}.`,
  }
}

/** Least-squares line of percent left on days. */
function log(v: Input) {
  if (!v.readings) return {}
  const pts = v.readings.map((r) => ({
    x: dayNumber(r.date),
    y: 'massG' in r ? (100 * r.massG) / v.newMassG! : r.percentLeft,
  }))
  const n = pts.length
  const mx = pts.reduce((s, p) => s + p.x, 0) / n
  const my = pts.reduce((s, p) => s + p.y, 0) / n
  const sxx = pts.reduce((s, p) => s + (p.x - mx) ** 2, 0)
  if (sxx === 0) return { halfDate: null, scatterPercent: null, lossPercentPer30Days: null }
  const slope = pts.reduce((s, p) => s + (p.x - mx) * (p.y - my), 0) / sxx
  const scatterPercent =
    n < 3 ? null : Math.sqrt(pts.reduce((s, p) => s + (p.y - my - slope * (p.x - mx)) ** 2, 0) / (n - 2))
  const half = Math.floor(mx + (50 - my) / slope + 1e-9)
  const within = slope < 0 && half > dayNumber('0001-01-01') && half <= dayNumber('9999-12-31')
  return {
    halfDate: within ? new Date(half * DAY).toISOString().slice(0, 10) : null,
    scatterPercent,
    lossPercentPer30Days: slope === 0 ? 0 : -30 * slope,
  }
}

/**
 * A log of an anode in words, on a day: half is when it is changed, so past half, by the last look or by the
 * line through the looks, it is due now.
 */
export function anodeLogSaid(
  log: { date: string; percentLeft: number }[],
  projected: { halfDate?: string | null | undefined; scatterPercent?: number | null | undefined },
  today: string,
): { due: boolean; text: string } {
  const last = log.at(-1)
  const scatter = projected.scatterPercent == null ? '' : `, scatter ${projected.scatterPercent.toFixed(1)} %`
  const { halfDate } = projected
  if (last && last.percentLeft <= 50)
    return {
      due: true,
      text: `Due: ${last.percentLeft} % was left on ${daySaid(last.date)}, and half is when it is changed.`,
    }
  if (!halfDate) return { due: false, text: 'No date yet: two looks on different days that fall are needed.' }
  if (halfDate <= today)
    return {
      due: true,
      text: `Due: half was reached about ${daySaid(halfDate)}${scatter}; look, and change it.`,
    }
  return { due: false, text: `Half is reached about ${daySaid(halfDate)}${scatter}; change it then.` }
}

export const anodeLife = defineCalculator({
  name: 'anode-life',
  title: 'How much anode, and until when',
  chapter: '7.2',
  words: ['anode', 'zinc', 'depletion', 'when to change'],
  input,
  output,
  run: (v) => ({ ...need(v), ...log(v) }),
})
