import type { Transaction } from 'sequelize'
import { z } from 'zod'
import { CalcError, parseInput } from '@north-tide/core'
import { goodsFromFile, isListed, parseOwnGoods, type OwnGoods } from '@north-tide/core/through-hull'
import { ApiError, notFound } from '../errors'
import { Goods } from '../models'
import { must, type Account } from './access'
import { MOST_VERSION, stale, within } from './saving'

export type KeptGoods = OwnGoods & { version: number }
/**
 * The yard’s own skin fittings, valves and tails. A design keeps a copy of what it uses, so a change here
 * changes no fitting.
 */
export const ownGoods = async (transaction: Transaction | null = null): Promise<KeptGoods[]> =>
  (
    await Goods.findAll({
      order: [
        ['kind', 'ASC'],
        ['id', 'ASC'],
      ],
      transaction,
    })
  ).map((g) => ({ kind: g.kind, part: { ...g.part, id: g.id }, version: g.version }) as KeptGoods)

function free(g: OwnGoods, path: string) {
  if (isListed(g.part.id))
    throw new ApiError(409, 'taken', `${g.part.id} stands in the list; give yours another number`, path)
}
const row = (who: Account, g: OwnGoods) => ({
  id: g.part.id,
  kind: g.kind,
  part: g.part,
  madeBy: who.name,
  madeAt: new Date(),
})
export async function keepGoods(who: Account, raw: unknown): Promise<KeptGoods[]> {
  must(who, 'yard-parts')
  // The version is the record's, not the part's: it is taken off before the part is read.
  const { version: given = 0, ...rest } =
    raw !== null && typeof raw === 'object' && !Array.isArray(raw) ? (raw as { version?: unknown }) : { raw }
  const version = within('version', () => parseInput(z.number().int().min(0).max(MOST_VERSION), given))
  const g = parseOwnGoods('raw' in rest ? raw : rest)
  free(g, 'part.id')
  await Goods.sequelize!.transaction(async (transaction) => {
    const there = await Goods.findByPk(g.part.id, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })
    if (there && there.kind !== g.kind)
      throw new ApiError(
        409,
        'taken',
        `${g.part.id} is another kind of part already; give this one another number`,
        'part.id',
      )
    if ((there?.version ?? 0) !== version)
      throw stale(
        g.part.id,
        { version: there?.version ?? 0, updatedBy: there?.madeBy ?? null },
        version,
        there && { kind: there.kind, part: there.part, version: there.version },
      )
    if (there) await there.update({ ...row(who, g), version: version + 1 }, { transaction })
    else await Goods.create(row(who, g), { transaction })
  })
  return ownGoods()
}
/** All of a file or none. */
export async function importGoods(who: Account, raw: unknown): Promise<KeptGoods[]> {
  must(who, 'yard-parts')
  const goods = goodsFromFile(raw)
  goods.forEach((g, i) => {
    free(g, `goods.${i}.part.id`)
    if (goods.findIndex((o) => o.part.id === g.part.id) !== i)
      throw new CalcError('invalid-input', `goods.${i}.part.id`, `"${g.part.id}" stands in the file twice`)
  })
  await Goods.sequelize!.transaction(async (transaction) => {
    for (const g of goods) {
      const there = await Goods.findByPk(g.part.id, { transaction, lock: transaction.LOCK.NO_KEY_UPDATE })
      if (there) await there.update({ ...row(who, g), version: there.version + 1 }, { transaction })
      else await Goods.create(row(who, g), { transaction })
    }
  })
  return ownGoods()
}
export async function dropGoods(who: Account, id: string): Promise<KeptGoods[]> {
  must(who, 'yard-parts')
  if ((await Goods.destroy({ where: { id } })) === 0) throw notFound('part')
  return ownGoods()
}
