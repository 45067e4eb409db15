import { solveSlow, type SlowAsk } from '@north-tide/core/slow'

/** The plate solver beside the server's own thread, which goes on answering meanwhile. */
export default function answer(asked: SlowAsk) {
  return solveSlow(asked)
}
