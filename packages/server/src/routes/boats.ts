import { Router } from 'express'
import { rejudgeAll } from '../services/rejudge'
import { dropYardValue, setYardValue, yardValues } from '../services/yard'
import { boatPicture, catalogue, listBoats, listLots, recordLotTest } from '../services/boats'

export function boatRoutes(): Router {
  const r = Router()
  r.get('/boats', async (req, res) => void res.json(await listBoats(req.session.account!)))
  r.get('/boats/:id', async (req, res) => void res.json(await boatPicture(req.session.account!, req.params.id)))
  r.get('/catalogue', (_req, res) => void res.json(catalogue()))
  r.get('/lots', async (req, res) => void res.json(await listLots(req.session.account!)))
  r.get('/yard-values', async (_req, res) => void res.json(await yardValues()))
  for (const [method, change] of [['put', setYardValue], ['delete', dropYardValue]] as const)
    r[method]('/yard-values', async (req, res) => {
      const values = await change(req.session.account!, req.body)
      await rejudgeAll('a value of the yard\u2019s own changed')
      res.json(values)
    })
  r.post('/lots/:id/test', async (req, res) => void res.json(await recordLotTest(req.session.account!, Number(req.params.id), req.body)))
  return r
}
