import { CalcError } from '@north-tide/core'
import { goodsFromFile, isListed, parseOwnGoods, type OwnGoods } from '@north-tide/core/below'
import { ApiError, forbidden, notFound } from '../errors'
import { HullGoods } from '../models'
import type { Account } from './access'

/** The yard’s own skin fittings, valves and tails. A design keeps a copy of what it uses, so a change here changes no fitting. */
export const ownGoods = async (): Promise<OwnGoods[]> => (await HullGoods.findAll({ order: [['kind', 'ASC'], ['id', 'ASC']] })).map((g) => ({ kind: g.kind, part: { ...g.part, id: g.id } }) as OwnGoods)

function mayKeep(who: Account) {
  if (who.role !== 'manager' && who.role !== 'fitter') throw forbidden('Parts of the yard’s own are kept by a fitter or the manager')
}
function free(g: OwnGoods, path: string) {
  if (isListed(g.part.id)) throw new ApiError(409, 'taken', `${g.part.id} stands in the list; give yours another number`, path)
}
const row = (who: Account, g: OwnGoods) => ({ id: g.part.id, kind: g.kind, part: g.part, madeBy: who.name, madeAt: new Date() })
export async function keepGoods(who: Account, raw: unknown): Promise<OwnGoods[]> {
  mayKeep(who)
  const g = parseOwnGoods(raw)
  free(g, 'part.id')
  const there = await HullGoods.findByPk(g.part.id)
  if (there && there.kind !== g.kind) throw new ApiError(409, 'taken', `${g.part.id} is another kind of part already; give this one another number`, 'part.id')
  await HullGoods.upsert(row(who, g))
  return ownGoods()
}
/** All of a file or none. */
export async function importGoods(who: Account, raw: unknown): Promise<OwnGoods[]> {
  mayKeep(who)
  const goods = goodsFromFile(raw)
  goods.forEach((g, i) => {
    free(g, `goods.${i}.part.id`)
    if (goods.findIndex((o) => o.part.id === g.part.id) !== i) throw new CalcError('invalid-input', `goods.${i}.part.id`, `"${g.part.id}" stands in the file twice`)
  })
  await HullGoods.sequelize!.transaction(async (transaction) => {
    for (const g of goods) await HullGoods.upsert(row(who, g), { transaction })
  })
  return ownGoods()
}
export async function dropGoods(who: Account, id: string): Promise<OwnGoods[]> {
  mayKeep(who)
  if ((await HullGoods.destroy({ where: { id } })) === 0) throw notFound('part')
  return ownGoods()
}
