import { sendPacked } from '../packed'
import { addEvents, lastSurvey } from '../services/many-holes'
import { Router } from 'express'
import { list, table } from '../parts'
import { EVENT_FIELDS, happenings, HOLE_FIELDS, summed } from '../register-rows'
import { holeLabels } from '../services/labels'
import { withdrawFound } from '../services/found'
import { addEvent, hole, register, registerOf } from '../services/register'
import { attachment, send, originOf } from './files'

export function registerRoutes(): Router {
  const r = Router()
  r.get('/boats/:id/penetrations', async (req, res) =>
    sendPacked(req, res, await register(req.account!, req.params.id)),
  )
  r.get(
    '/penetrations/:id',
    async (req, res) => void res.json(await hole(req.account!, Number(req.params.id))),
  )
  r.post(
    '/penetrations/:id/events',
    async (req, res) =>
      void res.status(201).json(await addEvent(req.account!, Number(req.params.id), req.body)),
  )
  r.post(
    '/boats/:id/penetrations/events',
    async (q, res) => void res.json(await addEvents(q.account!, q.params.id, q.body)),
  )
  r.get('/boats/:id/last-survey', async (q, res) => void res.json(await lastSurvey(q.account!, q.params.id)))
  r.post('/penetrations/:id/withdraw', async (req, res) => {
    await withdrawFound(req.account!, Number(req.params.id), req.body)
    res.json(await hole(req.account!, Number(req.params.id)))
  })
  r.get('/boats/:id/labels.pdf', async (req, res) => {
    const sheet = await holeLabels(req.account!, req.params.id, req.query, originOf(req))
    attachment(res, 'labels.pdf', 'application/pdf').send(sheet)
  })
  r.get('/boats/:id/register.csv', async (req, res) => {
    const { boat, parts } = await registerOf(req.account!, req.params.id)
    await send(
      attachment(res, `${boat.name} register.csv`, 'text/csv; charset=utf-8'),
      table(HOLE_FIELDS, parts, summed),
    )
  })
  r.get('/boats/:id/register.json', async (req, res) => {
    const { boat, parts } = await registerOf(req.account!, req.params.id)
    await send(
      attachment(res, `${boat.name} register.json`, 'application/json'),
      list(
        { format: 'north-tide-register', version: 3, boat: { id: boat.id, name: boat.name } },
        'holes',
        parts,
      ),
    )
  })
  r.get('/boats/:id/register-events.csv', async (req, res) => {
    const { boat, parts } = await registerOf(req.account!, req.params.id)
    await send(
      attachment(res, `${boat.name} register events.csv`, 'text/csv; charset=utf-8'),
      table(EVENT_FIELDS, parts, happenings),
    )
  })
  return r
}
