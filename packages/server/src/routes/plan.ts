import { Router, type Request, type Response } from 'express'
import { partsCsv, partsOf } from '../services/parts'
import { planCsv, planIcs, planOf } from '../services/plan'
import { watchOf } from '../services/watch'
import { attachment } from './files'

/** The plan of a boat, on screen, as a table and as a calendar; and what has to be looked at in her. */
export function planRoutes(): Router {
  const r = Router()
  const planned = (req: Request, res: Response) => {
    const gone = new AbortController()
    res.on('close', () => gone.abort())
    return planOf(req.account!, String(req.params.id), req.query, gone.signal)
  }
  r.get('/boats/:id/plan', async (req, res) => void res.json(await planned(req, res)))
  r.get(
    '/boats/:id/plan.csv',
    async (req, res) =>
      void attachment(res, 'plan.csv', 'text/csv; charset=utf-8').send(planCsv(await planned(req, res))),
  )
  r.get(
    '/boats/:id/plan.ics',
    async (req, res) =>
      void attachment(res, 'plan.ics', 'text/calendar; charset=utf-8').send(planIcs(await planned(req, res))),
  )
  r.get(
    '/boats/:id/parts',
    async (req, res) => void res.json(await partsOf(req.account!, String(req.params.id))),
  )
  r.get('/boats/:id/parts.csv', async (req, res) => {
    const parts = await partsOf(req.account!, String(req.params.id))
    attachment(res, `${parts.boat} parts.csv`, 'text/csv; charset=utf-8').send(partsCsv(parts))
  })
  r.get('/boats/:id/watch', async (req, res) => {
    const gone = new AbortController()
    res.on('close', () => gone.abort())
    res.json(await watchOf(req.account!, String(req.params.id), req.query, gone.signal))
  })
  return r
}
