import { rank, say, type Check, type Verdict } from '../../base/verdict/check'
import { withChange } from '../../base/change'
import { attempt } from '../remedies'
import type { Around } from '../kind'
import type { OpeningDesign } from './design'
import { judgeOpening } from './judge'
import type { OpeningJudgement } from './judgement'
import { costOf, hoursOf, massOf, type CostClass } from './size-cost'
import { closingWays, edgeWays, type Way } from './size-ways'

/** One way of building it that holds. */
export interface OpeningChoice {
  design: OpeningDesign
  title: string
  massKg: number
  hours: number
  cost: CostClass
  governing: string
  utilisation: number | null
  verdict: Verdict
  bestAt: string[]
}
export interface OpeningProposal {
  found: boolean
  because: string
  tried: number
  massBeforeKg: number
  choices: OpeningChoice[]
  /** what no size helps, or what stays short where nothing holds */
  remaining: { title: string; because: string; verdict: Verdict }[]
}

/** What sizing cannot change: the place and its sill, what was measured, what is found wrong, what seals. */
const BEYOND = [
  ...['sill', 'carlin', 'bulkhead-', 'room-', 'offcut', 'sealant-', 'found-', 'gland-', 'prism-'],
  ...['air', 'lid-drains'],
]
export const beyondSizing = (id: string) => BEYOND.some((b) => id.startsWith(b))
const EDGE = ['corner-radius', 'screw-pitch', 'edge-core', 'ring', 'ring-area', 'screw-bite', 'bin-']
const ofEdge = (c: Check) => EDGE.some((id) => c.id === id || (id.endsWith('-') && c.id.startsWith(id)))

interface Built {
  design: OpeningDesign
  judgement: OpeningJudgement
  said: string[]
}
type Asked = Pick<Around, 'zones' | 'parts'>
const MOST_OF_EACH = 4
const MOST_CHOICES = 6
const SNUG = 0.9

/** First what holds with a tenth in hand; where nothing does, what is not short. */
const good = (c: Check, tight: boolean) =>
  c.verdict === 'holds' || (tight && c.verdict === 'tight') || beyondSizing(c.id)
const weigh = (b: Built) => ({
  massKg: massOf(b.design, b.judgement),
  hours: hoursOf(b.design, b.judgement),
  cost: ['low', 'middle', 'high'].indexOf(costOf(b.design, b.judgement)),
  thickMm: b.design.pane?.thicknessMm ?? 0,
})
type Weighed = ReturnType<typeof weigh>
/** Less than this is no reason for another design. */
const SAME_KG = 0.05
const SAME_H = 0.05
const matches = (a: Weighed, b: Weighed) =>
  a.hours <= b.hours + SAME_H && a.massKg <= b.massKg + SAME_KG && a.cost <= b.cost && a.thickMm <= b.thickMm
/** Those that none with fewer changes matches in work, weight, cost and thickness at once. */
function unbeaten(all: Built[], most: number): Built[] {
  const changes = (b: Built) => b.said.join(', ').split(', ').filter(Boolean).length
  const rows = all
    .map((b) => ({ b, n: changes(b), w: weigh(b) }))
    .sort((p, q) => p.n - q.n || p.w.hours - q.w.hours || p.w.massKg - q.w.massKg)
  const kept: typeof rows = []
  for (const r of rows) if (!kept.some((k) => matches(k.w, r.w))) kept.push(r)
  return kept.slice(0, most).map((r) => r.b)
}

/** Judges ways of building one opening, and keeps the best of each part before they are put together. */
class Search {
  tried = 0
  nearest: Built | null = null
  constructor(private readonly around: Asked) {}

  built(d: OpeningDesign, w: Way): Built | null {
    this.tried++
    const design = withChange(d, w.change)
    const judgement = attempt(() => judgeOpening(design, this.around))
    return judgement && { design, judgement, said: w.said ? [w.said] : [] }
  }
  best(d: OpeningDesign, ways: Way[], of: (c: Check) => boolean, tight: boolean): Built[] {
    const all = ways.map((w) => this.built(d, w)).filter((b) => b !== null)
    for (const b of all) this.closer(b)
    return unbeaten(
      all.filter((b) => b.judgement.checks.filter(of).every((c) => good(c, tight))),
      MOST_OF_EACH,
    )
  }
  private closer(b: Built) {
    const shorts = (x: Built) =>
      x.judgement.checks.filter((c) => c.verdict === 'short' && !beyondSizing(c.id)).length
    if (!this.nearest || shorts(b) < shorts(this.nearest)) this.nearest = b
  }
}

function waysOut(d: OpeningDesign, s: Search, tight: boolean): Built[] {
  const edges = s.best(d, edgeWays(d), ofEdge, tight)
  const whole = edges.flatMap((e) =>
    s
      .best(e.design, closingWays(e.design), (c) => !ofEdge(c), tight)
      .map((b) => ({ ...b, said: [...e.said, ...b.said] })),
  )
  return unbeaten(
    whole.filter((b) => b.judgement.checks.every((c) => good(c, tight))),
    MOST_CHOICES,
  )
}

function choiceOf(b: Built): OpeningChoice {
  const used = b.judgement.checks
    .filter((c) => c.utilisation !== null && !beyondSizing(c.id))
    .reduce<Check | null>((m, c) => (!m || c.utilisation! > m.utilisation! ? c : m), null)
  return {
    design: b.design,
    title: b.said.length ? b.said.join(', ') : 'as it is',
    massKg: massOf(b.design, b.judgement),
    hours: hoursOf(b.design, b.judgement),
    cost: costOf(b.design, b.judgement),
    governing: used?.title ?? '',
    utilisation: used?.utilisation ?? null,
    verdict: (used?.utilisation ?? 0) > SNUG ? 'tight' : 'holds',
    bestAt: [],
  }
}
function marked(choices: OpeningChoice[]): OpeningChoice[] {
  const mark = (what: string, of: (c: OpeningChoice) => number) => {
    const least = Math.min(...choices.map(of))
    for (const c of choices) if (of(c) === least) c.bestAt.push(what)
  }
  if (choices.length > 1) {
    mark('least work', (c) => c.hours)
    mark('lightest', (c) => c.massKg)
    mark('thinnest pane or lid', (c) => c.design.pane?.thicknessMm ?? 0)
  }
  return choices
}
const told = (c: Check) => ({ title: c.title, because: c.because, verdict: c.verdict })
const worstFirst = (list: Check[]) => [...list].sort((a, b) => rank(a.verdict) - rank(b.verdict))

/** What the plate solver says of the deck round a design; none where it is not asked. */
export type Solve = (d: OpeningDesign, around: Asked) => Check[]
/** All that holds by hand, and none of it by the solver. */
const weakened = (tried: number, massBeforeKg: number, checks: Check[]): OpeningProposal => ({
  found: false,
  because: `Of ${tried} designs tried those that hold by hand all weaken the deck round them too far. A smaller opening, another place between the members, or carlins and a deeper ring have to give.`,
  tried,
  massBeforeKg,
  choices: [],
  remaining: worstFirst(checks.filter((c) => c.verdict === 'short')).map(told),
})
/**
 * The best few ways to build an opening: pane from stock, corners, ring, screws or bolts, rake, pitch,
 * latches. Weight, work and cost class are typical, to rank by.
 */
export function sizeOpening(d: OpeningDesign, around: Asked, solve?: Solve): OpeningProposal {
  const s = new Search(around)
  const before = judgeOpening(d, around)
  const massBeforeKg = massOf(d, before)
  let tight = false
  let found = waysOut(d, s, tight)
  if (!found.length) {
    tight = true
    found = waysOut(d, s, tight)
  }
  if (found.length) {
    const solved = found.map((b) => ({ b, checks: solve?.(b.design, around) ?? [] }))
    const stands = solved.filter((x) => !x.checks.some((c) => c.verdict === 'short'))
    if (!stands.length) return weakened(s.tried, massBeforeKg, solved[0]!.checks)
    const choices = marked(stands.map((x) => choiceOf(x.b)))
    const [first] = choices
    const held = tight ? 'that is not short anywhere' : 'in which all that can be sized holds'
    const left = stands[0]!.b.judgement.checks.filter((c) => beyondSizing(c.id) && c.verdict !== 'holds')
    return {
      found: true,
      because: `The fewest changes of ${s.tried} designs tried ${held}: ${say(first!.hours)} h of work, ${say(first!.massKg)} kg of pane, ring and fastenings.`,
      tried: s.tried,
      massBeforeKg,
      choices,
      remaining: worstFirst(left).map(told),
    }
  }
  const near = s.nearest?.judgement.checks ?? before.checks
  const blocking = worstFirst(near.filter((c) => c.verdict === 'short' || c.verdict === 'unproven'))
  const first = blocking.find((c) => !beyondSizing(c.id)) ?? blocking[0]
  return {
    found: false,
    because: `Nothing holds: of ${s.tried} designs tried the nearest still fails at \u201c${first?.title ?? 'what is asked'}\u201d. A smaller opening, another material, a maker\u2019s proof or another place has to give.`,
    tried: s.tried,
    massBeforeKg,
    choices: [],
    remaining: [...(first ? [first] : []), ...blocking.filter((c) => c !== first)].map(told),
  }
}
