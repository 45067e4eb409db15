import { createHash } from 'node:crypto'
import { BaseError, type Transaction } from 'sequelize'
import { CalcError, parseInput, zoneCodeOf, type Kind } from '@north-tide/core'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import { parseFloodPlan } from '@north-tide/core/through-hull'
import { refusalOf } from '../database-errors'
import { ApiError } from '../errors'
import { Boat } from '../models'
import { PASSPORT_FORMAT, sealHolds } from './passport'
import { must, type Account } from './access'
import { askRejudge } from './asked'
import { lookInto } from './photos'
import { membersFirst, roundOf, snapshotWithin } from './snapshot'
import { judgeByHand, stored } from './verdict'
import { openBox, type Box } from './whole-boat-box'
import { bad, checkLinks } from './whole-boat-links'
import { floodAnswers } from './whole-boat-records'
import { askThumbnails } from './thumbnails'
import { writeBoat, type FileRead, type Look } from './whole-boat-write'
import { BOAT_VERSION, boatFile, type ReadBoat } from './whole-boat-shape'
import { upgradeBoat } from './whole-boat-upgrade'
import { logsOf } from './work-log'

/** All fittings of a boat that was just read, by their hand checks; the rest follows by the job. */
async function judgeRead(boat: Boat, transaction: Transaction) {
  const s = await snapshotWithin(boat, transaction)
  const logs = await logsOf(
    s.fittings.map((f) => f.id),
    transaction,
  )
  const round = roundOf(s)
  for (const f of membersFirst(s.fittings)) {
    const around = round.of(f.id, logs.get(f.id)!)
    const { ask: _ask, ...v } = judgeByHand(kindNamed(f.kind), s.designs.get(f.id)!, around)
    await f.update(stored(v), { transaction })
    round.turned(f)
  }
}

/** What is wrong inside is named at its place in the file. */
function atPath<T>(path: string, read: () => T): T {
  try {
    return read()
  } catch (error) {
    if (error instanceof CalcError)
      throw new CalcError(error.code, error.path ? `${path}.${error.path}` : path, error.message)
    throw error
  }
}
const atKind = (id: string, i: number): Kind => {
  try {
    return kindNamed(id)
  } catch (error) {
    throw error instanceof CalcError ? bad(`fittings.${i}.kind`, error.message) : error
  }
}

const inZone = <D extends { place: { zone: string | null } }>(v: ReadBoat, d: D): D => ({
  ...d,
  place: { ...d.place, zone: zoneCodeOf(v.zones, d.place.zone) },
})
/** In the file, or beside it under the name and with the sum that it says. */
function pictureOf(p: ReadBoat['photos'][number], path: string, beside: Box['pictures']): Buffer {
  if ((p.base64 === undefined) === (p.file === undefined))
    throw bad(path, 'A photo is in the file or beside it: one of "base64" and "file" is accepted')
  if (p.base64 !== undefined) return Buffer.from(p.base64, 'base64')
  const bytes = beside.get(p.file!)
  if (!bytes) throw bad(`${path}.file`, `"${p.file}" does not lie beside this file; read the whole box (ZIP)`)
  if (createHash('sha256').update(bytes).digest('hex') !== p.sha256)
    throw bad(`${path}.sha256`, `"${p.file}" is another picture than the one that was put in`)
  return Buffer.from(bytes)
}
/** The pictures of the file, each looked into before anything is written. */
async function looksOf(v: ReadBoat, beside: Box['pictures']): Promise<Look[]> {
  const looks: Look[] = []
  for (const [i, p] of v.photos.entries()) {
    try {
      looks.push(await lookInto(pictureOf(p, `photos.${i}`, beside)))
    } catch (error) {
      if (error instanceof ApiError)
        throw new ApiError(
          400,
          error.code,
          error.message,
          error.path ?? `photos.${i}.${p.file ? 'file' : 'base64'}`,
        )
      throw error
    }
  }
  return looks
}

/** What the file says, in words of today, or what is wrong with it and where. */
async function readFile(raw: unknown, beside: Box['pictures']): Promise<FileRead> {
  const version = raw !== null && typeof raw === 'object' ? (raw as { version?: unknown }).version : undefined
  if (typeof version === 'number' && version > BOAT_VERSION)
    throw new CalcError(
      'newer-version',
      'version',
      `This file is of version ${version}; version ${BOAT_VERSION} is the newest read here`,
    )
  const v = parseInput(boatFile, upgradeBoat(raw))
  checkLinks(v)
  const floods = floodAnswers(v)
  const designs = v.fittings.map((f, i) =>
    atPath(`fittings.${i}.design`, () => inZone(v, parseOf(atKind(f.kind, i), f.design))),
  )
  const flood = atPath('flooding', () => (v.flooding === null ? null : parseFloodPlan(v.flooding)))
  return { v, designs, flood, floods, looks: await looksOf(v, beside) }
}

/** The boat in a passport, once its seal is looked at: one that was changed on the way is refused. */
function unwrapped(raw: unknown): unknown {
  const p = raw as { format?: unknown; seal?: unknown; boat?: unknown } | null
  if (p === null || typeof p !== 'object' || p.format !== PASSPORT_FORMAT) return raw
  if (typeof p.seal !== 'string' || !sealHolds(p as { seal: string }))
    throw bad('seal', 'The passport was changed since it was made: its seal does not hold')
  return p.boat
}
/** Reads a boat from a file as a new boat: all of it or none. */
export async function importBoat(who: Account, body: unknown) {
  must(who, 'boat-book')
  const { raw, pictures } = Buffer.isBuffer(body) ? openBox(body) : { raw: body, pictures: new Map() }
  const file = await readFile(unwrapped(raw), pictures)
  const { v } = file
  try {
    const read = await Boat.sequelize!.transaction(async (transaction) => {
      const boat = await writeBoat(file, who.name, transaction)
      await judgeRead(boat, transaction)
      await askRejudge(boat.id, `${boat.name} was read from a file`, transaction)
      return { id: boat.id, name: boat.name, fittings: v.fittings.length, holes: v.holes.length }
    })
    if (v.photos.length) await askThumbnails(who)
    return read
  } catch (error) {
    // What only the database's own rules notice is still the file's fault.
    if (error instanceof BaseError && (refusalOf(error)?.status ?? 500) < 500)
      throw bad('', `The file breaks a rule of the register: ${error.message}`)
    throw error
  }
}
