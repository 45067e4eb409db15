import { availableParallelism } from 'node:os'
import { Piscina } from 'piscina'
import { threadOf } from '../place'
import type { Check } from '@north-tide/core'
import type { SlowAsk } from '@north-tide/core/slow'

/** The solver's checks on a fitting, and the question they answer. */
export interface SolverAnswer {
  key: string
  checks: Check[]
}
let pool: Piscina | null = null
const open = () =>
  (pool ??= new Piscina({
    ...threadOf('solver'),
    minThreads: 0,
    // One core stays with those who ask.
    maxThreads: Math.max(1, availableParallelism() - 1),
    // Whoever saves meanwhile goes first.
    niceIncrement: 5,
    idleTimeout: 60_000,
  }))
export const closeSolver = async () => {
  await pool?.destroy()
  pool = null
}
/**
 * The same question, asked again within a while (a port and a starboard twin, an undone change), is not
 * solved again.
 */
const recent = new Map<string, Promise<Check[]>>()
const MOST_RECENT = 200
/** @param key names the question; the same one is not asked twice */
export async function askSolver(asked: SlowAsk, key: string): Promise<SolverAnswer> {
  let answer = recent.get(key)
  if (!answer) {
    answer = open().run(asked) as Promise<Check[]>
    recent.set(key, answer)
    if (recent.size > MOST_RECENT) recent.delete(recent.keys().next().value!)
    answer.catch(() => recent.delete(key))
  }
  return { key, checks: await answer }
}
