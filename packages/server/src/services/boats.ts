import type { Transaction } from 'sequelize'
import { z } from 'zod'
import {
  holeLabel,
  offBoat,
  parseInput,
  zoneTitle,
  type BoatHole,
  type BoatPart,
  type BoatZone,
} from '@north-tide/core'
import { ApiError, forbidden, notFound } from '../errors'
import { Boat, Fitting, ThroughHull, Lot, Station, StructurePart, Zone, ZoneLayer } from '../models'
import { mayRead, type Account } from './access'
import { holesOf } from './register'
import { wetSpotsOf } from './wet'
import { yardValues } from './yard'

export const summary = (b: Boat) => ({
  id: b.id,
  name: b.name,
  kind: b.kind,
  lengthMm: b.lengthMm,
  beamMm: b.beamMm,
  displacementKg: b.displacementKg,
  duty: b.duty,
  units: b.units,
  hullMaterial: b.hullMaterial,
  hullKind: b.hullKind,
  version: b.version,
  note: b.note,
})

export async function listBoats(who: Account) {
  const boats = await Boat.findAll({
    order: [
      ['isMain', 'DESC'],
      ['name', 'ASC'],
    ],
  })
  return boats.filter((b) => who.role !== 'owner' || b.id === who.boatId).map(summary)
}

export async function boatById(id: string): Promise<Boat> {
  const boat = await Boat.findByPk(id)
  if (!boat) throw notFound('boat')
  return boat
}

export async function zonesOf(boatId: string, transaction: Transaction | null = null): Promise<BoatZone[]> {
  const zones = await Zone.findAll({ where: { boatId }, order: [['id', 'ASC']], transaction })
  const layers = await ZoneLayer.findAll({
    where: { zoneId: zones.map((z) => z.id) },
    order: [['seq', 'ASC']],
    transaction,
  })
  return zones.map((z) => ({
    id: z.id,
    version: z.version,
    code: z.code,
    title: z.title,
    face: z.face,
    kind: z.kind,
    zMm: z.zMm,
    atXMm: z.atXMm,
    stacking: z.stacking,
    reach: z.reach,
    reachKind: z.reachKind,
    state: z.state,
    outline: z.outlineX.map((xMm, i) => ({ xMm, yMm: z.outlineY[i]! })),
    deadrise: z.deadriseX.map((xMm, i) => ({ xMm, deg: z.deadriseDeg[i]! })),
    layers: layers
      .filter((l) => l.zoneId === z.id)
      .map((l) => ({
        material: l.material,
        thicknessMm: l.thicknessMm,
        measured: l.measured,
        measuredBy: l.measuredBy,
        spreadMm: l.spreadMm,
        count: l.readingCount,
      })),
  }))
}

export const stationsOf = async (boatId: string) =>
  (await Station.findAll({ where: { boatId }, order: [['xMm', 'ASC']] })).map((s) => ({
    xMm: s.xMm,
    halfBreadthMm: s.halfBreadthMm,
    sheerMm: s.sheerMm,
    keelMm: s.keelMm,
  }))

export async function partsOfBoat(
  boatId: string,
  transaction: Transaction | null = null,
): Promise<BoatPart[]> {
  const parts = await StructurePart.findAll({ where: { boatId }, order: [['id', 'ASC']], transaction })
  return parts.map((p) => ({
    id: p.id,
    kind: p.kind,
    title: p.title,
    x0Mm: p.x0Mm,
    y0Mm: p.y0Mm,
    x1Mm: p.x1Mm,
    y1Mm: p.y1Mm,
    belowMm: p.belowMm,
    depthMm: p.depthMm,
    widthMm: p.widthMm,
    version: p.version,
  }))
}

/** A place that no boat of this outline has is refused, beside the figure that says so. */
export function refuseOffBoat(
  stations: { xMm: number; halfBreadthMm: number }[],
  at: { xMm: number; yMm: number },
  path = '',
) {
  const off = offBoat(stations, at)
  if (off) throw new ApiError(400, 'off-boat', off.message, `${path}${off.path}`)
}

/** What judging a fitting on this boat needs to know of it. */
export async function surroundings(boatId: string, transaction: Transaction | null = null) {
  const [zones, parts, yard] = await Promise.all([
    zonesOf(boatId, transaction),
    partsOfBoat(boatId, transaction),
    yardValues(),
  ])
  return { zones, parts, yard }
}

/** All that the plan shows of one boat. */
export async function boatPicture(who: Account, id: string) {
  mayRead(who, id)
  const boat = await boatById(id)
  const [stations, zones, parts, fittings, holes, wet, below] = await Promise.all([
    stationsOf(id),
    zonesOf(id),
    partsOfBoat(id),
    Fitting.findAll({
      where: { boatId: id },
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
    holesOf(id),
    wetSpotsOf(id),
    ThroughHull.findAll({
      where: { boatId: id },
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
    }),
  ])
  return {
    ...summary(boat),
    zones,
    parts,
    wet,
    stations,
    fittings: fittings.map((f) => ({
      id: f.id,
      name: f.name,
      verdict: f.verdict,
      governing: f.governing,
      stale: f.stale,
      solverDue: f.solverDue,
      recorded: f.recordedAt !== null,
      version: f.version,
      family: f.design.family,
      xMm: f.design.place.xMm,
      yMm: f.design.place.yMm,
      zMm: f.design.place.zMm,
      base: f.design.base,
      bolts: f.design.bolts,
      zone: f.design.place.zone === null ? null : zoneTitle(zones, f.design.place.zone),
      zoneCode: f.design.place.zone,
    })),
    holes,
    throughHulls: below.map((f) => throughHullRow(f, zones)),
  }
}
/** A fitting through the hull as lists and the map show it. */
export const throughHullRow = (f: ThroughHull, zones: BoatZone[]) => ({
  id: f.id,
  name: f.name,
  verdict: f.verdict,
  governing: f.governing,
  family: f.design.family,
  use: f.design.use,
  xMm: f.design.place.xMm,
  yMm: f.design.place.yMm,
  zMm: f.design.place.zMm,
  zone: f.design.place.zone === null ? null : zoneTitle(zones, f.design.place.zone),
  flangeMm: f.design.skin.flangeMm,
  existing: f.design.existing,
  ordered: f.design.ordered !== null,
  recorded: f.recordedAt != null,
  replacesId: f.replacesId ?? null,
  material: f.design.skin.material,
})
export const plainHoles = (
  holes: { number: number; xMm: number; yMm: number; diameterMm: number; state: string }[],
): BoatHole[] =>
  holes.map((h) => ({
    label: holeLabel(h.number),
    xMm: h.xMm,
    yMm: h.yMm,
    diameterMm: h.diameterMm,
    state: h.state,
  }))

const lotTest = z.strictObject({ note: z.string().trim().min(1).max(300) })

/** A bead or a cup tried before a doubtful lot is used; the gates ask for it. */
export async function recordLotTest(who: Account, id: number, body: unknown) {
  if (who.role === 'owner' || who.role === 'apprentice')
    throw forbidden('A fitter or the manager vouches for a lot')
  const { note } = parseInput(lotTest, body)
  const lot = Number.isInteger(id) && id > 0 && id < 2 ** 31 ? await Lot.findByPk(id) : null
  if (!lot) throw notFound('lot')
  await lot.update({ testedOn: new Date().toISOString().slice(0, 10), testNote: `${note}, ${who.name}` })
  return listLots(who)
}

export async function listLots(who: Account) {
  if (who.role === 'owner') throw forbidden('The stores are the yard\u2019s own')
  const lots = await Lot.findAll({
    order: [
      ['kind', 'DESC'],
      ['expiresOn', 'ASC'],
    ],
  })
  return lots.map((l) => ({
    id: l.id,
    code: l.code,
    title: l.title,
    chemistry: l.chemistry,
    kind: l.kind,
    openedOn: l.openedOn,
    expiresOn: l.expiresOn,
    storedHot: l.storedHot,
    onHand: l.onHand,
    testedOn: l.testedOn,
    testNote: l.testNote,
  }))
}
