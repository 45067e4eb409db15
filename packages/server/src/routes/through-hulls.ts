import { Router } from 'express'
import Papa from 'papaparse'
import { TEMPLATE_LAYERS, toSvg, zoneTitle } from '@north-tide/core'
import { BELOW_CATALOGUE, BELOW_TEMPLATES, belowDrill, belowSection, belowTemplate, belowTemplates, belowToFile, goodsToFile, type BelowTemplate } from '@north-tide/core/below'
import { toDxf } from '@north-tide/core/dxf'
import { safeCell } from '../csv'
import { ApiError } from '../errors'
import { hullSheet } from '../pdf/through-hull-card'
import { templateSheet } from '../pdf/template-sheet'
import { belowDesignFor, importBelow, placeBelow, readBelow, removeBelow, replaceBelow, saveBelow } from '../services/through-hulls'
import { decideBelow, logBelow, orderBelow, recordBelow, tickBelow, unorderBelow, untickBelow } from '../services/through-hull-work'
import { logOf } from '../services/work-log'
import { dropGoods, importGoods, keepGoods, ownGoods } from '../services/goods'
import { floodPlanOf, saveFloodPlan } from '../services/flooding'
import { boatById, zonesOf } from '../services/boats'
import { holesOf } from '../services/register'
import { attachment } from './files'

export function belowRoutes(): Router {
  const r = Router()
  r.get('/below-catalogue', (_req, res) => void res.json(BELOW_CATALOGUE))
  r.get('/hull-goods', async (_req, res) => void res.json(await ownGoods()))
  r.get('/hull-goods.json', async (_req, res) => void attachment(res, 'through-hull parts.json', 'application/json').send(JSON.stringify(goodsToFile(await ownGoods()), null, 2)))
  r.put('/hull-goods', async (req, res) => void res.json(await keepGoods(req.account!, req.body)))
  r.post('/hull-goods/import', async (req, res) => void res.json(await importGoods(req.account!, req.body)))
  r.delete('/hull-goods/:id', async (req, res) => void res.json(await dropGoods(req.account!, req.params.id)))
  r.post('/boats/:id/below', async (req, res) => void res.status(201).json(await placeBelow(req.account!, req.params.id, req.body)))
  r.post('/boats/:id/below/import', async (req, res) => void res.status(201).json(await importBelow(req.account!, req.params.id, req.body)))
  r.get('/boats/:id/flooding', async (req, res) => void res.json(await floodPlanOf(req.account!, req.params.id)))
  r.put('/boats/:id/flooding', async (req, res) => void res.json(await saveFloodPlan(req.account!, req.params.id, req.body)))
  r.get('/below/:id', async (req, res) => void res.json(await readBelow(req.account!, req.params.id)))
  r.put('/below/:id', async (req, res) => void res.json(await saveBelow(req.account!, req.params.id, req.body)))
  r.delete('/below/:id', async (req, res) => {
    await removeBelow(req.account!, req.params.id)
    res.status(204).end()
  })
  r.post('/below/:id/order', async (req, res) => void res.json(await orderBelow(req.account!, req.params.id, req.body ?? {})))
  r.delete('/below/:id/order', async (req, res) => void res.json(await unorderBelow(req.account!, req.params.id)))
  r.post('/below/:id/tick', async (req, res) => void res.json(await tickBelow(req.account!, req.params.id, req.body)))
  r.post('/below/:id/tick/:step/back', async (req, res) => void res.json(await untickBelow(req.account!, req.params.id, req.params.step, req.body ?? {})))
  r.post('/below/:id/decide', async (req, res) => void res.status(201).json(await decideBelow(req.account!, req.params.id, req.body)))
  r.post('/below/:id/log', async (req, res) => void res.status(201).json(await logBelow(req.account!, req.params.id, req.body)))
  r.post('/below/:id/record', async (req, res) => void res.status(201).json({ holes: await recordBelow(req.account!, req.params.id) }))
  r.post('/below/:id/replace', async (req, res) => void res.status(201).json(await replaceBelow(req.account!, req.params.id, req.body)))
  r.get('/below/:id/design.json', async (req, res) => {
    const { f, d } = await belowDesignFor(req.account!, req.params.id)
    attachment(res, `${f.name}.json`, 'application/json').send(JSON.stringify(belowToFile(d), null, 2))
  })
  r.get('/below/:id/section.svg', async (req, res) => {
    const { f, d, j } = await belowDesignFor(req.account!, req.params.id)
    attachment(res, `${f.name} section.svg`, 'image/svg+xml').send(toSvg(belowSection(d, j, (await boatById(f.boatId)).units)))
  })
  r.get('/below/:id/card.pdf', async (req, res) => {
    const { f, d, j } = await belowDesignFor(req.account!, req.params.id)
    const [boat, zones] = await Promise.all([boatById(f.boatId), zonesOf(f.boatId)])
    const holes = (await holesOf(f.boatId)).filter((h) => h.hullFittingId === f.id).map((h) => h.label)
    attachment(res, `${f.name}.pdf`, 'application/pdf')
    hullSheet({ zone: zoneTitle(zones, d.place.zone), design: d, judgement: j, log: await logOf(f.id), boatName: boat.name, units: req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : boat.units, version: f.version, printedAt: new Date(), holes }).pipe(res)
  })
  r.get('/below/:id/template.:kind', async (req, res, next) => {
    const { f, d, j } = await belowDesignFor(req.account!, req.params.id)
    const units = req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : (await boatById(f.boatId)).units
    const there = belowTemplates(d, j)
    const asked = typeof req.query.what === 'string' ? req.query.what : there[0]
    if (!(BELOW_TEMPLATES as readonly string[]).includes(asked ?? '')) throw new ApiError(400, 'invalid-input', `"${asked ?? ''}" was given; one of ${BELOW_TEMPLATES.join(', ')} is accepted`, 'what')
    const what = asked as BelowTemplate
    if (!there.includes(what)) throw new ApiError(409, 'no-template', `This fitting has no ${what.replace('-', ' ')} to cut`, 'what')
    const drawing = belowTemplate(d, j, what, units)
    const name = `${f.name} ${what}`
    switch (req.params.kind) {
      case 'svg':
        return void attachment(res, `${name}.svg`, 'image/svg+xml').send(toSvg(drawing))
      case 'dxf':
        return void attachment(res, `${name}.dxf`, 'image/vnd.dxf').send(toDxf(drawing, TEMPLATE_LAYERS, (s) => s.role ?? 'MARK'))
      case 'pdf':
        attachment(res, `${name}.pdf`, 'application/pdf')
        return void templateSheet(drawing, req.query.paper === 'letter' ? 'LETTER' : 'A4', belowDrill(d, j), units).pipe(res)
      case 'csv':
        return void attachment(res, `${f.name} drilling.csv`, 'text/csv; charset=utf-8').send(`${Papa.unparse(belowDrill(d, j).map((row) => Object.fromEntries(Object.entries(row).map(([k, v]) => [k, safeCell(v)]))), { newline: '\n' })}\n`)
      default:
        next()
    }
  })
  return r
}
