import { QueryTypes, type Transaction } from 'sequelize'
import type { AnyDesign, LogData, LogKind, NewLine } from '@north-tide/core'
import { notFound } from '../errors'
import { Fitting, WorkLog } from '../models'
import { must, type Account } from './access'
import { askRejudge } from './asked'
import { openFirst, readOpened, type Opened } from './opened'
import { isUuid } from './saving'
import { judgeByHand, stored } from './verdict'

/** What happens to a fitting: read once under a lock, written all of it or nothing, answered with it all. */
export interface Act extends Opened<Fitting> {
  who: Account
  transaction: Transaction
}
/** One act at a time on a boat: the fitting and its boat are locked, then read once. */
export async function inAct<T>(who: Account, id: string, run: (a: Act) => Promise<T>): Promise<T> {
  return Fitting.sequelize!.transaction(async (transaction) => {
    const [there] = isUuid(id)
      ? await Fitting.sequelize!.query<{ boatId: string }>(
          'SELECT f.boat_id AS "boatId" FROM fittings f JOIN boats b ON b.id = f.boat_id WHERE f.id = $1 FOR NO KEY UPDATE OF f, b',
          { bind: [id], type: QueryTypes.SELECT, transaction },
        )
      : []
    if (!there) throw notFound('fitting')
    must(who, 'work', there.boatId)
    return run({ who, transaction, ...(await openFirst(id, transaction)) })
  })
}

const asLine = (a: Act, l: NewLine, at: Date) => ({
  fittingId: a.f.id,
  kind: l.kind,
  step: l.step ?? '',
  value: l.value,
  lotId: l.lotId ?? null,
  tempC: l.tempC ?? null,
  humidityPct: l.humidityPct ?? null,
  sizeMm: l.sizeMm ?? null,
  note: l.note,
  undoes: l.undoes ?? false,
  data: l.data ?? null,
  who: a.who.name,
  at,
})
/** Writes the log, the design if it has changed, and the verdict that follows; answers with all of it. */
export async function write(
  a: Act,
  lines: NewLine[],
  at: Date,
  design: AnyDesign,
  why: string,
  lotCode: string | null = null,
) {
  await WorkLog.bulkCreate(
    lines.map((l) => asLine(a, l, at)),
    { transaction: a.transaction },
  )
  const log = [
    ...a.log,
    ...lines.map((l) => ({ ...l, lot: l.lotId ? lotCode : null, who: a.who.name, at: at.toISOString() })),
  ]
  const around = { ...a.around, log }
  const { ask: _ask, ...v } = judgeByHand(a.kind, design, around, a.f.solver)
  const changed = design !== a.design
  await a.f.update(
    {
      ...(changed ? { design, version: a.f.version + 1, updatedAt: new Date(), updatedBy: a.who.name } : {}),
      ...stored(v),
    },
    { transaction: a.transaction },
  )
  await askRejudge(a.f.boatId, why, a.transaction)
  // Judged as it was given, unless the survey has changed what it stands on since.
  const judged = v.design === design ? v.judgement : null
  return readOpened({ ...a, log, design, around }, a.transaction, judged)
}
export const line = (kind: LogKind, note: string, data: LogData | null = null, undoes = false): NewLine => ({
  kind,
  value: null,
  note,
  data,
  undoes,
})
