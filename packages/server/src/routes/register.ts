import { Router } from 'express'
import Papa from 'papaparse'
import { safeCell } from '../csv'
import { happenings, summed } from '../register-rows'
import { boatById } from '../services/boats'
import { addEvent, hole, register, registerExport } from '../services/register'
import { attachment } from './files'

export function registerRoutes(): Router {
  const r = Router()
  r.get('/boats/:id/penetrations', async (req, res) => void res.json(await register(req.session.account!, req.params.id)))
  r.get('/penetrations/:id', async (req, res) => void res.json(await hole(req.session.account!, Number(req.params.id))))
  r.post('/penetrations/:id/events', async (req, res) => void res.status(201).json(await addEvent(req.session.account!, Number(req.params.id), req.body)))
  r.get('/boats/:id/register.csv', async (req, res) => {
    const rows = summed(await registerExport(req.session.account!, req.params.id))
    const boat = await boatById(req.params.id)
    const fields = ['label', 'whatFor', 'state', 'since', 'who', 'zone', 'xMm', 'yMm', 'zMm', 'diameterMm', 'sizesMm', 'lots', 'tests', 'through', 'fastener', 'plate', 'coreSchool', 'sealant', 'belowWaterline', 'found', 'foundKind', 'acrossMm', 'measuredFrom', 'gatesPassed']
    const safe = rows.map((row) => Object.fromEntries(Object.entries(row).map(([k, v]) => [k, safeCell(v)])))
    attachment(res, `${boat.name} register.csv`, 'text/csv; charset=utf-8').send(`${Papa.unparse({ fields, data: safe }, { newline: '\n' })}\n`)
  })
  r.get('/boats/:id/register.json', async (req, res) => {
    const boat = await boatById(req.params.id)
    const holes = await registerExport(req.session.account!, req.params.id)
    attachment(res, `${boat.name} register.json`, 'application/json').send(JSON.stringify({ format: 'north-tide-register', version: 2, boat: { id: boat.id, name: boat.name }, holes }, null, 2))
  })
  r.get('/boats/:id/register-events.csv', async (req, res) => {
    const rows = happenings(await registerExport(req.session.account!, req.params.id))
    const boat = await boatById(req.params.id)
    const fields = ['label', 'whatFor', 'at', 'who', 'what', 'sizeMm', 'lot', 'tempC', 'humidityPct', 'value', 'unit', 'evidence', 'note', 'gatesPassed', 'gateReason', 'corrects']
    attachment(res, `${boat.name} register events.csv`, 'text/csv; charset=utf-8').send(`${Papa.unparse({ fields, data: rows.map((row) => Object.fromEntries(Object.entries(row).map(([k, v]) => [k, safeCell(v)]))) }, { newline: '\n' })}\n`)
  })
  return r
}
