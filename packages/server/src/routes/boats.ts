import express, { Router } from 'express'
import { dropYardValue, setYardValue, yardValues } from '../services/yard'
import {
  baseFromDxf,
  habits,
  hardwareCsv,
  importHardware,
  ownHardware,
  removeHardware,
  saveHardware,
  setHabit,
  wholeCatalogue,
} from '../services/hardware'
import { attachment } from './files'
import { giveRole, peopleOf } from '../services/people'
import { linksOf, makeLink, withdrawLink } from '../services/boat-links'
import { sendPacked } from '../packed'
import { boatPicturePacked, listBoats } from '../services/boats'

export function boatRoutes(): Router {
  const r = Router()
  r.get('/boats', async (req, res) => void res.json(await listBoats(req.account!)))
  r.get('/boats/:id', async (req, res) =>
    sendPacked(req, res, await boatPicturePacked(req.account!, req.params.id, req.query)),
  )
  r.get('/boats/:id/people', async (req, res) => void res.json(await peopleOf(req.account!, req.params.id)))
  r.put(
    '/boats/:id/people/:login',
    async (req, res) =>
      void res.json(await giveRole(req.account!, req.params.id, req.params.login, req.body)),
  )
  r.get('/boats/:id/links', async (req, res) => void res.json(await linksOf(req.account!, req.params.id)))
  r.post(
    '/boats/:id/links',
    async (req, res) => void res.status(201).json(await makeLink(req.account!, req.params.id, req.body)),
  )
  r.delete(
    '/boats/:id/links/:link',
    async (req, res) =>
      void res.json(await withdrawLink(req.account!, req.params.id, Number(req.params.link))),
  )
  r.get('/catalogue', async (_req, res) => void res.json(await wholeCatalogue()))
  r.get(
    '/hardware.json',
    async (_req, res) =>
      void attachment(res, 'hardware.json', 'application/json').send(
        JSON.stringify({ format: 'north-tide-hardware', version: 1, hardware: await ownHardware() }, null, 2),
      ),
  )
  r.get(
    '/hardware.csv',
    async (_req, res) =>
      void attachment(res, 'hardware.csv', 'text/csv; charset=utf-8').send(await hardwareCsv()),
  )
  r.put('/hardware', async (req, res) => void res.json(await saveHardware(req.account!, req.body)))
  r.post('/hardware/import', async (req, res) => void res.json(await importHardware(req.account!, req.body)))
  r.post(
    '/hardware/outline.dxf',
    express.text({ type: () => true, limit: '8mb' }),
    (req, res) => void res.json(baseFromDxf(typeof req.body === 'string' ? req.body : '')),
  )
  r.delete(
    '/hardware/:id',
    async (req, res) => void res.json(await removeHardware(req.account!, req.params.id)),
  )
  r.get('/habits', async (_req, res) => void res.json(await habits()))
  r.put('/habits', async (req, res) => void res.json(await setHabit(req.account!, req.body)))
  r.get('/yard-values', async (_req, res) => void res.json(await yardValues()))
  r.put('/yard-values', async (req, res) => void res.json(await setYardValue(req.account!, req.body)))
  r.delete('/yard-values', async (req, res) => void res.json(await dropYardValue(req.account!, req.body)))
  return r
}
