import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { verdictSchema } from '../../base/schema/schema'
import { verdictOf, worstVerdict, type Verdict } from '../../base/verdict/check'
import { dateText, DAY, dayOf, minuteOf, timeText, type Span } from './clock'
import { day as date, fitterSchema, moment, stretchesOf, type Fitter } from './hours'
import { chainSchema, LaunchChain, WEEKDAY_IDS } from './launch-chain'

const row = z.strictObject({
  step: z.string(),
  boat: z.string(),
  start: moment,
  end: moment,
  who: z.array(z.string()),
  split: z.boolean().default(false),
})
const heldRow = z.strictObject({
  step: z.string(),
  boat: z.string(),
  since: date,
  until: date.nullable().default(null),
  why: z.string().optional(),
})
const input = z
  .strictObject({
    from: date,
    days: z.number().int().min(1).max(31).default(7),
    fitters: z.array(fitterSchema),
    rows: z.array(row).default([]),
    held: z.array(heldRow).default([]),
    asOf: date.optional(),
    chain: chainSchema.optional(),
    launchDays: z.array(z.enum(WEEKDAY_IDS)).min(1).default(['mon', 'tue', 'wed', 'thu', 'fri']),
    target: date.optional(),
  })
  .superRefine((v, ctx) => {
    const refuse = (path: (string | number)[], message: string, code?: string) =>
      ctx.addIssue({ code: 'custom', path, message, ...(code ? { params: { code } } : {}) })
    const ids = v.fitters.map((f) => f.id)
    if (new Set(ids).size < ids.length)
      refuse(['fitters'], 'A fitter is listed twice; each has an id of his own')
    const known = (who: string[], path: (string | number)[]) => {
      const stranger = who.find((w) => !ids.includes(w))
      if (stranger !== undefined) refuse(path, `"${stranger}" is no fitter`, 'unknown-fitter')
    }
    v.rows.forEach((r, i) => {
      known(r.who, ['rows', i, 'who'])
      if (minuteOf(r.end)! < minuteOf(r.start)!)
        refuse(['rows', i, 'end'], `${r.end} was given; it ends after it begins`)
    })
    v.held.forEach((h, i) => {
      if (h.since > (v.asOf ?? v.from))
        refuse(['held', i, 'since'], `${h.since} lies after the day it is looked at`)
    })
    v.chain?.steps.forEach((s, i) => {
      known(s.who, ['chain', 'steps', i, 'who'])
      for (const k of ['minutes', 'cureHours'] as const) {
        const [o, m, p] = typeof s[k] === 'number' ? [0, 0, 0] : (s[k] as number[])
        if (o! > m! || m! > p!)
          refuse(['chain', 'steps', i, k], 'The least comes before the likely, and that before the most')
      }
    })
    if (v.target !== undefined && !v.chain) refuse(['target'], 'A target wants the chain that leads to it')
  })
type Input = z.output<typeof input>

const hours = z.number()
const time = z.string()
const load = { hours, load: hours, overtime: hours, utilisation: hours.nullable(), verdict: verdictSchema }
const output = z.object({
  fitters: z.array(z.object({ id: z.string(), days: z.array(z.object({ day: time, ...load })), ...load })),
  boats: z.array(z.object({ boat: z.string(), personHours: hours })),
  clashes: z.array(z.object({ fitter: z.string(), steps: z.array(z.string()), from: time, to: time })),
  held: z.array(
    z.object({
      step: z.string(),
      boat: z.string(),
      since: time,
      days: z.number(),
      until: time.nullable(),
      why: z.string().nullable(),
    }),
  ),
  launch: z
    .object({
      p50: time,
      p90: time,
      finish50: time,
      finish90: time,
      meanMinutes: z.number(),
      sdMinutes: z.number(),
      probability: z.number().nullable(),
      steps: z.array(z.object({ step: z.string(), end50: time, end90: time })),
    })
    .nullable(),
})
type Output = z.output<typeof output>

const overlap = ([a, b]: Span, [c, d]: Span) => Math.max(0, Math.min(b, d) - Math.max(a, c))
const spanOf = (r: Input['rows'][number]): Span => [minuteOf(r.start)!, minuteOf(r.end)!]
/** Minutes of a row on one day: inside a fitter's hours, and outside them. */
function onDay(r: Input['rows'][number], f: Fitter, day: number): { load: number; overtime: number } {
  const whole = overlap(spanOf(r), [day * DAY, (day + 1) * DAY])
  const inside = stretchesOf(f, day).reduce((s, h) => s + overlap(spanOf(r), h), 0)
  return { load: inside, overtime: r.split ? 0 : whole - inside }
}
function verdictFor(hoursMin: number, work: number): Verdict {
  if (hoursMin > 0) return verdictOf(Math.round((work / hoursMin) * 1e6) / 1e6)
  return work > 0 ? 'short' : 'holds'
}
const inHours = (m: { hours: number; load: number; overtime: number }) => ({
  hours: m.hours / 60,
  load: m.load / 60,
  overtime: m.overtime / 60,
  utilisation: m.hours > 0 ? (m.load + m.overtime) / m.hours : null,
})
function fitterOf(v: Input, f: Fitter, days: number[]): Output['fitters'][number] {
  const mine = v.rows.filter((r) => r.who.includes(f.id))
  const minutes = days.map((day) => {
    const parts = mine.map((r) => onDay(r, f, day))
    return {
      hours: stretchesOf(f, day).reduce((s, [a, b]) => s + b - a, 0),
      load: parts.reduce((s, p) => s + p.load, 0),
      overtime: parts.reduce((s, p) => s + p.overtime, 0),
    }
  })
  const out = days.map((day, i) => {
    const m = minutes[i]!
    return { day: dateText(day), ...inHours(m), verdict: verdictFor(m.hours, m.load + m.overtime) }
  })
  const sum = (of: (m: (typeof minutes)[number]) => number) => minutes.reduce((s, m) => s + of(m), 0)
  const all = { hours: sum((m) => m.hours), load: sum((m) => m.load), overtime: sum((m) => m.overtime) }
  return { id: f.id, days: out, ...inHours(all), verdict: worstVerdict(out.map((d) => d.verdict)) }
}

function clashesOf(v: Input): Output['clashes'] {
  return v.fitters.flatMap((f) => {
    const mine = v.rows.filter((r) => r.who.includes(f.id))
    return mine.flatMap((a, i) =>
      mine.slice(i + 1).flatMap((b) => {
        if (overlap(spanOf(a), spanOf(b)) <= 0) return []
        const from = Math.max(spanOf(a)[0], spanOf(b)[0])
        const to = Math.min(spanOf(a)[1], spanOf(b)[1])
        return [{ fitter: f.id, steps: [a.step, b.step], from: timeText(from), to: timeText(to) }]
      }),
    )
  })
}
function boatsOf(v: Input, days: number[]): Output['boats'] {
  const byId = new Map(v.fitters.map((f) => [f.id, f]))
  return [...new Set(v.rows.map((r) => r.boat))].map((boat) => {
    const minutes = v.rows
      .filter((r) => r.boat === boat)
      .flatMap((r) => r.who.flatMap((w) => days.map((d) => onDay(r, byId.get(w)!, d))))
      .reduce((s, p) => s + p.load + p.overtime, 0)
    return { boat, personHours: minutes / 60 }
  })
}

export const labourWeek = defineCalculator({
  name: 'labour-week',
  title: 'The week\u2019s load, holds and the launch',
  chapter: '17.6',
  words: ['week', 'load', 'overtime', 'launch date', 'held', 'fitters', 'chance'],
  input,
  output,
  run: (v) => {
    const first = dayOf(minuteOf(v.from)!)
    const days = Array.from({ length: v.days }, (_, i) => first + i)
    const asOf = dayOf(minuteOf(v.asOf ?? v.from)!)
    return {
      fitters: v.fitters.map((f) => fitterOf(v, f, days)),
      boats: boatsOf(v, days),
      clashes: clashesOf(v),
      held: v.held
        .map(({ step, boat, since, until, why }) => ({
          step,
          boat,
          since,
          days: asOf - dayOf(minuteOf(since)!),
          until,
          why: why ?? null,
        }))
        .sort((a, b) => b.days - a.days),
      launch: v.chain ? new LaunchChain(v.chain, v.fitters, v.launchDays).answer(v.target) : null,
    }
  },
})
