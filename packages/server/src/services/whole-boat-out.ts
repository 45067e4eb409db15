import { RIGS } from '@north-tide/core'
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
import { boatById, stationsOf } from './boats'
import { BOAT_FORMAT, BOAT_VERSION, type BoatFile } from './whole-boat-shape'

const withdrawnOf = (r: Pick<Photo, 'withdrawnWhy' | 'withdrawnBy' | 'withdrawnAt'>) =>
  r.withdrawnWhy ? { why: r.withdrawnWhy, by: r.withdrawnBy!, at: r.withdrawnAt!.toISOString() } : null
/**
 * Photos name what they show by hole number, zone code or the reading's place in the list, for ids are
 * this database's own.
 */
export async function exportBoat(who: Account, id: string, withPhotos = true): Promise<BoatFile> {
  must(who, 'read', id)
  const b = await boatById(id)
  const [stations, zones, parts, readings, angles, fittings, holes] = await Promise.all([
    stationsOf(id),
    Zone.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    StructurePart.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    Reading.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    AngleReading.findAll({ where: { boatId: id }, order: [['id', 'ASC']] }),
    Fitting.findAll({
      where: { boatId: id },
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    Penetration.findAll({ where: { boatId: id }, order: [['number', 'ASC']] }),
  ])
  const [layers, events, photos] = await Promise.all([
    ZoneLayer.findAll({ where: { zoneId: zones.map((z0) => z0.id) }, order: [['seq', 'ASC']] }),
    LifeEvent.findAll({ where: { penetrationId: holes.map((h) => h.id) }, order: [['seq', 'ASC']] }),
    withPhotos
      ? Photo.findAll({
          where: { boatId: id },
          order: [['id', 'ASC']],
          attributes: [
            'subject',
            'subjectId',
            'caption',
            'who',
            'takenAt',
            'original',
            'withdrawnWhy',
            'withdrawnBy',
            'withdrawnAt',
          ],
        })
      : [],
  ])
  const logs = await WorkLog.findAll({
    where: { fittingId: fittings.map((f) => f.id) },
    order: [['id', 'ASC']],
  })
  const flood = await FloodPlanRow.findByPk(id)
  const lots = await Lot.findAll({
    where: { id: [...new Set([...events, ...logs].map((e) => e.lotId).filter((l) => l != null))] },
    order: [['code', 'ASC']],
  })
  const codes = new Map(zones.map((z0) => [z0.id, z0.code]))
  const keys = new Map(fittings.map((f, i) => [f.id, `f${i + 1}`]))
  const eventsBy = new Map<number, LifeEvent[]>()
  for (const e of events) {
    const mine = eventsBy.get(e.penetrationId)
    if (mine) mine.push(e)
    else eventsBy.set(e.penetrationId, [e])
  }
  const of = (p: number) => eventsBy.get(p) ?? []
  const subject = (p: Photo) =>
    p.subject === 'hole'
      ? String(holes.find((h) => String(h.id) === p.subjectId)?.number ?? '')
      : p.subject === 'zone'
        ? (codes.get(Number(p.subjectId)) ?? '')
        : p.subject === 'reading'
          ? String(readings.findIndex((r) => String(r.id) === p.subjectId))
          : ''
  return {
    format: BOAT_FORMAT,
    version: BOAT_VERSION,
    boat: {
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
    },
    stations,
    zones: zones.map((z0) => ({
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
    })),
    structure: parts.map((p) => ({
      kind: p.kind,
      title: p.title,
      x0Mm: p.x0Mm,
      y0Mm: p.y0Mm,
      x1Mm: p.x1Mm,
      y1Mm: p.y1Mm,
      belowMm: p.belowMm,
      depthMm: p.depthMm,
      widthMm: p.widthMm,
    })),
    readings: readings.map((r) => ({
      zone: r.zoneId === null ? null : (codes.get(r.zoneId) ?? null),
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
    })),
    angles: angles.map((a) => ({
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
    })),
    lots: lots.map((l) => ({
      code: l.code,
      title: l.title,
      chemistry: l.chemistry,
      kind: l.kind,
      openedOn: l.openedOn,
      expiresOn: l.expiresOn,
      storedHot: l.storedHot,
      testedOn: l.testedOn,
      testNote: l.testNote,
    })),
    fittings: fittings.map((f) => ({
      key: keys.get(f.id)!,
      kind: f.kind,
      design: parseOf(kindNamed(f.kind), f.design),
      replaces: f.replacesId ? keys.get(f.replacesId)! : null,
      recordedAt: f.recordedAt?.toISOString() ?? null,
      createdAt: f.createdAt.toISOString(),
      updatedAt: f.updatedAt.toISOString(),
      updatedBy: f.updatedBy,
      log: logs
        .filter((l) => l.fittingId === f.id)
        .map((l) => ({
          kind: l.kind,
          step: l.step,
          value: l.value ?? null,
          lot: lots.find((q) => q.id === l.lotId)?.code ?? null,
          tempC: l.tempC ?? null,
          humidityPct: l.humidityPct ?? null,
          sizeMm: l.sizeMm ?? null,
          note: l.note,
          who: l.who,
          at: l.at.toISOString(),
          undoes: l.undoes,
          data: (l.data ?? null) as Record<string, unknown> | null,
        })),
    })),
    flooding: flood ? parseFloodPlan(flood.plan) : null,
    holes: holes.map((h) => ({
      number: h.number,
      fitting: keys.get(h.fittingId ?? '') ?? null,
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
      events: of(h.id).map((e) => ({
        seq: e.seq,
        state: e.state as (typeof LIFE_STATES)[number],
        note: e.note,
        who: e.who,
        happenedAt: e.happenedAt.toISOString(),
        recordedAt: e.recordedAt.toISOString(),
        sizeMm: e.sizeMm,
        tempC: e.tempC,
        humidityPct: e.humidityPct,
        lot: e.lotId === null ? null : (lots.find((l) => l.id === e.lotId)?.code ?? null),
        evidence: e.evidence,
        gatesPassed: e.gatesPassed,
        gateReason: e.gateReason,
        corrects: e.corrects,
      })),
    })),
    photos: photos.map((p) => ({
      subject: p.subject,
      of: subject(p),
      caption: p.caption,
      who: p.who,
      takenAt: p.takenAt.toISOString(),
      base64: p.original.toString('base64'),
      withdrawn: withdrawnOf(p),
    })),
  }
}
