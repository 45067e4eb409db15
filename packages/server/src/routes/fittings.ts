import { Router } from 'express'
import { parseDesign, toFile } from '@north-tide/core'
import { specSheet } from '../pdf/spec-sheet'
import { boatById } from '../services/boats'
import { designFile, importFitting, place, readFitting, removeFitting, saveFitting } from '../services/fittings'
import { holesOf, recordFitting } from '../services/register'
import { yardValues } from '../services/yard'
import { attachment } from './files'

export function fittingRoutes(): Router {
  const r = Router()
  r.post('/boats/:id/fittings', async (req, res) => void res.status(201).json(await place(req.session.account!, req.params.id, req.body)))
  r.post('/boats/:id/fittings/import', async (req, res) => void res.status(201).json(await importFitting(req.session.account!, req.params.id, req.body)))
  r.get('/fittings/:id', async (req, res) => void res.json(await readFitting(req.session.account!, req.params.id)))
  r.put('/fittings/:id', async (req, res) => void res.json(await saveFitting(req.session.account!, req.params.id, req.body)))
  r.delete('/fittings/:id', async (req, res) => {
    await removeFitting(req.session.account!, req.params.id)
    res.status(204).end()
  })
  r.post('/fittings/:id/record', async (req, res) => void res.status(201).json({ holes: await recordFitting(req.session.account!, req.params.id) }))
  r.get('/fittings/:id/design.json', async (req, res) => {
    const f = await designFile(req.session.account!, req.params.id)
    attachment(res, `${f.name}.json`, 'application/json').send(JSON.stringify(toFile(parseDesign(f.design)), null, 2))
  })
  r.get('/fittings/:id/spec.pdf', async (req, res) => {
    const f = await designFile(req.session.account!, req.params.id)
    const boat = await boatById(f.boatId)
    const holes = (await holesOf(f.boatId)).filter((h) => h.fittingId === f.id).map((h) => h.label)
    const doc = specSheet({ design: parseDesign(f.design), boatName: boat.name, units: req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : boat.units, version: f.version, printedAt: new Date(), holes, yard: await yardValues() })
    attachment(res, `${f.name}.pdf`, 'application/pdf')
    doc.pipe(res)
  })
  return r
}
