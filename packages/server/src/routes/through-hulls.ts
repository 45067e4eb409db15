import { Router } from 'express'
import Papa from 'papaparse'
import { TEMPLATE_LAYERS, toSvg, zoneTitle } from '@north-tide/core'
import {
  THROUGH_HULL_CATALOGUE,
  THROUGH_HULL_TEMPLATES,
  throughHullDrill,
  throughHullSection,
  throughHullTemplate,
  throughHullTemplates,
  throughHullToFile,
  goodsToFile,
  type ThroughHullTemplate,
} from '@north-tide/core/through-hull'
import { toDxf } from '@north-tide/core/dxf'
import { safeCell } from '../csv'
import { ApiError } from '../errors'
import { throughHullCard } from '../pdf/through-hull-card'
import { templateSheet } from '../pdf/template-sheet'
import {
  throughHullDesignFor,
  importThroughHull,
  placeThroughHull,
  readThroughHull,
  removeThroughHull,
  replaceThroughHull,
  saveThroughHull,
} from '../services/through-hulls'
import {
  decideThroughHull,
  logThroughHull,
  orderThroughHull,
  recordThroughHull,
  tickThroughHull,
  unorderThroughHull,
  untickThroughHull,
} from '../services/through-hull-work'
import { logOf } from '../services/work-log'
import { dropGoods, importGoods, keepGoods, ownGoods } from '../services/goods'
import { floodPlanOf, saveFloodPlan } from '../services/flooding'
import { boatById, zonesOf } from '../services/boats'
import { holesOf } from '../services/register'
import { attachment } from './files'

export function throughHullRoutes(): Router {
  const r = Router()
  r.get('/through-hull-catalogue', (_req, res) => void res.json(THROUGH_HULL_CATALOGUE))
  r.get('/goods', async (_req, res) => void res.json(await ownGoods()))
  r.get(
    '/goods.json',
    async (_req, res) =>
      void attachment(res, 'through-hull parts.json', 'application/json').send(
        JSON.stringify(goodsToFile(await ownGoods()), null, 2),
      ),
  )
  r.put('/goods', async (req, res) => void res.json(await keepGoods(req.account!, req.body)))
  r.post('/goods/import', async (req, res) => void res.json(await importGoods(req.account!, req.body)))
  r.delete('/goods/:id', async (req, res) => void res.json(await dropGoods(req.account!, req.params.id)))
  r.post(
    '/boats/:id/through-hulls',
    async (req, res) =>
      void res.status(201).json(await placeThroughHull(req.account!, req.params.id, req.body)),
  )
  r.post(
    '/boats/:id/through-hulls/import',
    async (req, res) =>
      void res.status(201).json(await importThroughHull(req.account!, req.params.id, req.body)),
  )
  r.get(
    '/boats/:id/flooding',
    async (req, res) => void res.json(await floodPlanOf(req.account!, req.params.id)),
  )
  r.put(
    '/boats/:id/flooding',
    async (req, res) => void res.json(await saveFloodPlan(req.account!, req.params.id, req.body)),
  )
  r.get(
    '/through-hulls/:id',
    async (req, res) => void res.json(await readThroughHull(req.account!, req.params.id)),
  )
  r.put(
    '/through-hulls/:id',
    async (req, res) => void res.json(await saveThroughHull(req.account!, req.params.id, req.body)),
  )
  r.delete('/through-hulls/:id', async (req, res) => {
    await removeThroughHull(req.account!, req.params.id)
    res.status(204).end()
  })
  r.post(
    '/through-hulls/:id/order',
    async (req, res) => void res.json(await orderThroughHull(req.account!, req.params.id, req.body ?? {})),
  )
  r.delete(
    '/through-hulls/:id/order',
    async (req, res) => void res.json(await unorderThroughHull(req.account!, req.params.id)),
  )
  r.post(
    '/through-hulls/:id/tick',
    async (req, res) => void res.json(await tickThroughHull(req.account!, req.params.id, req.body)),
  )
  r.post(
    '/through-hulls/:id/tick/:step/back',
    async (req, res) =>
      void res.json(await untickThroughHull(req.account!, req.params.id, req.params.step, req.body ?? {})),
  )
  r.post(
    '/through-hulls/:id/decide',
    async (req, res) =>
      void res.status(201).json(await decideThroughHull(req.account!, req.params.id, req.body)),
  )
  r.post(
    '/through-hulls/:id/log',
    async (req, res) =>
      void res.status(201).json(await logThroughHull(req.account!, req.params.id, req.body)),
  )
  r.post(
    '/through-hulls/:id/record',
    async (req, res) =>
      void res.status(201).json({ holes: await recordThroughHull(req.account!, req.params.id) }),
  )
  r.post(
    '/through-hulls/:id/replace',
    async (req, res) =>
      void res.status(201).json(await replaceThroughHull(req.account!, req.params.id, req.body)),
  )
  r.get('/through-hulls/:id/design.json', async (req, res) => {
    const { f, d } = await throughHullDesignFor(req.account!, req.params.id)
    attachment(res, `${f.name}.json`, 'application/json').send(JSON.stringify(throughHullToFile(d), null, 2))
  })
  r.get('/through-hulls/:id/section.svg', async (req, res) => {
    const { f, d, j } = await throughHullDesignFor(req.account!, req.params.id)
    attachment(res, `${f.name} section.svg`, 'image/svg+xml').send(
      toSvg(throughHullSection(d, j, (await boatById(f.boatId)).units)),
    )
  })
  r.get('/through-hulls/:id/card.pdf', async (req, res) => {
    const { f, d, j } = await throughHullDesignFor(req.account!, req.params.id)
    const [boat, zones] = await Promise.all([boatById(f.boatId), zonesOf(f.boatId)])
    const holes = (await holesOf(f.boatId)).filter((h) => h.fittingId === f.id).map((h) => h.label)
    attachment(res, `${f.name}.pdf`, 'application/pdf')
    throughHullCard({
      zone: zoneTitle(zones, d.place.zone),
      design: d,
      judgement: j,
      log: await logOf(f.id),
      boatName: boat.name,
      units: req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : boat.units,
      version: f.version,
      printedAt: new Date(),
      holes,
    }).pipe(res)
  })
  r.get('/through-hulls/:id/template.:kind', async (req, res, next) => {
    const { f, d, j } = await throughHullDesignFor(req.account!, req.params.id)
    const units =
      req.query.units === 'inch' || req.query.units === 'metric'
        ? req.query.units
        : (await boatById(f.boatId)).units
    const there = throughHullTemplates(d, j)
    const asked = typeof req.query.what === 'string' ? req.query.what : there[0]
    if (!(THROUGH_HULL_TEMPLATES as readonly string[]).includes(asked ?? ''))
      throw new ApiError(
        400,
        'invalid-input',
        `"${asked ?? ''}" was given; one of ${THROUGH_HULL_TEMPLATES.join(', ')} is accepted`,
        'what',
      )
    const what = asked as ThroughHullTemplate
    if (!there.includes(what))
      throw new ApiError(409, 'no-template', `This fitting has no ${what.replace('-', ' ')} to cut`, 'what')
    const drawing = throughHullTemplate(d, j, what, units)
    const name = `${f.name} ${what}`
    switch (req.params.kind) {
      case 'svg':
        return void attachment(res, `${name}.svg`, 'image/svg+xml').send(toSvg(drawing))
      case 'dxf':
        return void attachment(res, `${name}.dxf`, 'image/vnd.dxf').send(
          toDxf(drawing, TEMPLATE_LAYERS, (s) => s.role ?? 'MARK'),
        )
      case 'pdf':
        attachment(res, `${name}.pdf`, 'application/pdf')
        return void templateSheet(
          drawing,
          req.query.paper === 'letter' ? 'LETTER' : 'A4',
          throughHullDrill(d, j),
          units,
        ).pipe(res)
      case 'csv':
        return void attachment(res, `${f.name} drilling.csv`, 'text/csv; charset=utf-8').send(
          `${Papa.unparse(
            throughHullDrill(d, j).map((row) =>
              Object.fromEntries(Object.entries(row).map(([k, v]) => [k, safeCell(v)])),
            ),
            { newline: '\n' },
          )}\n`,
        )
      default:
        next()
    }
  })
  return r
}
