import { Router } from 'express'
import Papa from 'papaparse'
import {
  TEMPLATE_LAYERS,
  drillSchedule,
  judge,
  parseDesign,
  templateOf,
  toFile,
  toSvg,
} from '@north-tide/core'
import { toDxf } from '@north-tide/core/dxf'
import { safeCell } from '../csv'
import { ApiError } from '../errors'
import { templateSheet } from '../pdf/template-sheet'
import { specSheet } from '../pdf/spec-sheet'
import { boatById } from '../services/boats'
import {
  copyFitting,
  designFile,
  importFitting,
  place,
  readFitting,
  removeFitting,
  saveFitting,
  sheetOf,
} from '../services/fittings'
import { recordFitting } from '../services/register'
import { yardValues } from '../services/yard'
import { attachment } from './files'

export function fittingRoutes(): Router {
  const r = Router()
  r.post(
    '/boats/:id/fittings',
    async (req, res) => void res.status(201).json(await place(req.account!, req.params.id, req.body)),
  )
  r.post(
    '/boats/:id/fittings/import',
    async (req, res) => void res.status(201).json(await importFitting(req.account!, req.params.id, req.body)),
  )
  r.get('/fittings/:id', async (req, res) => void res.json(await readFitting(req.account!, req.params.id)))
  r.put(
    '/fittings/:id',
    async (req, res) => void res.json(await saveFitting(req.account!, req.params.id, req.body)),
  )
  r.delete('/fittings/:id', async (req, res) => {
    await removeFitting(req.account!, req.params.id)
    res.status(204).end()
  })
  r.post(
    '/fittings/:id/record',
    async (req, res) =>
      void res.status(201).json({ holes: await recordFitting(req.account!, req.params.id) }),
  )
  r.get('/fittings/:id/design.json', async (req, res) => {
    const f = await designFile(req.account!, req.params.id)
    attachment(res, `${f.name}.json`, 'application/json').send(
      JSON.stringify(toFile(parseDesign(f.design)), null, 2),
    )
  })
  r.post(
    '/fittings/:id/copy',
    async (req, res) => void res.status(201).json(await copyFitting(req.account!, req.params.id, req.body)),
  )
  r.get('/fittings/:id/template.:kind', async (req, res, next) => {
    const f = await designFile(req.account!, req.params.id)
    const boat = await boatById(f.boatId)
    const what = req.query.what === 'plate' ? 'plate' : 'pattern'
    const units = req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : boat.units
    const d = parseDesign(f.design)
    if (what === 'plate' && !d.plate) throw new ApiError(409, 'no-plate', 'This fitting has no plate to cut')
    const j = judge(d, false, await yardValues())
    const drawing = templateOf(d, j, what, units, req.query.inside === 'yes')
    const name = `${f.name} ${what}`
    switch (req.params.kind) {
      case 'svg':
        return void attachment(res, `${name}.svg`, 'image/svg+xml').send(toSvg(drawing))
      case 'dxf':
        return void attachment(res, `${name}.dxf`, 'image/vnd.dxf').send(
          toDxf(drawing, TEMPLATE_LAYERS, (s) => s.role ?? 'MARK'),
        )
      case 'pdf': {
        const doc = templateSheet(
          drawing,
          req.query.paper === 'letter' ? 'LETTER' : 'A4',
          drillSchedule(d, j),
          units,
        )
        attachment(res, `${name}.pdf`, 'application/pdf')
        return void doc.pipe(res)
      }
      case 'csv':
        return void attachment(res, `${f.name} drilling.csv`, 'text/csv; charset=utf-8').send(
          `${Papa.unparse(
            drillSchedule(d, j).map((r) =>
              Object.fromEntries(Object.entries(r).map(([k, v]) => [k, safeCell(v)])),
            ),
            { newline: '\n' },
          )}\n`,
        )
      default:
        next()
    }
  })
  r.get('/fittings/:id/spec.pdf', async (req, res) => {
    const sheet = await sheetOf(req.account!, req.params.id)
    const units =
      req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : sheet.boat.units
    const doc = specSheet({
      ...sheet,
      boatName: sheet.boat.name,
      units,
      version: sheet.f.version,
      printedAt: new Date(),
    })
    attachment(res, `${sheet.f.name}.pdf`, 'application/pdf')
    doc.pipe(res)
  })
  return r
}
