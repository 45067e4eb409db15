import { Router } from 'express'
import { keepFlood, listFloods } from '../services/floods'
import {
  changeLeak,
  endLeak,
  listLeaks,
  openLeak,
  testLeak,
  traceLeak,
  withdrawTest,
} from '../services/leaks'

import { trendsOf } from '../services/trends'

/** What is looked for and proved in a boat: drips with their tests, floods. */
function leakRoutes(r: Router) {
  r.get(
    '/boats/:id/leaks',
    async (q, res) => void res.json({ leaks: await listLeaks(q.account!, q.params.id) }),
  )
  r.post(
    '/boats/:id/leaks',
    async (q, res) => void res.status(201).json(await openLeak(q.account!, q.params.id, q.body)),
  )
  r.get('/leaks/:leak', async (q, res) => void res.json(await traceLeak(q.account!, Number(q.params.leak))))
  r.put(
    '/leaks/:leak',
    async (q, res) => void res.json(await changeLeak(q.account!, Number(q.params.leak), q.body)),
  )
  r.post(
    '/leaks/:leak/tests',
    async (q, res) => void res.status(201).json(await testLeak(q.account!, Number(q.params.leak), q.body)),
  )
  r.post('/leaks/:leak/tests/:test/withdraw', async (q, res) => {
    res.json(await withdrawTest(q.account!, Number(q.params.leak), Number(q.params.test), q.body))
  })
  r.post(
    '/leaks/:leak/end',
    async (q, res) => void res.json(await endLeak(q.account!, Number(q.params.leak), q.body)),
  )
}
export function watchRoutes(): Router {
  const r = Router()
  leakRoutes(r)
  r.get('/boats/:id/trends', async (q, res) => void res.json(await trendsOf(q.account!, q.params.id)))
  r.get(
    '/boats/:id/floods',
    async (q, res) => void res.json({ floods: await listFloods(q.account!, q.params.id) }),
  )
  r.post(
    '/boats/:id/floods',
    async (q, res) => void res.status(201).json(await keepFlood(q.account!, q.params.id, q.body)),
  )
  return r
}
