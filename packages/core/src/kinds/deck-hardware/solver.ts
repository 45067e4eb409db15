import type { BoatPart, BoatZone } from '../../boat/spot'
import { CalcError } from '../../base/errors'
import { deckPatchInput, deckPatchOf, type DeckPatch } from '../../chapters/plate/deck-patch'
import { unproven, type Check } from '../../base/verdict/check'
import type { Design } from './design'
import type { Judgement } from './judgement'
import type { Field } from '../../boat/field'
import { fieldAround } from './field-around'
import { patchFor, type PatchInput } from './patch'
import { spreadSaid, type SpreadSaid } from './spread'

/** What the solver is asked about a design on its boat; the same question has the same key. */
export interface SolverQuestion {
  field: Field
  input: PatchInput
  key: string
}
/** Counts up when the way of asking or reading changes, so that kept answers are asked for again. */
const WAY = 6
/** The same whatever order the fields came in: a database gives them back in its own. */
const inOrder = (_: string, v: unknown) =>
  v !== null && typeof v === 'object' && !Array.isArray(v)
    ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
    : v
export function questionFor(
  d: Design,
  j: Judgement,
  zone: BoatZone | null,
  parts: BoatPart[],
): SolverQuestion {
  const field = fieldAround(d, zone, parts)
  const input = patchFor(d, j, field)
  return { field, input, key: JSON.stringify([WAY, d.duty, d.structure, field.assumed, input], inOrder) }
}

/** Asks the plate solver; what cannot be solved is unproven, in its own words. */
export function solveSpread(
  d: Design,
  j: Judgement,
  q: SolverQuestion,
  tick?: (part: number) => boolean | void,
): { patch: DeckPatch | null; said: Pick<SpreadSaid, 'checks' | 'beside' | 'warning'> } {
  try {
    const patch = deckPatchOf(deckPatchInput.parse(q.input), tick)
    return { patch, said: spreadSaid(d, j, patch, q.field, q.input) }
  } catch (error) {
    if (!(error instanceof CalcError)) throw error
    const check: Check = unproven({
      id: 'spread-unsolved',
      title: 'Bending of the deck, plate solver',
      unit: 'MPa',
      source: 'chapter 3.7',
      because: `The plate solver could not be asked: ${error.message}.`,
    })
    return { patch: null, said: { checks: [check], beside: [], warning: null } }
  }
}
export const solverChecks = (zone: BoatZone | null, parts: BoatPart[]) => (d: Design, j: Judgement) =>
  solveSpread(d, j, questionFor(d, j, zone, parts)).said.checks
