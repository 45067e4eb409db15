import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { positive, verdictSchema } from '../../base/schema/schema'
import { verdictOf } from '../../base/verdict/check'
import { LIFE_STATES } from '../../base/life-states'
import {
  byId,
  CHEMISTRIES,
  dateField,
  lifeGone,
  refuseFuture,
  refuser,
  refuseTwice,
  serial,
  six,
  type Chemistry,
} from './days'

/** What a surveyor would ask of a hole, and how much it tells, in the order in which it is asked. */
const WEIGHTS = {
  position: 2,
  size: 2,
  layers: 2,
  core: 2,
  fastener: 1,
  plate: 1,
  chemistry: 2,
  'bedded-date': 2,
  lot: 1,
  torque: 1,
  photo: 1,
  who: 1,
  test: 2,
  look: 2,
} as const
type Fact = keyof typeof WEIGHTS
const FACTS = Object.keys(WEIGHTS) as [Fact, ...Fact[]]
/** A hole under water tells three times as much. */
const BELOW_WEIGHT = 3
const MOST_RAISED = 10

const named = z.string().min(1)
const facts = z.array(z.enum(FACTS)).default([])
const row = z.strictObject({
  id: named,
  zone: named,
  place: z.enum(['deck', 'topsides', 'below']),
  state: z.enum(LIFE_STATES),
  sizeMm: positive().optional(),
  made: dateField.optional(),
  lastLook: dateField.optional(),
  bedded: dateField.optional(),
  chemistry: z.enum(CHEMISTRIES).default('unknown'),
  known: facts,
  estimated: facts,
  notNeeded: facts,
  gates: z.array(z.strictObject({ gate: named, reason: named })).default([]),
})
type Row = z.output<typeof row>
/** Facts that a field of their own tells. */
const FIELD: Partial<Record<Fact, (r: Row) => boolean>> = {
  size: (r) => r.sizeMm !== undefined,
  chemistry: (r) => r.chemistry !== 'unknown',
  'bedded-date': (r) => r.bedded !== undefined,
  look: (r) => r.lastLook !== undefined,
}
const isThere = (r: Row, f: Fact) => FIELD[f]?.(r) ?? r.known.includes(f)

const input = z.strictObject({ today: dateField, rows: z.array(row) }).superRefine((v, ctx) => {
  const refuse = refuser(ctx)
  refuseTwice(v.rows, 'rows', refuse)
  v.rows.forEach((r, i) => {
    for (const k of ['made', 'lastLook', 'bedded'] as const)
      refuseFuture(r[k], v.today, ['rows', i, k], refuse)
    r.known.forEach((f, j) => {
      if (FIELD[f]) refuse(['rows', i, 'known', j], `"${f}" has a field of its own; give it there`)
    })
    r.estimated.forEach((f, j) => {
      if (!isThere(r, f))
        refuse(['rows', i, 'estimated', j], `"${f}" is called an estimate, and nothing of it is there`)
    })
  })
})
const maybe = z.number().nullable()
const output = z.object({
  rows: z.number(),
  byState: z.array(z.object({ state: z.string(), count: z.number() })),
  byZone: z.array(z.object({ zone: z.string(), count: z.number() })),
  below: z.array(
    z.object({ id: z.string(), state: z.string(), sizeMm: maybe, ageDays: maybe, lookDays: maybe }),
  ),
  belowAreaMm2: z.number(),
  belowUnknown: z.number(),
  gates: z.array(z.object({ id: z.string(), gate: z.string(), reason: z.string() })),
  neverMeasured: z.array(z.object({ id: z.string(), facts: z.array(z.string()) })),
  suspects: z.array(z.object({ id: z.string(), zone: z.string(), place: z.string() })),
  bedding: z.array(
    z.object({
      chemistry: z.string(),
      count: z.number(),
      undated: z.number(),
      id: z.string().nullable(),
      bedded: z.string().nullable(),
      usedShare: maybe,
      verdict: verdictSchema,
    }),
  ),
  score: maybe,
  raise: z.array(
    z.object({
      id: z.string(),
      fact: z.string(),
      now: z.enum(['missing', 'estimated']),
      points: z.number(),
    }),
  ),
})
type Output = z.output<typeof output>

const daysSince = (date: string | undefined, today: string) =>
  date === undefined ? null : serial(today) - serial(date)

function belowOf(rows: Row[], today: string): Pick<Output, 'below' | 'belowAreaMm2' | 'belowUnknown'> {
  const mine = rows.filter((r) => r.place === 'below' && r.state !== 'closed')
  const below = mine.map((r) => ({
    id: r.id,
    state: r.state,
    sizeMm: r.sizeMm ?? null,
    ageDays: daysSince(r.made, today),
    lookDays: daysSince(r.lastLook, today),
  }))
  return {
    // Never looked at comes before any look.
    below: below.sort(
      (a, b) =>
        Number(a.lookDays !== null) - Number(b.lookDays !== null) ||
        (b.lookDays ?? 0) - (a.lookDays ?? 0) ||
        byId(a.id, b.id),
    ),
    belowAreaMm2: mine.reduce((s, r) => s + (Math.PI / 4) * (r.sizeMm ?? 0) ** 2, 0),
    belowUnknown: mine.filter((r) => r.sizeMm === undefined).length,
  }
}

function beddingOf(rows: Row[], today: string): Output['bedding'] {
  const bedded = rows.filter(
    (r) => r.state !== 'closed' && (r.chemistry !== 'unknown' || r.bedded !== undefined),
  )
  return CHEMISTRIES.flatMap((chemistry: Chemistry) => {
    const mine = bedded.filter((r) => r.chemistry === chemistry)
    if (!mine.length) return []
    const dated = mine
      .filter((r) => r.bedded !== undefined)
      .sort((a, b) => byId(a.bedded!, b.bedded!) || byId(a.id, b.id))
    const oldest = dated[0]
    const usedShare = oldest ? lifeGone(chemistry, oldest.bedded!, today) : null
    return [
      {
        chemistry,
        count: mine.length,
        undated: mine.length - dated.length,
        id: oldest?.id ?? null,
        bedded: oldest?.bedded ?? null,
        usedShare,
        verdict: verdictOf(usedShare === null ? null : six(usedShare)),
      },
    ]
  })
}

const ESTIMATE_SHARE = 0.5
/** Each fact that is asked of a hole, its weight, and how much of it is there. */
function asked(rows: Row[]) {
  return rows.flatMap((r) =>
    FACTS.filter((f) => !r.notNeeded.includes(f)).map((fact, order) => {
      const there = isThere(r, fact)
      const estimated = there && r.estimated.includes(fact)
      const share = there ? (estimated ? ESTIMATE_SHARE : 1) : 0
      const weight = WEIGHTS[fact] * (r.place === 'below' ? BELOW_WEIGHT : 1)
      return { id: r.id, fact, order, estimated, share, weight, gain: weight * (1 - share) }
    }),
  )
}
function scoreOf(rows: Row[]): Pick<Output, 'score' | 'raise'> {
  const all = asked(rows)
  const weights = all.reduce((s, a) => s + a.weight, 0)
  if (!(weights > 0)) return { score: null, raise: [] }
  return {
    score: (100 * all.reduce((s, a) => s + a.weight * a.share, 0)) / weights,
    raise: all
      .filter((a) => six(a.gain) > 0)
      .sort((a, b) => six(b.gain) - six(a.gain) || byId(a.id, b.id) || a.order - b.order)
      .slice(0, MOST_RAISED)
      .map((a) => ({
        id: a.id,
        fact: a.fact,
        now: a.estimated ? ('estimated' as const) : ('missing' as const),
        points: (100 * a.gain) / weights,
      })),
  }
}

export const passportFacts = defineCalculator({
  name: 'passport-facts',
  title: 'What a surveyor reads',
  chapter: '16.5',
  words: ['passport', 'survey', 'record', 'holes', 'below the waterline', 'sale'],
  input,
  output,
  run: (v) => {
    const made = v.rows.filter((r) => r.state !== 'marked').sort((a, b) => byId(a.id, b.id))
    const zones = [...new Set(v.rows.map((r) => r.zone))].sort(byId)
    return {
      rows: v.rows.length,
      byState: LIFE_STATES.map((state) => ({
        state,
        count: v.rows.filter((r) => r.state === state).length,
      })),
      byZone: zones.map((zone) => ({ zone, count: v.rows.filter((r) => r.zone === zone).length })),
      ...belowOf(made, v.today),
      gates: made.flatMap((r) => r.gates.map((g) => ({ id: r.id, ...g }))),
      neverMeasured: made
        .map((r) => ({
          id: r.id,
          facts: FACTS.filter((f) => r.estimated.includes(f) && !r.notNeeded.includes(f)),
        }))
        .filter((r) => r.facts.length),
      suspects: made
        .filter((r) => r.state === 'suspect')
        .sort((a, b) => Number(b.place === 'below') - Number(a.place === 'below') || byId(a.id, b.id))
        .map(({ id, zone, place }) => ({ id, zone, place })),
      bedding: beddingOf(made, v.today),
      ...scoreOf(made),
    }
  },
})
