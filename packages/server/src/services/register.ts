import { QueryTypes, type Transaction } from 'sequelize'
import { z } from 'zod'
import {
  LIFE_STATES,
  RIM_PATH_MM,
  beddingCure,
  lifeStateOf,
  nextStates,
  parseInput,
  standing,
  type Act,
  type HoleRow,
  type LogLine,
  type LifeState,
} from '@north-tide/core'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import { ApiError, notFound } from '../errors'
import { Boat, Fitting, HoleLink, Penetration } from '../models'
import { must, type Account } from './access'
import { zonesOf } from './zones'
import {
  eventsOf,
  factsOf,
  holeFacts,
  lotNamed,
  passOrRefuse,
  weigh,
  worthOf,
  write,
  type NextEvent,
} from './life'
import { logOfHole, logsOfHoles } from './work-log'
import { moment } from './saving'
import { holesOf } from './holes'
import { everyHole } from './kept-boat'
import type { Packed } from '../packed'

export async function register(who: Account, boatId: string): Promise<Packed> {
  must(who, 'read', boatId)
  if (!(await Boat.findByPk(boatId))) throw notFound('boat')
  return (await everyHole(boatId)).packed()
}
const isHoleId = (id: number) => Number.isInteger(id) && id > 0 && id < 2 ** 31
/** A hole that is about to be changed, locked until it is. */
export async function lockedHole(
  who: Account,
  id: number,
  transaction: Transaction,
  act: Act = 'work',
): Promise<Penetration> {
  const p = isHoleId(id)
    ? await Penetration.findByPk(id, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })
    : null
  if (!p) throw notFound('hole')
  must(who, act, p.boatId)
  return p
}

async function load(who: Account, id: number) {
  if (!isHoleId(id)) throw notFound('hole')
  // What is known by its number alone is asked for at once.
  const [p, events, closers, [row]] = await Promise.all([
    Penetration.findByPk(id),
    eventsOf(id),
    closersOf(id),
    holesOf(null, { only: [id], withdrawn: true }),
  ])
  if (!p || !row) throw notFound('hole')
  must(who, 'read', p.boatId)
  return { p, events, closers, row }
}
/** The fittings that were made to close it. */
async function closersOf(penetrationId: number): Promise<Fitting[]> {
  const closing = await HoleLink.findAll({ where: { penetrationId, link: 'closes' } })
  return closing.length
    ? Fitting.findAll({
        where: { id: closing.map((l) => l.fittingId) },
        attributes: ['id', 'kind', 'name', 'design'],
        order: [['name', 'ASC']],
      })
    : []
}

/** A link stays on record; a job that the hole was taken out of again closes it no more. */
function closesNow(f: Fitting, label: string): boolean {
  const kind = kindNamed(f.kind)
  return !kind.closes || kind.closes(parseOf(kind, f.design)).includes(label)
}
export async function hole(who: Account, id: number) {
  const { p, events, closers, row } = await load(who, id)
  const [known, f, log] = await Promise.all([
    factsOf(events),
    p.fittingId ? Fitting.findByPk(p.fittingId) : null,
    logOfHole(p.boatId, p.fittingId),
  ])
  const mine = holeFacts(p)
  const bedded = standing(known).findLast((e) => e.state === 'bedded')
  const kind = f && kindNamed(f.kind)
  const half = (f && kind?.bedHalfMm?.(parseOf(kind, f.design))) ?? null
  const rim = beddingCure(mine, bedded, RIM_PATH_MM)
  const middle = half ? beddingCure(mine, bedded, half) : null
  return {
    ...row,
    closedIn: closers
      .filter((c) => closesNow(c, row.label))
      .map(({ id: fittingId, kind: of, name }) => ({ id: fittingId, kind: of, name })),
    next: nextStates(mine, known),
    sizes: events
      .filter((e) => e.sizeMm !== null && !events.some((c) => c.corrects === e.seq))
      .map((e) => ({ at: e.happenedAt.toISOString(), sizeMm: e.sizeMm! })),
    log,
    cure: bedded ? { rimDays: rim?.days ?? null, middleDays: middle?.days ?? null } : null,
    events: events.map((e, i) => ({
      seq: e.seq,
      state: e.state,
      note: e.note,
      who: e.who,
      at: e.happenedAt.toISOString(),
      sizeMm: e.sizeMm,
      tempC: e.tempC,
      humidityPct: e.humidityPct,
      lot: known[i]!.lot?.code ?? null,
      evidence: e.evidence,
      gatesPassed: e.gatesPassed,
      gateReason: e.gateReason,
      corrects: e.corrects,
    })),
  }
}

/** What the fitting that is to stand in a hole is worth; null where none is. */
async function worthFor(p: Penetration, transaction: Transaction) {
  const f = p.fittingId ? await Fitting.findByPk(p.fittingId, { transaction }) : null
  return f && worthOf(f, await zonesOf(p.boatId, transaction))
}

const optional = <T extends z.ZodType>(t: T) => t.nullish()
const eventBody = z.strictObject({
  // The words of the version before are read for one version more.
  state: z.preprocess((v) => (typeof v === 'string' ? lifeStateOf(v) : v), z.enum(LIFE_STATES)),
  note: z.string().max(2000).default(''),
  at: optional(moment),
  sizeMm: optional(z.number().positive().max(1000)),
  tempC: optional(z.number().min(-30).max(60)),
  humidityPct: optional(z.number().min(0).max(100)),
  lotId: optional(
    z
      .number()
      .int()
      .positive()
      .max(2 ** 31 - 1),
  ),
  evidence: optional(z.string().max(2000)),
  gateReason: optional(z.string().max(500)),
  corrects: optional(
    z
      .number()
      .int()
      .positive()
      .max(2 ** 31 - 1),
  ),
  /** the fitting in whose work a hole of no fitting, or of another, was closed */
  closedBy: optional(z.uuid()),
})

/** What a correction does not change stays as it was written; a field that is sent as null is taken out. */
const kept = <T>(sent: T | null | undefined, was: T | null | undefined): T | null =>
  sent === undefined ? (was ?? null) : sent

/**
 * Adds the next event of a hole's life. Missing evidence is a gate: refused with its reasons, unless a
 * fitter passes it with one of his own.
 */
/** Says of a fitting that its work closed this hole; of its own it says so by its life alone. */
async function closedIn(p: Penetration, state: LifeState, fittingId: string, transaction: Transaction) {
  if (state !== 'closed')
    throw new ApiError(400, 'invalid-input', 'Only a hole that is closed was closed in some work', 'closedBy')
  const f = await Fitting.findOne({ where: { id: fittingId, boatId: p.boatId }, transaction })
  if (!f) throw new ApiError(400, 'invalid-input', 'There is no such fitting on this boat', 'closedBy')
  const link = { fittingId, penetrationId: p.id }
  // What it made or stands in says more of it than that it closed it.
  if (!(await HoleLink.findOne({ where: link, transaction })))
    await HoleLink.create({ ...link, link: 'closes' }, { transaction })
}
export async function addEvent(who: Account, id: number, body: unknown) {
  const b = parseInput(eventBody, body)
  await Penetration.sequelize!.transaction(async (transaction) => {
    // A surveyor works on no hole, yet says of any that it is suspect.
    const act = b.state === 'suspect' && b.corrects == null ? 'measure' : 'work'
    const p = await lockedHole(who, id, transaction, act)
    if (p.withdrawnWhy) throw new ApiError(409, 'withdrawn', `This hole was withdrawn: ${p.withdrawnWhy}`)
    const events = await eventsOf(p.id, transaction)
    const wrong = b.corrects == null ? undefined : events.find((e) => e.seq === b.corrects)
    const next: NextEvent = {
      state: b.state,
      at: b.at ? new Date(b.at) : new Date(),
      note: b.note,
      evidence: b.evidence ?? wrong?.evidence ?? '',
      corrects: b.corrects ?? null,
      sizeMm: kept(b.sizeMm, wrong?.sizeMm),
      tempC: kept(b.tempC, wrong?.tempC),
      humidityPct: kept(b.humidityPct, wrong?.humidityPct),
      lot: await lotNamed(kept(b.lotId, wrong?.lotId), transaction),
    }
    const worth = b.state === 'drilled' ? await worthFor(p, transaction) : null
    const gates = weigh(p, events, next, await factsOf(events, transaction), worth)
    const reason = b.gateReason?.trim() ?? ''
    passOrRefuse(who, p.boatId, gates, reason)
    await write(who, p, (events.at(-1)?.seq ?? 0) + 1, next, gates, reason, transaction)
    if (b.closedBy) await closedIn(p, b.state, b.closedBy, transaction)
  })
  return hole(who, id)
}

/** The log of a fitting stands once in an export: with its bore, or with its first bolt where it has none. */
const tellsLog = (r: HoleRow, part: HoleRow[]) =>
  r.part === 'bore' ||
  (r.boltIndex === 0 && !part.some((o) => o.fittingId === r.fittingId && o.part === 'bore'))

interface EventFacts {
  seq: number
  state: string
  who: string
  note: string
  sizeMm: number | null
  tempC: number | null
  humidityPct: number | null
  lot: string | null
  evidence: string
  gatesPassed: string[]
  gateReason: string | null
  corrects: number | null
}
type EventRow = EventFacts & { penetrationId: number; at: Date }
export type ExportedHole = HoleRow & { log: LogLine[]; events: (EventFacts & { at: string })[] }
const HOLES_AT_ONCE = 120
/**
 * The whole register of a boat with every event, as it goes out: some holes at a time, so that no boat is
 * too large and nobody else waits.
 */
export async function* registerExport(boatId: string) {
  for (let number = 0; ;) {
    const part = await holesOf(boatId, { withdrawn: true, after: { number, most: HOLES_AT_ONCE } })
    if (!part.length) return
    number = part.at(-1)!.number
    const [events, logs] = await Promise.all([
      Penetration.sequelize!.query<EventRow>(
        `SELECT e.penetration_id AS "penetrationId", e.seq, e.state, e.happened_at AS at, e.who, e.note, e.size_mm AS "sizeMm", e.temp_c AS "tempC", e.humidity_pct AS "humidityPct", l.code AS lot, e.evidence, e.gates_passed AS "gatesPassed", e.gate_reason AS "gateReason", e.corrects
           FROM life_events e LEFT JOIN lots l ON l.id = e.lot_id WHERE e.penetration_id = ANY($1::int[]) ORDER BY e.penetration_id, e.seq`,
        { bind: [part.map((r) => r.id)], type: QueryTypes.SELECT },
      ),
      logsOfHoles(
        boatId,
        part.flatMap((r) => (r.fittingId ? [r.fittingId] : [])),
      ),
    ])
    const of = new Map<number, (EventFacts & { at: string })[]>(part.map((r) => [r.id, []]))
    for (const { penetrationId, at, ...e } of events)
      of.get(penetrationId)!.push({ ...e, at: at.toISOString() })
    const out: ExportedHole[] = part.map((r) => ({
      ...r,
      log: r.fittingId && tellsLog(r, part) ? (logs.get(r.fittingId) ?? []) : [],
      events: of.get(r.id)!,
    }))
    yield out
  }
}
/** The boat whose register goes out, for whoever may read it. */
export async function registerOf(who: Account, boatId: string) {
  must(who, 'read', boatId)
  const boat = await Boat.findByPk(boatId)
  if (!boat) throw notFound('boat')
  return { boat, parts: registerExport(boatId) }
}
