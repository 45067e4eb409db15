import { createHash } from 'node:crypto'
import type { Transaction } from 'sequelize'
import { zoneCodeOf, type AnyDesign, type LogData } from '@north-tide/core'
import type { FloodPlan } from '@north-tide/core/through-hull'
import {
  AngleReading,
  Boat,
  Fitting,
  FloodPlanRow,
  HoleLink,
  WorkLog,
  LifeEvent,
  Lot,
  Penetration,
  Photo,
  Reading,
  Station,
  StructurePart,
  Zone,
  ZoneLayer,
} from '../models'
import { freeId } from './boat-book'
import type { lookInto } from './photos'
import { GONE, writeRecords } from './whole-boat-records'
import type { ReadBoat } from './whole-boat-shape'

export type Look = Awaited<ReturnType<typeof lookInto>>
/** A file that was read whole, before anything of it is written. */
export interface FileRead {
  v: ReadBoat
  designs: AnyDesign[]
  flood: FloodPlan | null
  /** what each flooding that was watched answers */
  floods: unknown[]
  looks: Look[]
}
/** Under which ids of this database the rows of the file were written. */
interface Ids {
  boatId: string
  zones: Map<string, number>
  readings: string[]
  lots: Map<string, number>
  fittings: Map<string, string>
  holes: Map<number, number>
}
interface Into {
  ids: Ids
  t: { transaction: Transaction }
}

const withdrawnColumns = (w: { why: string; by: string; at: string } | null) => ({
  withdrawnWhy: w?.why ?? null,
  withdrawnBy: w?.by ?? null,
  withdrawnAt: w ? new Date(w.at) : null,
})

async function writeZones({ v }: FileRead, { ids, t }: Into) {
  for (const { outline, layers, deadrise, ...z0 } of v.zones) {
    const zone = await Zone.create(
      {
        ...z0,
        boatId: ids.boatId,
        outlineX: outline.map((p) => p.xMm),
        outlineY: outline.map((p) => p.yMm),
        deadriseX: deadrise.map((p) => p.xMm),
        deadriseDeg: deadrise.map((p) => p.deg),
      },
      t,
    )
    ids.zones.set(z0.code, zone.id)
    await ZoneLayer.bulkCreate(
      layers.map(({ count, ...l }, seq) => ({ ...l, readingCount: count, zoneId: zone.id, seq })),
      t,
    )
  }
}
async function writeSurvey({ v }: FileRead, { ids, t }: Into) {
  const { boatId } = ids
  await StructurePart.bulkCreate(
    v.structure.map((p) => ({ ...p, boatId })),
    t,
  )
  const readings = await Reading.bulkCreate(
    v.readings.map(({ zone, layer, takenAt, ...r }) => ({
      ...r,
      boatId,
      zoneId: zone === null ? null : ids.zones.get(zone)!,
      layerSeq: layer,
      takenAt: new Date(takenAt),
    })),
    { ...t, returning: true },
  )
  ids.readings = readings.map((r) => r.id)
  await AngleReading.bulkCreate(
    v.angles.map((a) => ({ ...a, boatId, takenAt: new Date(a.takenAt) })),
    t,
  )
}
/** A lot of the yard that bears the same code is that lot. */
async function writeLots({ v }: FileRead, { ids, t }: Into) {
  for (const l of v.lots) {
    const there = await Lot.findOne({ where: { code: l.code }, ...t })
    ids.lots.set(l.code, (there ?? (await Lot.create({ ...l, quantity: null }, t))).id)
  }
}
async function writeFittings({ v, designs }: FileRead, { ids, t }: Into) {
  for (const [i, f] of v.fittings.entries()) {
    const made = await Fitting.create(
      {
        kind: f.kind,
        boatId: ids.boatId,
        name: designs[i]!.name,
        design: designs[i]!,
        // Judged as soon as all of it is there, for each stands among the others.
        verdict: 'unproven',
        governing: null,
        replacesId: f.replaces === null ? null : ids.fittings.get(f.replaces)!,
        groupId: f.group === null ? null : ids.fittings.get(f.group)!,
        recordedAt: f.recordedAt ? new Date(f.recordedAt) : null,
        createdAt: new Date(f.createdAt),
        updatedAt: new Date(f.updatedAt),
        updatedBy: f.updatedBy,
      },
      t,
    )
    ids.fittings.set(f.key, made.id)
    await WorkLog.bulkCreate(
      f.log.map(({ lot, data, ...l }) => ({
        ...l,
        data: data as LogData | null,
        lotId: lot === null ? null : ids.lots.get(lot)!,
        at: new Date(l.at),
        fittingId: made.id,
      })),
      t,
    )
  }
}
async function writeHoles({ v }: FileRead, { ids, t }: Into) {
  for (const { events, fitting, createdAt, withdrawn: gone, zone, ...h } of v.holes) {
    const p = await Penetration.create(
      {
        ...h,
        ...withdrawnColumns(gone),
        zone: zoneCodeOf(v.zones, zone) ?? zone,
        boatId: ids.boatId,
        fittingId: fitting === null ? null : ids.fittings.get(fitting)!,
        createdAt: new Date(createdAt),
      },
      t,
    )
    ids.holes.set(h.number, p.id)
    if (p.fittingId)
      await HoleLink.create(
        { fittingId: p.fittingId, penetrationId: p.id, link: h.found ? 'reuses' : 'makes' },
        t,
      )
    await LifeEvent.bulkCreate(
      events.map(({ lot, happenedAt, recordedAt, ...e }) => ({
        ...e,
        penetrationId: p.id,
        happenedAt: new Date(happenedAt),
        recordedAt: new Date(recordedAt),
        lotId: lot === null ? null : ids.lots.get(lot)!,
      })),
      t,
    )
  }
}
/** What a photo shows, by its id here. */
function subjectId(p: ReadBoat['photos'][number], ids: Ids): string {
  if (p.subject === 'hole') return String(ids.holes.get(Number(p.of))!)
  if (p.subject === 'fitting') return ids.fittings.get(p.of) ?? GONE
  if (p.subject === 'zone') return String(ids.zones.get(p.of)!)
  return p.subject === 'reading' ? ids.readings[Number(p.of)]! : ids.boatId
}
async function writePhotos({ v, looks }: FileRead, { ids, t }: Into) {
  for (const [i, p] of v.photos.entries()) {
    const look = looks[i]!
    await Photo.create(
      {
        boatId: ids.boatId,
        subject: p.subject,
        subjectId: subjectId(p, ids),
        caption: p.caption,
        who: p.who,
        takenAt: new Date(p.takenAt),
        ...(p.pin ? { pinXMm: p.pin.xMm, pinYMm: p.pin.yMm } : {}),
        ...withdrawnColumns(p.withdrawn),
        ...look,
        sha256: createHash('sha256').update(look.original).digest('hex'),
      },
      t,
    )
  }
}

/** A boat of a file as a new boat, not yet judged. */
export async function writeBoat(file: FileRead, by: string, transaction: Transaction): Promise<Boat> {
  const t = { transaction }
  const { v, flood } = file
  const boat = await Boat.create(
    {
      ...v.boat,
      id: await freeId(v.boat.name, transaction),
      isMain: false,
      importedAt: new Date(),
      importedBy: by,
    },
    t,
  )
  const boatId = boat.id
  const ids: Ids = {
    boatId,
    zones: new Map(),
    readings: [],
    lots: new Map(),
    fittings: new Map(),
    holes: new Map(),
  }
  const into: Into = { ids, t }
  await Station.bulkCreate(
    v.stations.map((s) => ({ ...s, boatId })),
    t,
  )
  await writeZones(file, into)
  await writeSurvey(file, into)
  await writeLots(file, into)
  await writeFittings(file, into)
  if (flood) await FloodPlanRow.create({ boatId, plan: flood, updatedBy: by }, t)
  await writeHoles(file, into)
  const idOf = (of: string) =>
    ids.fittings.get(of) ?? (of.startsWith('hole ') ? `hole ${ids.holes.get(Number(of.slice(5)))}` : GONE)
  await writeRecords(v, file.floods, boatId, idOf, transaction)
  await writePhotos(file, into)
  return boat
}
