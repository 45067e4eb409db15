import { createHash } from 'node:crypto'
import dayjs from 'dayjs'
import { QueryTypes } from 'sequelize'
import { z } from 'zod'
import {
  parseInput,
  passportQuestion,
  type PassportAnswer,
  type PassportHole,
  type LogLine,
} from '@north-tide/core'
import { runNamed } from '@north-tide/core/registry'
import { Paper, Photo } from '../models'
import { must, type Account } from './access'
import { boatById } from './boats'
import { registerExport, type ExportedHole } from './register'
import { exportBoat, type Pictures } from './whole-boat-out'
import { snapshotOf, type Snapshot } from './snapshot'
import type { BoatFile } from './whole-boat-shape'

/** The boat's holes for owner, surveyor, next yard: with a seal that tells whether all is as it was. */
export const PASSPORT_FORMAT = 'north-tide-passport'
export interface Passport {
  format: typeof PASSPORT_FORMAT
  version: 1
  madeAt: string
  madeBy: string
  facts: PassportAnswer
  boat: BoatFile
}
export type Sealed = Passport & { seal: string }
/** The same content gives the same seal, in whatever order its fields are written; fed piece by piece. */
function canonical(v: unknown, put: (piece: string) => void): void {
  if (Array.isArray(v)) {
    put('[')
    v.forEach((x, i) => {
      if (i) put(',')
      canonical(x, put)
    })
    return put(']')
  }
  if (v === null || typeof v !== 'object') return put(JSON.stringify(v) ?? 'null')
  put('{')
  Object.entries(v)
    .filter(([, x]) => x !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .forEach(([k, x], i) => {
      put(`${i ? ',' : ''}${JSON.stringify(k)}:`)
      canonical(x, put)
    })
  put('}')
}
function sealOf(p: unknown): string {
  const hash = createHash('sha256')
  let held = ''
  // A piece at a time would be a call into the hash for every comma.
  canonical(p, (piece) => {
    held += piece
    if (held.length < PIECE) return
    hash.update(held)
    held = ''
  })
  return hash.update(held).digest('hex')
}
const PIECE = 65_536

const dayOf = (at: string) => dayjs(at).format('YYYY-MM-DD')
type Life = ExportedHole['events']
const live = (events: Life) => events.filter((e) => !events.some((c) => c.corrects === e.seq))
const lastLook = (log: LogLine[]) => {
  const looks = log.filter((l) => l.kind === 'look' && !l.undoes)
  return looks.length ? dayOf(looks.at(-1)!.at) : null
}
function holeOf(s: Snapshot, h: ExportedHole, photos: Set<string>): PassportHole {
  const events = live(h.events)
  const first = (states: string[]) => events.find((e) => states.includes(e.state))
  const zone = s.zones.find((q) => q.code === h.zoneCode)
  const bedded = events.findLast((e) => e.state === 'bedded')
  return {
    ...h,
    face: h.belowWaterline ? 'below' : zone?.face === 'topsides' ? 'topsides' : 'deck',
    made: first(['drilled'])?.at.slice(0, 10) ?? null,
    bedded: bedded ? dayOf(bedded.at) : null,
    lastLook: lastLook(h.log),
    layersMeasured: zone?.layers.length ? zone.layers.every((l) => l.measured) : false,
    hasLot: events.some((e) => e.lot) || h.log.some((l) => l.lot),
    hasTorque: h.log.some((l) => l.data?.torqueNm !== undefined),
    hasPhoto: photos.has(String(h.id)),
    hasTest: events.some((e) => e.state === 'proved' && e.evidence),
    gates: events
      .flatMap((e) => e.gatesPassed.map((gate) => ({ gate, reason: e.gateReason ?? '' })))
      .filter((g) => g.reason),
  }
}
export interface PassportRead {
  facts: PassportAnswer
  holes: (PassportHole & { events: Life })[]
}
export async function readPassport(who: Account, boatId: string): Promise<PassportRead> {
  must(who, 'read', boatId)
  const s = await snapshotOf(await boatById(boatId))
  const withPhoto = await Photo.sequelize!.query<{ id: string }>(
    `SELECT DISTINCT subject_id AS id FROM photos WHERE boat_id = $1 AND subject = 'hole' AND withdrawn_why IS NULL`,
    { bind: [boatId], type: QueryTypes.SELECT },
  )
  const photos = new Set(withPhoto.map((p) => p.id))
  const holes: PassportRead['holes'] = []
  for await (const part of registerExport(boatId))
    for (const h of part)
      if (h.withdrawnWhy === null) holes.push({ ...holeOf(s, h, photos), events: live(h.events) })
  const today = dayjs().format('YYYY-MM-DD')
  const facts = runNamed('passport-facts', passportQuestion(holes, today)) as PassportAnswer
  return { facts, holes }
}
/** The passport as a file that another yard reads, sealed; that it was made stays on record here. */
export async function makePassport(
  who: Account,
  boatId: string,
  withPhotos: Pictures,
  read?: PassportRead,
): Promise<Sealed> {
  const { facts } = read ?? (await readPassport(who, boatId))
  const boat = await exportBoat(who, boatId, withPhotos, true)
  const p: Passport = {
    format: PASSPORT_FORMAT,
    version: 1,
    madeAt: new Date().toISOString(),
    madeBy: who.name,
    facts,
    boat,
  }
  // As it is read again: what JSON leaves out is not sealed. Pictures are nothing but text already.
  const plain = JSON.parse(JSON.stringify({ ...p, boat: { ...boat, photos: [] } })) as Passport
  plain.boat.photos = boat.photos
  const seal = sealOf(plain)
  await Paper.create({ boatId, kind: 'passport', code: seal, who: who.name })
  return { ...plain, seal }
}
/** Whether its seal is that of what stands in it. */
export const sealHolds = ({ seal, ...rest }: { seal: string }) => sealOf(rest) === seal
const checking = z.looseObject({
  format: z.literal(PASSPORT_FORMAT),
  version: z.literal(1),
  seal: z.string().length(64),
})
/** Whether a passport is as it was made; and whether it was made here, and when. */
export async function checkPassport(body: unknown) {
  const p = parseInput(checking, body)
  const { seal } = p
  const whole = sealHolds(p)
  const made = whole ? await Paper.findOne({ where: { kind: 'passport', code: seal } }) : null
  return { whole, here: made && { who: made.who, at: made.at!.toISOString() } }
}
