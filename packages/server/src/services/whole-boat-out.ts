import { mayDo, RIGS } from '@north-tide/core'
import type { FACES_OF_BOAT, LIFE_STATES } from '@north-tide/core'
import { parseFloodPlan } from '@north-tide/core/through-hull'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import {
  AngleReading,
  Fitting,
  FloodPlanRow,
  WorkLog,
  LifeEvent,
  Lot,
  Penetration,
  Photo,
  Reading,
  StructurePart,
  Zone,
  ZoneLayer,
} from '../models'
import { must, type Account } from './access'
import { GONE, recordsOut } from './whole-boat-records'
import { boatById, stationsOf } from './boats'
import { BOAT_FORMAT, BOAT_VERSION, type BoatFile } from './whole-boat-shape'

/** Rows by what they belong to, in their order. */
function groupBy<T, K>(rows: T[], key: (row: T) => K): Map<K, T[]> {
  const out = new Map<K, T[]>()
  for (const row of rows) {
    const mine = out.get(key(row))
    if (mine) mine.push(row)
    else out.set(key(row), [row])
  }
  return out
}
const withdrawnOf = (r: Pick<Photo, 'withdrawnWhy' | 'withdrawnBy' | 'withdrawnAt'>) =>
  r.withdrawnWhy ? { why: r.withdrawnWhy, by: r.withdrawnBy!, at: r.withdrawnAt!.toISOString() } : null
type Boat = Awaited<ReturnType<typeof boatById>>
/** Pictures in the file itself, beside it by name and sum, or left out. */
export type Pictures = 'inside' | 'beside' | 'none'
/** Rows of one boat as they stand, in the order in which the file gives them. */
async function rowsOf(boatId: string, withPhotos: Pictures) {
  const where = { boatId }
  const byId = { where, order: [['id', 'ASC']] as [string, string][] }
  const [stations, zones, parts, readings, angles, fittings, holes, flood] = await Promise.all([
    stationsOf(boatId),
    Zone.findAll(byId),
    StructurePart.findAll(byId),
    Reading.findAll(byId),
    AngleReading.findAll(byId),
    Fitting.findAll({
      where,
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    Penetration.findAll({ where, order: [['number', 'ASC']] }),
    FloodPlanRow.findByPk(boatId),
  ])
  const [layers, events, photos, logs] = await Promise.all([
    ZoneLayer.findAll({ where: { zoneId: zones.map((z0) => z0.id) }, order: [['seq', 'ASC']] }),
    LifeEvent.findAll({ where: { penetrationId: holes.map((h) => h.id) }, order: [['seq', 'ASC']] }),
    withPhotos === 'none'
      ? []
      : Photo.findAll({
          ...byId,
          attributes: [
            ...PHOTO_COLUMNS,
            ...(withPhotos === 'inside' ? ['original'] : ['id', 'mime', 'sha256']),
          ],
        }),
    WorkLog.findAll({ where: { fittingId: fittings.map((f) => f.id) }, order: [['id', 'ASC']] }),
  ])
  const lots = await Lot.findAll({
    where: { id: [...new Set([...events, ...logs].map((e) => e.lotId).filter((l) => l != null))] },
    order: [['code', 'ASC']],
  })
  return {
    stations,
    zones,
    parts,
    readings,
    angles,
    fittings,
    holes,
    flood,
    layers,
    events,
    photos,
    logs,
    lots,
  }
}
type Rows = Awaited<ReturnType<typeof rowsOf>>
const PHOTO_COLUMNS = [
  'subject',
  'subjectId',
  'caption',
  'who',
  'takenAt',
  'pinXMm',
  'pinYMm',
  'withdrawnWhy',
  'withdrawnBy',
  'withdrawnAt',
]

const boatOut = (b: Boat): BoatFile['boat'] => ({
  name: b.name,
  kind: b.kind,
  lengthMm: b.lengthMm,
  beamMm: b.beamMm,
  displacementKg: b.displacementKg,
  duty: b.duty,
  units: b.units,
  hullKind: b.hullKind,
  hullMaterial: b.hullMaterial,
  note: b.note,
  launchOn: b.launchOn,
  rig: RIGS.find((r) => r === b.rig) ?? null,
})

const zonesOut = ({ zones, layers }: Rows): BoatFile['zones'] =>
  zones.map((z0) => ({
    code: z0.code,
    title: z0.title,
    face: z0.face as (typeof FACES_OF_BOAT)[number],
    kind: z0.kind,
    zMm: z0.zMm,
    atXMm: z0.atXMm,
    stacking: z0.stacking,
    reach: z0.reach,
    reachKind: z0.reachKind,
    state: z0.state,
    deadrise: z0.deadriseX.map((xMm, i) => ({ xMm, deg: z0.deadriseDeg[i]! })),
    outline: z0.outlineX.map((xMm, i) => ({ xMm, yMm: z0.outlineY[i]! })),
    layers: layers
      .filter((l) => l.zoneId === z0.id)
      .map((l) => ({
        material: l.material,
        thicknessMm: l.thicknessMm,
        measured: l.measured,
        measuredBy: l.measuredBy,
        spreadMm: l.spreadMm,
        count: l.readingCount,
      })),
  }))

const structureOut = ({ parts }: Rows): BoatFile['structure'] =>
  parts.map((p) => ({
    kind: p.kind,
    title: p.title,
    x0Mm: p.x0Mm,
    y0Mm: p.y0Mm,
    x1Mm: p.x1Mm,
    y1Mm: p.y1Mm,
    belowMm: p.belowMm,
    depthMm: p.depthMm,
    widthMm: p.widthMm,
  }))

/** What another row is called in the file, for ids are this database's own. */
function namesIn({ zones, fittings, lots, holes, readings }: Rows) {
  const codes = new Map(zones.map((z0) => [z0.id, z0.code]))
  const keys = new Map(fittings.map((f, i) => [f.id, `f${i + 1}`]))
  const lotCodes = new Map(lots.map((l) => [l.id, l.code]))
  const numbers = new Map(holes.map((h) => [String(h.id), String(h.number)]))
  const places = new Map(readings.map((r, i) => [String(r.id), String(i)]))
  return {
    zone: (id: number | null) => (id === null ? null : (codes.get(id) ?? null)),
    fitting: (id: string | null) => (id === null ? null : (keys.get(id) ?? null)),
    lot: (id: number | null | undefined) => (id == null ? null : (lotCodes.get(id) ?? null)),
    /** what a record speaks of: a fitting by its key, a hole by its number */
    thing: (id: string): string => {
      const hole = numbers.get(id.replace(/^hole /, ''))
      return keys.get(id) ?? (id.startsWith('hole ') && hole ? `hole ${hole}` : GONE)
    },
    /** by hole number, zone code, fitting key, or the reading's place in the list */
    subject: (p: Pick<Photo, 'subject' | 'subjectId'>): string => {
      if (p.subject === 'hole') return numbers.get(p.subjectId) ?? ''
      if (p.subject === 'fitting') return keys.get(p.subjectId) ?? GONE
      if (p.subject === 'zone') return codes.get(Number(p.subjectId)) ?? ''
      return p.subject === 'reading' ? (places.get(p.subjectId) ?? '-1') : ''
    },
  }
}
type Names = ReturnType<typeof namesIn>

const readingsOut = ({ readings }: Rows, names: Names): BoatFile['readings'] =>
  readings.map((r) => ({
    zone: names.zone(r.zoneId),
    kind: r.kind,
    way: r.way,
    layer: r.layerSeq,
    xMm: r.xMm,
    yMm: r.yMm,
    value: r.value,
    scaleMost: r.scaleMost,
    dryReference: r.dryReference,
    finding: r.finding,
    note: r.note,
    instrument: r.instrument,
    who: r.who,
    takenAt: r.takenAt.toISOString(),
    withdrawnWhy: r.withdrawnWhy,
    withdrawnBy: r.withdrawnBy,
  }))
const anglesOut = ({ angles }: Rows): BoatFile['angles'] =>
  angles.map((a) => ({
    role: a.role,
    station: a.station,
    side: a.side,
    axis: a.axis,
    leanDeg: a.leanDeg,
    afterCount: a.afterCount,
    degrees: a.degrees,
    instrument: a.instrument,
    who: a.who,
    takenAt: a.takenAt.toISOString(),
  }))
const lotsOut = ({ lots }: Rows): BoatFile['lots'] =>
  lots.map((l) => ({
    code: l.code,
    title: l.title,
    chemistry: l.chemistry,
    kind: l.kind,
    openedOn: l.openedOn,
    expiresOn: l.expiresOn,
    storedHot: l.storedHot,
    testedOn: l.testedOn,
    testNote: l.testNote,
  }))

const logOut = (logs: WorkLog[], names: Names): BoatFile['fittings'][number]['log'] =>
  logs.map((l) => ({
    kind: l.kind,
    step: l.step,
    value: l.value ?? null,
    lot: names.lot(l.lotId),
    tempC: l.tempC ?? null,
    humidityPct: l.humidityPct ?? null,
    sizeMm: l.sizeMm ?? null,
    note: l.note,
    who: l.who,
    at: l.at.toISOString(),
    undoes: l.undoes,
    data: (l.data ?? null) as Record<string, unknown> | null,
  }))
function fittingsOut({ fittings, logs }: Rows, names: Names): BoatFile['fittings'] {
  const logsBy = groupBy(logs, (l) => l.fittingId)
  return fittings.map((f) => ({
    key: names.fitting(f.id)!,
    kind: f.kind,
    design: parseOf(kindNamed(f.kind), f.design),
    replaces: names.fitting(f.replacesId),
    group: names.fitting(f.groupId),
    recordedAt: f.recordedAt?.toISOString() ?? null,
    createdAt: f.createdAt.toISOString(),
    updatedAt: f.updatedAt.toISOString(),
    updatedBy: f.updatedBy,
    log: logOut(logsBy.get(f.id) ?? [], names),
  }))
}

const eventsOut = (events: LifeEvent[], names: Names): BoatFile['holes'][number]['events'] =>
  events.map((e) => ({
    seq: e.seq,
    state: e.state as (typeof LIFE_STATES)[number],
    note: e.note,
    who: e.who,
    happenedAt: e.happenedAt.toISOString(),
    recordedAt: e.recordedAt.toISOString(),
    sizeMm: e.sizeMm,
    tempC: e.tempC,
    humidityPct: e.humidityPct,
    lot: names.lot(e.lotId),
    evidence: e.evidence,
    gatesPassed: e.gatesPassed,
    gateReason: e.gateReason,
    corrects: e.corrects,
  }))
function holesOut({ holes, events }: Rows, names: Names): BoatFile['holes'] {
  const eventsBy = groupBy(events, (e) => e.penetrationId)
  return holes.map((h) => ({
    number: h.number,
    fitting: names.fitting(h.fittingId ?? null),
    part: h.part ?? null,
    boltIndex: h.boltIndex,
    whatFor: h.whatFor,
    zone: h.zone,
    xMm: h.xMm,
    yMm: h.yMm,
    zMm: h.zMm,
    diameterMm: h.diameterMm,
    acrossMm: h.acrossMm,
    directionDeg: h.directionDeg,
    foundKind: h.foundKind,
    withdrawn: withdrawnOf(h),
    through: h.through,
    fastener: h.fastener,
    plate: h.plate,
    coreSchool: h.coreSchool,
    sealant: h.sealant,
    belowWaterline: h.belowWaterline,
    found: h.found,
    measuredFrom: h.measuredFrom,
    createdAt: h.createdAt.toISOString(),
    events: eventsOut(eventsBy.get(h.id) ?? [], names),
  }))
}
const ENDING: Record<string, string> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' }
/** Where a picture lies beside the file that names it: a name that every file system takes. */
export const pictureFile = (p: Photo, i: number, of: string) =>
  `photos/${p.withdrawnWhy ? 'withdrawn/' : ''}${`${i + 1} ${p.subject} ${of.replace(/[^\w.-]+/g, '-')}`.trimEnd()}.${ENDING[p.mime] ?? 'bin'}`
const photosOut = ({ photos }: Rows, names: Names, inside: boolean): BoatFile['photos'] =>
  photos.map((p, i) => ({
    subject: p.subject,
    of: names.subject(p),
    caption: p.caption,
    who: p.who,
    takenAt: p.takenAt.toISOString(),
    ...(p.pinXMm == null ? {} : { pin: { xMm: p.pinXMm, yMm: p.pinYMm! } }),
    ...(inside
      ? { base64: p.original.toString('base64') }
      : { file: pictureFile(p, i, names.subject(p)), sha256: p.sha256 }),
    withdrawn: withdrawnOf(p),
  }))

/**
 * The whole boat as one file: survey, fittings with their log, holes with their life, what was looked for and
 * found, photos. `forOthers`: without what fitters hand one another, whoever asks for it.
 */
export async function exportBoat(
  who: Account,
  id: string,
  withPhotos: Pictures = 'inside',
  forOthers = false,
): Promise<BoatFile> {
  must(who, 'read', id)
  const boat = await boatById(id)
  const rows = await rowsOf(id, withPhotos)
  const names = namesIn(rows)
  return {
    format: BOAT_FORMAT,
    version: BOAT_VERSION,
    boat: boatOut(boat),
    stations: rows.stations,
    zones: zonesOut(rows),
    structure: structureOut(rows),
    readings: readingsOut(rows, names),
    angles: anglesOut(rows),
    lots: lotsOut(rows),
    fittings: fittingsOut(rows, names),
    flooding: rows.flood ? parseFloodPlan(rows.flood.plan) : null,
    holes: holesOut(rows, names),
    ...(await recordsOut(id, names.thing, !forOthers && mayDo(who, 'work', id))),
    photos: photosOut(rows, names, withPhotos === 'inside'),
  }
}
