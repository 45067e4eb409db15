import { jointUnder, standing, type Standing } from '../../chapters/deck/joint-parts'
import type { CorePlugOutput } from '../../chapters/deck/core-plug'
import type { Plug } from '../../chapters/deck/footprint'
import { CalcError } from '../../base/errors'
import { boltCapacities, galls } from '../../chapters/fastener/fastener'
import { contains } from '../../base/geometry/outline'
import { withYardValues, yardLine, yardPlate, yardSealants, type YardValue } from '../../base/materials/yard'
import { governing, say, worstVerdict, written, type Check, type Draft } from '../../base/verdict/check'
import { foundChecks } from '../findings'
import { tallyOf } from '../tally'
import { quantityOf, sealantCheck, sealantsFor } from './bedding'
import type { Design } from './design'
import { DECK_FINDINGS } from './findings'
import { caseSaid, Gathered, worseGrip } from './gathered'
import { gripLayersOf, gripsOf } from './grip'
import { unseenCheck } from './unseen'
import { factorsOf, guessesLeft } from './guess'
import { holdChecks, holdLimitN, isBlind } from './hold'
import {
  coreCheck,
  coreOutput,
  jointInput,
  leverCheck,
  loadAtJoint,
  plateOf,
  plugOf,
  type JointUnderLoad,
} from './joint'
import { Memo, type Judgement, type Look } from './judgement'
import { leaning, unsurveyed } from './leans'
import { sharingOfLoads, type CaseShared } from './loads'
import type { Shared } from './shared'
import { byGrain, weldCheck } from './metal-deck'
import { metalsCheck } from './metals'
import { NO_BOLTS, worstByGrain } from './own-ways'
import { planOfBase, planOfPlate } from './plans'
import { pipeFillMl, potCheck, potsOf, skinAgain } from './pots'
import { pushChecks, pushOf } from './pushed'
import { deckLimit, tighten, type DeckLimit } from './tighten'

/** One array for all calls without any, so that what is kept by it is found again. */
const NO_VALUES: YardValue[] = []
type Replaced = ReturnType<typeof withYardValues>['replaced']
type Row = ReturnType<typeof yardPlate>['row']

/** The design with what the yard has measured itself in place of the tables, and what that replaced. */
function byTheYard(asked: Design, yard: YardValue[]): { d: Design; row: Row; replaced: Replaced } {
  const inDeck = withYardValues(asked.structure, yard)
  const inLoad = yardLine(asked.load, yard)
  const d =
    inDeck.replaced.length || inLoad.replaced.length
      ? { ...asked, structure: inDeck.structure, load: inLoad.load }
      : asked
  const inPlate = d.plate ? yardPlate(d.plate.material, yard) : { row: {}, replaced: [] }
  return {
    d,
    row: inPlate.row,
    replaced: [
      ...inDeck.replaced,
      ...inLoad.replaced,
      ...inPlate.replaced,
      ...yardSealants(yard).replaced.filter((r) => r.sealant === d.bedding.sealant),
    ],
  }
}

/** @throws CalcError bolt-outside-plate, bolt-outside-base */
function boltsInside(d: Design): void {
  const plate = d.plate
  const rect = plate ? planOfPlate(plate) : null
  d.bolts.forEach((b, i) => {
    if (plate && !contains(rect!, b))
      throw new CalcError(
        'bolt-outside-plate',
        'plate',
        `Bolt ${i + 1} at ${say(b.xMm)}, ${say(b.yMm)} mm does not stand inside a plate of ${say(plate.lengthMm)} \u00d7 ${say(plate.widthMm)} mm${plate.outline ? ' as it is clipped' : ''}`,
      )
  })
  d.bolts.forEach((b, i) => {
    if (!contains(planOfBase(d.base), b))
      throw new CalcError(
        'bolt-outside-base',
        `bolts.${i}`,
        `Bolt ${i + 1} at ${say(b.xMm)}, ${say(b.yMm)} mm does not stand inside the base`,
      )
  })
}

/** What is known of a fitting once its bolts are tight: it does not change from check to check. */
interface Tight {
  d: Design
  /** as it is kept dry, as long as nothing crushes it */
  core: CorePlugOutput | null
  plug: Plug | undefined
  row: Row
  joint: Standing
  /** of every direction what it does at the joint, made once */
  at: (s: Shared) => JointUnderLoad
  limit: DeckLimit
  tight: ReturnType<typeof tighten>
  shared: CaseShared[]
}
/** The directions of all cases that decide, one case after another. */
const decidingOf = (of: CaseShared[]): Shared[] =>
  of.length === 1 ? of[0]!.decisive : of.flatMap((c) => c.decisive)
/** The direction that bends the plate most: its bending grows with the sum of max(pull, preload) alone. */
function mostPressed(of: Shared[], preloadN: number): Shared {
  const pressed = (s: Shared) => s.bolts.reduce((m, b) => m + Math.max(b.tensionN, preloadN), 0)
  return of.reduce((a, b) => (pressed(b) > pressed(a) ? b : a))
}
/** Fixed from above without a plate nothing presses behind: there are no nuts and no washers. */
const underNuts = (d: Design, c: Draft) => isBlind(d) && !d.plate && /^(punching|crush-plate)/.test(c.id)
/** Every check of every case and of its decisive directions. */
function putCases(g: Gathered, t: Tight): void {
  const { d, row, shared } = t
  const { preloadN } = t.tight
  const everyWay = worstByGrain(d, NO_BOLTS) !== null
  for (const c of shared) {
    for (const k of c.load.checks) g.put(k, c)
    jointUnder(c.decisive.map(t.at), t.joint, preloadN, everyWay, (k, { s }) => {
      if (!underNuts(d, k)) g.put(byGrain(k, d, s), c, s.direction)
    })
    for (const s of c.decisive) {
      const lever = leverCheck(s, c.load.loadN)
      if (lever) g.put(lever, c)
      for (const k of holdChecks(d, s)) g.put(k, c, s.direction)
      const weld = weldCheck(d, s, c.load.pointMm)
      if (weld) g.put(weld, c)
    }
    if (shared.length === 1) continue
    for (const k of plateOf(d, preloadN, mostPressed(c.decisive, preloadN), row)?.checks ?? []) g.put(k, c)
  }
}

/** The direction in which the worst-used bolt is worst used, and what each bolt then carries. */
function worstOf(t: Tight, factor: number): Judgement['worst'] {
  const { bolt } = t.d
  const caps = boltCapacities(bolt.size, bolt.grade, bolt.threadsInShear)
  const used = (b: { tensionN: number; shearN: number }) =>
    Math.hypot(b.tensionN / caps.tensionN, b.shearN / caps.shearN)
  const use = (x: Shared) => x.bolts.reduce((m, b) => Math.max(m, used(b)), 0)
  const worst = decidingOf(t.shared).reduce((a, b) => (use(b) > use(a) * (1 + 1e-12) ? b : a))
  return {
    caseName: worst.caseName,
    direction: worst.direction,
    pushN: worst.pushN,
    contact: worst.resting,
    handMaxTensionN: worst.hand.maxTensionN,
    maxTensionN: worst.maxTensionN,
    bolts: worst.bolts.map((b) => ({
      tensionN: b.tensionN,
      shearN: b.shearN,
      utilisation: factor * used(b),
    })),
  }
}

function preloadOf(t: Tight): Judgement['preload'] {
  const { tight, limit } = t
  const own = t.d.bolt.torqueNm !== null
  return {
    preloadN: tight.preloadN,
    preloadTorqueNm: tight.preloadTorqueNm,
    runDownNm: tight.prevailingNm,
    torqueNm: tight.torqueNm,
    mostTorqueNm: tight.mostTorqueNm,
    limitedByDeck: !own && limit.limitedBy !== null,
    limitedBy: own ? null : limit.limitedBy,
    cautions: tight.cautions,
    galling: galls(t.d.bolt.grade),
  }
}

/** What a bolt may be pulled to follows from the load: first what the load alone does, then the torque. */
function tightened(d: Design, row: Row, lean: boolean, memo: Memo): Tight {
  const core = coreOutput(d, false)
  const plug = plugOf(d, core)
  const sharing = sharingOfLoads(d, lean, memo.told.hands)
  const idle = decidingOf(sharing(0))
  const known = new Map<Shared, JointUnderLoad>()
  const at = (s: Shared) => known.get(s) ?? known.set(s, loadAtJoint(d, s)).get(s)!
  const joint = standing(jointInput(d, plug, at(idle[0]!)))
  const limit = deckLimit(d, joint, row, idle.map(at))
  const held = holdLimitN(d)
  const least = held !== null && held < limit.preloadN ? { preloadN: held, limitedBy: 'hold' } : limit
  const tight = tighten(d, least)
  return {
    d,
    core,
    plug,
    row,
    joint,
    at,
    limit: least,
    tight,
    shared: sharing(tight.preloadN),
  }
}

/** What was replaced by the yard's own value is said with every check that it counts for. */
const withReplaced =
  (replaced: Replaced) =>
  (c: Draft): Draft => {
    const said = replaced.filter((r) => r.counts(c.id)).map((r) => ` ${r.text}`)
    return said.length ? { ...c, because: () => written(c).because + said.join('') } : c
  }

/** All checks of a fitting in the order in which they are read, and what was found on the way to them. */
function gathered(t: Tight, yard: YardValue[], memo: Memo) {
  const { d, plug, row, tight, shared } = t
  const g = new Gathered(shared.length > 1)
  for (const k of tight.checks) g.put(k)
  putCases(g, t)
  const pressed = mostPressed(decidingOf(shared), tight.preloadN)
  const bent = plateOf(d, tight.preloadN, pressed, row)
  const push = { pushN: pushOf(shared), plug, panel: memo.panel, factors: factorsOf(d) }
  for (const c of pushChecks(d, push)) g.put(c)
  if (shared.length === 1) for (const c of bent?.checks ?? []) g.put(c)
  const plate = bent?.figures ?? null
  const core = g.crushesCore() ? coreOutput(d, true) : t.core
  if (core) g.put(coreCheck(core))
  const grips = gripsOf(d)
  const { grip, gripCheck } = grips.reduce(worseGrip)
  g.put(gripCheck)
  if (d.place.zone === null && d.structureReason === null) g.put(unsurveyed())
  const unseen = unseenCheck(d)
  if (unseen) g.put(unseen)
  const metals = metalsCheck(d)
  if (metals) g.put(metals)
  const pots = potsOf(d, core, plate)
  const mixed = potCheck(pots)
  if (mixed) g.put(mixed)
  const sealant = sealantsFor(d, yard, memo.told)
  g.put(sealantCheck(d, sealant))
  for (const c of foundChecks(DECK_FINDINGS, d.findings, 'chapter 14')) g.put(c)
  return { g, plate, core, grips, grip, pots, sealant }
}

/** All that a judgement is made of, its checks without a word yet. */
function weighed(asked: Design, lean: boolean, yard: YardValue[], memo: Memo) {
  const { d, row, replaced } = byTheYard(asked, yard)
  boltsInside(d)
  const t = tightened(d, row, lean, memo)
  const found = gathered(t, yard, memo)
  const guessed = guessesLeft(d)
  const all = found.g.all()
  const checks = (replaced.length ? all.map(withReplaced(replaced)) : all).map(leaning(d, guessed))
  return { d, t, guessed, ...found, checks }
}

/**
 * What a search asks of a design: verdicts and figures, by the directions that decide by the hand check.
 * Not a word is written, for of hundreds of designs a few are shown, and those are judged whole.
 */
export function look(asked: Design, yard: YardValue[] = NO_VALUES, memo = new Memo()): Look {
  const { checks, plate, core, grip } = weighed(asked, true, yard, memo)
  return { checks, plate, core, grip }
}

function assumedBy(guessed: string[], shared: CaseShared[], checks: Check[]): string[] {
  const all = new Set(guessed)
  if (!guessed.length) for (const c of shared) for (const a of c.load.assumed) all.add(`load: ${a}`)
  for (const c of checks) for (const a of c.assumed) all.add(a)
  return [...all]
}
/**
 * Judges a fitting whole, without remedies: pure, and fast enough to run on every keystroke. `lean` looks
 * at the directions that decide by the hand check only.
 */
export function judge(
  asked: Design,
  lean = false,
  yard: YardValue[] = NO_VALUES,
  memo = new Memo(),
): Judgement {
  const found = weighed(asked, lean, yard, memo)
  const { d, t, guessed, g, plate, core, grips, grip, pots, sealant } = found
  const { shared } = t
  const checks = found.checks.map(written)
  const cases = g.cases(shared)
  const { load, swept } = shared[0]!
  return {
    verdict: worstVerdict(checks.map((c) => c.verdict)),
    governing: governing(checks)?.id ?? null,
    checks,
    load,
    directions: shared.reduce((n, c) => n + c.count, 0),
    swept,
    cases,
    caseSaid: caseSaid(cases, checks),
    grips: grips.map(({ bolts, extraMm, grip: own }) => ({ bolts, extraMm, grip: own })),
    worst: worstOf(t, (checks.find((c) => c.id === 'bolt') ?? checks[0]!).factor),
    preload: preloadOf(t),
    grip,
    gripLayers: gripLayersOf(d),
    plate,
    core,
    sealant,
    quantity: quantityOf(d, core),
    pots,
    skinAgain: skinAgain(d, core),
    pipeFillMl: pipeFillMl(d),
    counts: tallyOf(checks),
    assumed: assumedBy(guessed, shared, checks),
  }
}
