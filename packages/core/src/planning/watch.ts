import { daySaid } from '../base/quantity/day'
import { SEALANT_IDS } from '../base/materials/sealants'
import type { watchDue } from '../chapters/watch/watch-due'
import type { LifeState } from '../base/life-states'
import type { Watched } from '../kinds/kind'
import { workState, type LogLine } from '../kinds/work'

/**
 * The looks of a boat (chapter 16.3): what is asked of the calculator of all that stands in her, and what
 * its answer means to whoever goes round.
 */
export interface WatchedThing {
  id: string
  name: string
  /** of which kind; null for a hole that nothing stands in */
  kind: string | null
  zone: string
  place: 'deck' | 'topsides' | 'below'
  state: LifeState
  /** days of its life that are on record, YYYY-MM-DD */
  inService: string | null
  bedded: string | null
  chemistry: string | null
  cored: boolean
  has: Watched
  log: LogLine[]
}
type Input = Parameters<typeof watchDue.run>[0]
type Output = ReturnType<typeof watchDue.run>
type Item = Input['items'][number]

export const WATCH_TASKS: Record<string, string> = {
  suspect: 'Suspect: settle it',
  'look-too': 'Measure it too',
  'launch-1': 'After launch, at once',
  'launch-2': 'After launch, 10 minutes',
  'launch-3': 'After launch, an hour',
  'launch-4': 'After launch, a day',
  'launch-5': 'After launch, a week',
  exercise: 'Open and shut the valve',
  anode: 'Anode',
  look: 'Look at its bedding',
  'draw-plate': 'Draw the plate',
  'hose-look': 'Hose and its clips',
  'hose-renew': 'A new hose',
  moisture: 'Moisture of the core round it',
  rebed: 'Bed it anew',
  afloat: 'Left to do afloat',
}
const day = (at: string) => at.slice(0, 10)
const lastOf = (log: LogLine[], of: (l: LogLine) => boolean): string | undefined => {
  const found = log.findLast(of)
  return found ? day(found.at) : undefined
}
const lookedAt = (log: LogLine[], task: string) =>
  lastOf(log, (l) => l.kind === 'look' && l.data?.about === task)
export interface ValveSaid {
  state: 'open' | 'shut'
  at: string
  by: string
  /** a switch at the valve said it, and not a hand */
  sensor: boolean
}
/** What was last said of a valve. */
export function valveSaid(log: LogLine[]): ValveSaid | null {
  const l = log.findLast((x) => x.data?.valve)
  if (!l) return null
  return { state: l.data!.valve!, at: l.at, by: l.who, sensor: l.data!.sensor === true }
}
/** A fitting bedded within so many days before a launch is new to the water. */
const LAY_UP_DAYS = 270
const isNew = (t: WatchedThing, launch: string | null) =>
  launch !== null &&
  t.bedded !== null &&
  (Date.parse(launch) - Date.parse(t.bedded)) / 86_400_000 <= LAY_UP_DAYS
/** Of the looks after a launch the furthest that was made: who looked after an hour looked at once too. */
const looksDone = (t: WatchedThing, launch: string | null) =>
  t.log.reduce((most, l) => {
    const about = l.kind === 'look' && typeof l.data?.about === 'string' ? l.data.about : ''
    const n = /^launch-(\d)$/.exec(about)
    return n && launch !== null && day(l.at) >= day(launch) ? Math.max(most, Number(n[1])) : most
  }, 0)
const CHEMISTRY = new Set<string>(SEALANT_IDS)
const maybe = <K extends string, V>(key: K, value: V | null | undefined) =>
  (value == null ? {} : { [key]: value }) as Partial<Record<K, V>>

function partsOf({ has, log }: WatchedThing) {
  const drawn = [lookedAt(log, 'draw-plate'), has.chainplate?.lastDrawn ?? undefined]
    .filter((d) => d !== undefined)
    .sort()
    .at(-1)
  return {
    ...(has.valve
      ? {
          valve: {
            // Taken as open until somebody, or its sensor, has said that it is shut.
            open: valveSaid(log)?.state !== 'shut',
            cockpitDrain: has.valve.cockpitDrain,
            ...maybe('lastMoved', lookedAt(log, 'exercise')),
          },
        }
      : {}),
    ...(has.hose ? { hose: { ...maybe('lastLook', lookedAt(log, 'hose-look')) } } : {}),
    ...(has.anode
      ? {
          anode: {
            ...maybe(
              'lastLook',
              lastOf(log, (l) => l.kind === 'anode' || (l.kind === 'look' && l.data?.about === 'anode')),
            ),
          },
        }
      : {}),
    ...(has.chainplate
      ? { chainplate: { grade: has.chainplate.grade, ...maybe('lastDrawn', drawn) } as Item['chainplate'] }
      : {}),
  }
}
/** The question. @param now local time, YYYY-MM-DDTHH:MM */
export function watchQuestion(
  things: WatchedThing[],
  /** `launch`: to the minute */
  asked: { now: string; duty: Input['duty']; horizonDays: number; launch: string | null },
): Input {
  const today = day(asked.now)
  const past = (d: string | null) => (d !== null && d <= today ? d : null)
  return {
    now: asked.now,
    duty: asked.duty,
    horizonDays: asked.horizonDays,
    earlyPercent: 20,
    ...(asked.launch ? { launch: asked.launch } : {}),
    items: things.map(
      (t): Item =>
        ({
          id: t.id,
          place: t.place,
          state: t.state,
          cored: t.cored,
          newFitting: isNew(t, asked.launch),
          looksDone: looksDone(t, asked.launch),
          chemistry: t.chemistry && CHEMISTRY.has(t.chemistry) ? t.chemistry : 'unknown',
          ...maybe('inService', past(t.inService)),
          ...maybe('bedded', past(t.bedded)),
          ...maybe('lastLook', lookedAt(t.log, 'look')),
          ...maybe('lastMoisture', lookedAt(t.log, 'moisture')),
          ...partsOf(t),
        }) as Item,
    ),
  }
}

export interface WatchRow {
  id: string
  kind: string | null
  name: string
  zone: string
  task: string
  title: string
  due: string
  overdueDays: number
  known: boolean
  severity: 'stop' | 'must' | 'should'
  why: string
  /** a step of its work, to be ticked */
  step?: string
}
export interface WatchedValve {
  id: string
  kind: string | null
  name: string
  zone: string
  said: ValveSaid | null
}
export interface WatchList {
  rows: WatchRow[]
  visits: { date: string; tasks: { name: string; title: string }[] }[]
  leaving: { shut: WatchedValve[]; leaveOpen: WatchedValve[]; isShut: WatchedValve[] }
  notLaunchable: { name: string; reason: string }[]
}
type Named = Pick<WatchRow, 'id' | 'kind' | 'name' | 'zone' | 'why'>
/** What a fitting itself says, and not its interval: today, each once. */
const today = (
  found: Named[],
  day: string,
  more: Pick<WatchRow, 'task' | 'severity' | 'known'>,
): WatchRow[] =>
  [...new Map(found.map((f) => [f.id, f])).values()].map((f) => ({
    ...f,
    ...more,
    title: WATCH_TASKS[more.task]!,
    due: day,
    overdueDays: 0,
  }))
/** What is not to be used until it is settled, and what is measured too since another one moved. */
export const saidRows = (alarms: Named[], looksToo: Named[], day: string): WatchRow[] => [
  ...today(alarms, day, { task: 'suspect', severity: 'stop', known: true }),
  ...today(looksToo, day, { task: 'look-too', severity: 'must', known: false }),
]
const REASON: Record<string, string> = {
  open: 'an open hole',
  uncured: 'its bedding has not cured',
  unproven: 'not proved tight',
  suspect: 'suspect',
}
export function watchAnswer(things: WatchedThing[], out: Output): WatchList {
  const of = new Map(things.map((t) => [t.id, t]))
  const name = (id: string) => of.get(id)!.name
  const title = (task: string) => WATCH_TASKS[task] ?? task
  const valve = (id: string): WatchedValve => {
    const t = of.get(id)!
    return { id: t.id, kind: t.kind, name: t.name, zone: t.zone, said: valveSaid(t.log) }
  }
  return {
    rows: out.rows.map((r) => {
      const t = of.get(r.id)!
      return {
        id: t.id,
        kind: t.kind,
        name: t.name,
        zone: t.zone,
        task: r.task,
        title: title(r.task),
        due: r.due,
        overdueDays: r.overdueDays,
        known: r.known,
        severity: r.severity,
        why: r.why,
      }
    }),
    visits: out.visits.map((v) => ({
      date: v.date,
      tasks: v.tasks.map((k) => ({ name: name(k.id), title: title(k.task) })),
    })),
    leaving: {
      shut: out.leaving.shut.map(valve),
      leaveOpen: out.leaving.leaveOpen.map(valve),
      isShut: things.filter((t) => t.has.valve && valveSaid(t.log)?.state === 'shut').map((t) => valve(t.id)),
    },
    notLaunchable: out.notLaunchable.map((n) => ({ name: name(n.id), reason: REASON[n.reason] ?? n.reason })),
  }
}
/** Work that was left to be done afloat, once what it comes after is ticked, until it is. */
export function afloatRows(things: WatchedThing[], now: string, horizonDays: number): WatchRow[] {
  const DAY = 86_400_000
  const date = (ms: number) => new Date(ms).toISOString().slice(0, 10)
  return things.flatMap((t) =>
    (t.has.afloat ?? []).flatMap((a): WatchRow[] => {
      const { ticks } = workState(t.log)
      const from = ticks[a.after]
      if (!from || ticks[a.step]) return []
      const due = date(Date.parse(from.at) + a.hours * 3_600_000)
      const late = Math.round((Date.parse(now.slice(0, 10)) - Date.parse(due)) / DAY)
      if (-late > horizonDays) return []
      return [
        {
          id: t.id,
          kind: t.kind,
          name: t.name,
          zone: t.zone,
          task: 'afloat',
          step: a.step,
          title: a.title,
          due,
          overdueDays: Math.max(0, late),
          known: true,
          severity: 'must',
          why: `${a.hours / 24} days after ${daySaid(from.at)}; she may be afloat by then.`,
        },
      ]
    }),
  )
}
