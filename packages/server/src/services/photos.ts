import { createHash } from 'node:crypto'
import sharp, { type Sharp } from 'sharp'
import { z } from 'zod'
import { mayDo, parseInput } from '@north-tide/core'
import { ApiError, forbidden, notFound } from '../errors'
import { Boat, Fitting, Penetration, Photo, Reading, Zone } from '../models'
import { must, type Account } from './access'
import { refuseOffBoat, stationsOf } from './boats'
import { PHOTO_SUBJECTS, type PhotoSubject } from './photo-subjects'
import { isUuid } from './saving'
import { askThumbnails, makeSmaller, MOST_PIXELS, oneByOne } from './thumbnails'

export const MOST_BYTES = 12 * 1024 * 1024
const KINDS: Record<string, string> = { jpeg: 'image/jpeg', png: 'image/png', webp: 'image/webp' }
const meta = z.strictObject({
  subject: z.enum(PHOTO_SUBJECTS),
  subjectId: z.string().min(1).max(80),
  caption: z.string().trim().max(300).default(''),
  /** where on the boat's map it belongs: mm aft of the stem, mm to starboard */
  pinXMm: z.coerce.number().min(-1e5).max(1e6).optional(),
  pinYMm: z.coerce.number().min(-1e5).max(1e5).optional(),
})

interface Looked {
  mime: string
  width: number
  height: number
  original: Buffer
}
const refused = (code: string, message: string) => new ApiError(400, code, message, 'file')

/** What the file says of itself: its format, its size, and whether anything tells where it was taken. */
async function tellsOf(bytes: Buffer) {
  try {
    const m = await sharp(bytes, { limitInputPixels: MOST_PIXELS }).metadata()
    const bare = !m.exif && !m.xmp && !m.iptc && !m.comments?.length && (m.orientation ?? 1) === 1
    return { format: m.format as string | undefined, bare, size: { width: m.width, height: m.height } }
  } catch (error) {
    if (/pixel limit/i.test((error as Error).message))
      throw refused('too-many-pixels', 'This picture has more than 80 million points; make it smaller first')
    throw refused(
      'not-a-picture',
      'This file holds no picture that can be read, whatever its name says; JPEG, PNG and WebP are kept',
    )
  }
}
/** Written anew in its own format, turned as it was held: where it was taken does not come along. */
function anew(turned: Sharp, format: string | undefined) {
  const clean = turned.clone()
  if (format === 'jpeg') return clean.jpeg({ quality: 92 })
  return format === 'png' ? clean.png() : clean.webp({ quality: 92 })
}

/** points a side to which a picture is brought to see that it is whole */
const LOOKED_AT = 16
/** What the file really is, by its content; its name is not asked. */
export const lookInto = (bytes: Buffer): Promise<Looked> => oneByOne(() => lookNow(bytes))
async function lookNow(bytes: Buffer): Promise<Looked> {
  if (!bytes.length) throw refused('not-a-picture', 'The file is empty')
  const { format, bare, size } = await tellsOf(bytes)
  const mime = KINDS[format ?? '']
  if (!mime)
    throw refused(
      'wrong-kind',
      `This is a ${(format ?? 'file').toUpperCase()}, whatever its name says; JPEG, PNG and WebP are kept`,
    )
  try {
    const turned = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate()
    // One that says nothing of where and with what it was taken is kept as it is, once read to its end.
    if (bare) await turned.resize(LOOKED_AT, LOOKED_AT).raw().toBuffer()
    const kept = bare
      ? { data: bytes, info: size }
      : await anew(turned, format).toBuffer({ resolveWithObject: true })
    return { mime, width: kept.info.width, height: kept.info.height, original: kept.data }
  } catch {
    throw refused('broken-picture', 'This picture breaks off or is damaged; take it from the camera again')
  }
}

const shown = (
  p: Pick<
    Photo,
    | 'id'
    | 'subject'
    | 'subjectId'
    | 'caption'
    | 'mime'
    | 'width'
    | 'height'
    | 'who'
    | 'takenAt'
    | 'pinXMm'
    | 'pinYMm'
  >,
) => ({
  id: Number(p.id),
  subject: p.subject,
  subjectId: p.subjectId,
  caption: p.caption,
  mime: p.mime,
  width: p.width,
  height: p.height,
  who: p.who,
  takenAt: p.takenAt.toISOString(),
  pin: p.pinXMm == null || p.pinYMm == null ? null : { xMm: p.pinXMm, yMm: p.pinYMm },
})
const LIGHT = [
  'id',
  'boatId',
  'subject',
  'subjectId',
  'caption',
  'mime',
  'width',
  'height',
  'who',
  'takenAt',
  'pinXMm',
  'pinYMm',
]

async function subjectExists(boatId: string, subject: PhotoSubject, id: string): Promise<boolean> {
  const n = Number(id)
  const whole = Number.isInteger(n) && n > 0 && n < 2 ** 31
  if (subject === 'boat') return id === boatId
  if (subject === 'fitting') return isUuid(id) && (await Fitting.count({ where: { id, boatId } })) > 0
  if (subject === 'hole') return whole && (await Penetration.count({ where: { id: n, boatId } })) > 0
  if (subject === 'zone') return whole && (await Zone.count({ where: { id: n, boatId } })) > 0
  return whole && (await Reading.count({ where: { id: String(n), boatId } })) > 0
}

export async function addPhoto(who: Account, boatId: string, bytes: Buffer | undefined, raw: unknown) {
  must(who, 'measure', boatId)
  const m = parseInput(meta, raw)
  if (!(await Boat.findByPk(boatId))) throw notFound('boat')
  if (!(await subjectExists(boatId, m.subject, m.subjectId)))
    throw new ApiError(400, 'invalid-input', `This boat has no ${m.subject} ${m.subjectId}`, 'subjectId')
  if ((m.pinXMm === undefined) !== (m.pinYMm === undefined))
    throw new ApiError(
      400,
      'invalid-input',
      'A place has two figures',
      m.pinXMm === undefined ? 'pinXMm' : 'pinYMm',
    )
  if (m.pinXMm !== undefined)
    refuseOffBoat(await stationsOf(boatId), { xMm: m.pinXMm, yMm: m.pinYMm! }, 'pin')
  if (!bytes) throw new ApiError(400, 'invalid-input', 'No file was sent', 'file')
  const look = await lookInto(bytes)
  const p = await Photo.create({
    boatId,
    ...m,
    ...look,
    sha256: createHash('sha256').update(look.original).digest('hex'),
    who: who.name,
    takenAt: new Date(),
  })
  await askThumbnails(who)
  return shown(p)
}
export async function photosOf(who: Account, boatId: string) {
  must(who, 'read', boatId)
  return (
    await Photo.findAll({ where: { boatId, withdrawnWhy: null }, order: [['id', 'ASC']], attributes: LIGHT })
  ).map(shown)
}
export async function photoBytes(who: Account, id: number, size: 'small' | 'large' | 'original') {
  const p = Number.isSafeInteger(id)
    ? await Photo.findByPk(String(id), { attributes: ['id', 'boatId', 'mime', size] })
    : null
  if (!p) throw notFound('photo')
  must(who, 'read', p.boatId)
  if (size === 'original') return { bytes: p.original, mime: p.mime }
  // Looked at before the queue came to it: made now, and kept.
  const bytes = p[size] ?? (await makeSmaller(p.id))?.[size]
  if (!bytes) throw notFound('photo')
  return { bytes, mime: 'image/jpeg' }
}
const withdrawal = z.strictObject({ why: z.string().trim().min(1).max(300) })
/**
 * A photo is evidence: it is taken out of use with a reason and kept. An apprentice withdraws only his
 * own.
 */
export async function withdrawPhoto(who: Account, id: number, raw: unknown) {
  const { why } = parseInput(withdrawal, raw)
  await Photo.sequelize!.transaction(async (transaction) => {
    const p = Number.isSafeInteger(id)
      ? await Photo.findByPk(String(id), {
          attributes: ['id', 'boatId', 'who', 'withdrawnWhy'],
          transaction,
          lock: transaction.LOCK.NO_KEY_UPDATE,
        })
      : null
    if (!p) throw notFound('photo')
    must(who, 'measure', p.boatId)
    if (!mayDo(who, 'pass-gate', p.boatId) && p.who !== who.name)
      throw forbidden('Photos of one\u2019s own may be withdrawn; a fitter withdraws the rest')
    if (p.withdrawnWhy) throw new ApiError(409, 'withdrawn', 'It is withdrawn already')
    await p.update({ withdrawnWhy: why, withdrawnBy: who.name, withdrawnAt: new Date() }, { transaction })
  })
}
