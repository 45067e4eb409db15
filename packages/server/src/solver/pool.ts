import { createHash } from 'node:crypto'
import { Piscina } from 'piscina'
import type { Check, Design, Judgement } from '@north-tide/core'
import type { SolverQuestion } from '@north-tide/core/solver'

/** The solver's checks on a fitting, and the question they answer. */
export interface SolverAnswer {
  key: string
  checks: Check[]
}
let pool: Piscina | null = null
const open = () =>
  (pool ??= new Piscina({
    filename: new URL('./worker.ts', import.meta.url).href,
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
  }))
export const closeSolver = async () => {
  await pool?.destroy()
  pool = null
}
export const keyOf = (q: SolverQuestion) => createHash('sha256').update(q.key).digest('hex')

/**
 * The same question, asked again within a while (a port and a starboard twin, an undone change), is not
 * solved again.
 */
const recent = new Map<string, Promise<Check[]>>()
const MOST_RECENT = 200
export async function askSolver(
  design: Design,
  judgement: Judgement,
  question: SolverQuestion,
): Promise<SolverAnswer> {
  const key = keyOf(question)
  let asked = recent.get(key)
  if (!asked) {
    asked = open().run({ design, judgement, question }) as Promise<Check[]>
    recent.set(key, asked)
    if (recent.size > MOST_RECENT) recent.delete(recent.keys().next().value!)
    asked.catch(() => recent.delete(key))
  }
  return { key, checks: await asked }
}
