import { excessOf, type WetSpot } from '@north-tide/core'
import { Reading, Zone } from '../models'

/**
 * Moisture of each zone as excess over its dry reference; what was withdrawn does not count, and of two at
 * one spot the later does.
 */
export async function wetSpotsOf(boatId: string): Promise<Record<string, WetSpot[]>> {
  const [rows, zones] = await Promise.all([
    Reading.findAll({
      where: { boatId, kind: 'moisture', withdrawnWhy: null },
      order: [
        ['takenAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    Zone.findAll({ where: { boatId } }),
  ])
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
