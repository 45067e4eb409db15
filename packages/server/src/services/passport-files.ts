import { strToU8 } from 'fflate'
import Papa from 'papaparse'
import { boatMap } from '@north-tide/core'
import { breath } from '../breath'
import { safeCell } from '../csv'
import { ApiError } from '../errors'
import { Photo, User } from '../models'
import { zipTo, type Put } from '../zip-stream'
import { printed } from '../pdf/pool'
import { accountNow, must, type Account } from './access'
import { boatById, boatPicture } from './boats'
import { askTask, taskKind, type Say, type TaskShown } from './tasks'
import { makePassport, readPassport, type PassportRead, type Sealed } from './passport'
import { paper } from './settings'

/** The passport on paper, and all of it in one box: the sealed file, the paper, a table, the pictures. */
async function onPaper(who: Account, boatId: string, p: Sealed, read: PassportRead) {
  const b = await boatPicture(who, boatId)
  const all = {
    ...read,
    boat: b.name,
    units: b.units,
    map: boatMap(b),
    seal: p.seal,
    printedAt: new Date(p.madeAt),
  }
  return printed('passport', all, await paper())
}
export async function passportPdf(who: Account, boatId: string) {
  const read = await readPassport(who, boatId)
  const p = await makePassport(who, boatId, 'none', read)
  return onPaper(who, boatId, p, read)
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
/** The whole of it as work that nobody waits for with the page open. */
export async function askPassport(who: Account, boatId: string): Promise<TaskShown> {
  must(who, 'read', boatId)
  await boatById(boatId)
  return askTask(who, 'passport', { boatId })
}
taskKind('passport', async (t, say, put) => {
  const { boatId } = t.ask as { boatId: string }
  const user = await User.findOne({ where: { login: t.askedLogin } })
  const who = user && (await accountNow(user.id))
  if (!who) throw new ApiError(409, 'gone', 'Whoever asked for it is not here any more')
  await say(0, 3, 'reading every hole')
  const boat = await boatById(boatId)
  await passportZip(who, boatId, put, say)
  return { name: `${boat.name} passport.zip`, mime: 'application/zip' }
})
const SAID_EVERY = 20
/** The sealed file first, its pictures beside it by name and sum: one of them is in memory at a time. */
export async function passportZip(who: Account, boatId: string, put: Put, say?: Say): Promise<void> {
  const read = await readPassport(who, boatId)
  const p = await makePassport(who, boatId, 'beside', read)
  const { photos } = p.boat
  const total = photos.length + 2
  const zip = zipTo(put)
  await zip.add('passport.json', strToU8(JSON.stringify(p)))
  await zip.add('holes.csv', strToU8(csvOf(read.holes)))
  await say?.(1, total, 'the paper')
  await zip.add('passport.pdf', await onPaper(who, boatId, p, read), true)
  const ids = await Photo.findAll({ where: { boatId }, attributes: ['id'], order: [['id', 'ASC']] })
  const pictureAt = (i: number) => {
    if (i >= photos.length) return null
    const asked = Photo.findByPk(ids[i]!.id, { attributes: ['original'] })
    // It is waited for below; until then nobody hears that it failed.
    asked.catch(() => undefined)
    return asked
  }
  // The next is on its way while one is packed.
  let next = pictureAt(0)
  for (const [i, f] of photos.entries()) {
    if (i % SAID_EVERY === 0) await say?.(2 + i, total, 'the pictures')
    const picture = await next
    next = pictureAt(i + 1)
    await zip.add(f.file!, picture!.original, true)
    await breath()
  }
  await zip.end()
}
