import { Piscina } from 'piscina'
import { ApiError } from '../errors'
import type { Answer, Question } from './worker'

/** How long one calculation may take; the heaviest that a boat asks for takes a few seconds. */
export const MOST_MS = 10_000
const MOST_WAITING = 50
const THREADS = 2
let pool: Piscina | null = null
const open = () =>
  (pool ??= new Piscina({
    filename: new URL('./worker.ts', import.meta.url).href,
    execArgv: ['--import', 'tsx'],
    minThreads: 0,
    maxThreads: THREADS,
    maxQueue: MOST_WAITING,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 1024 },
  }))
export const closeCalc = async () => {
  await pool?.destroy()
  pool = null
}

/**
 * Asks a calculator in a thread of its own; given up when it takes too long, or when `gone` says that
 * nobody waits any more.
 */
export async function ask(question: Question, gone: AbortSignal, mostMs = MOST_MS): Promise<Answer> {
  const late = AbortSignal.timeout(mostMs)
  try {
    return (await open().run(question, { signal: AbortSignal.any([late, gone]) })) as Answer
  } catch (error) {
    if (late.aborted)
      throw new ApiError(
        422,
        'too-long',
        `This takes longer than ${mostMs / 1000} s to work out; ask for less at once`,
      )
    if (gone.aborted) throw new ApiError(499, 'gone', 'Nobody waits for this any more')
    if (/queue/i.test((error as Error).message))
      throw new ApiError(503, 'busy', 'Too many sums are asked for at once; try again in a moment')
    if (
      /memory|ERR_WORKER_OUT_OF_MEMORY/i.test(
        `${(error as { code?: string }).code} ${(error as Error).message}`,
      )
    )
      throw new ApiError(
        422,
        'too-large',
        'This needs more room to work out than there is; ask for less at once',
      )
    throw error
  }
}
