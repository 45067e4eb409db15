import { jointChecks } from '../../chapters/deck/joint-check'
import type { Plug } from '../../chapters/deck/footprint'
import { CalcError } from '../../base/errors'
import { boltCapacities, galls } from '../../chapters/fastener/fastener'
import { contains } from '../../base/geometry/outline'
import { withYardValues, yardLine, yardPlate, yardSealants, type YardValue } from '../../base/materials/yard'
import { governing, say, worstVerdict, written, type Draft } from '../../base/verdict/check'
import { foundChecks } from '../findings'
import { tallyOf } from '../tally'
import { quantityOf, sealantCheck, sealantsFor } from './bedding'
import type { Design } from './design'
import { DECK_FINDINGS } from './findings'
import { caseSaid, Gathered, worseGrip } from './gathered'
import { gripLayersOf, gripsOf } from './grip'
import { unseenCheck } from './good-for'
import { factorsOf, guessesLeft } from './guess'
import { holdChecks, holdLimitN, isBlind } from './hold'
import { coreCheck, coreOutput, jointInput, leverCheck, plateOutput, plugOf } from './joint'
import { Memo, type Judgement, type Look } from './judgement'
import { leaning, unsurveyed } from './leans'
import { shareLoads, type CaseShared, type Shared } from './loads'
import { byGrain, weldCheck } from './metal-deck'
import { metalsCheck } from './metals'
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

const PLATE_ONLY = ['plate-overhang', 'plate-span', 'plate-stiffness', 'material']
/** What is known of a fitting once its bolts are tight: it does not change from check to check. */
interface Tight {
  d: Design
  plug: Plug | undefined
  row: Row
  limit: DeckLimit
  tight: ReturnType<typeof tighten>
  shared: CaseShared[]
}
/** The direction that bends the plate most: its bending grows with the sum of max(pull, preload) alone. */
function mostPressed(of: Shared[], preloadN: number): Shared {
  const pressed = (s: Shared) => s.bolts.reduce((m, b) => m + Math.max(b.tensionN, preloadN), 0)
  return of.reduce((a, b) => (pressed(b) > pressed(a) ? b : a))
}
/** Fixed from above without a plate nothing presses behind: there are no nuts and no washers. */
const underNuts = (d: Design, c: Draft) => isBlind(d) && !d.plate && /^(punching|crush-plate)/.test(c.id)
/** Every check of every case and of its decisive directions. */
function putCases(g: Gathered, t: Tight): void {
  const { d, plug, row, shared } = t
  const { preloadN } = t.tight
  for (const c of shared) {
    for (const k of c.load.checks) g.put(k, c)
    for (const s of c.decisive) {
      for (const k of jointChecks(jointInput(d, plug, preloadN, s)))
        if (!underNuts(d, k)) g.put(byGrain(k, d, s), c, s.direction)
      const lever = leverCheck(s, c.load.loadN)
      if (lever) g.put(lever, c)
      for (const k of holdChecks(d, s)) g.put(k, c, s.direction)
      const weld = weldCheck(d, s, c.load.pointMm)
      if (weld) g.put(weld, c)
    }
    if (shared.length === 1) continue
    const plate = plateOutput(d, plug, preloadN, mostPressed(c.decisive, preloadN), false, row)
    for (const k of plate?.checks ?? []) if (PLATE_ONLY.includes(k.id)) g.put(k, c)
  }
}

/** The direction in which the worst-used bolt is worst used, and what each bolt then carries. */
function worstOf(t: Tight, factor: number): Judgement['worst'] {
  const { bolt } = t.d
  const caps = boltCapacities(bolt.size, bolt.grade, bolt.threadsInShear)
  const used = (b: { tensionN: number; shearN: number }) =>
    Math.hypot(b.tensionN / caps.tensionN, b.shearN / caps.shearN)
  const use = (x: Shared) => x.bolts.reduce((m, b) => Math.max(m, used(b)), 0)
  const worst = t.shared.flatMap((c) => c.decisive).reduce((a, b) => (use(b) > use(a) * (1 + 1e-12) ? b : a))
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
  const plug = plugOf(d, coreOutput(d, false))
  const idle = shareLoads(d, 0, lean, memo.hands)
  const limit = deckLimit(
    d,
    plug,
    row,
    idle.flatMap((c) => c.decisive),
  )
  const held = holdLimitN(d)
  const least = held !== null && held < limit.preloadN ? { preloadN: held, limitedBy: 'hold' } : limit
  const tight = tighten(d, least)
  return { d, plug, row, limit: least, tight, shared: shareLoads(d, tight.preloadN, lean, memo.hands) }
}

/** What was replaced by the yard's own value is said with every check that it counts for. */
const withReplaced =
  (replaced: Replaced) =>
  (c: Draft): Draft => {
    const said = replaced.filter((r) => r.counts(c.id)).map((r) => ` ${r.text}`)
    return said.length ? { ...c, because: () => written(c).because + said.join('') } : c
  }

/** All checks of a fitting in the order in which they are read, and what was found on the way to them. */
function gathered(t: Tight, lean: boolean, yard: YardValue[], memo: Memo) {
  const { d, plug, row, tight, shared } = t
  const g = new Gathered(shared.length > 1)
  for (const k of tight.checks) g.put(k)
  putCases(g, t)
  const pressed = mostPressed(
    shared.flatMap((c) => c.decisive),
    tight.preloadN,
  )
  const plate = plateOutput(d, plug, tight.preloadN, pressed, !lean, row)
  const push = { pushN: pushOf(shared), plug, panel: memo.panel, factors: factorsOf(d) }
  for (const c of pushChecks(d, push)) g.put(c)
  if (shared.length === 1) for (const c of plate?.checks ?? []) if (PLATE_ONLY.includes(c.id)) g.put(c)
  const core = coreOutput(d, g.crushesCore())
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
  const sealant = sealantsFor(d, yard, memo)
  g.put(sealantCheck(d, sealant))
  for (const c of foundChecks(DECK_FINDINGS, d.findings, 'chapter 14')) g.put(c)
  return { g, plate, core, grips, grip, pots, sealant }
}

/** All that a judgement is made of, its checks without a word yet. */
function weighed(asked: Design, lean: boolean, yard: YardValue[], memo: Memo) {
  const { d, row, replaced } = byTheYard(asked, yard)
  boltsInside(d)
  const t = tightened(d, row, lean, memo)
  const found = gathered(t, lean, yard, memo)
  const guessed = guessesLeft(d)
  const checks = found.g.all().map(withReplaced(replaced)).map(leaning(d, guessed))
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

/**
 * Judges a fitting whole, without remedies: pure, and fast enough to run on every keystroke. `lean` leaves
 * out the suggested plate.
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
    assumed: [
      ...new Set([
        ...(guessed.length ? guessed : shared.flatMap((c) => c.load.assumed.map((a) => `load: ${a}`))),
        ...checks.flatMap((c) => c.assumed),
      ]),
    ],
  }
}
