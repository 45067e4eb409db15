import { createHash } from 'node:crypto'
import dayjs from 'dayjs'
import { z } from 'zod'
import {
  CalcError,
  buyingOf,
  fastenerQuestion,
  orderDraft,
  parseInput,
  type FastenerAnswer,
  type OrderDraft,
  type OrderJob,
  type SealantOnHand,
} from '@north-tide/core'
import { runNamed } from '@north-tide/core/registry'
import { Lot } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { openWork, type OpenJob } from './open-work'
import { isUuid } from './saving'
import { pricesOfYard } from './settings'
import { offerRows, shelfRows } from './shelf'

/** The whole order put together and looked through once more, before anything of it is marked ordered. */
export const whichWork = {
  boats: z.array(z.string().min(1).max(80)).min(1).max(20),
  /** left out: all of them that nothing is ordered for */
  fittings: z.array(z.string()).min(1).max(500).optional(),
  /** lines that are left out: made in the yard, or here though nobody counted them */
  without: z.array(z.string().max(200)).max(500).default([]),
}
const asked = z.strictObject(whichWork)
type Which = z.output<typeof asked>
export const orderJob = (j: OpenJob): OrderJob => ({
  fittingId: j.fittingId,
  kind: j.kind,
  name: j.name,
  boatId: j.boatId,
  boat: j.boat,
  buying: buyingOf(j.work, j.steps),
  parts: j.parts,
  needs: j.needs,
  stops: j.stops,
})
const ML_IN_TUBE = /(\d+)\s*ml/i
/** Resin and hardener together, about: a kilogram is 0.9 litres. */
const EPOXY_ML_PER_KG = 900
function mlOf(l: Lot): number | null {
  const size = ML_IN_TUBE.exec(l.title)
  if (l.kind === 'sealant') return size ? l.quantity! * Number(size[1]) : null
  if (/^kg/i.test(l.unit!)) return l.quantity! * EPOXY_ML_PER_KG
  return size ? l.quantity! * Number(size[1]) : null
}
/** Sealant and epoxy that may be used without a doubt: within date, stored cool, not recalled, or tested. */
async function goodsHere(): Promise<SealantOnHand[]> {
  const today = dayjs().format('YYYY-MM-DD')
  return (await Lot.findAll()).flatMap((l) => {
    const ml = l.quantity ? mlOf(l) : null
    const doubtful = l.expiresOn < today || l.storedHot
    if (ml === null || l.recalledOn || (doubtful && !l.testedOn)) return []
    return [{ chemistry: l.kind === 'epoxy' ? 'epoxy' : l.chemistry, ml }]
  })
}
export interface Checked {
  draft: OrderDraft
  jobs: Map<string, OpenJob>
  /** of the draft as it was seen: an order is placed only as it was looked at */
  seen: string
  left: { id: string; name: string; why: string }[]
}
export async function checkOrder({ boats, fittings, without }: Which): Promise<Checked> {
  const works = await Promise.all(boats.map((b) => openWork(b, fittings)))
  const open = works.flatMap((w) => w.jobs).filter((j) => buyingOf(j.work, j.steps) === 'to-buy')
  const jobs = open.map(orderJob)
  const [shelf, offers, lots] = await Promise.all([shelfRows(), offerRows(), goodsHere()])
  const question = fastenerQuestion(jobs, shelf, offers)
  const out = question && (runNamed('fastener-order', question) as FastenerAnswer)
  const draft = orderDraft(jobs, shelf, offers, lots, out, without)
  return {
    draft,
    jobs: new Map(open.map((j) => [j.fittingId, j])),
    seen: createHash('sha256').update(JSON.stringify(draft)).digest('hex').slice(0, 16),
    left: works.flatMap((w) => w.unjudged.map((u) => ({ id: u.fittingId, name: u.fitting, why: u.why }))),
  }
}
/** Boats that somebody may order for, and fittings that are some. */
export async function mayOrder(who: Account, boats: string[], fittings?: string[]) {
  must(who, 'stores')
  for (const b of boats) {
    must(who, 'work', b)
    await boatById(b)
  }
  const odd = fittings?.findIndex((f) => !isUuid(f)) ?? -1
  if (odd >= 0) throw new CalcError('invalid-input', `fittings.${odd}`, 'That is no number of a fitting')
}
export async function askOrder(who: Account, body: unknown) {
  const which = parseInput(asked, body)
  await mayOrder(who, which.boats, which.fittings)
  const [{ draft, seen, left }, { currency }] = await Promise.all([checkOrder(which), pricesOfYard()])
  return { draft, seen, left, currency }
}
