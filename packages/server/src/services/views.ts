import { z } from 'zod'
import { Op } from 'sequelize'
import { parseInput } from '@north-tide/core'
import { ApiError, notFound } from '../errors'
import { SavedView, User } from '../models'
import type { Account } from './access'

/**
 * Views of a table that somebody gave a name: what is looked for, the groups, the order. Each has his own;
 * one that is shared is seen by everybody of the yard and let go by whoever made it.
 */
const keeping = z.strictObject({
  place: z.enum(['register']),
  name: z.string().trim().min(1, 'Give it a name').max(80),
  /** as it stands in the address */
  query: z
    .record(z.string().min(1).max(40), z.string().max(200))
    .refine((q) => Object.keys(q).length <= 12, { message: 'Up to 12 things make a view' }),
  shared: z.boolean().default(false),
})
const asked = z.strictObject({ place: z.enum(['register']) })
const MOST = 60
export interface ShownView {
  id: number
  name: string
  query: Record<string, string>
  shared: boolean
  mine: boolean
  by: string
}
export async function listViews(who: Account, query: unknown): Promise<ShownView[]> {
  const { place } = parseInput(asked, query)
  const rows = await SavedView.findAll({
    where: { place, [Op.or]: [{ userId: who.id }, { shared: true }] },
    order: [
      ['name', 'ASC'],
      ['id', 'ASC'],
    ],
  })
  const people = await User.findAll({ where: { id: rows.map((r) => r.userId) }, attributes: ['id', 'name'] })
  const names = new Map(people.map((u) => [u.id, u.name]))
  return rows.map((v) => ({
    id: v.id!,
    name: v.name,
    query: v.query,
    shared: v.shared!,
    mine: v.userId === who.id,
    by: names.get(v.userId) ?? '',
  }))
}
/** One of the same name of the same person is that one, kept anew. */
export async function keepView(who: Account, body: unknown): Promise<ShownView[]> {
  const v = parseInput(keeping, body)
  const own = { userId: who.id, place: v.place }
  const count = await SavedView.count({ where: { ...own, name: { [Op.ne]: v.name } } })
  if (count >= MOST)
    throw new ApiError(409, 'full', `Up to ${MOST} views are kept for each; let one go first`, 'name')
  await SavedView.bulkCreate([{ ...own, ...v }], {
    updateOnDuplicate: ['query', 'shared'],
    conflictAttributes: ['userId', 'place', 'name'],
  })
  return listViews(who, { place: v.place })
}
export async function dropView(who: Account, id: number): Promise<ShownView[]> {
  const v = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await SavedView.findByPk(id) : null
  // That of another is none of his.
  if (v?.userId !== who.id) throw notFound('view')
  await v.destroy()
  return listViews(who, { place: v.place })
}
