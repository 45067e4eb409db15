import Papa from 'papaparse'
import { strToU8 } from 'fflate'
import { boatMap, toSvg } from '@north-tide/core'
import { goodsToFile } from '@north-tide/core/through-hull'
import { breath } from '../breath'
import { safeCell } from '../csv'
import { Boat, Photo, User } from '../models'
import { table } from '../parts'
import { EVENT_FIELDS, happenings, HOLE_FIELDS, summed } from '../register-rows'
import { zipTo, type Put } from '../zip-stream'
import { listPeople } from './accounts'
import { accountNow, must, type Account } from './access'
import { ApiError } from '../errors'
import { boatPicture } from './boats'
import { listFitters } from './fitters'
import { ownGoods } from './goods'
import { habits, ownHardware } from './hardware'
import { lotsCsv } from './lots'
import { listOrders } from './orders'
import { registerOf } from './register'
import { pricesOfYard } from './settings'
import { listSheets } from './sheets'
import { shelfCsv } from './shelf'
import { askTask, taskKind, type Say, type TaskShown } from './tasks'
import { exportBoat } from './whole-boat-out'
import { yardValues } from './yard'

/**
 * The whole yard as files that anybody can read: to look into without this program, or to leave it. A backup
 * is another thing: it goes back into a database as it was, and this does not.
 */
const READ_ME = `This yard as open files, mm, N and degrees Celsius throughout.

boats/ID/boat.json         the whole boat (north-tide-boat), pictures beside it by name and SHA-256
boats/ID/register.csv      a line a hole
boats/ID/events.csv        a line for each thing that happened to one
boats/ID/map.svg           the map with every hole's number, full size
stores/                    lots and shelf as tables, sheets and orders as JSON
yard/                      own hardware and parts, own values with their reasons, habits, prices, hours
people.csv                 who has an account, without passwords

A boat is read into another yard from boat.json with photos/ beside it, packed as one ZIP.
`
type Zip = ReturnType<typeof zipTo>
const json = (v: unknown) => strToU8(`${JSON.stringify(v, null, 1)}\n`)
async function textOf(parts: AsyncIterable<string>): Promise<Uint8Array> {
  const out: string[] = []
  for await (const p of parts) out.push(p)
  return strToU8(out.join(''))
}
async function boatInto(zip: Zip, who: Account, id: string) {
  const at = `boats/${id}`
  const file = await exportBoat(who, id, 'beside')
  await zip.add(`${at}/boat.json`, json(file))
  for (const [name, fields, rows] of [
    ['register', HOLE_FIELDS, summed],
    ['events', EVENT_FIELDS, happenings],
  ] as const) {
    const { parts } = await registerOf(who, id)
    await zip.add(`${at}/${name}.csv`, await textOf(table([...fields], parts, rows)))
  }
  await zip.add(`${at}/map.svg`, strToU8(toSvg(boatMap(await boatPicture(who, id)))))
  const ids = await Photo.findAll({ where: { boatId: id }, attributes: ['id'], order: [['id', 'ASC']] })
  for (const [i, f] of file.photos.entries()) {
    const picture = await Photo.findByPk(ids[i]!.id, { attributes: ['original'] })
    await zip.add(`${at}/${f.file!}`, picture!.original, true)
    await breath()
  }
}
async function storesInto(zip: Zip, who: Account) {
  await zip.add('stores/lots.csv', strToU8(await lotsCsv(who)))
  await zip.add('stores/shelf.csv', strToU8(await shelfCsv(who)))
  await zip.add('stores/sheets.json', json(await listSheets(who)))
  await zip.add('stores/orders.json', json(await listOrders(who)))
}
async function yardInto(zip: Zip, who: Account) {
  const hardware = { format: 'north-tide-hardware', version: 1, hardware: await ownHardware() }
  await zip.add('yard/hardware.json', json(hardware))
  await zip.add('yard/through-hull-parts.json', json(goodsToFile(await ownGoods())))
  const [values, kept, prices, fitters] = await Promise.all([
    yardValues(),
    habits(),
    pricesOfYard(),
    listFitters(),
  ])
  await zip.add('yard/values.json', json({ values, habits: kept, prices }))
  await zip.add('yard/hours.json', json(fitters))
  const people = (await listPeople(who)).map((p) =>
    Object.fromEntries(
      Object.entries(p).map(([k, v]) => [
        k,
        safeCell(v !== null && typeof v === 'object' ? JSON.stringify(v) : v),
      ]),
    ),
  )
  await zip.add('people.csv', strToU8(Papa.unparse(people)))
}
/** All of it, one file in memory at a time. */
export async function yardBox(who: Account, put: Put, say?: Say): Promise<void> {
  must(who, 'people')
  const boats = await Boat.findAll({ attributes: ['id', 'name'], order: [['id', 'ASC']] })
  const zip = zipTo(put)
  await zip.add('READ-ME.txt', strToU8(READ_ME))
  for (const [i, b] of boats.entries()) {
    await say?.(i, boats.length + 1, b.name)
    await boatInto(zip, who, b.id)
  }
  await say?.(boats.length, boats.length + 1, 'stores and people')
  await storesInto(zip, who)
  await yardInto(zip, who)
  await zip.end()
}
export async function askYardBox(who: Account): Promise<TaskShown> {
  must(who, 'people')
  return askTask(who, 'yard', {})
}
taskKind('yard', async (t, say, put) => {
  const user = await User.findOne({ where: { login: t.askedLogin } })
  const who = user && (await accountNow(user.id!))
  if (!who) throw new ApiError(409, 'gone', 'Whoever asked for it is not here any more')
  await yardBox(who, put, say)
  return { name: 'the yard.zip', mime: 'application/zip' }
})
