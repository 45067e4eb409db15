import { sentence } from '../base/verdict/check'

/**
 * Proving many fittings in one run (chapters 09.4 and 11.3): by hose from low to high, each alone; by soap
 * under slight pressure, at most 2 kPa; by a pull on what lifts, holds a tether or moors her. Each result
 * rules something out, and says so.
 */
export const PROOF_KINDS = ['hose', 'soap', 'pull'] as const
export type ProofKind = (typeof PROOF_KINDS)[number]
export const PROOF_SAID: Record<ProofKind, string> = {
  hose: 'Hose, low to high',
  soap: 'Soap under slight pressure',
  pull: 'Pull',
}
/** What may come of each, the good one first. */
export const PROOF_RESULTS = {
  hose: ['dry', 'wet'],
  soap: ['no-bubbles', 'bubbles'],
  pull: ['holds', 'moved'],
} as const satisfies Record<ProofKind, readonly [string, string]>
export type ProofResult = (typeof PROOF_RESULTS)[ProofKind][number]
export const RESULT_SAID: Record<ProofResult, string> = {
  dry: 'dry inside',
  wet: 'wet inside',
  'no-bubbles': 'no bubbles',
  bubbles: 'bubbles',
  holds: 'holds: no crack, no gap, no creak',
  moved: 'moved, cracked or creaked',
}
/** Over this a hatch lifts or a pane goes. */
export const MOST_PASCAL = 2000
/** Minutes for each: ours. */
const HOSE_MIN = 5
const PULL_MIN = 5
const SOAP_MIN = 3
const MINUTES: Record<ProofKind, number> = { hose: HOSE_MIN, soap: SOAP_MIN, pull: PULL_MIN }

export interface ProofThing {
  id: string
  kind: string
  name: string
  zone: string
  zMm: number
  minutes: number
  /** where one looks meanwhile, in words */
  look: string
  result: ProofResult | null
  note: string
  who: string | null
  at: string | null
}
export interface ToProve {
  id: string
  kind: string
  name: string
  zone: string
  xMm: number
  yMm: number
  zMm: number
}
const sideOf = (y: number) => (Math.abs(y) < 50 ? 'on the centreline' : y > 0 ? 'to starboard' : 'to port')
function lookFor(kind: ProofKind, t: ToProve): string {
  if (kind === 'pull') return 'the base all round, the washers below, and whether anything creaks'
  if (kind === 'soap') return 'outside: round the base and each bolt, soap all over, a lamp across it'
  const first = 'its bolts first, then the lowest edge of the liner aft of it'
  return `inside below it, ${sideOf(t.yMm)}: ${first}; chalk or tissue dry before`
}
const STEP_MM = 1
/** In the order of the run: the lowest first, and of equals from aft, as water runs. */
export function proofRun(kind: ProofKind, things: ToProve[]): ProofThing[] {
  return [...things]
    .sort((a, b) =>
      Math.abs(a.zMm - b.zMm) > STEP_MM ? a.zMm - b.zMm : b.xMm - a.xMm || (a.id < b.id ? -1 : 1),
    )
    .map(({ xMm: _x, yMm: _y, ...t }) => ({
      ...t,
      minutes: MINUTES[kind],
      look: lookFor(
        kind,
        things.find((x) => x.id === t.id)!,
      ),
      result: null,
      note: '',
      who: null,
      at: null,
    }))
}
export const isGood = (kind: ProofKind, r: ProofResult) => r === PROOF_RESULTS[kind][0]
/** What a run has shown so far, in words: what is ruled out, what let something through, what is left. */
export function proofSaid(kind: ProofKind, things: ProofThing[]): string {
  const names = (of: (t: ProofThing) => boolean) => things.filter(of).map((t) => t.name)
  const good = names((t) => t.result !== null && isGood(kind, t.result))
  const bad = names((t) => t.result !== null && !isGood(kind, t.result))
  const left = names((t) => t.result === null)
  const out = kind === 'pull' ? 'hold that load' : 'are ruled out'
  const higher = '; what stands higher was not wet by then'
  return [
    good.length
      ? `${good.join(', ')} ${good.length === 1 ? out.replace('are', 'is').replace('hold', 'holds') : out}`
      : '',
    bad.length
      ? `${bad.join(', ')} ${bad.length === 1 ? 'is' : 'are'} suspect${kind === 'hose' ? higher : ''}`
      : '',
    left.length ? `${left.length} left` : '',
  ]
    .filter(Boolean)
    .map((x) => `${sentence(x)}.`)
    .join(' ')
}
