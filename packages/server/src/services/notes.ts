import { z } from 'zod'
import { CalcError, mayDo, parseInput } from '@north-tide/core'
import { ApiError, forbidden, notFound } from '../errors'
import { Fitting, Note } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { isUuid } from './saving'

/** What one fitter hands over to the next, and what an owner is asked to approve: records, never changed. */
export interface ShownNote {
  id: number
  kind: 'hand-over' | 'approval'
  body: string
  fitting: { id: string; name: string; kind: string } | null
  madeBy: string
  madeAt: string
  answer: 'read' | 'yes' | 'no' | null
  answerNote: string
  answeredBy: string | null
  answeredAt: string | null
}
const shown = (n: Note, f: Fitting | null | undefined): ShownNote => ({
  id: n.id!,
  kind: n.kind,
  body: n.body,
  fitting: f ? { id: f.id!, name: f.name, kind: f.kind } : null,
  madeBy: n.madeBy,
  madeAt: n.madeAt!.toISOString(),
  answer: n.answer ?? null,
  answerNote: n.answerNote!,
  answeredBy: n.answeredBy ?? null,
  answeredAt: n.answeredAt?.toISOString() ?? null,
})
/** An owner and a surveyor see what is asked of an owner; what fitters hand one another is the yard’s. */
export async function listNotes(who: Account, boatId: string): Promise<ShownNote[]> {
  must(who, 'read', boatId)
  await boatById(boatId)
  const ofYard = mayDo(who, 'work', boatId)
  const where = { boatId, ...(ofYard ? {} : { kind: 'approval' as const }) }
  const rows = await Note.findAll({ where, order: [['id', 'DESC']], limit: 300 })
  const ids = [...new Set(rows.flatMap((r) => r.fittingId ?? []))]
  const fittings = new Map((await Fitting.findAll({ where: { id: ids } })).map((f) => [f.id, f]))
  return rows.map((r) => shown(r, fittings.get(r.fittingId!)))
}
const writing = z.strictObject({
  kind: z.enum(['hand-over', 'approval']),
  body: z.string().trim().min(1, 'Say what it is').max(2000),
  fittingId: z.string().nullish(),
})
export async function writeNote(who: Account, boatId: string, body: unknown): Promise<ShownNote> {
  must(who, 'work', boatId)
  const n = parseInput(writing, body)
  await boatById(boatId)
  const f =
    n.fittingId && isUuid(n.fittingId) ? await Fitting.findOne({ where: { id: n.fittingId, boatId } }) : null
  if (n.fittingId && !f)
    throw new CalcError('invalid-input', 'fittingId', 'There is no such fitting in this boat')
  const row = await Note.create({
    boatId,
    kind: n.kind,
    body: n.body,
    fittingId: f?.id ?? null,
    madeBy: who.name,
  })
  return shown(row, f)
}
const answering = z.strictObject({
  answer: z.enum(['read', 'yes', 'no']),
  note: z.string().trim().max(500).default(''),
})
/** A note is read by another of the yard; a decision is answered by the owner, or by the manager for him. */
export async function answerNote(who: Account, id: number, body: unknown): Promise<ShownNote> {
  const a = parseInput(answering, body)
  return Note.sequelize!.transaction(async (transaction) => {
    const n =
      Number.isInteger(id) && id > 0 && id < 2 ** 31
        ? await Note.findByPk(id, { transaction, lock: transaction.LOCK.UPDATE })
        : null
    if (!n) throw notFound('note')
    must(who, n.kind === 'approval' ? 'read' : 'work', n.boatId)
    const owns = who.boats[n.boatId] === 'owner' || mayDo(who, 'people')
    if (n.kind === 'approval' && !owns)
      throw forbidden('What an owner is asked is answered by the owner, or by the manager in his name')
    const may = n.kind === 'approval' ? ['yes', 'no'] : ['read']
    if (!may.includes(a.answer))
      throw new CalcError(
        'invalid-input',
        'answer',
        `"${a.answer}" was given; ${may.join(' or ')} is accepted`,
      )
    if (n.answer) throw new ApiError(409, 'answered', `${n.answeredBy} answered it already`, 'answer')
    if (a.answer === 'no' && !a.note)
      throw new CalcError('missing', 'note', 'Say why not: the fitter has to know what else is wanted')
    await n.update(
      { answer: a.answer, answerNote: a.note, answeredBy: who.name, answeredAt: new Date() },
      { transaction },
    )
    return shown(n, n.fittingId ? await Fitting.findByPk(n.fittingId, { transaction }) : null)
  })
}
