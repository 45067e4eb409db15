import dayjs from 'dayjs'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { ApiError } from '../errors'
import { Launch } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { moment } from './saving'

/**
 * When she went into the water: from then on what is new below the waterline is looked at, at once and up to
 * a week after. What kept her ashore when somebody launched her all the same stays with it, and why he did.
 */
export interface ShownLaunch {
  at: string
  who: string
  /** what stood on record against it then, in words */
  against: string[]
  reason: string
}
const shown = (l: Launch): ShownLaunch => ({
  at: l.at.toISOString(),
  who: l.who,
  against: l.against,
  reason: l.reason!,
})
export const launchesOf = async (boatId: string): Promise<ShownLaunch[]> =>
  (await Launch.findAll({ where: { boatId }, order: [['at', 'DESC']], limit: 20 })).map(shown)

const body = z.strictObject({
  at: moment.optional(),
  reason: z.string().trim().max(500).default(''),
})
const GRACE_MS = 60_000
export async function launched(who: Account, boatId: string, raw: unknown, against: string[]) {
  must(who, 'work', boatId)
  await boatById(boatId)
  const { at, reason } = parseInput(body, raw)
  const when = at ? new Date(at) : new Date()
  if (when.getTime() > Date.now() + GRACE_MS)
    throw new ApiError(400, 'invalid', 'What has not happened yet is wanted, and stands with the boat', 'at')
  if (against.length && !reason)
    throw new ApiError(
      409,
      'not-launchable',
      `${against.length} ${against.length === 1 ? 'thing keeps' : 'things keep'} her ashore: say why she floats all the same`,
      'reason',
    )
  await Launch.create({ boatId, at: when, who: who.name, against, reason })
}
const LOOKED_AFTER_DAYS = 14
/**
 * The launch that looks are counted from, to the minute: the one that was, while it is looked after, else the
 * one that is wanted, at noon of its day.
 */
export async function launchCounted(boat: { id: string; launchOn?: string | null }): Promise<string | null> {
  const last = await Launch.findOne({ where: { boatId: boat.id }, order: [['at', 'DESC']] })
  const wanted = boat.launchOn ? `${boat.launchOn}T12:00` : null
  if (!last) return wanted
  const at = dayjs(last.at)
  const young = dayjs().diff(at, 'day') <= LOOKED_AFTER_DAYS
  const earlier = wanted === null || wanted.slice(0, 10) <= at.format('YYYY-MM-DD')
  return young || earlier ? at.format('YYYY-MM-DDTHH:mm') : wanted
}
