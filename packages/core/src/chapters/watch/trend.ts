import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { invalid } from '../../base/errors'
import { nonNegative, positive, verdictSchema } from '../../base/schema/schema'
import { say, type Verdict } from '../../base/verdict/check'
import { median } from '../../base/median'
import { dateOf, serial, six } from './days'
import { interceptOf, kendall, slopesOf, type Look } from './trend-line'

interface Followed {
  title: string
  unit: string
  /** 1 where more is worse, −1 where less is */
  sigma: 1 | -1
  step: number
  tight: number | null
  short: number | null
  /** whether the limit itself counts as beyond */
  at?: true
  everyDays: number
  action: string
}
const KINDS = {
  creep: {
    title: 'over its mark',
    unit: 'mm',
    sigma: 1,
    step: 0.1,
    tight: 0.5,
    short: 1,
    everyDays: 90,
    action: 'do-not-sail',
  },
  gap: {
    title: 'gap',
    unit: 'mm',
    sigma: 1,
    step: 0.1,
    tight: 0.5,
    short: 1,
    everyDays: 365,
    action: 'rebed',
  },
  moisture: {
    title: 'over dry',
    unit: 'points',
    sigma: 1,
    step: 1,
    tight: 5,
    short: 10,
    at: true,
    everyDays: 365,
    action: 'trace-leak',
  },
  resistance: {
    title: 'bonding path',
    unit: '\u03a9',
    sigma: 1,
    step: 0.005,
    tight: 0.09,
    short: 0.1,
    everyDays: 365,
    action: 'remake-joint',
  },
  anode: {
    title: 'anode left',
    unit: '%',
    sigma: -1,
    step: 2,
    tight: 55,
    short: 50,
    everyDays: 90,
    action: 'replace',
  },
  thickness: {
    title: 'thickness',
    unit: 'mm',
    sigma: -1,
    step: 0.1,
    tight: null,
    short: null,
    everyDays: 365,
    action: 'reinforce',
  },
  torque: {
    title: 'torque left',
    unit: '%',
    sigma: -1,
    step: 5,
    tight: 80,
    short: 70,
    everyDays: 365,
    action: 'retighten',
  },
} as const satisfies Record<string, Followed>
type Kind = keyof typeof KINDS
const IDS = Object.keys(KINDS) as [Kind, ...Kind[]]

const input = z
  .strictObject({
    kind: z.enum(IDS),
    readings: z
      .array(
        z.strictObject({
          date: z.iso.date(),
          value: z.number(),
          dry: nonNegative().optional(),
          scale: positive().optional(),
        }),
      )
      .min(1),
    dry: nonNegative().optional(),
    scale: positive().optional(),
    referenceMm: z.number().optional(),
    limit: positive().optional(),
    intervalDays: z.number().int().min(1).optional(),
    below: z.boolean().default(false),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: (string | number)[], message: string) =>
      ctx.addIssue({ code: 'custom', path, message })
    const wet = v.kind === 'moisture'
    for (const k of ['dry', 'scale'] as const) {
      if (!wet && v[k] !== undefined) refuse([k], 'Only moisture is read against a dry spot; leave it out')
      v.readings.forEach((r, i) => {
        if (!wet && r[k] !== undefined)
          refuse(['readings', i, k], 'Only moisture is read against a dry spot; leave it out')
      })
    }
    if (v.kind !== 'creep' && v.referenceMm !== undefined)
      refuse(['referenceMm'], 'Only what creeps has a mark to be measured from; leave it out')
    v.readings.forEach((r, i) => {
      if (v.kind !== 'creep' && r.value < 0)
        refuse(['readings', i, 'value'], `${r.value} was given; at least 0 is accepted`)
    })
  })
const maybe = z.number().nullable()
const date = z.string().nullable()
const output = z.object({
  n: z.number(),
  value: z.number(),
  line: z
    .object({ slopePerDay: z.number(), intercept: z.number(), bandPerDay: z.array(z.number()).length(2) })
    .nullable(),
  mad: z.number(),
  tau: maybe,
  pWorse: z.number(),
  exact: z.boolean(),
  worsening: z.boolean(),
  flags: z.array(z.string()),
  step: z.object({ date: z.string(), jump: z.number() }).nullable(),
  crossing: z.object({ limit: z.number(), date, earliest: date, latest: date }).nullable(),
  verdict: verdictSchema,
  suspect: z.boolean(),
  intervalDays: z.number(),
  nextLook: z.string(),
  next: z.object({ date: z.string(), value: z.number() }).nullable(),
  actions: z.array(z.string()),
  cautions: z.array(z.string()),
  because: z.string(),
})
type Input = z.output<typeof input>
interface Dated extends Look {
  date: string
}

/** The number followed, one look for each date. */
function looksOf(v: Input): Dated[] {
  const values = v.readings.map((r, i) => {
    if (v.kind !== 'moisture') return r.value
    const dry = r.dry ?? v.dry
    if (dry === undefined)
      throw invalid(`readings.${i}.dry`, 'What this meter reads on a dry spot is missing')
    return ((r.value - dry) * 100) / (r.scale ?? v.scale ?? 100)
  })
  const byDate = new Map<string, number[]>()
  v.readings.forEach((r, i) => byDate.set(r.date, [...(byDate.get(r.date) ?? []), values[i]!]))
  const dates = [...byDate.keys()].sort()
  const mark = v.kind === 'creep' ? (v.referenceMm ?? median(byDate.get(dates[0]!)!)) : 0
  return dates.map((d) => ({
    date: d,
    day: serial(d) - serial(dates[0]!),
    w: six(median(byDate.get(d)!.map((x) => six(x - mark)))),
  }))
}

/** The day on which a line meets the limit; null where it never gets there in a century. */
function meets(looks: Look[], slope: number, limit: number, sigma: number): number | null {
  if (sigma * slope <= 0) return null
  const day = Math.floor(six((limit - interceptOf(looks, slope)) / slope))
  return Math.abs(day - looks.at(-1)!.day) <= 36_525 ? day : null
}
function crossingOf(looks: Dated[], line: Line | null, limit: number | null, sigma: number) {
  if (!line || limit === null) return null
  const start = serial(looks[0]!.date)
  const said = (day: number | null) => (day === null ? null : dateOf(start + day))
  const own = meets(looks, line.slope, limit, sigma)
  const band = line.band.map((b) => meets(looks, b, limit, sigma))
  const there = [own, ...band].filter((d): d is number => d !== null)
  return {
    limit,
    date: said(own),
    earliest: said(there.length ? Math.min(...there) : null),
    latest: said(band.includes(null) || !there.length ? null : Math.max(...there)),
  }
}
interface Line {
  slope: number
  intercept: number
  band: [number, number]
  mad: number
}
function lineOf(looks: Look[], k: number): Line | null {
  if (looks.length < 2) return null
  const slopes = slopesOf(looks)
  const slope = median(slopes)
  const intercept = interceptOf(looks, slope)
  return {
    slope,
    intercept,
    band: [slopes[k - 1]!, slopes[slopes.length - k]!],
    mad: median(looks.map((l) => Math.abs(l.w - intercept - slope * l.day))),
  }
}

/** A jump between two looks that all the others do not explain. */
function stepOf(looks: Dated[], row: Followed): { date: string; jump: number } | null {
  if (looks.length < 4) return null
  const moves = looks.slice(1).map((l, i) => ({ l, dw: l.w - looks[i]!.w, dd: l.day - looks[i]!.day }))
  const usual = median(moves.map((m) => m.dw / m.dd))
  const off = moves.map((m) => six(row.sigma * (m.dw - usual * m.dd)))
  const least = 5 * Math.max(median(off.map(Math.abs)), row.step)
  const most = Math.max(...off)
  if (most <= six(least)) return null
  const at = off.lastIndexOf(most)
  return { date: moves[at]!.l.date, jump: moves[at]!.dw }
}
function risingThree(looks: Look[], row: Followed): boolean {
  const last = looks.slice(-3)
  return last.length === 3 && [0, 1].every((i) => six(row.sigma * (last[i + 1]!.w - last[i]!.w)) >= row.step)
}

function limitsOf(v: Input, row: Followed) {
  if (v.limit === undefined) return { tight: row.tight, short: row.short }
  return { tight: row.sigma > 0 ? 0.9 * v.limit : v.limit / 0.9, short: v.limit }
}
function verdictAt(w: number, row: Followed, limits: ReturnType<typeof limitsOf>): Verdict {
  if (limits.short === null) return 'unproven'
  const beyond = (limit: number) => {
    const past = six(row.sigma * (w - limit))
    return row.at ? past >= 0 : past > 0
  }
  if (beyond(limits.short)) return 'short'
  return limits.tight !== null && beyond(limits.tight) ? 'tight' : 'holds'
}

/** What the looks say together, before anything follows from it. */
function read(v: Input) {
  const row: Followed = KINDS[v.kind]
  const looks = looksOf(v)
  const n = looks.length
  const known = kendall(looks, row.sigma)
  const line = lineOf(looks, known.k)
  const span = looks.at(-1)!.day
  const rise = line ? six(row.sigma * line.slope * span) : 0
  const step = stepOf(looks, row)
  const noisy = n >= 4 && six(1.4826 * line!.mad) > six(Math.max(Math.abs(line!.slope) * span, row.step))
  const rising = risingThree(looks, row)
  const flags = [
    ...(n < 4 ? ['few'] : []),
    ...(noisy ? ['noisy'] : []),
    ...(rising ? ['rising-three'] : []),
    ...(step ? ['step'] : []),
  ]
  const worsening = n >= 4 && known.pWorse < 0.05 && rise >= row.step
  const limits = limitsOf(v, row)
  const verdict = verdictAt(looks.at(-1)!.w, row, limits)
  const crossing = crossingOf(looks, line, limits.short, row.sigma)
  return { row, looks, n, known, line, step, flags, worsening, verdict, crossing, rising }
}
type Read = ReturnType<typeof read>

/** When to look again: half as long where it worries. */
function soonerOf(v: Input, r: Read, suspect: boolean) {
  const usual = v.intervalDays ?? r.row.everyDays
  const last = serial(r.looks.at(-1)!.date)
  const near = r.crossing?.earliest != null && serial(r.crossing.earliest) <= last + usual
  const worse = r.worsening && v.kind !== 'anode'
  const sooner = suspect || r.verdict === 'tight' || worse || near
  const intervalDays = sooner ? Math.max(1, Math.floor(usual / 2)) : usual
  const nextLook = dateOf(last + intervalDays)
  const day = last + intervalDays - serial(r.looks[0]!.date)
  const next = r.line ? { date: nextLook, value: r.line.intercept + r.line.slope * day } : null
  return { sooner, intervalDays, nextLook, next }
}
function becauseOf(r: Read): string {
  const last = r.looks.at(-1)!
  const what = `${say(last.w)} ${r.row.unit} ${r.row.title} on ${last.date}`
  if (r.verdict === 'unproven') return `${what}: how little would be too little is not given.`
  const when = r.crossing?.date ? ` The line meets ${say(r.crossing.limit)} on ${r.crossing.date}.` : ''
  return `${what}, ${r.verdict === 'short' ? 'past' : r.verdict === 'tight' ? 'near' : 'well off'} the limit.${when}`
}

export const trend = defineCalculator({
  name: 'trend',
  title: 'Where is it going',
  chapter: '16.2',
  words: ['creep', 'moisture', 'anode', 'thickness', 'trend', 'watch', 'next look'],
  input,
  output,
  run: (v) => {
    const r = read(v)
    const wastes = v.kind === 'anode'
    const suspect = r.verdict === 'short' || r.step !== null || (r.rising && !wastes)
    const { sooner, ...next } = soonerOf(v, r, suspect)
    const wet = v.kind === 'resistance' || wastes || v.below
    return {
      n: r.n,
      value: r.looks.at(-1)!.w,
      line: r.line && {
        slopePerDay: r.line.slope,
        intercept: r.line.intercept,
        bandPerDay: r.line.band,
      },
      mad: r.line?.mad ?? 0,
      tau: r.known.tau,
      pWorse: r.known.pWorse,
      exact: r.known.exact,
      worsening: r.worsening,
      flags: r.flags,
      step: r.step,
      crossing: r.crossing,
      verdict: r.verdict,
      suspect,
      ...next,
      actions: [
        ...(suspect ? [r.row.action, 'suspect'] : []),
        ...(sooner ? ['look-sooner'] : []),
        ...(r.n < 4 ? ['more-looks'] : []),
        ...(r.flags.includes('noisy') ? ['check-meter'] : []),
      ].sort(),
      cautions: suspect
        ? [...(v.kind === 'creep' ? ['aloft-and-rig'] : []), ...(wet ? ['under-the-waterline'] : [])]
        : [],
      because: becauseOf(r),
    }
  },
})
