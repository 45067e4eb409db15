import { MessageChannel } from 'node:worker_threads'
import { Piscina } from 'piscina'
import { threadOf } from '../place'
import { ApiError } from '../errors'
import type { Answer, Question } from './worker'

/** How long one calculation may take; the heaviest that a boat asks for takes a few seconds. */
export const MOST_MS = 10_000
const MOST_WAITING = 50
const THREADS = 2
let pool: Piscina | null = null
const open = () =>
  (pool ??= new Piscina({
    ...threadOf('calc'),
    minThreads: 0,
    maxThreads: THREADS,
    // Whoever saves meanwhile goes first.
    niceIncrement: 5,
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
 * nobody waits any more. The clock runs from when a thread takes it up: a machine with much to do, or a
 * thread that is only starting, is not the question's fault.
 */
export async function ask(
  question: Omit<Question, 'begun'>,
  gone: AbortSignal,
  mostMs = MOST_MS,
): Promise<Answer> {
  const late = new AbortController()
  const { port1: heard, port2: begun } = new MessageChannel()
  let clock: ReturnType<typeof setTimeout> | undefined
  heard.once('message', () => (clock = setTimeout(() => late.abort(), mostMs)))
  try {
    const run = { signal: AbortSignal.any([late.signal, gone]), transferList: [begun] }
    return (await open().run({ ...question, begun } satisfies Question, run)) as Answer
  } catch (error) {
    throw refusal(error, mostMs, late.signal, gone)
  } finally {
    clearTimeout(clock)
    heard.close()
  }
}
function refusal(error: unknown, mostMs: number, late: AbortSignal, gone: AbortSignal): unknown {
  if (late.aborted)
    return new ApiError(
      422,
      'too-long',
      `This takes longer than ${mostMs / 1000} s to work out; ask for less at once`,
    )
  if (gone.aborted) return new ApiError(499, 'gone', 'Nobody waits for this any more')
  const { code = '', message } = error as Error & { code?: string }
  if (/queue/i.test(message))
    return new ApiError(503, 'busy', 'Too many sums are asked for at once; try again in a moment')
  if (/memory|ERR_WORKER_OUT_OF_MEMORY/i.test(`${code} ${message}`))
    return new ApiError(
      422,
      'too-large',
      'This needs more room to work out than there is; ask for less at once',
    )
  return error
}
