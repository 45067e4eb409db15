import express, { Router } from 'express'
import { happened, pastBoat, pastDesign } from '../services/history'
import { campaign } from '../services/campaign'
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

import { companionwaySheet } from '../pdf/companionway-sheet'
import { checkPassport, makePassport, readPassport } from '../services/passport'
import { passportPdf, passportZip } from '../services/passport-files'
import { companionway, hangPaper, papersOf } from '../services/papers'
import { attachment, sendMade } from './files'
import { goneOf } from './gone'
import { soundBody } from '../sound'
import { answerNote, listNotes, writeNote } from '../services/notes'
import { beginProof, listProofs, tellProof } from '../services/proofs'
import { putAway } from '../services/put-away'
import { trendsOf } from '../services/trends'
import { must } from '../services/access'
import { putAfloat, readValves, yardWatch } from '../services/watch'
import { paper } from '../services/settings'

const wholeBoat = express.json({ limit: '250mb' })
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
/** What goes along with the boat: the sheet by the companionway, her passport. */
function paperRoutes(r: Router) {
  r.get('/boats/:id/papers', async (q, res) => void res.json(await papersOf(q.account!, q.params.id)))
  r.post(
    '/boats/:id/papers',
    async (q, res) => void res.status(201).json(await hangPaper(q.account!, q.params.id, q.body)),
  )
  r.get('/boats/:id/companionway.pdf', async (q, res) => {
    const s = await companionway(q.account!, q.params.id)
    attachment(res, `${s.boat} through-hulls.pdf`, 'application/pdf')
    companionwaySheet(s, new Date(), await paper()).pipe(res)
  })
  r.get('/boats/:id/passport', async (q, res) => {
    const { facts } = await readPassport(q.account!, q.params.id)
    res.json({ facts })
  })
  r.get('/boats/:id/passport.json', async (q, res) => {
    const p = await makePassport(q.account!, q.params.id, q.query.photos === 'no' ? 'none' : 'inside')
    attachment(res, `${p.boat.boat.name} passport.json`, 'application/json').send(JSON.stringify(p))
  })
  r.get('/boats/:id/passport.pdf', async (q, res) => {
    const sheet = await passportPdf(q.account!, q.params.id)
    attachment(res, 'passport.pdf', 'application/pdf').send(sheet)
  })
  r.get('/boats/:id/passport.zip', async (q, res) => {
    must(q.account!, 'read', q.params.id)
    await sendMade(attachment(res, 'passport.zip', 'application/zip'), (put) =>
      passportZip(q.account!, q.params.id, put),
    )
  })
  r.post(
    '/passports/check',
    wholeBoat,
    soundBody,
    async (q, res) => void res.json(await checkPassport(q.body)),
  )
}
/** Proofs by hose, soap and pull; what is handed over, and what an owner is asked. */
function proofRoutes(r: Router) {
  r.get(
    '/boats/:id/proofs',
    async (q, res) => void res.json({ proofs: await listProofs(q.account!, q.params.id) }),
  )
  r.post(
    '/boats/:id/proofs',
    async (q, res) => void res.status(201).json(await beginProof(q.account!, q.params.id, q.body)),
  )
  r.put(
    '/proofs/:proof',
    async (q, res) => void res.json(await tellProof(q.account!, Number(q.params.proof), q.body)),
  )
  r.get(
    '/boats/:id/notes',
    async (q, res) => void res.json({ notes: await listNotes(q.account!, q.params.id) }),
  )
  r.post(
    '/boats/:id/notes',
    async (q, res) => void res.status(201).json(await writeNote(q.account!, q.params.id, q.body)),
  )
  r.put(
    '/notes/:note',
    async (q, res) => void res.json(await answerNote(q.account!, Number(q.params.note), q.body)),
  )
  r.put('/boats/:id/archive', async (q, res) => void res.json(await putAway(q.account!, q.params.id, q.body)))
}
/** The boat as she was, and what happened since. */
function pastRoutes(r: Router) {
  r.get(
    '/boats/:id/happened',
    async (q, res) => void res.json(await happened(q.account!, q.params.id, q.query)),
  )
  r.get('/boats/:id/past', async (q, res) => void res.json(await pastBoat(q.account!, q.params.id, q.query)))
  r.get('/boats/:id/past/:fitting', async (q, res) => {
    res.json(await pastDesign(q.account!, q.params.id, q.params.fitting, q.query))
  })
}
export function watchRoutes(): Router {
  const r = Router()
  leakRoutes(r)
  proofRoutes(r)
  pastRoutes(r)
  paperRoutes(r)
  r.post('/boats/:id/launches', async (q, res) => {
    res.status(201).json(await putAfloat(q.account!, q.params.id, q.body, goneOf(res)))
  })
  r.post('/boats/:id/valves/read', async (q, res) => {
    res.json(await readValves(q.account!, q.params.id, q.body, goneOf(res)))
  })
  r.get('/boats/:id/campaign', async (q, res) => void res.json(await campaign(q.account!, q.params.id)))
  r.get('/watch', async (q, res) => void res.json(await yardWatch(q.account!, q.query, goneOf(res))))
  r.get(
    '/boats/:id/trends',
    async (q, res) => void res.json(await trendsOf(q.account!, q.params.id, q.query)),
  )
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
