import type { DeckPatch } from '../../chapters/plate/deck-patch'
import { CORES } from '../../base/materials/cores'
import { bendingStrength, thickOf } from '../../chapters/plate/boat-layup'
import { check, say, type Check, type Verdict } from '../../base/verdict/check'
import { factorsOf } from './guess'
import { withChecks } from '../tally'
import type { Design } from './design'
import type { Field } from '../../boat/field'
import type { Judgement } from './judgement'
import type { PatchFields, PatchInput } from './patch'
import { cosSin } from '../../base/geometry/turn'

export interface Beside {
  title: string
  solver: number
  hand: number
  /** which to believe, and why; null where they agree within a quarter */
  believe: string | null
}
export interface SpreadSaid {
  checks: Check[]
  beside: Beside[]
  verdict: Verdict
  /** where the solver finds short what the hand checks hold; null where it does not */
  warning: string | null
}
const QUARTER = 0.25
/**
 * Stress is read one deck's thickness away from the edge of an added plate, as at a weld's toe: nearer, it
 * is as sharp as the mesh is fine, while bevel, rounded corners and filler spread the real step over about
 * that width.
 */
const TOE = 1

/** The greatest of a field outside the strip along the edges of base and plate, with where it stands. */
function readOff(
  input: PatchInput,
  f: PatchFields,
  grids: number[][][],
): { value: number; xMm: number; yMm: number } {
  const strip = TOE * thickOf(input.layup)
  const plates = [input.backingPlate, input.basePlate].filter((p) => p !== undefined)
  const nearEdge = (x: number, y: number) =>
    plates.some((p) => {
      const [c, s] = cosSin(p.turnDeg ?? 0)
      const [px, py] = [x - p.xMm, y - p.yMm]
      const [dx, dy] = [Math.abs(px * c + py * s) - p.lengthMm / 2, Math.abs(py * c - px * s) - p.widthMm / 2]
      return (
        (dx <= 0 && dy <= 0 ? Math.min(-dx, -dy) : Math.hypot(Math.max(dx, 0), Math.max(dy, 0))) <
        strip * (1 - 1e-9)
      )
    })
  let best = { value: 0, xMm: 0, yMm: 0 }
  f.yMm.forEach((y, j) =>
    f.xMm.forEach((x, i) => {
      for (const g of grids)
        if (Math.abs(g[j]![i]!) > Math.abs(best.value) && !nearEdge(x, y))
          best = { value: g[j]![i]!, xMm: x, yMm: y }
    }),
  )
  return best
}
const strengthOf = (d: Design): { capacity: number; factor: number } => {
  const { capacity, of } = bendingStrength(d.structure)
  return { capacity, factor: factorsOf(d)[of] }
}
/**
 * Past this part of its span a deck no longer answers in proportion, and a linear picture only says that
 * it bends far too much.
 */
const LINEAR = 1

interface Reading {
  d: Design
  patch: DeckPatch
  field: Field
  input: PatchInput
}
const whereSaid = (r: Reading, p: { xMm: number; yMm: number }) =>
  `at ${say(Math.round(p.xMm + r.field.minX))} aft, ${say(Math.round(p.yMm + r.field.minY))} to starboard of the middle`
const leansOn = (r: Reading) =>
  r.field.assumed.length ? ['the field\u2019s edges: no stiffener is drawn'] : []

/** Stress in a skin, or at a face of a deck that has none. */
function skinCheck(r: Reading, id: string, title: string, grid: number[][]): Check {
  const { capacity, factor } = strengthOf(r.d)
  const p = readOff(r.input, r.patch.fields!, [grid])
  const bent = Math.abs(r.patch.maxDeflectionMm)
  const far =
    bent > LINEAR * thickOf(r.input.layup)
      ? ` It bends ${say(bent)} mm, more than its own thickness: past where the figures are in proportion.`
      : ''
  const what =
    r.d.structure.kind === 'sandwich'
      ? `${say(Math.abs(p.value))} MPa of ${p.value < 0 ? 'compression' : 'tension'}`
      : `The deck bends to ${say(Math.abs(p.value))} MPa`
  const made = check({
    id,
    title: `${title}, plate solver`,
    unit: 'MPa',
    source: 'chapter 3.7',
    demand: Math.abs(p.value),
    capacity,
    factor,
    because: `${what} ${whereSaid(r, p)}; ${say(capacity)} MPa with a factor of ${factor}.${far}`,
  })
  return { ...made, assumed: leansOn(r) }
}
function coreCheck(r: Reading, capacity: number): Check {
  const p = readOff(r.input, r.patch.fields!, [r.patch.fields!.shearMPa])
  const factor = factorsOf(r.d).core
  const made = check({
    id: 'spread-core-shear',
    title: 'Core shear, plate solver',
    unit: 'MPa',
    source: 'chapter 3.7',
    demand: p.value,
    capacity,
    factor,
    because: `${say(p.value)} MPa ${whereSaid(r, p)}; ${say(capacity)} MPa with a factor of ${factor}.`,
  })
  return { ...made, assumed: leansOn(r) }
}
function checksOf(r: Reading): Check[] {
  const s = r.d.structure
  const f = r.patch.fields!
  if (s.kind === 'sandwich')
    return [
      skinCheck(r, 'spread-skin-outer', 'Bending of the outer skin', f.outerMPa),
      skinCheck(r, 'spread-skin-inner', 'Bending of the inner skin', f.innerMPa),
      coreCheck(r, s.core.shearMPa ?? CORES[s.core.material].shearMPa),
    ]
  const [o, i] = [readOff(r.input, f, [f.outerMPa]), readOff(r.input, f, [f.innerMPa])]
  const title = s.kind === 'metal' ? 'Bending of the plating' : 'Bending of the deck'
  return [skinCheck(r, 'spread-skin', title, Math.abs(o.value) > Math.abs(i.value) ? f.outerMPa : f.innerMPa)]
}
const SOLVER_ABOVE =
  'Believe the solver: the pull is not spread evenly round the plate. One corner or one bolt takes most of it, or a beam stands near and draws it.'
const HAND_ABOVE =
  'Believe the solver for what the core sees, and keep the hand formula for the design: it leaves out that skins and base carry part of the pull in bending, so it is on the safe side.'
/** The hand formula for the core beside the solver's reading of it. */
function besideHand(j: Judgement, checks: Check[]): Beside[] {
  const h = j.checks.find((c) => c.id === 'punching-core')?.utilisation
  const m = checks.find((c) => c.id === 'spread-core-shear')?.utilisation
  if (h == null || m == null) return []
  const apart = Math.abs(m - h) / Math.max(h, 1e-9)
  const believe = apart <= QUARTER ? null : m > h ? SOLVER_ABOVE : HAND_ABOVE
  return [{ title: 'Core shear', solver: m, hand: h, believe }]
}

/** The solver's peaks as checks, and beside the hand formulas. The patch is to carry its fields. */
export function spreadSaid(
  d: Design,
  j: Judgement,
  patch: DeckPatch,
  field: Field,
  input: PatchInput,
): SpreadSaid {
  const checks = checksOf({ d, patch, field, input })
  const verdict = checks.some((c) => c.verdict === 'short')
    ? 'short'
    : checks.some((c) => c.verdict === 'tight')
      ? 'tight'
      : 'holds'
  const bending = checks.filter((c) => c.verdict === 'short' && c.id !== 'spread-core-shear')
  const named = bending.map((c) => c.title.replace(', plate solver', '').toLowerCase()).join(' and ')
  return {
    checks,
    beside: besideHand(j, checks),
    verdict,
    warning: bending.length
      ? `${named} ${bending.length > 1 ? 'are' : 'is'} past what is allowed, and no hand check sees that: believe the solver here. A larger or bonded plate, a place over a beam, a doubler or a smaller load brings it down.`
      : null,
  }
}

/**
 * A judgement with the solver's checks among its own. What the deck bends to under a push is the solver's to
 * say where it was asked (18.2).
 */
export function withSolver(j: Judgement, said: Pick<SpreadSaid, 'checks'>): Judgement {
  const asked = said.checks.some((c) => c.id.startsWith('spread-skin') && c.demand !== null)
  const own = asked ? j.checks.filter((c) => c.id !== 'skin-bending') : j.checks
  return withChecks(j, [...own, ...said.checks])
}
