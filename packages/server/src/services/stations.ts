import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { Boat, Station } from '../models'
import { must, type Account } from './access'
import { boatFor, stationsOf } from './boats'

/** A boat's outline by stations along her length: half breadth, sheer and keel. */
const mm = () => z.number().min(-1e6).max(1e6)
const station = z.strictObject({
  xMm: mm(),
  halfBreadthMm: z.number().min(0).max(1e5),
  sheerMm: mm(),
  keelMm: mm(),
})
export const stationsSchema = z
  .array(station)
  .min(2)
  .max(200)
  .superRefine((rows, ctx) => {
    rows.forEach((r, i) => {
      if (r.keelMm >= r.sheerMm)
        ctx.addIssue({
          code: 'custom',
          path: [i, 'keelMm'],
          message: `${r.keelMm} was given; the keel lies below the sheer of ${r.sheerMm} mm`,
        })
      if (i && r.xMm <= rows[i - 1]!.xMm)
        ctx.addIssue({
          code: 'custom',
          path: [i, 'xMm'],
          message: `${r.xMm} was given; stations run aft, each past ${rows[i - 1]!.xMm} mm`,
        })
    })
  })
export async function saveStations(who: Account, id: string, raw: unknown) {
  must(who, 'boat-book')
  const rows = parseInput(z.strictObject({ stations: stationsSchema }), raw).stations
  await Boat.sequelize!.transaction(async (transaction) => {
    await boatFor(id, transaction)
    await Station.destroy({ where: { boatId: id }, transaction })
    await Station.bulkCreate(
      rows.map((s) => ({ ...s, boatId: id })),
      { transaction },
    )
  })
  return stationsOf(id)
}
