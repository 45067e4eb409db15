import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { ApiError } from '../errors'
import { Boat } from '../models'
import { must, type Account } from './access'
import { boatFor, summary } from './boats'

/** A boat that left the yard is put away: read as ever, written in no more, taken out if she returns. */
const putting = z.discriminatedUnion('archived', [
  z.strictObject({
    archived: z.literal(true),
    why: z.string().trim().min(1, 'Say why she is put away').max(300),
  }),
  z.strictObject({ archived: z.literal(false) }),
])
export async function putAway(who: Account, id: string, body: unknown) {
  must(who, 'remove-boat')
  const p = parseInput(putting, body)
  return Boat.sequelize!.transaction(async (transaction) => {
    const boat = await boatFor(id, transaction)
    if (Boolean(boat.archivedAt) === p.archived)
      throw new ApiError(409, 'already', p.archived ? 'She is put away already' : 'She is not put away')
    await boat.update(
      p.archived
        ? { archivedAt: new Date(), archivedBy: who.name, archivedWhy: p.why }
        : { archivedAt: null, archivedBy: null, archivedWhy: null },
      { transaction },
    )
    return summary(boat)
  })
}
