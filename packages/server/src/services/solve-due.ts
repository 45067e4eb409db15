import { kindNamed } from '@north-tide/core/kinds'
import { standsBack } from '../breath'
import { Fitting } from '../models'
import { askSolver, type SolverAnswer } from '../solver/pool'
import { askRejudge } from './asked'
import { boatById } from './boats'
import { roundOf, snapshotOf, type Snapshot } from './snapshot'
import { storeVerdicts } from './store-verdicts'
import { judgeByHand, keyOf } from './verdict'
import { logsOf } from './work-log'

type Due = Snapshot['fittings'][number]
/** Of those that got no answer, why. */
type Without = Map<string, unknown>
/**
 * Those of a boat that are due, each by its hand checks as the boat is now. One that cannot be judged is in
 * nobody else's way.
 */
async function judged<T>(
  boatId: string,
  ids: string[],
  without: Without,
  kept: (f: Due) => SolverAnswer | null,
  then: (f: Due, v: ReturnType<typeof judgeByHand>) => T,
): Promise<T[]> {
  const s = await snapshotOf(await boatById(boatId))
  const round = roundOf(s)
  const logs = await logsOf(ids)
  const out: T[] = []
  const othersTurn = standsBack()
  for (const id of ids) {
    const f = s.fittings.find((one) => one.id === id)
    if (!f?.solverDue) continue
    try {
      const around = round.of(id, logs.get(id)!)
      out.push(then(f, judgeByHand(kindNamed(f.kind), s.designs.get(id)!, around, kept(f))))
    } catch (error) {
      without.set(id, error)
    }
    await othersTurn()
  }
  return out
}

async function solveOf(boatId: string, ids: string[], without: Without): Promise<void> {
  const answers = new Map<string, SolverAnswer | null>()
  const asked = await judged(
    boatId,
    ids,
    without,
    (f) => f.solver ?? null,
    async ({ id }, v) => {
      if (!v.ask) return void answers.set(id, v.solver)
      // A solver that fell over: the verdict stays by hand checks, due, and is asked for again.
      await askSolver(v.ask, keyOf(v.ask.question)).then(
        (answer) => void answers.set(id, answer),
        (error: unknown) => void without.set(id, error),
      )
    },
  )
  await Promise.all(asked)
  // The deck may have been measured again while the solver was at it: its answer counts only if the
  // question still stands.
  const rows = await judged(
    boatId,
    [...answers.keys()],
    without,
    (f) => answers.get(f.id)!,
    (f, judging) => ({ ...f, judging, turned: judging.verdict !== f.verdict }),
  )
  await Fitting.sequelize!.transaction(async (transaction) => {
    const kept = await storeVerdicts(rows, transaction)
    const turned = rows.filter((r) => r.turned && kept.has(r.id))
    if (!turned.length) return
    await Fitting.sequelize!.query(
      'UPDATE rejudge_jobs SET turned = turned + $2 WHERE id = (SELECT max(id) FROM rejudge_jobs WHERE boat_id = $1)',
      { bind: [boatId, turned.length], transaction },
    )
    // A row is as good as it is: no moment in which one is told and the other is not asked.
    const ofRows = turned.filter((r) => r.groupId).map((r) => r.name)
    if (ofRows.length) await askRejudge(boatId, `${ofRows.join(', ')} turned`, transaction)
  })
}

/**
 * The plate solver asked about fittings that are due, of one boat together. `atHand` gives the end of what a
 * boat is being judged by hand for: hers come last, when it is there. Gives those it had no answer for, and
 * why.
 */
export async function solveDue(
  ids: string[],
  atHand: (boatId: string) => Promise<unknown> | undefined,
): Promise<Without> {
  const due = await Fitting.findAll({
    where: { id: ids, solverDue: true },
    attributes: ['id', 'boatId'],
    order: [['id', 'ASC']],
  })
  const without: Without = new Map()
  const boats = [...new Set(due.map((f) => f.boatId))]
  const of = (boatId: string) => due.flatMap((f) => (f.boatId === boatId ? [f.id] : []))
  const later = boats.filter((b) => atHand(b))
  for (const b of boats) if (!later.includes(b)) await solveOf(b, of(b), without)
  for (const b of later) {
    await atHand(b)
    await solveOf(b, of(b), without)
  }
  return without
}
