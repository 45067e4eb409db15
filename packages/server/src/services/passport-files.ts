import { zip, strToU8, type AsyncZippable } from 'fflate'
import Papa from 'papaparse'
import { boatMap } from '@north-tide/core'
import { safeCell } from '../csv'
import { ApiError } from '../errors'
import { Photo, User } from '../models'
import { passportSheet } from '../pdf/passport-sheet'
import { accountNow, must, type Account } from './access'
import { boatById, boatPicture } from './boats'
import { askTask, taskKind, type Say, type TaskShown } from './tasks'
import { makePassport, readPassport, type PassportRead, type Sealed } from './passport'

/** The passport on paper, and all of it in one box: the sealed file, the paper, a table, the pictures. */
async function paper(who: Account, boatId: string, p: Sealed, read: PassportRead) {
  const b = await boatPicture(who, boatId)
  return passportSheet({
    ...read,
    boat: b.name,
    units: b.units,
    map: boatMap(b),
    seal: p.seal,
    printedAt: new Date(p.madeAt),
  })
}
export async function passportPdf(who: Account, boatId: string) {
  const [p, read] = await Promise.all([makePassport(who, boatId, false), readPassport(who, boatId)])
  return paper(who, boatId, p, read)
}
const COLUMNS = [
  'label',
  'whatFor',
  'state',
  'since',
  'zone',
  'xMm',
  'yMm',
  'zMm',
  'diameterMm',
  'through',
  'fastener',
  'plate',
  'sealant',
  'bedded',
  'lastLook',
  'who',
] as const
const csvOf = (holes: PassportRead['holes']) =>
  Papa.unparse({
    fields: [...COLUMNS],
    data: holes.map((h) => COLUMNS.map((c) => safeCell(h[c] ?? ''))),
  })
const bytesOf = (doc: PDFKit.PDFDocument) =>
  new Promise<Uint8Array>((done, failed) => {
    const parts: Buffer[] = []
    doc.on('data', (d: Buffer) => parts.push(d))
    doc.on('end', () => done(new Uint8Array(Buffer.concat(parts))))
    doc.on('error', failed)
  })
const ENDING: Record<string, string> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' }
async function pictures(boatId: string): Promise<AsyncZippable> {
  const out: AsyncZippable = {}
  const photos = await Photo.findAll({ where: { boatId, withdrawnWhy: null }, order: [['id', 'ASC']] })
  for (const f of photos) {
    const name = `photos/${f.id} ${f.subject} ${f.subjectId}.${ENDING[f.mime] ?? 'bin'}`
    // A picture is packed already.
    out[name] = [new Uint8Array(f.original), { level: 0 }]
  }
  return out
}
/** The whole of it as work that nobody waits for with the page open. */
export async function askPassport(who: Account, boatId: string): Promise<TaskShown> {
  must(who, 'read', boatId)
  await boatById(boatId)
  return askTask(who, 'passport', { boatId })
}
taskKind('passport', async (t, say) => {
  const { boatId } = t.ask as { boatId: string }
  const user = await User.findOne({ where: { login: t.askedLogin } })
  const who = user && (await accountNow(user.id))
  if (!who) throw new ApiError(409, 'gone', 'Whoever asked for it is not here any more')
  await say(0, 3, 'reading every hole')
  const bytes = await passportZip(who, boatId, say)
  const boat = await boatById(boatId)
  return { name: `${boat.name} passport.zip`, mime: 'application/zip', bytes: Buffer.from(bytes) }
})
export async function passportZip(who: Account, boatId: string, say?: Say): Promise<Uint8Array> {
  const [p, read] = await Promise.all([makePassport(who, boatId, true), readPassport(who, boatId)])
  await say?.(1, 3, 'the paper and the pictures')
  const files: AsyncZippable = {
    'passport.json': strToU8(JSON.stringify(p)),
    'passport.pdf': [await bytesOf(await paper(who, boatId, p, read)), { level: 0 }],
    'holes.csv': strToU8(csvOf(read.holes)),
    ...(await pictures(boatId)),
  }
  await say?.(2, 3, 'packing it')
  return new Promise((done, failed) => zip(files, (error, data) => (error ? failed(error) : done(data))))
}
