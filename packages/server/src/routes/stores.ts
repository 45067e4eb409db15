import { Router } from 'express'
import { costsOf, whatFits } from '../services/costs'
import { changeOrder, returnSpare } from '../services/order-changes'
import { askOrder } from '../services/order-check'
import { orderCsv, orderPdf } from '../services/order-files'
import { listOrders, placeOrder } from '../services/orders'
import { readPrices, setPrices, setWays, waysOfYard } from '../services/settings'
import { takeSettings, yardSettings } from '../services/yard-settings'
import {
  addToShelf,
  changeShelf,
  dropOfferRow,
  importShelf,
  keepOffer,
  listOffers,
  listShelf,
  shelfCsv,
  shelfLabels,
} from '../services/shelf'
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
    const sheet = await lotLabels(req.account!, req.query, originOf(req))
    attachment(res, 'labels of lots.pdf', 'application/pdf').send(sheet)
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
function shelfRoutes(r: Router) {
  r.get('/shelf', async (req, res) => void res.json({ shelf: await listShelf(req.account!) }))
  r.post(
    '/shelf',
    async (req, res) => void res.status(201).json({ shelf: await addToShelf(req.account!, req.body) }),
  )
  r.post(
    '/shelf/import',
    async (req, res) => void res.json({ shelf: await importShelf(req.account!, req.body) }),
  )
  r.get('/shelf.csv', async (req, res) => {
    attachment(res, 'shelf.csv', 'text/csv; charset=utf-8').send(await shelfCsv(req.account!))
  })
  r.get('/shelf/labels.pdf', async (req, res) => {
    const sheet = await shelfLabels(req.account!, originOf(req))
    attachment(res, 'labels of the shelf.pdf', 'application/pdf').send(sheet)
  })
  r.put(
    '/shelf/:item',
    async (req, res) =>
      void res.json({ shelf: await changeShelf(req.account!, Number(req.params.item), req.body) }),
  )
  r.get('/offers', async (req, res) => void res.json({ offers: await listOffers(req.account!) }))
  r.put('/offers', async (req, res) => void res.json({ offers: await keepOffer(req.account!, req.body) }))
  r.delete(
    '/offers/:offer',
    async (req, res) => void res.json({ offers: await dropOfferRow(req.account!, Number(req.params.offer)) }),
  )
}
function orderRoutes(r: Router) {
  r.post('/orders/check', async (req, res) => void res.json(await askOrder(req.account!, req.body)))
  r.get('/orders', async (req, res) => void res.json({ orders: await listOrders(req.account!) }))
  r.post(
    '/orders',
    async (req, res) => void res.status(201).json({ orders: await placeOrder(req.account!, req.body) }),
  )
  r.post('/orders/put-back', async (req, res) => {
    await returnSpare(req.account!, req.body)
    res.status(204).end()
  })
  r.put(
    '/orders/:order',
    async (req, res) => void res.json(await changeOrder(req.account!, Number(req.params.order), req.body)),
  )
  r.get('/orders/:order.csv', async (req, res) => {
    const text = await orderCsv(req.account!, Number(req.params.order))
    attachment(res, `order ${Number(req.params.order)}.csv`, 'text/csv; charset=utf-8').send(text)
  })
  r.get('/orders/:order.pdf', async (req, res) => {
    const doc = await orderPdf(req.account!, Number(req.params.order))
    attachment(res, `order ${Number(req.params.order)}.pdf`, 'application/pdf')
    doc.pipe(res)
  })
  r.get('/boats/:id/fits', async (req, res) => void res.json(await whatFits(req.account!, req.params.id)))
  r.get('/boats/:id/costs', async (req, res) => void res.json(await costsOf(req.account!, req.params.id)))
  r.get(
    '/yard/settings.json',
    async (req, res) =>
      void attachment(res, 'yard-settings.json', 'application/json').send(
        JSON.stringify(await yardSettings(req.account!), null, 2),
      ),
  )
  r.get('/yard/settings', async (req, res) => void res.json(await yardSettings(req.account!)))
  r.post('/yard/settings', async (req, res) => void res.json(await takeSettings(req.account!, req.body)))
  r.get('/yard/prices', async (req, res) => void res.json(await readPrices(req.account!)))
  r.get('/yard/ways', async (_req, res) => void res.json(await waysOfYard()))
  r.put('/yard/ways', async (req, res) => void res.json(await setWays(req.account!, req.body)))
  r.put('/yard/prices', async (req, res) => void res.json(await setPrices(req.account!, req.body)))
}
/** The stores: lots with their dates, sheets and what is cut from them, taking back. */
export function storeRoutes(): Router {
  const r = Router()
  lotRoutes(r)
  sheetRoutes(r)
  shelfRoutes(r)
  orderRoutes(r)
  r.get('/recall', async (req, res) => void res.json(await whereItWent(req.account!, req.query)))
  r.post('/recall', async (req, res) => void res.json(await recall(req.account!, req.body)))
  return r
}
