import { Router, type Request, type Response } from 'express'
import { addFeed, listFeeds, readFeed, revokeFeed } from '../services/feeds'
import { addFitter, changeFitter, listFitters, removeFitter } from '../services/fitters'
import { addHold, changeHold, listHolds } from '../services/holds'
import { partsCsv, partsOf } from '../services/parts'
import { dropOffer, movePlanned, planView, takeOffer, undoPlan } from '../services/plan'
import { daySheetOf, planCsv, planIcs, planToCarry } from '../services/plan-files'
import { askPlan, cancelPlan, planJob } from '../services/plan-job'
import { forecastByCsv, forecastBySimulation, weatherReading, weatherStrip } from '../services/weather'
import { watchOf } from '../services/watch'
import { attachment } from './files'
import { goneOf } from './gone'

type Answer = (q: Request<Record<string, string>>, res: Response) => Promise<unknown>
const json =
  (answer: Answer, status = 200) =>
  async (req: Request, res: Response) =>
    void res.status(status).json(await answer(req as Request<Record<string, string>>, res))

/** The plan of the yard, kept and offered; who works, what holds, what the weather is to be. */
function yardPlan(r: Router) {
  r.get(
    '/plan',
    json((q) => planView(q.account!)),
  )
  r.post(
    '/plan/jobs',
    json((q) => askPlan(q.account!, q.body), 202),
  )
  r.get(
    '/plan/jobs/:job',
    json((q) => planJob(q.account!, q.params.job!)),
  )
  r.delete(
    '/plan/jobs/:job',
    json((q) => cancelPlan(q.account!, q.params.job!)),
  )
  r.post(
    '/plan/offers/:offer/take',
    json((q) => takeOffer(q.account!, Number(q.params.offer))),
  )
  r.delete(
    '/plan/offers/:offer',
    json((q) => dropOffer(q.account!, Number(q.params.offer))),
  )
  r.post(
    '/plan/moves',
    json((q, res) => movePlanned(q.account!, q.body, goneOf(res))),
  )
  r.post(
    '/plan/undo',
    json((q) => undoPlan(q.account!, q.body)),
  )
  r.get('/plan.csv', async (req, res) => {
    const { plan } = await planToCarry(req.account!, req.query)
    attachment(res, 'plan.csv', 'text/csv; charset=utf-8').send(planCsv(plan))
  })
  r.get('/plan.ics', async (req, res) => {
    const { plan } = await planToCarry(req.account!, req.query)
    attachment(res, 'plan.ics', 'text/calendar; charset=utf-8').send(planIcs(plan, 'the weeks'))
  })
  r.get('/plan/day.pdf', async (req, res) => {
    const { day, doc } = await daySheetOf(req.account!, req.query)
    attachment(res, `${day}.pdf`, 'application/pdf')
    doc.pipe(res)
  })
}
function yardHours(r: Router) {
  r.get(
    '/fitters',
    json(async () => ({ fitters: await listFitters() })),
  )
  r.post(
    '/fitters',
    json(async (q) => ({ fitters: await addFitter(q.account!, q.body) }), 201),
  )
  r.put(
    '/fitters/:fitter',
    json(async (q) => ({ fitters: await changeFitter(q.account!, Number(q.params.fitter), q.body) })),
  )
  r.delete(
    '/fitters/:fitter',
    json(async (q) => ({ fitters: await removeFitter(q.account!, Number(q.params.fitter)) })),
  )
  r.post(
    '/weather/csv',
    json((q) => forecastByCsv(q.account!, q.body)),
  )
  r.post(
    '/weather/simulated',
    json((q) => forecastBySimulation(q.account!)),
  )
  r.post(
    '/weather/windows',
    json((q) => weatherStrip(q.account!, q.body)),
  )
  r.post(
    '/weather/readings',
    json((q) => weatherReading(q.account!, q.body)),
  )
}
function feeds(r: Router) {
  r.get(
    '/feeds',
    json(async (q) => ({ feeds: await listFeeds(q.account!) })),
  )
  r.post(
    '/feeds',
    json((q) => addFeed(q.account!, q.body), 201),
  )
  r.delete(
    '/feeds/:feed',
    json(async (q) => ({ feeds: await revokeFeed(q.account!, Number(q.params.feed)) })),
  )
}
/** Asked by a calendar that knows the address, and by nobody's session. */
export function feedRoutes(): Router {
  const r = Router()
  r.get('/feeds/:secret.ics', async (req, res) => {
    const text = await readFeed(req.params.secret)
    res.set('Cache-Control', 'no-store').type('text/calendar; charset=utf-8').send(text)
  })
  return r
}

/** What is to be done when and with what, and what has to be looked at. */
export function planRoutes(): Router {
  const r = Router()
  yardPlan(r)
  yardHours(r)
  feeds(r)
  r.get(
    '/boats/:id/holds',
    json(async (q) => ({ holds: await listHolds(q.account!, q.params.id!) })),
  )
  r.post(
    '/boats/:id/holds',
    json((q) => addHold(q.account!, q.params.id!, q.body), 201),
  )
  r.put(
    '/holds/:hold',
    json((q) => changeHold(q.account!, Number(q.params.hold), q.body)),
  )
  r.get(
    '/boats/:id/parts',
    json((q) => partsOf(q.account!, q.params.id!)),
  )
  r.get('/boats/:id/parts.csv', async (req, res) => {
    const parts = await partsOf(req.account!, String(req.params.id))
    attachment(res, `${parts.boat} parts.csv`, 'text/csv; charset=utf-8').send(partsCsv(parts))
  })
  r.get(
    '/boats/:id/watch',
    json((q, res) => watchOf(q.account!, q.params.id!, q.query, goneOf(res))),
  )
  return r
}
