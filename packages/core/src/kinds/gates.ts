import { HARDENERS } from '../chapters/bedding/epoxy-batch'
import { surfaceWindowOf } from '../chapters/bedding/surface-window'
import { lotGates, utcMinute, type Gate, type LotFacts } from '../boat/life'
import { say } from '../base/verdict/check'
import { recordsAnything, type Step } from './step'
import type { WorkState } from './work'

/** What counts as bonded, ohm (chapter 7.3). */
export const BOND_OHM = 0.1
/** A torque within this part of what the wrench is set to is on it. */
const TORQUE_PART = 0.1

/** What somebody says when he ticks a step. */
export interface StepFacts {
  /** milliseconds since 1970 */
  at: number
  lot: LotFacts | null
  /** of the surface */
  tempC: number | null
  airC: number | null
  humidityPct: number | null
  /** by meter, now or the last time that one was on it */
  ohm?: number | null
  /** measured through the pilot */
  hullMm?: number | null
  /** what the level shows across the bottom, outboard up, and the cradle's own heel */
  shownDeg?: number | null
  heelDeg?: number | null
  /** where the handle stops, dry fitted */
  stopsDeg?: number | null
  /** what the wrench clicked at */
  torqueNm?: number | null
  /** what a locking nut takes before it clamps */
  runDownNm?: number | null
  /** what of the last look was ticked */
  looked?: string[]
}

/** The first gate before a step that is not ticked; null where the way is free. */
export function gateBefore(steps: Step[], id: string, ticks: WorkState['ticks']): Step | null {
  const at = steps.findIndex((s) => s.id === id)
  return steps.slice(0, at).find((s) => s.gate && !ticks[s.id]) ?? null
}

const missing = (id: string, text: string): Gate[] => [{ id, text }]

function tooEarly(s: Step, ticks: WorkState['ticks'], at: number): Gate[] {
  const since = s.after && ticks[s.after.step]
  if (!s.after || !since) return []
  const ready = Date.parse(since.at) + s.after.hours * 3_600_000
  return at + 1000 < ready
    ? missing('too-early', `${s.after.what} needs ${say(s.after.hours)} h: until ${utcMinute(ready)} UTC.`)
    : []
}
function dew(s: Step, f: StepFacts): Gate[] {
  if (!s.asks.includes('dew')) return []
  if (f.tempC === null || f.airC === null || !f.humidityPct)
    return missing(
      'no-reading',
      'Surface, air and humidity are not all given, so nobody can tell whether dew lies on it.',
    )
  const w = surfaceWindowOf({
    airC: f.airC,
    humidityPct: f.humidityPct,
    surfaceC: f.tempC,
    minimumC: 5,
    trend: 'steady',
  })
  return w.verdict === 'short' ? missing('dew-point', w.because) : []
}
function meter(s: Step, { ohm }: StepFacts): Gate[] {
  if (!s.asks.includes('ohm')) return []
  if (ohm == null)
    return missing('no-meter', 'No meter has been on it, so nobody can tell whether it is bonded.')
  return ohm > BOND_OHM + 1e-9
    ? missing('bond-high', `${say(ohm)} \u03a9 by meter; up to ${BOND_OHM} \u03a9 counts as bonded.`)
    : []
}
function wrench(s: Step, { torqueNm }: StepFacts): Gate[] {
  if (!s.asks.includes('torque')) return []
  if (s.torqueNm === null)
    return missing('measure-run-down', 'No torque is known before the nut\u2019s run-down is read.')
  if (torqueNm == null)
    return missing(
      'no-torque',
      'What the wrench was set to is not given, so nobody can tell how tight it is.',
    )
  return Math.abs(torqueNm - s.torqueNm) > TORQUE_PART * s.torqueNm + 1e-9
    ? missing(
        'torque-off',
        `${say(torqueNm)} N\u00b7m was given; ${say(s.torqueNm)} N\u00b7m, a tenth more or less, is what the joint was judged with.`,
      )
    : []
}
function measured(s: Step, f: StepFacts): Gate[] {
  const out: Gate[] = []
  if (s.asks.includes('hull') && f.hullMm == null)
    out.push({
      id: 'not-measured',
      text: 'How thick the hull is here has not been measured; an estimate stands in the design.',
    })
  if (s.asks.includes('angle') && f.shownDeg == null)
    out.push({
      id: 'no-level',
      text: 'No level has been laid here; the deadrise in the design is an estimate.',
    })
  else if (s.asks.includes('angle') && f.heelDeg == null)
    out.push({
      id: 'no-heel',
      text: 'The cradle\u2019s own heel is not known: lay the level on three surfaces that were built level first, under Angles of the boat.',
    })
  if (s.asks.includes('stops') && f.stopsDeg == null)
    out.push({
      id: 'not-read',
      text: 'Where the handle stops has not been read, so nobody can tell what to turn.',
    })
  return out
}
function notLooked(s: Step, { looked = [] }: StepFacts): Gate[] {
  const left = s.looks.filter((l) => !looked.includes(l))
  return left.length ? missing('not-looked', `Not seen to yet: ${left.join('; ')}.`) : []
}
/** No hardener cures so cold, whatever the lot says. */
function cold(s: Step, { tempC }: StepFacts): Gate[] {
  const epoxy = s.lot === 'epoxy' || s.lot === 'epoxy-filled'
  return epoxy && tempC !== null && tempC < HARDENERS.fast.lowestC
    ? missing('too-cold', `${say(tempC)} \u00b0C: no hardener cures under ${HARDENERS.fast.lowestC} \u00b0C.`)
    : []
}
function runDown(s: Step, { runDownNm }: StepFacts): Gate[] {
  return s.asks.includes('run-down') && runDownNm == null
    ? missing('no-run-down', 'What the locking nut takes to run down has not been read.')
    : []
}
/** Where a life event is written the register asks for the lot itself. */
function lots(s: Step, f: StepFacts): Gate[] {
  if (!s.lot || recordsAnything(s)) return []
  const epoxy = s.lot === 'epoxy' || s.lot === 'epoxy-filled'
  return lotGates(f, epoxy ? 'epoxy' : 'sealant', epoxy ? null : s.lot)
}

/**
 * What stands in the way of ticking a step, besides what the register itself asks of a hole's life: a gate
 * before it, time that has not passed, a surface that takes no bond, a lot that cannot be traced.
 */
export function stepGates(steps: Step[], id: string, ticks: WorkState['ticks'], facts: StepFacts): Gate[] {
  const s = steps.find((x) => x.id === id)
  if (!s) return []
  const before = gateBefore(steps, id, ticks)
  return [
    ...(before ? missing(before.id, `Before this: ${before.text}`) : []),
    ...tooEarly(s, ticks, facts.at),
    ...dew(s, facts),
    ...cold(s, facts),
    ...runDown(s, facts),
    ...meter(s, facts),
    ...wrench(s, facts),
    ...measured(s, facts),
    ...notLooked(s, facts),
    ...lots(s, facts),
  ]
}
