import { withChange } from '../base/change'
import { CalcError } from '../base/errors'
import type { Units } from '../base/quantity/format'
import {
  gatesFor,
  hasReached,
  standing,
  type Gate,
  type HoleFacts,
  type LifeFacts,
  type LifeState,
  type LotFacts,
} from '../boat/life'
import { stepGates } from './gates'
import type { AnyDesign, Measured, TickReadings } from './kind'
import { lastReading, thisRound, type LogData, type LogLine, type WorkState } from './work'
import { holeKind, statesFor, type Step, type StepAsk } from './step'

/** What somebody says when he ticks a step; only what the step asks for counts. */
export interface Tick extends Omit<TickReadings, 'heelDeg'> {
  step: string
  note: string
  /** why a gate is passed; empty: none is */
  reason: string
  /** as loaded by its number; null where none was named */
  lot: LotFacts | null
  lotId: number | null
  ohm: number | null
  looked: string[]
  proof: string
  /** a look that found it wet: it is not ticked, and its hole becomes suspect */
  wet: boolean
  /** labels of the holes that it is about; empty: all of the fitting's */
  holes: string[]
  /** minutes that it took each pair of hands; left out: nobody looked at a clock */
  minutes?: number | null
}
/** One hole of the fitting, as the register has it. */
export interface TickedHole {
  label: string
  part: string
  hole: HoleFacts
  facts: LifeFacts[]
}
/** A line for the log, to be written as it is. */
export type NewLine = Omit<LogLine, 'lot' | 'who' | 'at'>
/** An event for the life of one hole, to be written as it is. */
export interface NewEvent {
  label: string
  state: LifeState
  at: number
  sizeMm: number | null
  tempC: number | null
  humidityPct: number | null
  lotId: number | null
  note: string
  evidence: string
  gates: Gate[]
}
export interface Ticked<D> {
  /** everything in the way, of the work and of the register, each once */
  gates: Gate[]
  events: NewEvent[]
  lines: NewLine[]
  design: D
  /** the finished size of a hole where it was measured */
  sizes: { label: string; sizeMm: number }[]
}
export interface Bench<D extends AnyDesign> {
  design: D
  steps: Step[]
  state: WorkState
  log: LogLine[]
  holes: TickedHole[]
  heelDeg: number | null
  units: Units
  measured?: (d: D, step: { id: string; asks: StepAsk[] }, r: TickReadings, units: Units) => Measured
}

const bad = (code: string, path: string, message: string) => new CalcError(code, path, message)
/** The step that is meant; refused where it is none, or there is nothing left to tick. */
function stepMeant<D extends AnyDesign>(b: Bench<D>, t: Tick): Step {
  const step = b.steps.find((s) => s.id === t.step)
  if (!step) throw bad('invalid-input', 'step', `"${t.step}" is no step of this fitting`)
  if (b.state.ticks[step.id] && !t.holes.length) throw bad('ticked', 'step', 'It is ticked already')
  const stranger = t.holes.find((l) => !b.holes.some((h) => h.label === l))
  if (stranger) throw bad('invalid-input', 'holes', `${stranger} is no hole of this fitting`)
  const seen = step.asks.includes('seen')
  if (seen && !t.note) throw bad('invalid-input', 'note', 'Say what was seen: dry, or where it is wet')
  if (t.wet && !seen) throw bad('invalid-input', 'wet', 'Only a look round it can find it wet')
  const apart = t.holes.length > 0 && t.holes.length < b.holes.length
  if (apart && !b.state.ticks[step.id] && !t.note)
    throw bad('invalid-input', 'note', 'Say why the other holes are kept apart')
  return step
}

/** The step that said lot and air for this one, or this one. */
export const saidAt = (step: Step, log: LogLine[]): LogLine | null =>
  step.from === null
    ? null
    : (thisRound(log).findLast((l) => l.kind === 'tick' && l.step === step.from && !l.undoes) ?? null)

interface Said {
  tempC: number | null
  airC: number | null
  humidityPct: number | null
  sizeMm: number | null
  lot: LotFacts | null
  lotId: number | null
}
function saidOf(step: Step, t: Tick, before: LogLine | null): Said {
  const air = step.asks.includes('air')
  const lot = step.asks.includes('lot') || before !== null
  return {
    tempC: air ? t.tempC : (before?.tempC ?? null),
    airC: air ? t.airC : null,
    humidityPct: air ? t.humidityPct : (before?.humidityPct ?? null),
    sizeMm: step.asks.includes('size') ? t.sizeMm : null,
    lot: lot ? t.lot : null,
    lotId: lot ? t.lotId : null,
  }
}

/** Marked and nothing more: there is no life that a new one could follow. */
const untouched = (facts: LifeFacts[]) => standing(facts).every((f) => f.state === 'marked')
/** What a tick adds to the life of each hole; what is on record there already is not written twice. */
function lifeOf<D extends AnyDesign>(b: Bench<D>, step: Step, t: Tick, said: Said): NewEvent[] {
  const seen = step.asks.includes('seen')
  const evidence = step.asks.includes('proof') ? t.proof : seen ? `${step.text.split(':')[0]}: ${t.note}` : ''
  return b.holes
    .filter((h) => !t.holes.length || t.holes.includes(h.label))
    .flatMap((h) => {
      const known = [...h.facts]
      let seq = h.facts.at(-1)?.seq ?? h.facts.length
      return statesFor(step, h.part).flatMap((state): NewEvent[] => {
        if (state === 'marked' && step.anew ? untouched(known) : hasReached(known, state)) return []
        const drilled = state === 'drilled'
        const own = step.sizeOf === null || holeKind(h.part) !== step.sizeOf
        const sizeMm = drilled ? (own ? h.hole.diameterMm : said.sizeMm) : null
        const note = seen ? '' : t.note
        const facts: LifeFacts = { ...said, state, at: t.at, sizeMm, note, evidence }
        const gates = gatesFor(h.hole, known, facts)
        known.push({ ...facts, seq: ++seq })
        const { tempC, humidityPct, lotId } = said
        return [{ label: h.label, state, at: t.at, sizeMm, tempC, humidityPct, lotId, note, evidence, gates }]
      })
    })
}

const once = (gates: Gate[]): Gate[] => gates.filter((g, i) => gates.findIndex((o) => o.id === g.id) === i)

const dataOf = (step: Step, only: string[], torqueNm: number | null): LogData => ({
  ...(torqueNm === null ? {} : { torqueNm }),
  ...(only.length ? { holes: only } : {}),
  ...(step.anew && !only.length ? { anew: true } : {}),
})

/**
 * A step, ticked: what stands in its way, and what it writes into the log, into the life of each hole and
 * into the design. It writes nothing itself; whoever keeps the record writes exactly this.
 * @throws CalcError `invalid-input` or `ticked` with the path of what was said
 */
export function applyTick<D extends AnyDesign>(b: Bench<D>, t: Tick): Ticked<D> {
  const step = stepMeant(b, t)
  const said = saidOf(step, t, saidAt(step, b.log))
  const only = t.holes.length && t.holes.length < b.holes.length ? t.holes : []
  const torqueNm = step.asks.includes('torque') ? t.torqueNm : null
  const data = { ...dataOf(step, only, torqueNm), ...(t.minutes ? { minutes: t.minutes } : {}) }
  const line = (note: string): NewLine => ({
    kind: t.wet ? 'look' : 'tick',
    step: step.id,
    value: null,
    lotId: said.lotId,
    tempC: said.tempC,
    humidityPct: said.humidityPct,
    sizeMm: said.sizeMm,
    note,
    data: Object.keys(data).length ? data : null,
  })
  if (t.wet)
    return { gates: [], events: suspects(b, t), lines: [line(`wet: ${t.note}`)], design: b.design, sizes: [] }
  const readings: TickReadings = { ...t, sizeMm: said.sizeMm, torqueNm, heelDeg: b.heelDeg }
  const told = b.measured?.(b.design, step, readings, b.units) ?? { change: {}, said: [] }
  const ohm = step.asks.includes('ohm') ? (t.ohm ?? lastReading(b.log, 'bond')?.value ?? null) : null
  const follows = b.state.ticks[step.id] !== undefined
  const mine = follows
    ? []
    : stepGates(b.steps, step.id, b.state.ticks, { ...readings, ...said, ohm, looked: t.looked })
  const events = lifeOf(b, step, t, said)
  const passed = mine.length ? [`${mine.map((g) => g.id).join(', ')} passed over: ${t.reason}`] : []
  const note = [
    ...told.said,
    ...step.looks.filter((l) => t.looked.includes(l)).map((l) => `seen: ${l}`),
    t.note,
    step.asks.includes('proof') ? t.proof : '',
    ...passed,
  ]
    .filter(Boolean)
    .join('; ')
  const metered: NewLine[] =
    step.asks.includes('ohm') && t.ohm !== null ? [{ kind: 'bond', value: t.ohm, note: t.note }] : []
  return {
    gates: once([...mine, ...events.flatMap((e) => e.gates)]),
    events,
    lines: [...metered, line(note)],
    design: Object.keys(told.change).length ? withChange(b.design, told.change) : b.design,
    sizes: said.sizeMm === null ? [] : sizesOf(b, step, t, said.sizeMm),
  }
}
const sizesOf = <D extends AnyDesign>(b: Bench<D>, step: Step, t: Tick, sizeMm: number) =>
  b.holes
    .filter((h) => holeKind(h.part) === step.sizeOf && (!t.holes.length || t.holes.includes(h.label)))
    .map((h) => ({ label: h.label, sizeMm }))

/** Water round it: the holes that stand in the water are suspect until somebody settles it. */
const suspects = <D extends AnyDesign>(b: Bench<D>, t: Tick): NewEvent[] =>
  b.holes
    .filter((h) => holeKind(h.part) !== 'bolt')
    .map((h) => ({
      label: h.label,
      state: 'suspect',
      at: t.at,
      sizeMm: null,
      tempC: null,
      humidityPct: null,
      lotId: null,
      note: `Wet: ${t.note}`,
      evidence: '',
      gates: [],
    }))
