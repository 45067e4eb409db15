import dayjs from 'dayjs'
import { Op } from 'sequelize'
import { z } from 'zod'
import { CalcError, HELD_BY, HELD_FROM, mayDo, parseInput, type YardHold } from '@north-tide/core'
import { notFound } from '../errors'
import { Fitting, Hold, Zone } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { isUuid, MOST_VERSION, stale } from './saving'

/** What holds work up: a part that is late, paint, another trade, a decision. Written down, ended, kept. */
const day = z.iso.date({ error: 'a date as 2027-05-31 is accepted' })
const words = (most: number) => z.string().trim().max(most)
const said = {
  by: z.enum(HELD_BY).exclude(['cure']),
  what: words(200).min(1),
  from: z.enum(HELD_FROM).default('start'),
  until: day.nullable().default(null),
  meanwhile: words(300).default(''),
}
const adding = z.strictObject({
  fittingId: z.string().nullable().default(null),
  zones: z.array(words(80).min(1)).min(1).max(60).nullable().default(null),
  since: day.optional(),
  ...said,
})
const changing = z.strictObject({
  version: z.number().int().positive().max(MOST_VERSION),
  what: said.what.optional(),
  until: day.nullable().optional(),
  meanwhile: words(300).optional(),
  /** it is over: the part came, the paint is hard, it was decided */
  ended: z.boolean().optional(),
})
export const shownHold = (h: Hold) => ({
  id: h.id,
  boatId: h.boatId,
  fittingId: h.fittingId,
  zones: h.zones,
  by: h.by,
  what: h.what,
  from: h.from,
  since: h.since,
  until: h.until,
  meanwhile: h.meanwhile,
  madeBy: h.madeBy,
  endedAt: h.endedAt?.toISOString() ?? null,
  endedBy: h.endedBy ?? null,
  version: h.version,
})
export type ShownHold = ReturnType<typeof shownHold>

const SHOWN_AFTER_DAYS = 30
/** Those that stand, and those that ended not long ago. */
export async function listHolds(who: Account, boatId?: string): Promise<ShownHold[]> {
  if (boatId !== undefined) must(who, 'read', boatId)
  const rows = await Hold.findAll({
    where: {
      ...(boatId === undefined ? {} : { boatId }),
      [Op.or]: [
        { endedAt: null },
        { endedAt: { [Op.gt]: dayjs().subtract(SHOWN_AFTER_DAYS, 'day').toDate() } },
      ],
    },
    order: [
      ['since', 'ASC'],
      ['id', 'ASC'],
    ],
  })
  return rows.filter((h) => mayDo(who, 'read', h.boatId)).map(shownHold)
}
/** What the plan of some boats is held by. */
export async function openHolds(boats: string[]): Promise<YardHold[]> {
  const rows = await Hold.findAll({ where: { boatId: boats, endedAt: null }, order: [['id', 'ASC']] })
  return rows.map((h) => ({
    id: h.id!,
    boatId: h.boatId,
    fittingId: h.fittingId,
    zones: h.zones,
    by: h.by,
    what: h.what,
    from: h.from,
    since: h.since,
    until: h.until,
  }))
}
export async function addHold(who: Account, boatId: string, body: unknown) {
  must(who, 'work', boatId)
  await boatById(boatId)
  const h = parseInput(adding, body)
  const since = h.since ?? dayjs().format('YYYY-MM-DD')
  if (h.until !== null && h.until < since)
    throw new CalcError('range', 'until', 'It ends before it begins; a later day is accepted')
  if (h.fittingId !== null && h.zones !== null)
    throw new CalcError('invalid-input', 'zones', 'One of a fitting and of zones is accepted, not both')
  if (h.fittingId !== null) {
    const f = isUuid(h.fittingId) ? await Fitting.findByPk(h.fittingId) : null
    if (!f || f.boatId !== boatId)
      throw new CalcError('invalid-input', 'fittingId', 'That is no fitting of this boat')
  }
  const known = h.zones && (await Zone.count({ where: { boatId, code: [...new Set(h.zones)] } }))
  if (h.zones && known !== new Set(h.zones).size)
    throw new CalcError('invalid-input', 'zones', 'One of them is no zone of this boat')
  return shownHold(await Hold.create({ ...h, boatId, since, madeBy: who.name }))
}
export async function changeHold(who: Account, id: number, body: unknown) {
  const h = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Hold.findByPk(id) : null
  if (!h) throw notFound('hold')
  must(who, 'work', h.boatId)
  const { version, ended, ...c } = parseInput(changing, body)
  const until = c.until === undefined ? h.until : c.until
  if (until !== null && until < h.since)
    throw new CalcError('range', 'until', 'It ends before it began; a later day is accepted')
  const over =
    ended === undefined
      ? {}
      : ended
        ? { endedAt: new Date(), endedBy: who.name }
        : { endedAt: null, endedBy: null }
  const told = Object.fromEntries(Object.entries(c).filter(([, v]) => v !== undefined))
  const [n] = await Hold.update(
    { ...told, ...over, version: version + 1, changedAt: new Date() },
    { where: { id, version } },
  )
  await h.reload()
  if (!n) throw stale('that hold', { version: h.version! }, version, shownHold(h))
  return shownHold(h)
}
