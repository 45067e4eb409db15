import { Router } from 'express'
import { THROUGH_HULL_CATALOGUE, goodsToFile } from '@north-tide/core/through-hull'
import { dropGoods, importGoods, keepGoods, ownGoods } from '../services/goods'
import { floodPlanOf, saveFloodPlan } from '../services/flooding'
import { attachment } from './files'

/** What can be bought, the yard's own goods, and what a boat is for water that comes in. */
export function goodsRoutes(): Router {
  const r = Router()
  r.get('/through-hull-catalogue', (_req, res) => void res.json(THROUGH_HULL_CATALOGUE))
  r.get('/goods', async (_req, res) => void res.json(await ownGoods()))
  r.get('/goods.json', async (_req, res) => {
    const file = JSON.stringify(goodsToFile(await ownGoods()), null, 2)
    attachment(res, 'through-hull parts.json', 'application/json').send(file)
  })
  r.put('/goods', async (req, res) => void res.json(await keepGoods(req.account!, req.body)))
  r.post('/goods/import', async (req, res) => void res.json(await importGoods(req.account!, req.body)))
  r.delete('/goods/:id', async (req, res) => void res.json(await dropGoods(req.account!, req.params.id)))
  r.get(
    '/boats/:id/flooding',
    async (req, res) => void res.json(await floodPlanOf(req.account!, req.params.id)),
  )
  r.put(
    '/boats/:id/flooding',
    async (req, res) => void res.json(await saveFloodPlan(req.account!, req.params.id, req.body)),
  )
  return r
}
