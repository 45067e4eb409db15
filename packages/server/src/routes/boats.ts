import { Router } from 'express'
import { boatPicture, catalogue, listBoats, listLots } from '../services/boats'

export function boatRoutes(): Router {
  const r = Router()
  r.get('/boats', async (req, res) => void res.json(await listBoats(req.session.account!)))
  r.get('/boats/:id', async (req, res) => void res.json(await boatPicture(req.session.account!, req.params.id)))
  r.get('/catalogue', (_req, res) => void res.json(catalogue()))
  r.get('/lots', async (req, res) => void res.json(await listLots(req.session.account!)))
  return r
}
