import { z } from 'zod'
import { defineCalculator } from '../../base/calculator/calculator'
import { COPPER_ALLOYS, METAL_IDS, POTENTIALS } from '../../base/materials/potentials'
import { positive, verdictSchema } from '../../base/schema/schema'
import { rank, type Verdict } from '../../base/verdict/check'

const PLACES = ['immersed', 'splash', 'dry'] as const
/** Limits in mV, themselves still tight (step 1). */
const LIMITS = { immersed: [100, 150], splash: [200, 250], dry: [400, 450] } as const
const input = z.strictObject({
  a: z.enum(METAL_IDS),
  b: z.enum(METAL_IDS),
  place: z.enum(PLACES),
  areaRatioAToB: positive().default(1),
  wetBedding: z.boolean().default(false),
  isolation: z
    .strictObject({
      sleeve: z.boolean().default(false),
      washer: z.boolean().default(false),
      sealant: z.boolean().default(false),
    })
    .default({ sleeve: false, washer: false, sealant: false }),
})
type Input = z.output<typeof input>
const state = z.enum(['passive', 'active']).nullable()
const side = z.enum(['a', 'b']).nullable()
const stateSchema = z.object({
  aState: state,
  bState: state,
  deltaV: z.number(),
  loser: side,
  verdict: verdictSchema,
})
const output = z.object({
  deltaV: z.number(),
  loser: side,
  loserMetal: z.string().nullable(),
  aState: state,
  bState: state,
  isolated: z.boolean(),
  crevice: z.boolean(),
  states: z.array(stateSchema),
  verdict: verdictSchema,
  because: z.string(),
  remedies: z.array(z.object({ id: z.string(), verdict: verdictSchema })),
})
type State = z.infer<typeof stateSchema>

const LADDER: Verdict[] = ['holds', 'tight', 'short']
const shift = (v: Verdict, by: number) => LADDER[Math.max(0, Math.min(2, LADDER.indexOf(v) + by))]!
const stainless = (m: string) => POTENTIALS[m]!.activeMV !== undefined
const wet = (v: Input) => v.place === 'immersed' || v.wetBedding

function conditions(metal: string, both: boolean): { state: State['aState']; mV: number }[] {
  const p = POTENTIALS[metal]!
  if (p.activeMV === undefined) return [{ state: null, mV: p.mV }]
  return [{ state: 'passive', mV: p.mV }, ...(both ? [{ state: 'active' as const, mV: p.activeMV }] : [])]
}

function judgeState(
  v: Input,
  a: { state: State['aState']; mV: number },
  b: { state: State['bState']; mV: number },
): State {
  const mV = Math.abs(a.mV - b.mV)
  const loser = mV === 0 ? null : a.mV < b.mV ? 'a' : 'b'
  const [hold, tight] = LIMITS[v.place]
  let verdict: Verdict = mV < hold ? 'holds' : mV <= tight ? 'tight' : 'short'
  if (loser) {
    const r = loser === 'a' ? v.areaRatioAToB : 1 / v.areaRatioAToB
    if (r <= 0.1 + 1e-12) verdict = shift(verdict, 1)
    else if (r >= 10 - 1e-9 && !(v.place === 'immersed' && verdict === 'tight')) verdict = shift(verdict, -1)
  }
  return { aState: a.state, bState: b.state, deltaV: mV / 1000, loser, verdict }
}

function judge(v: Input) {
  const same = v.a === v.b
  const both = wet(v) && !same
  const states = conditions(v.a, both).flatMap((a) => conditions(v.b, both).map((b) => judgeState(v, a, b)))
  const counts = states.reduce((w, s) =>
    rank(s.verdict) < rank(w.verdict) || (s.verdict === w.verdict && s.deltaV > w.deltaV + 1e-12) ? s : w,
  )
  let verdict = counts.verdict
  let why = ''
  const other = v.a === 'carbon' ? v.b : v.b === 'carbon' ? v.a : null
  if (other && !same) {
    if (other === 'titanium' || (other === 'ss-316' && !wet(v)))
      verdict = verdict === 'short' ? 'tight' : verdict
    else {
      verdict = 'short'
      why = 'Carbon laminate eats this metal: isolate it.'
    }
  }
  const isolated = v.isolation.sleeve && v.isolation.washer && v.isolation.sealant
  if (isolated) {
    verdict = 'holds'
    why = 'Sleeve, washer and sealant keep them apart.'
  }
  const aluminium = (m: string) => m === 'al-5083' || m === 'al-6061'
  if (
    v.place === 'immersed' &&
    ((aluminium(v.a) && COPPER_ALLOYS.includes(v.b)) || (aluminium(v.b) && COPPER_ALLOYS.includes(v.a)))
  ) {
    verdict = 'short'
    why = 'A copper alloy under water on aluminium: never, whatever the insulation.'
  }
  return { states, counts, verdict, isolated, why }
}

export const galvanicPair = defineCalculator({
  name: 'galvanic-pair',
  title: 'Two metals in salt water',
  chapter: '7.1',
  words: ['galvanic', 'corrosion', 'metals', 'isolate', 'stainless in aluminium', 'bronze'],
  input,
  output,
  run: (v) => {
    const j = judge(v)
    const remedies: { id: string; verdict: Verdict }[] = []
    if (j.verdict !== 'holds') {
      remedies.push({
        id: 'isolate',
        verdict: judge({ ...v, isolation: { sleeve: true, washer: true, sealant: true } }).verdict,
      })
      if (v.place !== 'dry')
        remedies.push({
          id: 'drain',
          verdict: judge({ ...v, place: v.place === 'immersed' ? 'splash' : 'dry', wetBedding: false })
            .verdict,
        })
      remedies.push({ id: 'change-grade', verdict: judge({ ...v, b: v.a }).verdict })
    }
    const loserMetal = j.counts.loser === null ? null : j.counts.loser === 'a' ? v.a : v.b
    const crevice = (stainless(v.a) || stainless(v.b)) && wet(v)
    return {
      deltaV: j.counts.deltaV,
      loser: j.counts.loser,
      loserMetal,
      aState: j.counts.aState,
      bState: j.counts.bState,
      isolated: j.isolated,
      crevice,
      states: j.states,
      verdict: j.verdict,
      remedies,
      because: `${j.why ? `${j.why} ` : ''}${loserMetal ? `${Math.round(j.counts.deltaV * 1000)} mV apart, ${v.place}: ${POTENTIALS[loserMetal]!.title} is eaten.` : 'No potential between them.'}${crevice ? ' Stainless starved of oxygen pits in its crevices.' : ''}`,
    }
  },
})
