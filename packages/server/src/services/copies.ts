import { z } from 'zod'
import { parseInput, type AnyDesign, type Kind } from '@north-tide/core'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import { ApiError } from '../errors'
import type { Fitting } from '../models'
import { must, type Account } from './access'
import { boatById, refuseOffBoat, stationsOf } from './boats'
import { create, inOne, withSlow } from './fittings'
import { findFitting, shown } from './opened'
import { snapshotOf } from './snapshot'

const copying = z.strictObject({
  name: z.string().trim().min(1).max(120).optional(),
  mirror: z.boolean().default(false),
  xMm: z.number().min(-1e5).max(1e6).optional(),
  yMm: z.number().min(-1e5).max(1e5).optional(),
  /** a sister boat, where it goes to the same place unless another is given */
  boat: z.string().max(80).optional(),
})
const sidesTurned = (n: string, yMm: number) =>
  /\bport\b/i.test(n)
    ? n.replace(/\bport\b/i, 'starboard')
    : /\bstarboard\b/i.test(n)
      ? n.replace(/\bstarboard\b/i, 'port')
      : `${n}, ${yMm > 0 ? 'port' : 'starboard'}`
/** The same work on a sister boat: judged on what was measured there; holes, ticks and readings stay here. */
async function toSister(
  who: Account,
  f: Fitting,
  kind: Kind,
  d: AnyDesign,
  c: z.output<typeof copying> & { boat: string },
) {
  must(who, 'work', c.boat)
  if (c.boat === f.boatId)
    throw new ApiError(
      400,
      'invalid-input',
      'It stands on that boat already; give a place, or mirror it',
      'boat',
    )
  const s = await snapshotOf(await boatById(c.boat))
  const [at, own] = [c.mirror ? -d.place.yMm : d.place.yMm, d.place.xMm]
  const to = { xMm: c.xMm ?? own, yMm: c.yMm ?? at }
  refuseOffBoat(await stationsOf(c.boat), to, '')
  const name = c.name ?? d.name
  return inOne((transaction) =>
    create(who, s, kind, kind.copy!(d, { mirror: false, ...to, name }, s.zones), {}, transaction),
  )
}
/** The same fitting on the other side, or at another place: judged on the boat that is there. */
export async function copyFitting(who: Account, id: string, body: unknown) {
  const f = await findFitting(id)
  must(who, 'work', f.boatId)
  const c = parseInput(copying, body)
  const kind = kindNamed(f.kind)
  if (!kind.copy)
    throw new ApiError(409, 'no-copy', `${kind.title} cannot be copied: each stands in a place of its own`)
  const d = parseOf(kind, f.design)
  if (c.boat !== undefined)
    return shown(await withSlow(await toSister(who, f, kind, d, { ...c, boat: c.boat })))
  if (!c.mirror && (c.xMm === undefined || c.yMm === undefined))
    throw new ApiError(
      400,
      'invalid-input',
      'Give a place, or mirror it',
      c.xMm === undefined ? 'xMm' : 'yMm',
    )
  if (c.mirror && d.place.yMm === 0)
    throw new ApiError(400, 'invalid-input', 'It stands on the centreline; there is no other side', 'mirror')
  const s = await snapshotOf(await boatById(f.boatId))
  const usual = c.mirror ? sidesTurned(d.name, d.place.yMm) : `${d.name}, copy`
  const design = kind.copy(
    d,
    { mirror: c.mirror, xMm: c.xMm ?? 0, yMm: c.yMm ?? 0, name: c.name ?? usual.slice(0, 120) },
    s.zones,
  )
  return shown(await withSlow(await inOne((transaction) => create(who, s, kind, design, {}, transaction))))
}
