import type { z } from 'zod'
import { parseInput } from '../base/calculator/calculator'
import { CalcError } from '../base/errors'
import { versionOf } from './history'

/** What reading a design of a kind needs to know of the kind. */
export interface Versioned<S extends z.ZodType> {
  schema: S
  version: number
  /** brings a design of an earlier version up to this one */
  upgrade: (raw: unknown, from: number) => unknown
}

/**
 * Reads a design of this or an earlier version.
 * @throws CalcError `newer-version` for one that this program does not know yet, `invalid-input` with the
 * place of what is wrong
 */
export function parseVersioned<S extends z.ZodType>(kind: Versioned<S>, raw: unknown): z.output<S> {
  const from = versionOf(raw)
  if (from > kind.version)
    throw new CalcError(
      'newer-version',
      'schemaVersion',
      `This design is of version ${from}; version ${kind.version} is the newest read here`,
    )
  return parseInput(
    kind.schema,
    from > 0 && from < kind.version ? kind.upgrade(raw, from) : raw,
  ) as z.output<S>
}

/** The design inside a file, or a bare design. */
export const designInFile = (raw: unknown): unknown =>
  raw !== null && typeof raw === 'object' && 'design' in raw ? (raw as { design: unknown }).design : raw
