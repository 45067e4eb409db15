import { Router } from 'express'
import { lotLabels } from '../services/labels'
import { addLot, changeLot, importLots, listLots, lotsCsv, recordLotTest } from '../services/lots'
import { recall, whereItWent } from '../services/recall'
import { addSheet, changeSheet, cutPlanOf, cutSheet, cutSheetDxf, listSheets } from '../services/sheets'
import { attachment, originOf } from './files'

function lotRoutes(r: Router) {
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
  r.put(
    '/lots/:id',
    async (req, res) => void res.json(await changeLot(req.account!, Number(req.params.id), req.body)),
  )
  r.post(
    '/lots/:id/test',
    async (req, res) => void res.json(await recordLotTest(req.account!, Number(req.params.id), req.body)),
  )
}
function sheetRoutes(r: Router) {
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
}
/** The stores: lots with their dates, sheets and what is cut from them, taking back. */
export function storeRoutes(): Router {
  const r = Router()
  lotRoutes(r)
  sheetRoutes(r)
  r.get('/recall', async (req, res) => void res.json(await whereItWent(req.account!, req.query)))
  r.post('/recall', async (req, res) => void res.json(await recall(req.account!, req.body)))
  return r
}
