import { Router } from 'express'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { INSTRUMENTS, readingOf, type InstrumentKind } from '../instruments/stand-ins'

const EVERY_MS = 600
const number = (least: number, most: number, start: number) =>
  z.coerce.number().min(least).max(most).default(start)
const asked = z.strictObject({
  seed: number(0, 1e9, 1),
  boatId: z.string().max(80).default(''),
  xMm: number(-1e6, 1e6, 0),
  yMm: number(-1e6, 1e6, 0),
  role: z.enum(['reference', 'trim', 'station', 'recheck', 'hull']).default('reference'),
  station: z.string().max(60).default(''),
  side: z.enum(['port', 'starboard']).default('starboard'),
  axis: z.enum(['across', 'along']).default('across'),
  aboutDeg: number(0, 80, 0),
  aboutMm: number(0.1, 1000, 5),
  /** ends by itself after so many; 0 goes on until it is closed */
  count: number(0, 10_000, 0),
  everyMs: number(5, 60_000, EVERY_MS),
})

/** Somebody reads from a meter or two at a time, in a page or two. */
const MOST_STREAMS = 4
const open = new Map<string, number>()
/** One more of a session; what it answers with lets go of it, once. */
function oneMore(sid: string): () => void {
  const n = open.get(sid) ?? 0
  if (n >= MOST_STREAMS)
    throw new ApiError(429, 'too-many', `${MOST_STREAMS} meters are read at once; close another page first`)
  open.set(sid, n + 1)
  let held = true
  return () => {
    if (!held) return
    held = false
    const left = (open.get(sid) ?? 1) - 1
    if (left) open.set(sid, left)
    else open.delete(sid)
  }
}
/** Signed out, here or everywhere: its streams end within so long. */
const STILL_IN_MS = 5_000

/**
 * Readings as server-sent events. A reader that lost the stream names the last one it had, and gets the
 * next.
 */
export function instrumentRoutes(): Router {
  const r = Router()
  r.get(
    '/instruments',
    (_req, res) =>
      void res.json(Object.entries(INSTRUMENTS).map(([kind, i]) => ({ kind, ...i, simulated: true }))),
  )
  r.get('/instruments/:kind/stream', (req, res) => {
    const kind = req.params.kind as InstrumentKind
    if (!Object.hasOwn(INSTRUMENTS, kind)) throw notFound('instrument')
    const a = parseInput(asked, req.query)
    const last = Number(req.get('Last-Event-ID'))
    let n = Number.isInteger(last) && last > 0 ? last : 0
    const letGo = oneMore(req.sessionID)
    let sent = 0
    res.status(200).set({
      'Content-Type': 'text/event-stream',
      'Cache-Control': 'no-cache, no-transform',
      Connection: 'keep-alive',
      'X-Accel-Buffering': 'no',
    })
    res.flushHeaders()
    res.write('retry: 1500\n\n')
    const send = () => {
      // A line that takes nothing gets no heap of readings later: it misses these.
      if (res.writableNeedDrain) return
      n++
      sent++
      res.write(`id: ${n}\ndata: ${JSON.stringify(readingOf(kind, a, n, new Date()))}\n\n`)
      if (a.count && sent >= a.count) stop()
    }
    const timer = setInterval(send, a.everyMs)
    const stillIn = setInterval(
      () => req.sessionStore.get(req.sessionID, (error, s) => void (!error && !s && stop())),
      STILL_IN_MS,
    )
    const over = () => {
      clearInterval(timer)
      clearInterval(stillIn)
      letGo()
    }
    const stop = () => {
      over()
      res.end()
    }
    req.on('close', over)
    send()
  })
  return r
}
