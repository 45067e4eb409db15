import { z } from 'zod'
import { CalcError, parseInput } from '@north-tide/core'
import { parseFloodPlan, type FloodPlan } from '@north-tide/core/below'
import { ApiError } from '../errors'
import { FloodPlanRow } from '../models'
import { mayRead, mayWrite, type Account } from './access'
import { boatById } from './boats'

/** What a boat is for water that comes in: compartments by their floor area, pumps, doors, marks. Estimated from her lines until somebody says better. */
export async function floodPlanOf(who: Account, boatId: string): Promise<{ plan: FloodPlan; version: number; estimated: boolean }> {
  mayRead(who, boatId)
  const boat = await boatById(boatId)
  const row = await FloodPlanRow.findByPk(boatId)
  if (row) return { plan: parseFloodPlan(row.plan), version: row.version, estimated: false }
  const half = boat.lengthMm
  return { plan: { compartments: [{ id: 'hull', title: 'Whole hull', fromXMm: 0, toXMm: half, areaM2: Math.round(0.45 * (boat.lengthMm / 1000) * (boat.beamMm / 1000) * 10) / 10, floorZMm: -300 }], doors: [], pumps: [], marks: [] }, version: 0, estimated: true }
}
const flooding = z.strictObject({ version: z.number().int().min(0), plan: z.unknown() })
export async function saveFloodPlan(who: Account, boatId: string, body: unknown) {
  mayWrite(who, boatId)
  await boatById(boatId)
  const b = parseInput(flooding, body)
  let plan: FloodPlan
  try {
    plan = parseFloodPlan(b.plan)
  } catch (error) {
    if (error instanceof CalcError) throw new CalcError(error.code, error.path ? `plan.${error.path}` : 'plan', error.message)
    throw error
  }
  const row = await FloodPlanRow.findByPk(boatId)
  if ((row?.version ?? 0) !== b.version) throw new ApiError(409, 'stale', `${row?.updatedBy ?? 'Somebody'} changed this meanwhile; yours started from version ${b.version}`, 'version')
  if (row) await row.update({ plan, version: b.version + 1, updatedBy: who.name, updatedAt: new Date() })
  else await FloodPlanRow.create({ boatId, plan, version: 1, updatedBy: who.name })
  return floodPlanOf(who, boatId)
}
