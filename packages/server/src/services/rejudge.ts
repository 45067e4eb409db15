import { Op, QueryTypes } from 'sequelize'
import type { Logger } from 'pino'
import { kindNamed, kinds } from '@north-tide/core/kinds'
import { standsBack } from '../breath'
import type { Jobs } from '../jobs/queue'
import { Boat, Fitting } from '../models'
import { askRejudge, queueIs } from './asked'
import { boatById } from './boats'
import { membersFirst, roundOf, snapshotOf } from './snapshot'
import { solveDue } from './solve-due'
import { storeVerdicts, type Rejudged } from './store-verdicts'
import { judgeByHand } from './verdict'
import { logsOf } from './work-log'

/** The work behind asked.ts: boats judged anew, and the plate solver asked about what is due. */
const CHUNK = 40
/** an ask that nobody has been at for so long is handed on again */
const STILL_S = 3
const SWEEP_MS = 2_000
const MOST_TRIES = 20
const MOST_SWEPT = 200
/**
 * Two at a time, of whom one reads and writes while the solver is at what the other asked; few enough that
 * one who has just saved is not long behind a whole boat.
 */
const SOLVED = { most: 8, hands: 2 }
const db = () => Boat.sequelize!
/**
 * Boats whose hand verdicts are being made here, each with their end: what the solver would say before it is
 * void, and it takes from them what they are made with.
 */
const atHand = new Map<string, Promise<unknown>>()
let jobs: Jobs | null = null

/**
 * Every fitting of a boat, of whatever kind, by its hand checks: what one is depends on its neighbours.
 * `said` hears how far it is.
 */
async function judgeAll(
  boatId: string,
  said: (done: number, total: number, turned: number) => Promise<void>,
): Promise<{ total: number; turned: number; due: string[] }> {
  const s = await snapshotOf(await boatById(boatId))
  const round = roundOf(s)
  const fittings = membersFirst(s.fittings)
  const logs = await logsOf(fittings.map((f) => f.id))
  let turned = 0
  const due: string[] = []
  const othersTurn = standsBack()
  let written: Promise<void> = Promise.resolve()
  for (let i = 0; i < fittings.length; i += CHUNK) {
    const chunk = fittings.slice(i, i + CHUNK)
    const changed: Rejudged[] = []
    for (const f of chunk) {
      const around = round.of(f.id, logs.get(f.id)!)
      const v = judgeByHand(kindNamed(f.kind), s.designs.get(f.id)!, around, f.solver)
      await othersTurn()
      if (v.solverDue) due.push(f.id)
      if (
        v.verdict === f.verdict &&
        v.governing === f.governing &&
        v.solverDue === f.solverDue &&
        JSON.stringify(v.stale) === JSON.stringify(f.stale ?? null)
      )
        continue
      if (v.verdict !== f.verdict) {
        turned++
        f.verdict = v.verdict
        round.turned(f)
      }
      changed.push({ id: f.id, version: f.version, judging: v })
    }
    await written
    // Written while the next ones are judged.
    const so = turned
    written = storeVerdicts(changed).then(() => said(i + chunk.length, fittings.length, so))
    // Whether it went is asked above and below.
    written.catch(() => undefined)
  }
  await written
  return { total: fittings.length, turned, due }
}

const askTheSolver = async (ids: string[]) =>
  jobs?.sendAll(
    'solve',
    ids.map((id) => ({ data: { fittingId: id }, key: id })),
  )

/** All open asks of one boat, together; one that came while it was at it is taken in another round. */
async function judgeBoat(boatId: string): Promise<void> {
  for (;;) {
    const [open] = await db().query<{ last: number | null }>(
      'SELECT max(id)::int AS last FROM rejudge_jobs WHERE boat_id = $1 AND finished_at IS NULL',
      { bind: [boatId], type: QueryTypes.SELECT },
    )
    const last = open?.last ?? null
    if (last === null) return
    const say = (set: string, bind: unknown[]) =>
      db().query(
        `UPDATE rejudge_jobs SET beat_at = now(), ${set} WHERE boat_id = $1 AND id <= $2 AND finished_at IS NULL`,
        { bind: [boatId, last, ...bind] },
      )
    await say('tries = tries + 1', [])
    const judging = judgeAll(
      boatId,
      async (done, total, turned) =>
        void (await say('total = $3, done = $4, turned = $5', [total, done, turned])),
    ).finally(() => atHand.delete(boatId))
    atHand.set(
      boatId,
      judging.catch(() => undefined),
    )
    const all = await judging
    await say('total = $3, done = $3, turned = $4, finished_at = now()', [all.total, all.turned])
    await askTheSolver(all.due)
  }
}
/**
 * One process at a time is at a boat: the lock goes with its connection, so a process that is killed holds
 * nothing.
 */
async function judgeAlone(boatId: string): Promise<void> {
  await db().transaction(async (transaction) => {
    const [lock] = await db().query<{ got: boolean }>(
      "SELECT pg_try_advisory_xact_lock(hashtextextended('rejudge ' || $1, 0)) AS got",
      { bind: [boatId], type: QueryTypes.SELECT, transaction },
    )
    if (lock!.got) await judgeBoat(boatId)
  })
}

/**
 * A day nearer her launch a bead may be late that was in time, and a temporary repair may have ended: once a
 * day each boat that has a launch or a fitting whose verdict goes by the day.
 */
export async function newDay(): Promise<void> {
  const daily = kinds().flatMap((k) => (k.byCalendar ? [k.id] : []))
  const boats = await db().query<{ id: string }>(
    `SELECT b.id FROM boats b
      WHERE (b.launch_on >= current_date - 1
        OR EXISTS (SELECT 1 FROM fittings f WHERE f.boat_id = b.id AND f.kind = ANY($1::text[])))
      AND NOT EXISTS (SELECT 1 FROM rejudge_jobs j WHERE j.boat_id = b.id AND j.beat_at >= current_date)`,
    { bind: [daily], type: QueryTypes.SELECT },
  )
  for (const b of boats) await askRejudge(b.id, 'a new day')
}

const failed = new Map<string, number>()
/** What is open and nobody is at is put in the queue again. */
async function sweep(): Promise<void> {
  await newDay()
  const open = await db().query<{ boatId: string }>(
    `SELECT DISTINCT boat_id AS "boatId" FROM rejudge_jobs WHERE finished_at IS NULL AND tries < ${MOST_TRIES} AND beat_at < now() - interval '${STILL_S} seconds'`,
    { type: QueryTypes.SELECT },
  )
  for (const b of open) await jobs?.send('rejudge', { boatId: b.boatId }, b.boatId)
  const due = await Fitting.findAll({
    where: {
      solverDue: true,
      id: { [Op.notIn]: [...failed].filter(([, n]) => n >= MOST_TRIES).map(([id]) => id) },
    },
    attributes: ['id'],
    limit: MOST_SWEPT,
    order: [['id', 'ASC']],
  })
  await askTheSolver(due.map((f) => f.id))
}

/** Begins doing the work of the queue in this process; gives how to stop. */
export async function startRejudging(queue: Jobs, logger: Logger): Promise<() => Promise<void>> {
  jobs = queue
  queueIs(queue)
  failed.clear()
  await queue.work('rejudge', ({ boatId }) => judgeAlone(boatId))
  await queue.workTogether('solve', SOLVED, async (asked) => {
    const ids = asked.map((a) => a.fittingId)
    const without = await solveDue(ids, (boatId) => atHand.get(boatId))
    for (const id of ids)
      if (without.has(id)) failed.set(id, (failed.get(id) ?? 0) + 1)
      else failed.delete(id)
    for (const [fittingId, err] of without) logger.warn({ fittingId, err }, 'the plate solver gave no answer')
  })
  let sweeping: Promise<void> | null = null
  const again = () => {
    sweeping ??= sweep()
      .catch((error: unknown) => logger.warn(error, 'sweep'))
      .finally(() => (sweeping = null))
  }
  const timer = setInterval(again, SWEEP_MS)
  again()
  return async () => {
    clearInterval(timer)
    await sweeping
    if (jobs !== queue) return
    jobs = null
    queueIs(null)
  }
}

/** When nothing is left to be judged or solved; for tests and the demo. */
export async function settled(): Promise<void> {
  for (;;) {
    const [left] = await db().query<{ n: number }>(
      'SELECT ((SELECT count(*) FROM rejudge_jobs WHERE finished_at IS NULL) + (SELECT count(*) FROM fittings WHERE solver_due))::int AS n',
      { type: QueryTypes.SELECT },
    )
    if (!left!.n) return
    await new Promise((again) => setTimeout(again, 25))
  }
}
