import type { Transaction } from 'sequelize'
import type { BoatPart } from '@north-tide/core'
import { StructurePart } from '../models'

/** What carries her and what runs in her: beams, frames, pipes and wires. */
export async function partsOfBoat(
  boatId: string,
  transaction: Transaction | null = null,
): Promise<BoatPart[]> {
  const parts = await StructurePart.findAll({ where: { boatId }, order: [['id', 'ASC']], transaction })
  return parts.map((p) => ({
    id: p.id,
    kind: p.kind,
    title: p.title,
    x0Mm: p.x0Mm,
    y0Mm: p.y0Mm,
    x1Mm: p.x1Mm,
    y1Mm: p.y1Mm,
    belowMm: p.belowMm,
    depthMm: p.depthMm,
    widthMm: p.widthMm,
    version: p.version,
  }))
}
