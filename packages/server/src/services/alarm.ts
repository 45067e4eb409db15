import type { Transaction } from 'sequelize'
import { holeLabel, standing, type AnyDesign, type Kind } from '@north-tide/core'
import { Penetration } from '../models'
import type { Account } from './access'
import { blank, eventsOf, factsOf, write } from './life'

/** Why a fitting is not to be used until somebody settles it, by what its design says; null: nothing. */
export function alarmOf(kind: Kind, design: AnyDesign): string | null {
  const said = kind.listed?.(design).alarm
  return typeof said === 'string' ? said : null
}
/** It stands in the boat already: what it says of its holes is of holes that are there. */
export const isThere = (d: AnyDesign) => (d as { existing?: boolean }).existing === true
/** Holes that are closed have no fitting in them any more; those that are suspect are known to be. */
const SETTLED = ['suspect', 'closed']
/** A hole that turns suspect with its reason; its label, or null where that is settled or was known. */
export async function suspectHole(
  who: Account,
  p: Penetration,
  why: string,
  transaction: Transaction,
  alsoMarked = true,
): Promise<string | null> {
  const events = await eventsOf(p.id, transaction)
  const now = standing(await factsOf(events, transaction)).at(-1)?.state
  if (!now || SETTLED.includes(now) || (now === 'marked' && !alsoMarked)) return null
  const next = { ...blank, state: 'suspect' as const, at: new Date(), note: `${why}.`, lot: null }
  await write(who, p, events.at(-1)!.seq + 1, next, [], '', transaction)
  return holeLabel(p.number)
}
/**
 * What stands in a hole has moved, or leaks: each of its holes turns suspect with the reason (chapter 9.4).
 * One that is only marked has not been made, unless the fitting stands in the boat already.
 */
export async function turnSuspect(
  who: Account,
  fitting: { id: string; existing: boolean },
  why: string,
  transaction: Transaction,
): Promise<string[]> {
  const turned: string[] = []
  for (const p of await Penetration.findAll({ where: { fittingId: fitting.id }, transaction })) {
    const label = await suspectHole(who, p, why, transaction, fitting.existing)
    if (label) turned.push(label)
  }
  return turned
}
