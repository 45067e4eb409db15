import { z } from 'zod'
import {
  cutAnswer,
  cutDrawing,
  cutQuestion,
  cutsOf,
  parseInput,
  type Cut,
  type CutPlan,
  type Shape,
  type SheetOnHand,
} from '@north-tide/core'
import { toDxf } from '@north-tide/core/dxf'
import { runNamed } from '@north-tide/core/registry'
import { ApiError, notFound } from '../errors'
import { SheetStock } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { openWork } from './open-work'
import { MOST_VERSION, stale } from './saving'

/** Sheets and offcuts in the store, and the plan by which the open work is cut from them. */
const size = (most: number) => z.number().positive().max(most)
const saving = z.strictObject({
  kind: z.enum(['sheet', 'offcut']),
  material: z.string().trim().min(1).max(60),
  thicknessMm: size(200),
  widthMm: size(20_000),
  heightMm: size(20_000),
  grain: z.enum(['none', 'x', 'y']).default('none'),
  count: z.number().int().min(0).max(200).default(1),
  whereItIs: z.string().trim().max(80).default(''),
})
const changing = z.strictObject({
  version: z.number().int().positive().max(MOST_VERSION),
  count: z.number().int().min(0).max(200).optional(),
  whereItIs: z.string().trim().max(80).optional(),
})
export type ShownSheet = SheetOnHand & { version: number }
const shown = (s: SheetStock): ShownSheet => ({
  id: s.id!,
  kind: s.kind,
  material: s.material,
  thicknessMm: s.thicknessMm,
  widthMm: s.widthMm,
  heightMm: s.heightMm,
  grain: s.grain!,
  count: s.count!,
  whereItIs: s.whereItIs!,
  version: s.version!,
})
const all = async () =>
  (
    await SheetStock.findAll({
      order: [
        ['material', 'ASC'],
        ['thicknessMm', 'ASC'],
        ['id', 'ASC'],
      ],
    })
  ).map(shown)
export async function listSheets(who: Account): Promise<ShownSheet[]> {
  must(who, 'stores')
  return all()
}
export async function addSheet(who: Account, body: unknown) {
  must(who, 'stores')
  await SheetStock.create(parseInput(saving, body))
  return all()
}
export async function changeSheet(who: Account, id: number, body: unknown) {
  must(who, 'stores')
  const { version, ...c } = parseInput(changing, body)
  const there = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await SheetStock.findByPk(id) : null
  if (!there) throw notFound('sheet')
  const told = Object.fromEntries(Object.entries(c).filter(([, v]) => v !== undefined))
  const [n] = await SheetStock.update({ ...told, version: version + 1 }, { where: { id, version } })
  if (!n) {
    await there.reload()
    throw stale('that sheet', { version: there.version! }, version, shown(there))
  }
  return all()
}
async function planned(boatId: string): Promise<{ plan: CutPlan; cuts: Cut[]; stock: ShownSheet[] }> {
  const [{ jobs }, stock] = await Promise.all([openWork(boatId), all()])
  const cuts = cutsOf(jobs)
  const out = runNamed('nest', cutQuestion(cuts, stock)) as Parameters<typeof cutAnswer>[2]
  return { plan: cutAnswer(cuts, stock, out), cuts, stock }
}
export async function cutPlanOf(who: Account, boatId: string) {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  return { boat: boat.name, units: boat.units, ...(await planned(boatId)).plan }
}
const layer = (s: Shape) => {
  if (s.kind === 'text') return 'TEXT'
  return (s as { role?: string }).role === 'piece' ? 'CUT' : 'SHEET'
}
/** One sheet as it is cut, at full size. */
export async function cutSheetDxf(who: Account, boatId: string, index: number): Promise<string> {
  must(who, 'read', boatId)
  const boat = await boatById(boatId)
  const sheet = (await planned(boatId)).plan.sheets[index]
  if (!sheet) throw notFound('sheet in the plan')
  return toDxf(cutDrawing(sheet, boat.units), ['CUT', 'SHEET', 'TEXT'], layer)
}
const cutting = z.strictObject({
  /** number of the sheet in the plan, from 0, and what was seen there: cut once, and only as it was seen */
  index: z.number().int().min(0).max(400),
  stockId: z.number().int().positive(),
  version: z.number().int().positive().max(MOST_VERSION),
  pieces: z.number().int().min(1).max(400),
})
/** It was cut: the sheet is one fewer, and what was kept of it is an offcut of its own from then on. */
export async function cutSheet(who: Account, boatId: string, body: unknown) {
  must(who, 'stores')
  const c = parseInput(cutting, body)
  const sheet = (await planned(boatId)).plan.sheets[c.index]
  if (!sheet || sheet.stock.id !== c.stockId || sheet.places.length !== c.pieces)
    throw new ApiError(409, 'stale', 'The cutting plan is another one now; look at it first', 'index')
  await SheetStock.sequelize!.transaction(async (transaction) => {
    const row = await SheetStock.findByPk(c.stockId, { transaction, lock: transaction.LOCK.UPDATE })
    if (!row?.count || row.version !== c.version)
      throw new ApiError(409, 'stale', 'That sheet was changed meanwhile; look at it first', 'version')
    await row.update({ count: row.count - 1, version: row.version + 1 }, { transaction })
    for (const k of sheet.kept)
      await SheetStock.create(
        {
          kind: 'offcut',
          material: row.material,
          thicknessMm: row.thicknessMm,
          widthMm: Math.floor(k.widthMm),
          heightMm: Math.floor(k.heightMm),
          grain: row.grain!,
          count: 1,
          whereItIs: row.whereItIs!,
        },
        { transaction },
      )
  })
  return all()
}
