import type { MessagePort } from 'node:worker_threads'
import { CalcError } from '@north-tide/core'
import { runNamed } from '@north-tide/core/registry'

export interface Question {
  name: string
  input: unknown
  /** told as soon as it is taken up: until then the thread was starting, or busy with another's */
  begun: MessagePort
}
export type Answer = { ok: true; json: string } | { ok: false; code: string; path: string; message: string }

/**
 * One calculation beside the server's own thread. The answer goes back as text, so that a large one costs
 * the server nothing to write.
 */
export default function answer({ name, input, begun }: Question): Answer {
  begun.postMessage(true)
  try {
    return { ok: true, json: JSON.stringify(runNamed(name, input)) }
  } catch (error) {
    if (error instanceof CalcError)
      return { ok: false, code: error.code, path: error.path, message: error.message }
    throw error
  }
}
