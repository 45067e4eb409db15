import { z } from 'zod'
import {
  FACES_OF_BOAT,
  HULL_KINDS,
  PART_KINDS,
  RIGS,
  REACH_KINDS,
  areaOf,
  parseInput,
} from '@north-tide/core'
import type { Transaction } from 'sequelize'
import { ApiError, notFound } from '../errors'
import {
  AngleReading,
  Boat,
  Fitting,
  FloodPlanRow,
  Penetration,
  Photo,
  Reading,
  Station,
  StructurePart,
  BoatRole,
  Zone,
  ZoneLayer,
} from '../models'
import { must, type Account } from './access'
import { boatFor, summary } from './boats'
import { partsOfBoat } from './parts-of-boat'
import { zonesOf } from './zones'
import { stationsSchema } from './stations'
import { askRejudge } from './asked'
import { MOST_VERSION, stale } from './saving'

/** A boat's own book: main dimensions, outline, zones with their layup, and what stands behind them. */
const mm = (most = 1e6) => z.number().min(-most).max(most)
const size = (most = 1e6) => z.number().positive().max(most)
const boatShape = {
  name: z.string().trim().min(1).max(120),
  kind: z.string().trim().max(200).default(''),
  lengthMm: size(2e5),
  beamMm: size(5e4),
  displacementKg: size(1e7),
  duty: z.enum(['sheltered', 'coastal', 'ocean']),
  units: z.enum(['metric', 'inch']),
  hullKind: z.enum(HULL_KINDS),
  hullMaterial: z.string().trim().max(200).default(''),
  note: z.string().max(2000).default(''),
  /** the day she is to be launched; null where nobody knows yet */
  launchOn: z.iso.date().nullable().default(null),
  rig: z.enum(RIGS).nullable().default(null),
}
const creating = z.strictObject({ ...boatShape, stations: stationsSchema.optional() })
const saving = z.strictObject({ ...boatShape, version: z.number().int().positive().max(MOST_VERSION) })

const slug = (name: string) =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[\u2019']/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'boat'
/**
 * An id that no boat has; whoever asks holds the right to name boats until his transaction ends, so that
 * two of one name get two ids.
 */
export async function freeId(name: string, transaction: Transaction): Promise<string> {
  await Boat.sequelize!.query("SELECT pg_advisory_xact_lock(hashtextextended('a boat is named', 0))", {
    transaction,
  })
  const base = slug(name).slice(0, 80)
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`
    if (!(await Boat.findByPk(id, { transaction }))) return id
  }
}
/** The boat of an act, locked where what is added needs a name or a number of its own. */
/**
 * A first outline from length and beam alone, so that there is something to click on; it is to be replaced
 * by measured half-breadths.
 */
export function plainOutline(lengthMm: number, beamMm: number) {
  const full = [0.02, 0.42, 0.72, 0.9, 0.98, 1, 0.99, 0.95, 0.88]
  return full
    .map((f, i) => ({
      xMm: Math.round((lengthMm * i) / (full.length - 1)),
      halfBreadthMm: Math.round((beamMm / 2) * f),
      sheerMm: Math.round(beamMm * (0.42 - 0.08 * (i / 8))),
      keelMm: Math.round(-beamMm * 0.15 * Math.min(1, i / 2)),
    }))
    .map((s) => (s.xMm === 0 ? { ...s, keelMm: Math.round(s.sheerMm * 0.6) } : s))
}

export async function createBoat(who: Account, raw: unknown) {
  must(who, 'boat-book')
  const { stations, ...b } = parseInput(creating, raw)
  return Boat.sequelize!.transaction(async (transaction) => {
    const boat = await Boat.create(
      {
        ...b,
        id: await freeId(b.name, transaction),
        isMain: false,
        hullMaterial: b.hullMaterial || b.hullKind,
      },
      { transaction },
    )
    await Station.bulkCreate(
      (stations ?? plainOutline(b.lengthMm, b.beamMm)).map((s) => ({ ...s, boatId: boat.id })),
      { transaction },
    )
    return summary(boat)
  })
}

export async function saveBoat(who: Account, id: string, raw: unknown) {
  must(who, 'boat-book')
  const { version, ...b } = parseInput(saving, raw)
  const before = await Boat.findByPk(id)
  if (!before) throw notFound('boat')
  return Boat.sequelize!.transaction(async (transaction) => {
    const [changed] = await Boat.update(
      { ...b, version: version + 1 },
      { where: { id, version }, transaction },
    )
    const now = (await Boat.findByPk(id, { transaction }))!
    if (!changed) throw stale('the boat', now, version, summary(now))
    // Her launch and her units stand in what is judged of her fittings.
    await askRejudge(id, 'the boat was changed', transaction)
    return summary(now)
  })
}

const layer = z.strictObject({
  material: z.string().min(1).max(60),
  thicknessMm: size(1000),
  measured: z.boolean(),
  measuredBy: z.string().max(200).default(''),
})
const MATERIALS = {
  solid: ['mat', 'woven'],
  metal: ['aluminium-5083', 'mild-steel'],
  timber: ['plywood', 'softwood'],
} as const
const CORES_OK = ['balsa-150', 'pvc-80', 'pvc-130', 'san-85', 'plywood', 'insert-250', 'epoxy-plug']
/** of a bottom, by station; empty while nobody has said */
export const deadriseSchema = z.array(z.strictObject({ xMm: mm(), deg: z.number().min(0).lt(80) })).max(40)
const zoneBody = z
  .strictObject({
    title: z.string().trim().min(1).max(80),
    face: z.enum(FACES_OF_BOAT),
    kind: z.enum(['sandwich', 'solid', 'metal', 'timber']),
    zMm: mm(1e5),
    atXMm: mm().nullable().default(null),
    stacking: z.number().int().min(0).max(20).default(0),
    reach: z.string().max(200).default(''),
    reachKind: z.enum(REACH_KINDS).default('unknown'),
    state: z.string().max(300).default(''),
    outline: z
      .array(z.strictObject({ xMm: mm(), yMm: mm() }))
      .min(3)
      .max(300),
    layers: z.array(layer).min(1).max(20),
    deadrise: deadriseSchema.default([]),
    version: z.number().int().positive().max(MOST_VERSION).optional(),
  })
  .superRefine((v, ctx) => {
    const say = (path: PropertyKey[], message: string) => ctx.addIssue({ code: 'custom', path, message })
    if (!(areaOf({ outline: v.outline }) > 1))
      say(['outline'], 'These corners enclose no area; give them in order round the zone')
    if (v.face === 'bulkhead' && v.atXMm === null)
      say(['atXMm'], 'Its place is missing; say how far aft of the stem the bulkhead stands')
    if (v.kind === 'sandwich') {
      if (v.layers.length !== 3)
        return say(
          ['layers'],
          `${v.layers.length} were given; a cored zone has three: outer skin, core, inner skin`,
        )
      v.layers.forEach((l, i) => {
        const ok = i === 1 ? CORES_OK : (MATERIALS.solid as readonly string[])
        if (!ok.includes(l.material))
          say(['layers', i, 'material'], `"${l.material}" was given; one of ${ok.join(', ')} is accepted`)
      })
    } else {
      if (v.layers.length !== 1)
        return say(['layers'], `${v.layers.length} were given; a ${v.kind} zone has one`)
      const ok: readonly string[] = MATERIALS[v.kind]
      if (!ok.includes(v.layers[0]!.material))
        say(
          ['layers', 0, 'material'],
          `"${v.layers[0]!.material}" was given; one of ${ok.join(', ')} is accepted`,
        )
    }
  })

async function writeLayers(zoneId: number, layers: z.output<typeof layer>[], transaction: Transaction) {
  const before = await ZoneLayer.findAll({ where: { zoneId }, transaction })
  await ZoneLayer.destroy({ where: { zoneId }, transaction })
  await ZoneLayer.bulkCreate(
    layers.map((l, seq) => {
      // A thickness typed over what readings gave is no longer their median.
      const same = before.find(
        (b) =>
          b.seq === seq &&
          b.material === l.material &&
          Math.abs(b.thicknessMm - l.thicknessMm) < 1e-9 &&
          b.measured === l.measured,
      )
      return { zoneId, seq, ...l, spreadMm: same?.spreadMm ?? null, readingCount: same?.readingCount ?? 0 }
    }),
    { transaction },
  )
}

type ZoneBody = z.output<typeof zoneBody>
const columnsOf = (b: ZoneBody) => ({
  title: b.title,
  face: b.face,
  kind: b.kind,
  zMm: b.zMm,
  atXMm: b.atXMm,
  stacking: b.stacking,
  reach: b.reach,
  reachKind: b.reachKind,
  state: b.state,
  outlineX: b.outline.map((p) => p.xMm),
  outlineY: b.outline.map((p) => p.yMm),
  deadriseX: b.deadrise.map((p) => p.xMm),
  deadriseDeg: b.deadrise.map((p) => p.deg),
})
export async function addZone(who: Account, boatId: string, raw: unknown) {
  must(who, 'boat-book', boatId)
  const b = parseInput(zoneBody, raw)
  const job = await Boat.sequelize!.transaction(async (transaction) => {
    await boatFor(boatId, transaction)
    const taken = new Set((await Zone.findAll({ where: { boatId }, transaction })).map((q) => q.code))
    let code = slug(b.title)
    for (let n = 2; taken.has(code); n++) code = `${slug(b.title)}-${n}`
    const zone = await Zone.create({ boatId, code, ...columnsOf(b) }, { transaction })
    await writeLayers(zone.id, b.layers, transaction)
    return askRejudge(boatId, `zone ${b.title} was added`, transaction)
  })
  return { zones: await zonesOf(boatId), job }
}

async function findZone(boatId: string, id: number) {
  const zone =
    Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Zone.findOne({ where: { id, boatId } }) : null
  if (!zone) throw notFound('zone')
  return zone
}

export async function saveZone(who: Account, boatId: string, id: number, raw: unknown) {
  must(who, 'boat-book', boatId)
  const b = parseInput(zoneBody, raw)
  const zone = await findZone(boatId, id)
  if (b.version === undefined)
    throw new ApiError(400, 'invalid-input', 'version is missing; send back the one that was read', 'version')
  const job = await Boat.sequelize!.transaction(async (transaction) => {
    const [changed] = await Zone.update(
      { ...columnsOf(b), version: b.version! + 1 },
      { where: { id: zone.id, version: b.version! }, transaction },
    )
    if (!changed) {
      const now = (await zonesOf(boatId)).find((q) => q.id === id)
      if (!now) throw notFound('zone')
      throw stale('this zone', { version: now.version ?? 0 }, b.version!, now)
    }
    await writeLayers(zone.id, b.layers, transaction)
    return askRejudge(boatId, `zone ${b.title} was changed`, transaction)
  })
  return { zones: await zonesOf(boatId), job }
}

export async function removeZone(who: Account, boatId: string, id: number) {
  must(who, 'boat-book', boatId)
  const zone = await findZone(boatId, id)
  const job = await Boat.sequelize!.transaction(async (transaction) => {
    await boatFor(boatId, transaction)
    const readings = await Reading.count({ where: { zoneId: zone.id }, transaction })
    if (readings)
      throw new ApiError(
        409,
        'has-readings',
        `${readings} readings were taken in this zone; change its outline instead, so that they keep their place`,
      )
    await zone.destroy({ transaction })
    return askRejudge(boatId, `zone ${zone.title} was taken away`, transaction)
  })
  return { zones: await zonesOf(boatId), job }
}

const part = z.strictObject({
  kind: z.enum(PART_KINDS),
  title: z.string().trim().min(1).max(80),
  x0Mm: mm(),
  y0Mm: mm(1e5),
  x1Mm: mm(),
  y1Mm: mm(1e5),
  belowMm: z.number().min(0).max(1e5).nullable().default(null),
  depthMm: size(1e5).nullable().default(null),
  widthMm: size(1e5).nullable().default(null),
})
const partSaving = part.extend({ version: z.number().int().positive().max(MOST_VERSION) })
/** A change of what stands behind the deck, and the judging anew that it makes necessary, in one. */
async function withPart(who: Account, boatId: string, change: (transaction: Transaction) => Promise<string>) {
  must(who, 'boat-book', boatId)
  const job = await Boat.sequelize!.transaction(async (transaction) =>
    askRejudge(boatId, await change(transaction), transaction),
  )
  return { parts: await partsOfBoat(boatId), job }
}
export const addPart = (who: Account, boatId: string, raw: unknown) =>
  withPart(who, boatId, async (transaction) => {
    const p = parseInput(part, raw)
    await boatFor(boatId, transaction)
    await StructurePart.create({ ...p, boatId }, { transaction })
    return `${p.title} was added`
  })
async function findPart(boatId: string, id: number, transaction: Transaction) {
  const found =
    Number.isInteger(id) && id > 0 && id < 2 ** 31
      ? await StructurePart.findOne({
          where: { id, boatId },
          transaction,
          lock: transaction.LOCK.NO_KEY_UPDATE,
        })
      : null
  if (!found) throw notFound('part of the structure')
  return found
}
export const savePart = (who: Account, boatId: string, id: number, raw: unknown) =>
  withPart(who, boatId, async (transaction) => {
    const { version, ...p } = parseInput(partSaving, raw)
    const now = await findPart(boatId, id, transaction)
    if (now.version !== version)
      throw stale(
        'this part',
        { version: now.version },
        version,
        (await partsOfBoat(boatId)).find((q) => q.id === id),
      )
    await now.update({ ...p, version: version + 1 }, { transaction })
    return `${p.title} was changed`
  })
export const removePart = (who: Account, boatId: string, id: number) =>
  withPart(who, boatId, async (transaction) => {
    const gone = await findPart(boatId, id, transaction)
    await gone.destroy({ transaction })
    return `${gone.title} was taken away`
  })

/**
 * A boat that was begun by mistake may go while it holds nothing; its outline, zones and structure are
 * drawn again in an hour, a record is not.
 */
export async function removeBoat(who: Account, id: string) {
  must(who, 'remove-boat')
  await Boat.sequelize!.transaction(async (transaction) => {
    const boat = await boatFor(id, transaction)
    const where = { where: { boatId: id }, transaction }
    const holds = [
      ['fittings', await Fitting.count(where)],
      ['holes', await Penetration.count(where)],
      ['readings', await Reading.count(where)],
      ['angle readings', await AngleReading.count(where)],
      ['photos', await Photo.count(where)],
      ['a flooding plan', await FloodPlanRow.count(where)],
      ['an owner or a surveyor', await BoatRole.count(where)],
    ] as const
    const there = holds.filter(([, n]) => n > 0).map(([what]) => what)
    if (there.length)
      throw new ApiError(409, 'not-empty', `It has ${there.join(', ')} on record; a boat with a record stays`)
    await boat.destroy({ transaction })
  })
}
