import type { Transaction } from 'sequelize'
import { excessOf, type BoatZone, type WetSpot } from '@north-tide/core'
import { Reading } from '../models'

/**
 * Moisture of each zone as excess over its dry reference; what was withdrawn does not count, and of two at
 * one spot the later does.
 */
export async function wetSpotsOf(
  boatId: string,
  zones: Pick<BoatZone, 'id' | 'code'>[],
  transaction: Transaction | null = null,
): Promise<Record<string, WetSpot[]>> {
  const rows = await Reading.findAll({
    where: { boatId, kind: 'moisture', withdrawnWhy: null },
    order: [
      ['takenAt', 'ASC'],
      ['id', 'ASC'],
    ],
    transaction,
  })
  const out: Record<string, WetSpot[]> = {}
  for (const q of zones) {
    const at = new Map<string, WetSpot>()
    for (const r of rows)
      if (r.zoneId === q.id)
        at.set(`${Math.round(r.xMm)}:${Math.round(r.yMm)}`, {
          xMm: r.xMm,
          yMm: r.yMm,
          excess: excessOf(r.value!, r.dryReference!, r.scaleMost!),
        })
    if (at.size) out[q.code] = [...at.values()]
  }
  return out
}
