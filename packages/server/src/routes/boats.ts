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
import { boatPicture, listBoats } from '../services/boats'
import { lotLabels } from '../services/labels'
import { addSheet, changeSheet, cutPlanOf, cutSheet, cutSheetDxf, listSheets } from '../services/sheets'
import { recall, whereItWent } from '../services/recall'
import { originOf } from './files'
import { addLot, changeLot, importLots, listLots, lotsCsv, recordLotTest } from '../services/lots'

export function boatRoutes(): Router {
  const r = Router()
  r.get('/boats', async (req, res) => void res.json(await listBoats(req.account!)))
  r.get('/boats/:id', async (req, res) => void res.json(await boatPicture(req.account!, req.params.id)))
  r.get('/boats/:id/people', async (req, res) => void res.json(await peopleOf(req.account!, req.params.id)))
  r.put(
    '/boats/:id/people/:login',
    async (req, res) =>
      void res.json(await giveRole(req.account!, req.params.id, req.params.login, req.body)),
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
  r.get('/lots', async (req, res) => void res.json(await listLots(req.account!)))
  r.post('/lots', async (req, res) => void res.status(201).json(await addLot(req.account!, req.body)))
  r.post('/lots/import', async (req, res) => void res.json(await importLots(req.account!, req.body)))
  r.get(
    '/lots.csv',
    async (req, res) =>
      void attachment(res, 'lots.csv', 'text/csv; charset=utf-8').send(await lotsCsv(req.account!)),
  )
  r.get('/lots/labels.pdf', async (req, res) => {
    const doc = await lotLabels(req.account!, req.query, originOf(req))
    attachment(res, 'labels of lots.pdf', 'application/pdf')
    doc.pipe(res)
  })
  r.get('/sheets', async (req, res) => void res.json({ sheets: await listSheets(req.account!) }))
  r.post(
    '/sheets',
    async (req, res) => void res.status(201).json({ sheets: await addSheet(req.account!, req.body) }),
  )
  r.put(
    '/sheets/:sheet',
    async (req, res) =>
      void res.json({ sheets: await changeSheet(req.account!, Number(req.params.sheet), req.body) }),
  )
  r.get('/boats/:id/cutting', async (req, res) => void res.json(await cutPlanOf(req.account!, req.params.id)))
  r.post(
    '/boats/:id/cutting',
    async (req, res) => void res.json({ sheets: await cutSheet(req.account!, req.params.id, req.body) }),
  )
  r.get('/boats/:id/cutting/:sheet.dxf', async (req, res) => {
    const text = await cutSheetDxf(req.account!, req.params.id, Number(req.params.sheet))
    attachment(res, `sheet ${Number(req.params.sheet) + 1}.dxf`, 'image/vnd.dxf').send(text)
  })
  r.get('/recall', async (req, res) => void res.json(await whereItWent(req.account!, req.query)))
  r.post('/recall', async (req, res) => void res.json(await recall(req.account!, req.body)))
  r.put(
    '/lots/:id',
    async (req, res) => void res.json(await changeLot(req.account!, Number(req.params.id), req.body)),
  )
  r.get('/yard-values', async (_req, res) => void res.json(await yardValues()))
  r.put('/yard-values', async (req, res) => void res.json(await setYardValue(req.account!, req.body)))
  r.delete('/yard-values', async (req, res) => void res.json(await dropYardValue(req.account!, req.body)))
  r.post(
    '/lots/:id/test',
    async (req, res) => void res.json(await recordLotTest(req.account!, Number(req.params.id), req.body)),
  )
  return r
}
