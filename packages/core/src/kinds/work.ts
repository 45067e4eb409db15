import { stepNamed } from './step-names'
import { formatLength, formatTemperature, formatTorque, type Units } from '../base/quantity/format'

/** What can stand in the log of the work on a fitting, of whatever kind. Added to, never changed. */
export const LOG_KINDS = ['begin', 'tick', 'order', 'purchase', 'decision', 'bond', 'anode', 'look'] as const
export type LogKind = (typeof LOG_KINDS)[number]

/** What was decided, ordered or bought, as figures and words that the state is folded from. */
export interface LogData {
  /** an order or a purchase: what of */
  what?: string
  /** why a gate was passed, or why it was decided so */
  reason?: string
  /** a decision: about what, which, and the readings that it was made on */
  about?: string
  decision?: string
  on?: Record<string, number>
  /** what the wrench clicked at */
  torqueNm?: number
  /** how long the step took, of each pair of hands */
  minutes?: number
  /** labels of the holes that the tick was about, where not all of them were */
  holes?: string[]
  /** how a valve was left, and whether its switch said so and not a hand */
  valve?: 'open' | 'shut'
  sensor?: boolean
  /** it began the work anew: what was ticked, ordered and bought before is of an earlier round */
  anew?: boolean
}

export interface LogLine {
  kind: LogKind
  /** the step that was ticked, or taken back */
  step?: string
  value: number | null
  /** code of the lot that went in */
  lot?: string | null
  /** its number in the store */
  lotId?: number | null
  tempC?: number | null
  humidityPct?: number | null
  sizeMm?: number | null
  note: string
  who: string
  at: string
  /** it takes the last of its kind (and step) back */
  undoes?: boolean
  data?: LogData | null
}

export interface Done {
  at: string
  by: string
  note: string
}
export interface Decided {
  decision: string
  reason: string
  on: Record<string, number>
  at: string
  by: string
}
/** Where the work on a fitting stands: folded from its log, stored nowhere. */
export interface WorkState {
  ticks: Record<string, Done>
  /** steps that somebody is at: they stay where they are, whatever is planned round them */
  begun: Record<string, { at: string; by: string }>
  order: { at: string; by: string; what: string; reason: string } | null
  bought: { at: string; by: string; what: string } | null
  decisions: Record<string, Decided>
}
export const NO_WORK: WorkState = { ticks: {}, begun: {}, order: null, bought: null, decisions: {} }

/**
 * The lines since the work was begun anew (bedded again years later, say); all of them where it never was, or
 * where that was taken back.
 */
export function thisRound(log: LogLine[]): LogLine[] {
  const from = log.findLastIndex(
    (l, i) =>
      l.kind === 'tick' &&
      l.data?.anew === true &&
      !log.slice(i + 1).some((x) => x.kind === 'tick' && x.step === l.step && x.undoes),
  )
  return from < 0 ? log : log.slice(from)
}

/** A step that was begun or ticked, or taken back. */
function stepSaid(out: WorkState, step: string, l: LogLine) {
  const by = { at: l.at, by: l.who }
  if (l.kind === 'begin') {
    if (l.undoes) delete out.begun[step]
    else out.begun[step] ??= by
    return
  }
  delete out.begun[step]
  if (l.undoes) delete out.ticks[step]
  // One that follows for a hole that was kept apart does not move the day of the step.
  else out.ticks[step] ??= { ...by, note: l.note }
}
/** Folds the log, oldest first, into where the work stands. */
export function workState(log: LogLine[]): WorkState {
  const out: WorkState = { ticks: {}, begun: {}, order: null, bought: null, decisions: {} }
  // A decision stands as long as what it was made on; the rest is of this round.
  const round = thisRound(log)
  const earlier = log.slice(0, log.length - round.length).filter((l) => l.kind === 'decision')
  for (const l of [...earlier, ...round]) {
    const by = { at: l.at, by: l.who }
    const data = l.data ?? {}
    switch (l.kind) {
      case 'begin':
      case 'tick':
        if (l.step) stepSaid(out, l.step, l)
        break
      case 'order':
        out.order = l.undoes ? null : { ...by, what: data.what ?? l.note, reason: data.reason ?? '' }
        break
      case 'purchase':
        out.bought = l.undoes ? null : { ...by, what: data.what ?? l.note }
        break
      case 'decision':
        if (data.about && data.decision)
          out.decisions[data.about] = {
            ...by,
            decision: data.decision,
            reason: data.reason ?? '',
            on: data.on ?? {},
          }
        break
    }
  }
  return out
}

/** A decision counts while what it was made on is what is measured now. */
export function standingDecision(
  state: WorkState,
  about: string,
  on: Record<string, number>,
): Decided | null {
  const d = state.decisions[about]
  return d && Object.entries(on).every(([k, v]) => d.on[k] === v) ? d : null
}

/** The last that was read, not the last that was written down. */
export const lastReading = (log: LogLine[], kind: LogKind): LogLine | null =>
  log
    .filter((l) => l.kind === kind && l.value !== null)
    .reduce<LogLine | null>((a, b) => (a && a.at > b.at ? a : b), null)

const KIND_SAID: Partial<Record<LogKind, (l: LogLine) => string>> = {
  bond: (l) => `bond path ${l.value} \u03a9`,
  anode: (l) => `anode ${l.value} % left`,
  decision: () => 'decided',
  begin: (l) => `begun: ${stepNamed(l.step ?? '')}`,
}
/** What was said with a tick: size, lot, day, torque, and the words with it. */
export const tickSaid = (l: LogLine, units: Units): string =>
  [
    l.sizeMm == null ? '' : formatLength(l.sizeMm, units),
    l.data?.torqueNm == null ? '' : formatTorque(l.data.torqueNm, units),
    l.lot ? `lot ${l.lot}` : '',
    l.tempC == null ? '' : formatTemperature(l.tempC, units),
    l.humidityPct == null ? '' : `${l.humidityPct} %`,
    l.data?.holes?.length ? `only ${l.data.holes.join(', ')}` : '',
    l.data?.minutes == null ? '' : `${l.data.minutes} min`,
    l.note,
  ]
    .filter(Boolean)
    .join('; ')
/** A line of the log, in words. */
export function logSaid(l: LogLine, units: Units): string {
  const what = KIND_SAID[l.kind]?.(l) ?? (l.step ? stepNamed(l.step) : l.kind)
  const given = [
    l.undoes ? 'taken back' : '',
    l.sizeMm == null ? '' : formatLength(l.sizeMm, units),
    l.data?.torqueNm == null ? '' : formatTorque(l.data.torqueNm, units),
    l.lot ? `lot ${l.lot}` : '',
    l.tempC == null ? '' : formatTemperature(l.tempC, units),
    l.humidityPct == null ? '' : `${l.humidityPct} %`,
    l.data?.holes?.length ? `only ${l.data.holes.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join(', ')
  return [given ? `${what}, ${given}` : what, l.note].filter(Boolean).join(': ')
}
