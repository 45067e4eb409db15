import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { CalcError } from '../../base/errors'
import { verdictSchema } from '../../base/schema/schema'
import { FILLER, HARDENER_IDS, type Hardener } from '../bedding/epoxy-batch'
import { minuteOf, timeText } from '../plan/clock'
import { hardenerFor, mixer, partsOf, potLifeOf, potsOf, readyAt, tooCold, type Mix } from './epoxy-pots'
import { epoxyDayInput, type EpoxyDay, type Part } from './epoxy-shape'

const time = z.string()
const potSchema = z.object({
  stage: z.number(),
  use: z.string(),
  hardener: z.enum(HARDENER_IDS),
  parts: z.array(z.object({ job: z.string(), ml: z.number() })),
  neededMl: z.number(),
  mixedMl: z.number(),
  resinMl: z.number(),
  hardenerMl: z.number(),
  strokes: z.object({ resin: z.number(), hardener: z.number() }).nullable(),
  fillerG: z.number(),
  minutes: z.number(),
  potLifeMin: z.number(),
  utilisation: z.number(),
  start: time,
  end: time,
})
type Pot = z.output<typeof potSchema>
const output = z.object({
  pots: z.array(potSchema),
  endsAt: time.nullable(),
  jobs: z.array(
    z.object({
      id: z.string(),
      hardener: z.enum(HARDENER_IDS).nullable(),
      parts: z.number(),
      pots: z.array(z.number()),
      readyAt: time.nullable(),
      verdict: verdictSchema,
      codes: z.array(z.string()),
    }),
  ),
  totals: z.object({
    mixedMl: z.number(),
    resinMl: z.number(),
    hardenerMl: z.record(z.string(), z.number()),
    fillerG: z.record(z.string(), z.number()),
  }),
  codes: z.array(z.string()),
})
type Output = z.output<typeof output>

const GRAIN = 1e-6
const MOST_PARTS = 200
/** Ready with less than this in hand is tight. */
const HAND_MIN = 60
const NEARLY_FULL = 0.9

/** Each job with its hardener, cut into parts. */
function cut(v: EpoxyDay, mix: Mix): { hardeners: (Hardener | null)[]; parts: Part[] } {
  const parts: Part[] = []
  const hardeners = v.jobs.map((job, jobIndex) => {
    const hardener = hardenerFor(v, mix, job)
    if (!hardener) return null
    const n = partsOf(v, mix, job, hardener)
    for (let i = 0; i < n && parts.length <= MOST_PARTS; i++)
      parts.push({
        job,
        jobIndex,
        index: parts.length,
        ml: job.neededMl / n,
        minutes: job.workMinutes / n,
        hardener,
      })
    return hardener
  })
  if (parts.length > MOST_PARTS)
    throw new CalcError('too-many', 'jobs', `The day comes to over ${MOST_PARTS} pots; take it in parts`)
  return { hardeners, parts }
}

function inOrder(v: EpoxyDay, mix: Mix, parts: Part[]): Part[][] {
  const kinds = new Map<string, Part[]>()
  for (const p of parts) {
    const key = `${p.job.stage}|${p.job.use}|${p.hardener}`
    kinds.set(key, [...(kinds.get(key) ?? []), p])
  }
  const pots = [...kinds.values()].flatMap((k) => potsOf(v, mix, k))
  const due = (pot: Part[]) =>
    Math.min(...pot.map((p) => (p.job.readyBy ? minuteOf(p.job.readyBy)! : Infinity)))
  const later = (a: number, b: number) => (a === b ? 0 : a - b)
  return pots.sort(
    (a, b) =>
      a[0]!.job.stage - b[0]!.job.stage ||
      later(due(a), due(b)) ||
      HARDENER_IDS.indexOf(b[0]!.hardener) - HARDENER_IDS.indexOf(a[0]!.hardener) ||
      a[0]!.index - b[0]!.index,
  )
}
function potOf(v: EpoxyDay, mix: Mix, pot: Part[], from: number): Pot {
  const { stage, use } = pot[0]!.job
  const { hardener } = pot[0]!
  const neededMl = pot.reduce((s, p) => s + p.ml, 0)
  const minutes = pot.reduce((s, p) => s + p.minutes, 0)
  const m = mix(neededMl)
  const potLifeMin = Math.min(...pot.map((p) => potLifeOf(v, p.job, hardener)))
  return {
    stage,
    use,
    hardener,
    parts: pot.map((p) => ({ job: p.job.id, ml: p.ml })),
    neededMl,
    ...m,
    fillerG: ((m.resinMl * v.resinGPerMl + m.hardenerMl * v.hardenerGPerMl) * FILLER[use]) / 100,
    minutes,
    potLifeMin,
    utilisation: minutes / potLifeMin,
    start: timeText(from),
    end: timeText(Math.ceil(from + v.mixMinutes + minutes - GRAIN)),
  }
}

function jobsOf(v: EpoxyDay, hardeners: (Hardener | null)[], parts: Part[], pots: Pot[]): Output['jobs'] {
  return v.jobs.map((j, i) => {
    const hardener = hardeners[i]!
    const mine = pots.flatMap((p, k) => (p.parts.some((x) => x.job === j.id) ? [k] : []))
    const last = mine.length ? minuteOf(pots[mine.at(-1)!]!.end)! : null
    const ready = hardener && last !== null ? readyAt(v, j, hardener, last) : null
    const due = j.readyBy ? minuteOf(j.readyBy)! : null
    const cold = hardener === null || tooCold(v, j, hardener)
    const late = hardener !== null && due !== null && (ready === null || ready > due)
    const codes = [...(late ? ['not-cured'] : []), ...(cold ? ['too-cold'] : [])]
    const near = due !== null && ready !== null && due - ready < HAND_MIN
    const full = mine.some((k) => pots[k]!.utilisation > NEARLY_FULL + GRAIN)
    return {
      id: j.id,
      hardener,
      parts: parts.filter((p) => p.jobIndex === i).length,
      pots: mine.map((k) => k + 1),
      readyAt: ready === null ? null : timeText(ready),
      verdict: codes.length ? 'short' : near || full ? 'tight' : 'holds',
      codes,
    }
  })
}
function totalsOf(pots: Pot[]): Output['totals'] {
  const by = (key: (p: Pot) => string, of: (p: Pot) => number) => {
    const out: Record<string, number> = {}
    for (const p of pots) out[key(p)] = (out[key(p)] ?? 0) + of(p)
    return out
  }
  return {
    mixedMl: pots.reduce((s, p) => s + p.mixedMl, 0),
    resinMl: pots.reduce((s, p) => s + p.resinMl, 0),
    hardenerMl: by(
      (p) => p.hardener,
      (p) => p.hardenerMl,
    ),
    fillerG: by(
      (p) => p.use,
      (p) => p.fillerG,
    ),
  }
}

export const epoxyDay = defineCalculator({
  name: 'epoxy-day',
  title: 'A day\u2019s pots of epoxy',
  chapter: '17.4',
  words: ['epoxy', 'pots', 'hardener', 'cure overnight', 'mixing plan', 'filler'],
  input: epoxyDayInput,
  output,
  run: (v) => {
    const mix = mixer(v)
    const { hardeners, parts } = cut(v, mix)
    const pots: Pot[] = []
    for (const pot of inOrder(v, mix, parts))
      pots.push(potOf(v, mix, pot, minuteOf(pots.at(-1)?.end ?? v.start)!))
    const endsAt = pots.at(-1)?.end ?? null
    return {
      pots,
      endsAt,
      jobs: jobsOf(v, hardeners, parts, pots),
      totals: totalsOf(pots),
      codes: endsAt !== null && endsAt > v.end ? ['day-too-long'] : [],
    }
  },
})
