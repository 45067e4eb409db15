import express, { Router, type RequestHandler } from 'express'
import multer from 'multer'
import Papa from 'papaparse'
import { boatMap, toSvg, type Drawing, MAP_LAYERS } from '@north-tide/core'
import { toDxf } from '@north-tide/core/dxf'
import { ApiError } from '../errors'
import { printed } from '../pdf/pool'
import { addAngle, anglesOf, dropAngle, schedule } from '../services/angles'
import {
  addPart,
  addZone,
  createBoat,
  removeBoat,
  removePart,
  removeZone,
  saveBoat,
  savePart,
  saveZone,
} from '../services/boat-book'
import { saveStations } from '../services/stations'
import { boatPicture } from '../services/boats'
import { addFound } from '../services/found'
import { HOLE_COLUMNS, importHoles } from '../services/found-list'
import { lineFromDxf, outlineFromDxf } from '../services/outline'
import { MOST_BYTES, addPhoto, photoBytes, photosOf, withdrawPhoto } from '../services/photos'
import { addReading, readingsOf, withdrawReading } from '../services/readings'
import { jobOf } from '../services/asked'
import { importBoat } from '../services/whole-boat-in'
import { must } from '../services/access'
import { exportBoat } from '../services/whole-boat-out'
import { safeCell } from '../csv'
import { soundBody } from '../sound'
import { attachment } from './files'
import { paper } from '../services/settings'

const upload = multer({
  storage: multer.memoryStorage(),
  limits: { fileSize: MOST_BYTES, files: 1, fields: 8, fieldSize: 2000 },
}).single('file')
const onePhoto: RequestHandler = (req, res, next) =>
  upload(req, res, (error: unknown) => {
    const code = (error as { code?: string } | null)?.code
    if (code === 'LIMIT_FILE_SIZE')
      return next(
        new ApiError(413, 'too-large', 'This picture is larger than 12 MB; that is the most', 'file'),
      )
    if (error)
      return next(
        new ApiError(400, 'invalid-input', 'This upload cannot be read; send one picture as "file"', 'file'),
      )
    next()
  })
/** A whole boat with its photos is larger than any form. */
const wholeBoat: express.RequestHandler[] = [
  express.json({ limit: '250mb' }),
  express.raw({ type: ['application/zip', 'application/x-zip-compressed'], limit: '1200mb' }),
]
/** Whoever may not is told before a byte of it is read. */
const mayBook: express.RequestHandler = (req, _res, next) => {
  must(me(req), 'boat-book')
  next()
}

const me = (req: express.Request) => req.account!

function boatBookRoutes(r: Router) {
  r.post('/boats', async (req, res) => void res.status(201).json(await createBoat(me(req), req.body)))
  r.put('/boats/:id', async (req, res) => void res.json(await saveBoat(me(req), req.params.id, req.body)))
  r.delete(
    '/boats/:id',
    async (req, res) => void (await removeBoat(me(req), req.params.id), res.status(204).end()),
  )
  r.put(
    '/boats/:id/stations',
    async (req, res) => void res.json(await saveStations(me(req), req.params.id, req.body)),
  )
  r.post(
    '/boats/:id/outline.dxf',
    express.text({ type: () => true, limit: '8mb' }),
    async (req, res) =>
      void res.json(
        await outlineFromDxf(me(req), req.params.id, typeof req.body === 'string' ? req.body : ''),
      ),
  )
}

function lineRoutes(r: Router) {
  // It is read and given back: nothing of the boat changes.
  r.post(
    '/boats/:id/line.dxf',
    express.text({ type: () => true, limit: '8mb' }),
    (req, res) =>
      void res.json(lineFromDxf(me(req), req.params.id, typeof req.body === 'string' ? req.body : '')),
  )
}

function zoneRoutes(r: Router) {
  r.post(
    '/boats/:id/zones',
    async (req, res) => void res.status(201).json(await addZone(me(req), req.params.id, req.body)),
  )
  r.put(
    '/boats/:id/zones/:zone',
    async (req, res) =>
      void res.json(await saveZone(me(req), req.params.id, Number(req.params.zone), req.body)),
  )
  r.delete(
    '/boats/:id/zones/:zone',
    async (req, res) => void res.json(await removeZone(me(req), req.params.id, Number(req.params.zone))),
  )
  r.post(
    '/boats/:id/structure',
    async (req, res) => void res.status(201).json(await addPart(me(req), req.params.id, req.body)),
  )
  r.put(
    '/boats/:id/structure/:part',
    async (req, res) =>
      void res.json(await savePart(me(req), req.params.id, Number(req.params.part), req.body)),
  )
  r.delete(
    '/boats/:id/structure/:part',
    async (req, res) => void res.json(await removePart(me(req), req.params.id, Number(req.params.part))),
  )
  r.get(
    '/boats/:id/rejudge/:job',
    async (req, res) => void res.json(await jobOf(me(req), req.params.id, Number(req.params.job))),
  )
}

function readingRoutes(r: Router) {
  r.get('/boats/:id/readings', async (req, res) => void res.json(await readingsOf(me(req), req.params.id)))
  r.post(
    '/boats/:id/readings',
    async (req, res) => void res.status(201).json(await addReading(me(req), req.params.id, req.body)),
  )
  r.post(
    '/boats/:id/readings/:reading/withdraw',
    async (req, res) =>
      void res.json(await withdrawReading(me(req), req.params.id, Number(req.params.reading), req.body)),
  )
}

function angleRoutes(r: Router) {
  r.get('/boats/:id/angles', async (req, res) => void res.json(await anglesOf(me(req), req.params.id)))
  r.post(
    '/boats/:id/angles',
    async (req, res) => void res.status(201).json(await addAngle(me(req), req.params.id, req.body)),
  )
  r.delete(
    '/boats/:id/angles/:reading',
    async (req, res) => void res.json(await dropAngle(me(req), req.params.id, Number(req.params.reading))),
  )
  r.get('/boats/:id/angles.csv', async (req, res) => {
    const s = await schedule(me(req), req.params.id)
    const pair = (id: string, axis: string) => s.pairs.find((p) => p.id === id && p.axis === axis)
    const data = s.stations.map((q) => ({
      station: safeCell(q.id),
      side: q.side,
      axis: q.axis,
      readingDeg: q.readingDeg.toFixed(2),
      trueDeg: q.trueDeg.toFixed(2),
      bendToDeg: q.bracketDeg.toFixed(2),
      differenceDeg: pair(q.id, q.axis)?.differenceDeg.toFixed(2) ?? '',
      flags: q.flags.join(' '),
    }))
    attachment(res, 'angles.csv', 'text/csv; charset=utf-8').send(
      `${Papa.unparse({ fields: ['station', 'side', 'axis', 'readingDeg', 'trueDeg', 'bendToDeg', 'differenceDeg', 'flags'], data }, { newline: '\n' })}\n`,
    )
  })
  r.get('/boats/:id/angles.dxf', async (req, res) => {
    const s = await schedule(me(req), req.params.id)
    attachment(res, 'angles.dxf', 'image/vnd.dxf').send(
      toDxf(angleSheet(s), ['BEND', 'TEXT'], (q) => (q.kind === 'text' ? 'TEXT' : 'BEND')),
    )
  })
}

function foundRoutes(r: Router) {
  r.post(
    '/boats/:id/penetrations',
    async (req, res) => void res.status(201).json(await addFound(me(req), req.params.id, req.body)),
  )
  r.post(
    '/boats/:id/penetrations/import',
    async (req, res) => void res.json(await importHoles(me(req), req.params.id, req.body)),
  )
  r.get('/hole-columns', (_req, res) => void res.json(HOLE_COLUMNS))
}

function photoRoutes(r: Router) {
  r.get('/boats/:id/photos', async (req, res) => void res.json(await photosOf(me(req), req.params.id)))
  r.post(
    '/boats/:id/photos',
    onePhoto,
    async (req, res) =>
      void res
        .status(201)
        .json(await addPhoto(me(req), String(req.params.id), req.file?.buffer, { ...(req.body as object) })),
  )
  r.get('/photos/:id/:size', async (req, res, next) => {
    const size = req.params.size
    if (size !== 'small' && size !== 'large' && size !== 'original') return next()
    const p = await photoBytes(me(req), Number(req.params.id), size)
    res.set({ 'Content-Type': p.mime, 'Cache-Control': 'private, max-age=86400, immutable' }).send(p.bytes)
  })
  r.post(
    '/photos/:id/withdraw',
    async (req, res) =>
      void (await withdrawPhoto(me(req), Number(req.params.id), req.body), res.status(204).end()),
  )
}

function fileRoutes(r: Router) {
  r.get('/boats/:id/boat.json', async (req, res) => {
    const f = await exportBoat(me(req), req.params.id, req.query.photos === 'no' ? 'none' : 'inside')
    attachment(res, `${f.boat.name}.json`, 'application/json').send(JSON.stringify(f, null, 1))
  })
  r.post(
    '/boats/import',
    mayBook,
    wholeBoat,
    soundBody,
    async (req: express.Request, res: express.Response) =>
      void res.status(201).json(await importBoat(me(req), req.body)),
  )

  r.get('/boats/:id/map.:kind', async (req: express.Request<{ id: string; kind: string }>, res, next) => {
    const b = await boatPicture(me(req), req.params.id)
    const units = req.query.units === 'inch' || req.query.units === 'metric' ? req.query.units : b.units
    const d = boatMap({ ...b, units })
    const kind = req.params.kind
    if (kind === 'svg') return void attachment(res, `${b.name} map.svg`, 'image/svg+xml').send(toSvg(d))
    if (kind === 'dxf')
      return void attachment(res, `${b.name} map.dxf`, 'image/vnd.dxf').send(
        toDxf(d, MAP_LAYERS, (s) => s.role ?? 'TEXT'),
      )
    if (kind === 'pdf') {
      const { name, holes } = b
      const sheet = await printed('map', d, { name, holes }, units, new Date(), await paper())
      return void attachment(res, `${name} map.pdf`, 'application/pdf').send(sheet)
    }
    next()
  })
}

export function surveyRoutes(): Router {
  const r = Router()
  for (const add of [
    boatBookRoutes,
    lineRoutes,
    zoneRoutes,
    readingRoutes,
    angleRoutes,
    foundRoutes,
    photoRoutes,
    fileRoutes,
  ])
    add(r)
  return r
}

/** Each bracket as the angle to bend, side by side: base flat, post outboard. */
function angleSheet(s: Awaited<ReturnType<typeof schedule>>): Drawing {
  const shapes: Drawing['shapes'] = []
  s.stations.forEach((q, i) => {
    const [x, y] = [(i % 4) * 200, -Math.floor(i / 4) * 170]
    const a = (q.bracketDeg * Math.PI) / 180
    shapes.push(
      {
        kind: 'path',
        points: [
          { x: x + 80, y },
          { x, y },
          { x: x + 100 * Math.cos(a), y: y + 100 * Math.sin(a) },
        ],
        weight: 'outline',
      },
      { kind: 'text', at: { x, y: y - 14 }, text: `${q.id} ${q.side} ${q.axis}`, size: 8, anchor: 'start' },
      {
        kind: 'text',
        at: { x, y: y - 26 },
        text: `bend to ${q.bracketDeg.toFixed(1)} deg${q.flagged ? `, ${q.flags.join(' ')}` : ''}`,
        size: 8,
        anchor: 'start',
      },
    )
  })
  return {
    title: 'Angles',
    description: '',
    bounds: { minX: -100, maxX: 800, minY: -1000, maxY: 120 },
    shapes,
    legend: [],
    textMm: 8,
    scaleBarMm: 100,
  }
}
