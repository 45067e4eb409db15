import { UniqueConstraintError } from 'sequelize'
import { z } from 'zod'
import { parseInput } from '@north-tide/core'
import { floodPlanSchema, parseFloodPlan, type FloodPlan } from '@north-tide/core/through-hull'
import { FloodPlanRow } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { MOST_VERSION, stale, within } from './saving'

/**
 * What a boat is for water that comes in: compartments by their floor area, pumps, doors, marks. Estimated
 * from her lines until somebody says better.
 */
export async function floodPlanOf(
  who: Account,
  boatId: string,
): Promise<{ plan: FloodPlan; version: number; estimated: boolean; updatedBy: string }> {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  const row = await FloodPlanRow.findByPk(boatId)
  if (row)
    return {
      plan: parseInput(floodPlanSchema, row.plan),
      version: row.version,
      estimated: false,
      updatedBy: row.updatedBy,
    }
  return {
    plan: {
      compartments: [
        {
          id: 'hull',
          title: 'Whole hull',
          fromXMm: 0,
          toXMm: boat.lengthMm,
          areaM2: Math.round(0.45 * (boat.lengthMm / 1000) * (boat.beamMm / 1000) * 10) / 10,
          floorZMm: -300,
        },
      ],
      doors: [],
      pumps: [],
      marks: [],
    },
    version: 0,
    estimated: true,
    updatedBy: '',
  }
}
/** The first plan of a boat is written by whoever comes first. */
async function firstPlan(row: { boatId: string; plan: FloodPlan; updatedBy: string }): Promise<boolean> {
  try {
    await FloodPlanRow.create(row)
    return true
  } catch (error) {
    if (error instanceof UniqueConstraintError) return false
    throw error
  }
}
const flooding = z.strictObject({ version: z.number().int().min(0).max(MOST_VERSION), plan: z.unknown() })
export async function saveFloodPlan(who: Account, boatId: string, body: unknown) {
  must(who, 'work', boatId)
  await boatById(boatId)
  const b = parseInput(flooding, body)
  const plan = within('plan', () => parseFloodPlan(b.plan))
  const [changed] = await FloodPlanRow.update(
    { plan, version: b.version + 1, updatedBy: who.name, updatedAt: new Date() },
    { where: { boatId, version: b.version } },
  )
  const made = changed === 0 && b.version === 0 && (await firstPlan({ boatId, plan, updatedBy: who.name }))
  const now = await floodPlanOf(who, boatId)
  if (changed === 0 && !made) throw stale('what stands here of her water', now, b.version, now)
  return now
}
