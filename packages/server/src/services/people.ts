import { z } from 'zod'
import { parseInput, NAMED_ROLES, roleOn } from '@north-tide/core'
import { notFound } from '../errors'
import { Boat, BoatRole, User } from '../models'
import { boatById } from './boats'
import { must, withRoles, type Account } from './access'

/**
 * Everybody with what he is on this boat; `here` is a role for this boat alone, null where the yard's
 * holds.
 */
export async function peopleOf(who: Account, boatId: string) {
  must(who, 'give-roles', boatId)
  await boatById(boatId)
  const named = new Map((await BoatRole.findAll({ where: { boatId } })).map((r) => [r.userId, r]))
  const people = (await withRoles()).filter((p) => p.role !== 'reader')
  return people.map((p) => ({
    login: p.login,
    name: p.name,
    role: p.role,
    here: p.boats[boatId] ?? null,
    counts: roleOn(p, boatId),
    /** the last day of the role here, also of one that is over */
    until: named.get(p.id)?.until ?? null,
  }))
}

const body = z.strictObject({
  role: z.enum(NAMED_ROLES).nullable(),
  /** the last day on which he is that on this boat; null: for good */
  until: z.iso.date().nullable().default(null),
})
/** Names somebody for a boat, or takes that back. */
export async function giveRole(who: Account, boatId: string, login: string, raw: unknown) {
  must(who, 'give-roles', boatId)
  const { role, until } = parseInput(body, raw)
  await Boat.sequelize!.transaction(async (transaction) => {
    await boatById(boatId, transaction)
    const user = await User.findOne({ where: { login }, transaction })
    if (!user || user.role === 'reader') throw notFound('account')
    const of = { boatId, userId: user.id }
    if (role === null) await BoatRole.destroy({ where: of, transaction })
    else await BoatRole.upsert({ ...of, role, until }, { transaction })
  })
  return peopleOf(who, boatId)
}
