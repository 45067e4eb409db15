import type { SealantId } from '../base/materials/sealants'
import type { LifeState } from '../boat/life'

/** What the tick of a step asks for: each is recorded there and asked nowhere again. */
export type StepAsk =
  | 'size'
  | 'lot'
  | 'air'
  | 'proof'
  | 'seen'
  | 'ohm'
  | 'hull'
  | 'angle'
  | 'stops'
  | 'looks'
  | 'photo'
  | 'torque'
  | 'dew'
  | 'run-down'

/**
 * What a tick writes into the life of the fitting's holes, by the kind of hole: the first word of its part
 * (bolt 1 → bolt, bore, pipe).
 */
export type Records = Partial<Record<string, LifeState[]>>

/** One step of the work on a fitting, of whatever kind, in the trade's order. */
export interface Step {
  id: string
  text: string
  hands: 1 | 2
  /** must be ticked before what comes after it may start */
  gate: boolean
  /** ids of the steps that have to be ticked before it */
  needs: string[]
  /** minutes of work, an estimate */
  minutes: number
  /** how one person does it */
  alone: string
  /** what lies within reach before one crawls in */
  tools: string[]
  caution: string
  /** elapsed hours that nobody is needed for */
  waitH: number | null
  records: Records
  /** it begins the work anew: its holes are marked again, and what was ticked before is of another round */
  anew?: boolean
  asks: StepAsk[]
  /** which kind of hole the size is asked of; null where none is */
  sizeOf: string | null
  /** the step at which lot, temperature and humidity were said; null where this one asks for them */
  from: string | null
  /** what is looked through before something that cannot be undone, each to be ticked */
  looks: string[]
  /** what the lot that is named has to be */
  lot: SealantId | 'epoxy' | null
  /** what the wrench is set to; null where nothing is tightened */
  torqueNm: number | null
  /** no earlier than so many hours after another step, and why */
  after: { step: string; hours: number; what: string } | null
  /** as well done afloat: nothing waits for it, the plan leaves it out and Watch reminds of it */
  afloat: boolean
  /** as it is ticked a clock begins: so many minutes until what was begun can no longer be worked */
  clock?: { minutes: number; what: string }
}
/** What is left of a step's clock, s, and over: it can no longer be worked. Times in ms since 1970. */
export function clockLeft(
  clock: { minutes: number },
  tickedAt: number,
  now: number,
): { leftS: number; over: boolean } {
  const left = clock.minutes * 60 - (now - tickedAt) / 1000
  return { leftS: Math.max(0, Math.ceil(left)), over: left <= 0 }
}

/** Minutes of one pair of hands, typical of a yard: estimates, until the yard's own are known. */
const MINUTES: Record<string, number> = {
  must: 5,
  survey: 20,
  angle: 15,
  template: 15,
  pilot: 10,
  bore: 20,
  'bore-record': 2,
  'ready-bore': 5,
  'ready-bed': 5,
  wedge: 60,
  'pad-make': 40,
  'pad-bond': 30,
  'plate-make': 60,
  'plate-bond': 30,
  'dry-fit': 30,
  dry: 45,
  clock: 20,
  'bolt-holes': 30,
  weld: 120,
  'weld-doubler': 120,
  bed: 30,
  wipe: 10,
  dew: 5,
  gel: 0,
  cure: 0,
  'core-cure': 0,
  'core-fill': 30,
  'leak-test': 20,
  'prove-dry': 20,
  record: 10,
  launch: 30,
}
const USUAL_MINUTES = 10

/** A list of steps being written: what is not said of a step is what most steps have. */
export function stepList(): {
  add: (id: string, text: string, more?: Partial<Step>) => void
  done: () => Step[]
} {
  const out: Step[] = []
  return {
    add: (id, text, more = {}) =>
      out.push({
        id,
        text,
        hands: 1,
        gate: false,
        needs: [],
        minutes: MINUTES[id] ?? USUAL_MINUTES,
        alone: '',
        tools: [],
        caution: '',
        waitH: null,
        records: {},
        asks: [],
        sizeOf: null,
        from: null,
        looks: [],
        lot: null,
        torqueNm: null,
        after: null,
        afloat: false,
        ...more,
      }),
    // What stands before the nearest gate stands before everything after it.
    done: () => {
      let gate: string | null = null
      return out.map((s) => {
        const needs = gate === null ? [] : [gate]
        if (s.gate) gate = s.id
        return { ...s, needs }
      })
    },
  }
}

const half = (h: number) => Math.ceil(2 * h) / 2
/** How long it takes, how long one waits after it, and what lies within reach; empty where all is nought. */
export function stepTakes(s: Pick<Step, 'minutes' | 'waitH' | 'tools'>): string {
  const work =
    s.minutes > 0 ? `about ${s.minutes < 90 ? `${s.minutes} min` : `${half(s.minutes / 60)} h`} of work` : ''
  const wait =
    s.waitH !== null && s.waitH > 0
      ? `${work ? 'then ' : ''}${s.waitH < 48 ? `${half(s.waitH)} h` : `${Math.ceil(s.waitH / 24)} days`} of waiting`
      : ''
  const times = [work, wait].filter(Boolean).join(', ')
  return [times, s.tools.length ? `in reach: ${s.tools.join(', ')}` : ''].filter(Boolean).join('; ')
}

/** The kind of hole that a part of a fitting is: bolt 3 → bolt. */
export const holeKind = (part: string) => part.split(' ')[0]!
export const statesFor = (s: Step, part: string): LifeState[] => s.records[holeKind(part)] ?? []
export const recordsAnything = (s: Step) => Object.values(s.records).some((states) => states?.length)
