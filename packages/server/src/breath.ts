import type { RequestHandler } from 'express'

/** Lets everybody else have a turn in the midst of long work. */
export const breath = () => new Promise<void>((next) => setImmediate(next))

const HELD_MS = 8
/** what nobody waits for stands back this long at most for those who do, and then goes on a little */
const STOOD_BACK_MS = 150
/** whoever was just answered may ask again at once, and is not made to wait behind it */
const GRACE_MS = 12
/** an answer that takes longer, as a stream of readings, is not waited for */
const LONG_MS = 1_000

let waiting = 0
let answeredAt = -Infinity
let nobody: (() => void)[] = []
/** Whoever asks how far a piece of work is waits for that work: nothing stands back for him. */
const HOW_FAR = /\/(rejudge|tasks|jobs)\/[^/]+$/
/** Counts those who wait for an answer, so that work of the queue stands back for them. */
export const waitsHere: RequestHandler = (req, res, next) => {
  if (req.method === 'GET' && HOW_FAR.test(req.path)) return next()
  waiting++
  let counted = true
  const over = () => {
    if (!counted) return
    counted = false
    clearTimeout(timer)
    if (--waiting) return
    answeredAt = performance.now()
    for (const go of nobody) go()
    nobody = []
  }
  const timer = setTimeout(over, LONG_MS)
  timer.unref()
  res.on('close', over)
  next()
}
const orLater = (ms: number, ask: (go: () => void) => void) =>
  new Promise<void>((go) => {
    const timer = setTimeout(go, ms)
    ask(() => (clearTimeout(timer), go()))
  })
const pause = (ms: number) => new Promise<void>((go) => setTimeout(go, ms))
/** Until nobody has waited for a while; or until it has stood back for long enough. */
async function untilNobodyWaits() {
  const last = performance.now() + STOOD_BACK_MS
  for (let left = STOOD_BACK_MS; left > 0; left = last - performance.now()) {
    if (waiting) await orLater(left, (go) => nobody.push(go))
    else if (performance.now() - answeredAt < GRACE_MS) await pause(GRACE_MS)
    else return
  }
}

/** For work of many small parts: after each, others have a turn if they have waited for long enough. */
export function breather() {
  let since = performance.now()
  return async () => {
    if (performance.now() - since < HELD_MS) return
    await breath()
    since = performance.now()
  }
}
/** The same for work of the queue, which nobody waits for: whoever waits for an answer goes first. */
export function standsBack() {
  let since = performance.now()
  return async () => {
    const asked = waiting > 0 || performance.now() - answeredAt < GRACE_MS
    if (performance.now() - since < HELD_MS && !asked) return
    await (asked ? untilNobodyWaits() : breath())
    since = performance.now()
  }
}
