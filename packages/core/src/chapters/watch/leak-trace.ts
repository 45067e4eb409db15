import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { byId, six } from './days'
import { ELSEWHERE, leakInput, type LeakInput } from './leak-shape'
import { ELSEWHERE_MIN, wayOf, type Way } from './leak-paths'
import { after, likelihood, nextTest, ruledOut, wetChance, type Source } from './leak-tests'
import { weightsOf, type Weight } from './leak-weights'

const reason = z.object({ code: z.string(), factor: z.number(), bits: z.number(), text: z.string() })
const outcome = z.object({ leads: z.string(), probability: z.number(), rulesOut: z.array(z.string()) })
const maybe = z.number().nullable()
const output = z.object({
  state: z.enum(['go-on', 'found', 'elsewhere']),
  found: z.string().nullable(),
  entropyBits: z.number(),
  ranked: z.array(
    z.object({
      id: z.string(),
      probability: z.number(),
      prior: z.number(),
      way: z.enum(['runs', 'level', 'wicks']).nullable(),
      riseMm: maybe,
      pathMm: maybe,
      flowMin: z.number(),
      reasons: z.array(reason),
    }),
  ),
  tests: z.array(z.object({ rulesOut: z.array(z.string()) })),
  next: z
    .object({
      kind: z.enum(['hose', 'dye']),
      on: z.array(z.string()),
      minutes: z.number(),
      bits: z.number(),
      wetChance: z.number(),
      ifWet: outcome,
      ifDry: outcome,
    })
    .nullable(),
  cautions: z.array(z.string()),
})
type Output = z.output<typeof output>

/** One source that is supposed: a candidate, or what nobody listed. */
interface Suspected extends Source {
  prior: number
  way: Way | null
  weights: Weight[]
}
function suspected(v: LeakInput): Suspected[] {
  const listed = v.candidates.map((c) => {
    const way = wayOf(v, c)
    const weights = weightsOf(v, c, way)
    return {
      id: c.id,
      flowMin: way.flowMin,
      halved: v.when === 'under-way' && c.loaded,
      way,
      weights,
      prior: weights.reduce((p, w) => p * w.factor, 1),
    }
  })
  const sum = listed.reduce((s, c) => s + c.prior, 0)
  const elsewhere = 1 + sum / 5
  const other = { id: ELSEWHERE, flowMin: ELSEWHERE_MIN, halved: false, way: null, weights: [] }
  return [...listed, { ...other, prior: elsewhere }].map((s) => ({
    ...s,
    prior: s.prior / (sum + elsewhere),
  }))
}

const reasonsOf = (weights: Weight[]): Output['ranked'][number]['reasons'] =>
  weights
    .filter((w) => six(w.factor) !== 1)
    .map((w) => ({ code: w.code, factor: w.factor, bits: Math.log2(w.factor), text: w.text }))

/** The first by probability, elsewhere after its equals. */
function inOrder(sources: Suspected[], p: number[]): number[] {
  return sources
    .map((_, i) => i)
    .sort(
      (a, b) =>
        six(p[b]!) - six(p[a]!) ||
        Number(sources[a]!.id === ELSEWHERE) - Number(sources[b]!.id === ELSEWHERE) ||
        byId(sources[a]!.id, sources[b]!.id),
    )
}
function outcomeOf(sources: Suspected[], p: number[], likelihoods: number[]) {
  const now = after(p, likelihoods)
  const lead = inOrder(sources, now)[0]!
  return { leads: sources[lead]!.id, probability: now[lead]!, rulesOut: ruledOut(sources, p, now) }
}
function nextOf(v: LeakInput, sources: Suspected[], p: number[]): Output['next'] {
  const t = nextTest(v, sources, p)
  const wet = sources.map((s) => wetChance(t, s))
  return {
    kind: t.kind as 'hose' | 'dye',
    on: t.on,
    minutes: t.minutes,
    bits: t.bits,
    wetChance: wet.reduce((a, w, i) => a + w * p[i]!, 0),
    ifWet: outcomeOf(sources, p, wet),
    ifDry: outcomeOf(
      sources,
      p,
      wet.map((w) => 1 - w),
    ),
  }
}
/** Over this the search ends. */
const SURE = 0.9

export const leakTrace = defineCalculator({
  name: 'leak-trace',
  title: 'Where does the drip come from',
  chapter: '16.1',
  words: ['leak', 'drip', 'trace', 'hose test', 'dye', 'water', 'liner'],
  input: leakInput,
  output,
  run: (v) => {
    const sources = suspected(v)
    const tried: Weight[][] = sources.map(() => [])
    let p = sources.map((s) => s.prior)
    const tests = v.tests.map((t, k) => {
      const now = after(
        p,
        sources.map((s) => likelihood(t, s)),
      )
      sources.forEach((_, i) =>
        tried[i]!.push({
          code: `test.${k}`,
          factor: now[i]! / p[i]!,
          text: `Test ${k + 1}, ${t.kind}, was ${t.wet ? 'wet' : 'dry'}.`,
        }),
      )
      const rulesOut = ruledOut(sources, p, now)
      p = now
      return { rulesOut }
    })
    const order = inOrder(sources, p)
    const lead = order[0]!
    const sure = six(p[lead]!) > SURE
    const found = sure && sources[lead]!.id !== ELSEWHERE ? sources[lead]!.id : null
    return {
      state: !sure ? ('go-on' as const) : found ? ('found' as const) : ('elsewhere' as const),
      found,
      entropyBits: p.reduce((h, x) => (x > 0 ? h - x * Math.log2(x) : h), 0),
      ranked: order.map((i) => {
        const s = sources[i]!
        return {
          id: s.id,
          probability: p[i]!,
          prior: s.prior,
          way: s.way?.way ?? null,
          riseMm: s.way?.riseMm ?? null,
          pathMm: s.way?.pathMm ?? null,
          flowMin: s.flowMin,
          reasons: reasonsOf([...s.weights, ...tried[i]!]),
        }
      }),
      tests,
      next: sure ? null : nextOf(v, sources, p),
      cautions: [
        ...(v.candidates.some((c) => c.kind === 'chainplate' && (c.loose || c.state === 'suspect'))
          ? ['aloft-and-rig']
          : []),
        ...(v.candidates.some((c) => c.place === 'below') ? ['under-the-waterline'] : []),
      ],
    }
  },
})
