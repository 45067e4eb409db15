import { copyFitting } from '../services/copies'
import { Router, type Request, type Response } from 'express'
import Papa from 'papaparse'
import { TEMPLATE_LAYERS, toSvg, type Units } from '@north-tide/core'
import { toDxf } from '@north-tide/core/dxf'
import { safeCell } from '../csv'
import { ApiError } from '../errors'
import { fittingCard } from '../pdf/fitting-card'
import { templateSheet } from '../pdf/template-sheet'
import { importFitting, place, removeFitting, replaceFitting, saveFitting } from '../services/fittings'
import { designFile, readFitting, sheetOf, type FittingSheet } from '../services/opened'
import {
  beginFitting,
  buyFitting,
  decideFitting,
  logFitting,
  orderFitting,
  recordFitting,
  suspectFitting,
  unorderFitting,
} from '../services/work'
import { changeMembers, recordMembers, setMembers, tickMembers } from '../services/members'
import { tickFitting, untickFitting } from '../services/ticks'
import { attachment } from './files'
import { paper } from '../services/settings'

/** What a handler answers with, and how. */
type Answer = (req: Request<{ id: string; step: string }>) => Promise<unknown>
const json = (answer: Answer, status = 200) =>
  (async (req: Request<{ id: string; step: string }>, res: Response) =>
    void res.status(status).json(await answer(req))) as never

const unitsOf = (req: Request, sheet: FittingSheet): Units =>
  req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : sheet.boat.units

/** A mirrored template is never given for one that is not, nor the other way: another word is refused. */
function fromInside(req: Request): boolean {
  const asked = req.query.inside ?? 'no'
  if (asked === 'yes' || asked === 'no') return asked === 'yes'
  throw new ApiError(400, 'invalid-input', `inside is yes or no; "${String(asked)}" was given`, 'inside')
}
/** The template that is asked for, or the first there is; one that this design has not is said so. */
function templateAsked(req: Request, sheet: FittingSheet) {
  const { kind, design, judgement } = sheet
  const there = kind.templates(design, judgement)
  const asked = typeof req.query.what === 'string' ? req.query.what : there[0]
  if (asked === undefined || !there.includes(asked))
    throw new ApiError(
      asked !== undefined && /^[a-z-]{1,40}$/.test(asked) ? 409 : 400,
      'no-template',
      `This fitting has no ${(asked ?? 'template').replaceAll('-', ' ')} to cut${there.length ? `; it has ${there.join(', ').replaceAll('-', ' ')}` : ''}`,
      'what',
    )
  const units = unitsOf(req, sheet)
  return {
    what: asked,
    units,
    drawing: kind.template(design, judgement, asked, units, fromInside(req)),
    rows: kind.drill(design, judgement),
  }
}
async function template(req: Request<{ id: string; as: string }>, res: Response, next: () => void) {
  const sheet = await sheetOf(req.account!, req.params.id)
  const { what, units, drawing, rows } = templateAsked(req as never, sheet)
  const name = `${sheet.f.name} ${what}`
  switch (req.params.as) {
    case 'svg':
      return void attachment(res, `${name}.svg`, 'image/svg+xml').send(toSvg(drawing))
    case 'dxf':
      return void attachment(res, `${name}.dxf`, 'image/vnd.dxf').send(
        toDxf(drawing, TEMPLATE_LAYERS, (s) => s.role ?? 'MARK'),
      )
    case 'pdf': {
      const doc = templateSheet(drawing, await paper(req.query.paper), rows, units)
      attachment(res, `${name}.pdf`, 'application/pdf')
      return void doc.pipe(res)
    }
    case 'csv': {
      const named = attachment(res, `${sheet.f.name} drilling.csv`, 'text/csv; charset=utf-8')
      return void named.send(asCsv(rows as unknown as Record<string, unknown>[]))
    }
    default:
      next()
  }
}
const asCsv = (rows: Record<string, unknown>[]): string =>
  `${Papa.unparse(
    rows.map((r) => Object.fromEntries(Object.entries(r).map(([k, v]) => [k, safeCell(v)]))),
    { newline: '\n' },
  )}\n`
/** What it is set out by, as a table; a kind that is set out by its holes alone has its drill schedule. */
async function schedule(req: Request<{ id: string }>, res: Response) {
  const sheet = await sheetOf(req.account!, req.params.id)
  const rows = sheet.kind.schedule?.(sheet.design, sheet.judgement)
  if (!rows)
    throw new ApiError(
      409,
      'no-schedule',
      'This fitting is set out by its holes; its drill schedule says where',
    )
  attachment(res, `${sheet.f.name} schedule.csv`, 'text/csv; charset=utf-8').send(asCsv(rows))
}
async function drawing(req: Request<{ id: string; drawing: string }>, res: Response, next: () => void) {
  const sheet = await sheetOf(req.account!, req.params.id)
  const found = sheet.kind
    .drawings(sheet.design, sheet.judgement, unitsOf(req as never, sheet))
    .find((d) => d.id === req.params.drawing)
  if (!found) return next()
  attachment(res, `${sheet.f.name} ${found.id}.svg`, 'image/svg+xml').send(toSvg(found.drawing))
}
async function card(req: Request<{ id: string }>, res: Response) {
  const sheet = await sheetOf(req.account!, req.params.id)
  const units = unitsOf(req as never, sheet)
  const doc = fittingCard({ ...sheet, units, printedAt: new Date(), paper: await paper() })
  attachment(res, `${sheet.f.name}.pdf`, 'application/pdf')
  doc.pipe(res)
}

/** Fittings of every kind have these addresses, and no kind has any other. */
export function fittingRoutes(): Router {
  const r = Router()
  const { post, get, put } = {
    post: (path: string, answer: Answer, status = 200) => r.post(path, json(answer, status)),
    get: (path: string, answer: Answer) => r.get(path, json(answer)),
    put: (path: string, answer: Answer) => r.put(path, json(answer)),
  }
  post('/boats/:id/fittings', (q) => place(q.account!, q.params.id, q.body), 201)
  post(
    '/boats/:id/fittings/import',
    (q) => importFitting(q.account!, q.params.id, q.body, q.query.kind as string | undefined),
    201,
  )
  get('/fittings/:id', (q) => readFitting(q.account!, q.params.id))
  put('/fittings/:id', (q) => saveFitting(q.account!, q.params.id, q.body))
  r.delete('/fittings/:id', async (req, res) => {
    await removeFitting(req.account!, req.params.id)
    res.status(204).end()
  })
  post('/fittings/:id/copy', (q) => copyFitting(q.account!, q.params.id, q.body), 201)
  post('/fittings/:id/replace', (q) => replaceFitting(q.account!, q.params.id, q.body), 201)
  post('/fittings/:id/record', async (q) => ({ holes: await recordFitting(q.account!, q.params.id) }), 201)
  post('/fittings/:id/suspect', (q) => suspectFitting(q.account!, q.params.id, q.body ?? {}))
  post('/fittings/:id/order', (q) => orderFitting(q.account!, q.params.id, q.body ?? {}))
  r.delete(
    '/fittings/:id/order',
    json((q) => unorderFitting(q.account!, q.params.id)),
  )
  post('/fittings/:id/bought', (q) => buyFitting(q.account!, q.params.id))
  post('/fittings/:id/begin', (q) => beginFitting(q.account!, q.params.id, q.body ?? {}))
  post('/fittings/:id/tick', (q) => tickFitting(q.account!, q.params.id, q.body))
  post('/fittings/:id/tick/:step/back', (q) =>
    untickFitting(q.account!, q.params.id, q.params.step, q.body ?? {}),
  )
  post('/fittings/:id/members', (q) => setMembers(q.account!, q.params.id))
  post('/fittings/:id/members/change', (q) => changeMembers(q.account!, q.params.id, q.body))
  post('/fittings/:id/members/tick', (q) => tickMembers(q.account!, q.params.id, q.body))
  post('/fittings/:id/members/record', (q) => recordMembers(q.account!, q.params.id, q.body))
  post('/fittings/:id/decide', (q) => decideFitting(q.account!, q.params.id, q.body), 201)
  post('/fittings/:id/log', (q) => logFitting(q.account!, q.params.id, q.body), 201)
  r.get('/fittings/:id/design.json', async (req, res) => {
    const { name, file } = await designFile(req.account!, req.params.id)
    attachment(res, `${name}.json`, 'application/json').send(JSON.stringify(file, null, 2))
  })
  r.get('/fittings/:id/template.:as', template)
  r.get('/fittings/:id/schedule.csv', schedule)
  r.get('/fittings/:id/card.pdf', card)
  // The name of the version before.
  r.get('/fittings/:id/spec.pdf', card)
  r.get('/fittings/:id/:drawing.svg', drawing)
  return r
}
