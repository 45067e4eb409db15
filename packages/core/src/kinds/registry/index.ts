import type { z } from 'zod'
import { CalcError } from '../../base/errors'
import type { Units } from '../../base/quantity/format'
import { deckHardware } from '../deck-hardware/kind'
import type { AnyDesign, Around, Judged, Kind } from '../kind'
import { designInFile, parseVersioned } from '../parse'
import { withRemedies } from '../remedies'
import { closure } from '../closure/kind'
import { opening } from '../opening/kind'
import { rig } from '../rig/kind'
import { row } from '../row/kind'
import { throughHull } from '../through-hull/kind'

/**
 * Every kind of work that there is. It lives a folder further in than the contract, so that kinds can use
 * the contract and no folder leans on itself.
 */
const KINDS = new Map<string, Kind>()
/** Adds a kind; a test adds one of its own, and takes it out again by what this returns. */
export function addKind<
  D extends AnyDesign,
  J extends Judged,
  E extends { id: string; title: string; family: string },
>(kind: Kind<D, J, E>): () => void {
  // Seen from outside, a kind takes any design: what it is given was read by its own schema.
  KINDS.set(kind.id, kind as unknown as Kind)
  return () => void KINDS.delete(kind.id)
}
addKind(deckHardware)
addKind(throughHull)
addKind(opening)
addKind(rig)
addKind(closure)
addKind(row)

export const kinds = (): Kind[] => [...KINDS.values()]
/** @throws CalcError `unknown-kind` at `kind` */
export function kindNamed(id: string): Kind {
  const kind = KINDS.get(id)
  if (!kind)
    throw new CalcError(
      'unknown-kind',
      'kind',
      `"${id}" is no kind of work; one of ${[...KINDS.keys()].join(', ')} is accepted`,
    )
  return kind
}
/** The kind whose catalogue has this entry. */
export const kindOfEntry = (id: string): Kind | null =>
  kinds().find((k) => k.catalogue.some((e) => e.id === id)) ?? null

/** Reads a design of a kind, of this or an earlier version. */
export const parseOf = (kind: Kind, raw: unknown): AnyDesign =>
  parseVersioned<z.ZodType<AnyDesign>>(kind, raw)

export const FILE_FORMAT: Record<string, string> = {
  'deck-hardware': 'north-tide-fitting',
  'through-hull': 'north-tide-through-hull',
}
/** A fitting as a file: the design alone, without its past. */
export const fittingFile = (kind: Kind, design: AnyDesign) => ({
  format: FILE_FORMAT[kind.id] ?? `north-tide-${kind.id}`,
  version: kind.version,
  design,
})
export const fittingFromFile = (kind: Kind, raw: unknown): AnyDesign => parseOf(kind, designInFile(raw))

/** Judged with what would help, by the one engine. */
export function judgedWithRemedies(kind: Kind, d: AnyDesign, around: Around): Judged {
  const j = kind.judge(d, around)
  return withRemedies(d, j, kind.tries(d, j, around), (changed) => kind.judge(changed, around))
}
/** What would help each check, in the order of the checks: for a thread beside the one that draws. */
export const remediesOf = (kind: Kind, d: AnyDesign, around: Around) =>
  judgedWithRemedies(kind, d, around).checks.map(({ id, remedies }) => ({ id, remedies }))
/** Where its holes stand and what they are, if it is built as it stands. */
export const holesIn = (kind: Kind, d: AnyDesign, around: Around, units: Units) =>
  kind.penetrations(d, kind.judge(d, around), units)
