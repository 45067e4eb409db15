import dayjs from 'dayjs'
import { z } from 'zod'
import {
  afloatRows,
  CalcError,
  LIFE_STATES,
  mayDo,
  saidRows,
  parseInput,
  watchAnswer,
  watchQuestion,
  zoneTitle,
  type HoleRow,
  type LifeState,
  type WatchedThing,
  type WatchList,
  type WatchRow,
} from '@north-tide/core'
import { kindNamed } from '@north-tide/core/kinds'
import { ask } from '../calc/pool'
import { valveSwitch } from '../instruments/stand-ins'
import { Boat, LifeEvent } from '../models'
import { must, type Account } from './access'
import { line } from './act'
import { boatById } from './boats'
import { launchCounted, launched, launchesOf, type ShownLaunch } from './launches'
import { logTo } from './orders'
import { roundOf, snapshotOf, type Snapshot } from './snapshot'
import { logsOf } from './work-log'

const asked = z.strictObject({
  /** looks that fall due within so many days */
  days: z.coerce.number().int().min(0).max(3660).default(90),
})
/** When each hole was bedded and came into service, by its life; the last time counts. */
export async function daysOf(holes: HoleRow[]): Promise<Map<number, Partial<Record<LifeState, string>>>> {
  const events = await LifeEvent.findAll({
    where: { penetrationId: holes.map((h) => h.id), state: ['bedded', 'in-service'] },
    attributes: ['penetrationId', 'state', 'happenedAt'],
    order: [['seq', 'ASC']],
  })
  const by = new Map<number, Partial<Record<LifeState, string>>>()
  for (const e of events)
    by.set(e.penetrationId, {
      ...by.get(e.penetrationId),
      [e.state]: dayjs(e.happenedAt).format('YYYY-MM-DD'),
    })
  return by
}
const rank = (h: HoleRow) => (h.state === 'suspect' ? -1 : LIFE_STATES.indexOf(h.state))

/** Looks so few days apart are one trip. */
const TOGETHER_DAYS = 7
/** Every fitting with its holes as one thing to look at; a hole that nothing stands in is one by itself. */
async function thingsOf(s: Snapshot): Promise<WatchedThing[]> {
  const holes = s.holes.filter((h) => h.state !== 'closed')
  const [days, logs] = await Promise.all([daysOf(holes), logsOf(s.fittings.map((f) => f.id))])
  const one = (
    id: string,
    own: HoleRow[],
    more: Pick<WatchedThing, 'name' | 'kind' | 'has' | 'log'>,
  ): WatchedThing => {
    // The one that is least far tells for all.
    const worst = own.reduce((a, b) => (rank(b) < rank(a) ? b : a))
    const face = s.zones.find((q) => q.code === worst.zoneCode)?.face
    return {
      id,
      ...more,
      zone: zoneTitle(s.zones, worst.zoneCode),
      place: worst.belowWaterline ? 'below' : face === 'topsides' ? 'topsides' : 'deck',
      state: worst.state,
      inService: days.get(worst.id)?.['in-service'] ?? null,
      bedded: days.get(worst.id)?.bedded ?? null,
      chemistry: worst.sealant,
      cored: own.some((h) => h.coreSchool !== 'none'),
    }
  }
  const fittings = s.fittings.flatMap((f) => {
    const own = holes.filter((h) => h.fittingId === f.id)
    if (!own.length) return []
    const has = kindNamed(f.kind).watched?.(s.designs.get(f.id)!) ?? {}
    return [one(f.id, own, { name: f.name, kind: f.kind, has, log: logs.get(f.id) ?? [] })]
  })
  const bare = holes
    .filter((h) => h.fittingId === null)
    .map((h) => one(`hole ${h.id}`, [h], { name: `${h.label} ${h.whatFor}`, kind: null, has: {}, log: [] }))
  return [...fittings, ...bare]
}

/** A fitting as a row of the list names it. */
const rowOf = (s: Snapshot, id: string, why: string) => {
  const f = s.fittings.find((x) => x.id === id)!
  return { id, kind: f.kind, name: f.name, why, zone: zoneTitle(s.zones, s.designs.get(id)!.place.zone) }
}
/** What a fitting says of itself by its design, and what else is looked at because of it. */
function saidIn(s: Snapshot, day: string) {
  const alarms = s.fittings.flatMap((f) => {
    const alarm = kindNamed(f.kind).listed?.(s.designs.get(f.id)!).alarm
    return typeof alarm === 'string' ? [rowOf(s, f.id, `${alarm}.`)] : []
  })
  const round = roundOf(s)
  const looks = s.fittings.flatMap((f) => {
    const also = kindNamed(f.kind).looksToo
    if (!also) return []
    return also(s.designs.get(f.id)!, round.of(f.id, []).others).map((x) => rowOf(s, x.id, `It is ${x.why}.`))
  })
  return saidRows(alarms, looks, day)
}

export type BoatWatch = WatchList & { boat: string; today: string; launches: ShownLaunch[] }
/** What is due on a boat, in which visits, what to shut on leaving, and what keeps her ashore. */
export async function watchOf(
  who: Account,
  boatId: string,
  query: unknown,
  gone: AbortSignal,
): Promise<BoatWatch> {
  must(who, 'read', boatId)
  const { days } = parseInput(asked, query)
  const boat = await boatById(boatId)
  const s = await snapshotOf(boat)
  const things = await thingsOf(s)
  const now = dayjs()
  const input = watchQuestion(things, {
    now: now.format('YYYY-MM-DDTHH:mm'),
    duty: boat.duty,
    horizonDays: days,
    launch: await launchCounted(boat),
  })
  const answer = await ask({ name: 'watch-due', input }, gone)
  if (!answer.ok) throw new CalcError(answer.code, answer.path, answer.message)
  const out = JSON.parse(answer.json) as Parameters<typeof watchAnswer>[1]
  const today = now.format('YYYY-MM-DD')
  const list = watchAnswer(things, out)
  // Its holes are suspect for the same reason, and less is said of it there.
  const said = saidIn(s, today)
  // A bare hole that is suspect is settled in the register: that it is looked at too would say it twice.
  const suspect = new Set(list.rows.filter((r) => r.task === 'suspect').map((r) => r.id))
  const rest = list.rows.filter(
    (r) =>
      !said.some((x) => x.id === r.id && x.task === r.task) &&
      !(r.kind === null && r.task === 'look' && suspect.has(r.id)),
  )
  const afloat = afloatRows(things, input.now, days)
  const rows = [...rest, ...afloat].sort((a, b) => a.due.localeCompare(b.due))
  const visits = withAfloat(list.visits, afloat, today)
  const launches = await launchesOf(boatId)
  return { ...list, rows: [...said, ...rows], visits, boat: boat.name, today, launches }
}
/** Work left to do afloat goes along with the first visit on or after its day, or is a visit of its own. */
function withAfloat(visits: WatchList['visits'], rows: WatchRow[], today: string): WatchList['visits'] {
  const out = visits.map((v) => ({ ...v, tasks: [...v.tasks] }))
  for (const r of rows) {
    const date = r.due < today ? today : r.due
    const task = { name: r.name, title: r.title }
    const near = out.find((v) => v.date >= date && dayjs(v.date).diff(date, 'day') <= TOGETHER_DAYS)
    if (near) near.tasks.push(task)
    else out.push({ date, tasks: [task] })
  }
  return out.sort((a, b) => a.date.localeCompare(b.date))
}
export interface YardWatch {
  boats: { id: string; name: string; due: number; overdue: number; ashore: number; next: string | null }[]
  visits: { date: string; boats: { id: string; name: string; looks: number }[] }[]
}
/** Every boat that somebody reads: what is due of each, and which go together on one day. */
export async function yardWatch(who: Account, query: unknown, gone: AbortSignal): Promise<YardWatch> {
  const all = await Boat.findAll({ where: { archivedAt: null }, order: [['name', 'ASC']] })
  const boats: YardWatch['boats'] = []
  const days = new Map<string, YardWatch['visits'][number]['boats']>()
  for (const b of all.filter((x) => mayDo(who, 'read', x.id))) {
    const w = await watchOf(who, b.id, query, gone)
    const overdue = w.rows.filter((r) => r.overdueDays > 0 || r.severity === 'stop').length
    const ashore = w.notLaunchable.length
    const next = w.visits[0]?.date ?? null
    boats.push({ id: b.id, name: b.name, due: w.rows.length, overdue, ashore, next })
    for (const v of w.visits)
      days.set(v.date, [...(days.get(v.date) ?? []), { id: b.id, name: b.name, looks: v.tasks.length }])
  }
  const visits = [...days].sort(([a], [c]) => a.localeCompare(c)).map(([date, x]) => ({ date, boats: x }))
  return { boats, visits }
}
/** She is in the water: on record with what stood against it. */
export async function putAfloat(who: Account, boatId: string, body: unknown, gone: AbortSignal) {
  must(who, 'work', boatId)
  const { notLaunchable } = await watchOf(who, boatId, {}, gone)
  await launched(
    who,
    boatId,
    body,
    notLaunchable.map((n) => `${n.name}: ${n.reason}`),
  )
  return watchOf(who, boatId, {}, gone)
}
/** The switches at the valves of a boat, as a stand-in sends them; each a line in its fitting’s log. */
export async function readValves(who: Account, boatId: string, body: unknown, gone: AbortSignal) {
  must(who, 'work', boatId)
  parseInput(z.strictObject({}), body ?? {})
  const { leaving } = await watchOf(who, boatId, {}, gone)
  const valves = [...leaving.shut, ...leaving.leaveOpen, ...leaving.isShut].filter((v) => v.kind !== null)
  for (const v of valves) {
    const state = valveSwitch(v.id, dayjs().format('YYYY-MM-DD'))
    await Boat.sequelize!.transaction((transaction) =>
      logTo(
        who,
        v.id,
        [line('look', `its switch, simulated, says ${state}`, { valve: state, sensor: true })],
        `${v.name}: its switch was read`,
        transaction,
      ),
    )
  }
  return watchOf(who, boatId, {}, gone)
}
