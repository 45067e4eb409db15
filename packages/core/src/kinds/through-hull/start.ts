import { chooseSealant } from '../../chapters/bedding/sealant-choice'
import type { SealantId } from '../../base/materials/sealants'
import { answerOf } from '../../base/calculator/calculator'
import { seacockLoad } from '../../chapters/hull/seacock-load'
import { deadriseAt, type BoatZone, type Place3 } from '../../boat/spot'
import { say } from '../../base/verdict/check'
import type { Duty } from '../../base/verdict/factors'
import { withoutHistory } from '../history'
import { designInFile, parseVersioned } from '../parse'
import { THROUGH_HULL_VERSION, throughHullSchema, type ThroughHullDesign } from './design'
import { BODY_FACE } from './families'
import type { ThroughHullEntry } from './catalogue'
import { SKINS } from './goods'
import { rankedForLaunch } from './launch-bead'
import type { FitsHole } from '../wrong-hole'

const roundUp = (v: number, step: number) => Math.ceil(v / step - 1e-9) * step
/**
 * The least pad that the bond of this seacock holds on, by its peel: the whole design is judged
 * afterwards.
 */
function padAcross(e: ThroughHullEntry, flangeMm: number, thicknessMm: number, duty: Duty): number {
  if (!e.valve || e.valve.boltCircleMm === null || e.method !== 'insert') return roundUp(flangeMm + 40, 10)
  for (let over = 40; over < 160; over += 10) {
    const D = roundUp(flangeMm + over, 10)
    const k = answerOf(seacockLoad, {
      heightMm: e.valve.heightMm,
      method: 'insert',
      duty,
      flangeMm,
      boltCircleMm: e.valve.boltCircleMm,
      bolts: 3,
      size: 'M8',
      grade: 'A4-70',
      padMm: thicknessMm,
      padDiameterMm: D,
      insertMm: 12,
    })
    if (k.checks.every((c) => c.verdict === 'holds' || !c.id.startsWith('bond'))) return D
  }
  return roundUp(flangeMm + 160, 10)
}
const STOCK_PAD = [6, 8, 10, 12, 15, 18, 20, 25, 30]

function hullKind({ kind, layers }: BoatZone): ThroughHullDesign['hull']['kind'] {
  if (kind === 'sandwich') return 'cored'
  if (kind === 'metal') return layers[0]?.material === 'mild-steel' ? 'steel' : 'aluminium'
  return kind === 'timber' ? 'timber' : 'solid'
}

/**
 * The hull at a place as its zone says it is. Deadrise is the zone's figure there, an estimate until it is
 * measured at the place, and said to be unknown where the zone has none.
 */
export function hullAt(
  zones: BoatZone[],
  at: Place3 & { zone?: string | null },
  slopeOfZone = 0,
): { zone: string | null; hull: ThroughHullDesign['hull'] } {
  const side = zones.filter((z) => z.face === 'bottom' || z.face === 'topsides')
  // Never the deck that lies over the same point of the plan.
  const zone =
    side.find((z) => z.code === at.zone) ??
    side.find((z) => z.face === (at.zMm < 0 ? 'bottom' : 'topsides')) ??
    null
  const total = zone?.layers.reduce((s, l) => s + l.thicknessMm, 0) ?? 12
  const deadrise = deadriseAt(zone, at.xMm)
  return {
    zone: zone?.code ?? null,
    hull: {
      kind: zone ? hullKind(zone) : 'solid',
      thicknessMm: total,
      measured: zone?.layers.every((l) => l.measured) ?? false,
      how: zone?.layers[0]?.measuredBy ?? '',
      deadriseDeg: Math.round(10 * (deadrise ?? 0)) / 10,
      slopeDeg: slopeOfZone,
      angleMeasured: false,
      angleUnknown: deadrise === null,
      solidMm: null,
    },
  }
}

/** The day that a first design supposes; the readings of the real one replace it. */
const USUAL_DAY = { tempC: 16, humidityPct: 65 }
const HULL_FACE = {
  solid: 'laminate',
  cored: 'laminate',
  aluminium: 'aluminium',
  steel: 'steel',
  timber: 'wood',
} as const
/** What the bead starts as: what is cured by the day she is launched, if that is known. */
function startingBead(
  entry: ThroughHullEntry,
  spot: { place: Place3; hull: ThroughHullDesign['hull']; daysToLaunch?: number | null | undefined },
): SealantId {
  const choice = chooseSealant({
    ...USUAL_DAY,
    place: spot.place.zMm < 0 ? 'below' : spot.place.zMm < 300 ? 'waterline' : 'above',
    joint: entry.family === 'transducer' ? 'transducer' : 'through-hull',
    faces: [BODY_FACE[entry.skin.material], HULL_FACE[spot.hull.kind]],
    load: 'some',
    gapMm: 1,
    movementMm: 0,
    sunlight: spot.place.zMm >= 0,
    fuelOrSolvent: false,
    toBePainted: false,
  } as never)
  const ranked = rankedForLaunch(choice, { ...USUAL_DAY, daysToLaunch: spot.daysToLaunch ?? null })
  return ranked[0] ?? 'hybrid'
}

interface Spot {
  place: ThroughHullDesign['place']
  hull: ThroughHullDesign['hull']
  duty: Duty
  daysToLaunch?: number | null | undefined
}

function startingPad(entry: ThroughHullEntry, spot: Spot): ThroughHullDesign['pad'] {
  const { skin, valve, family } = entry
  if (family === 'welded-stub' || family === 'anode-stud' || family === 'transducer') return null
  const flanged = valve && valve.kind !== 'screwed'
  const least = Math.max(flanged ? 18 : 10, skin.leastTotalMm - spot.hull.thicknessMm)
  const thicknessMm = STOCK_PAD.find((t) => t >= least) ?? roundUp(least, 5)
  return {
    material: skin.material === 'composite' ? 'glass-epoxy' : 'g10',
    thicknessMm,
    diameterMm: padAcross(entry, flanged ? valve.flangeMm : skin.flangeMm, thicknessMm, spot.duty),
  } as ThroughHullDesign['pad']
}
/** What only some families have, as they are usually found. */
const startingFamily = (entry: ThroughHullEntry) => ({
  transducer: entry.transducer ? { ...entry.transducer, waterDepthM: 10 } : null,
  plug:
    entry.family === 'drain-plug'
      ? {
          throughBolted: true,
          block: true,
          flush: true,
          grounds: false,
          choke: true,
          chokeMm: null,
          pumpsLpm: null,
        }
      : null,
  chest:
    entry.family === 'sea-chest'
      ? {
          openMm2: 6500,
          users: [
            { name: 'engine', flowLpm: 60 },
            { name: 'deck wash', flowLpm: 35 },
          ],
        }
      : null,
  stud:
    entry.family === 'anode-stud'
      ? { wired: true, clearOfBilge: false, spannerRoom: false, protects: '' }
      : null,
  drain:
    entry.family === 'scupper' ? { areaM2: 3.2, waterMm: 200, fallMm: 150, drains: 2, limitS: 300 } : null,
})

/**
 * A first design of an entry at a place: what the catalogue gives, the usual choices of the trade,
 * estimates where nobody has measured.
 */
export function startThroughHull(entry: ThroughHullEntry, spot: Spot, name: string): ThroughHullDesign {
  const { skin, valve } = entry
  const composite = skin.material === 'composite'
  const metalHull = spot.hull.kind === 'aluminium' || spot.hull.kind === 'steel'
  const bead = startingBead(entry, spot)
  return parseThroughHull({
    schemaVersion: THROUGH_HULL_VERSION,
    name,
    family: entry.family,
    catalogueId: entry.id,
    use: entry.use,
    duty: spot.duty,
    place: spot.place,
    hull: spot.hull,
    skin,
    boredMm: null,
    beddingMm: 1,
    pad: startingPad(entry, spot),
    // Square to the hull on a flat pad: fewest parts, no tapered bond. Wedges are asked for.
    wedge: { blocks: 'none', thinMm: 5, marginMm: 10 },
    valve,
    tail: entry.tail,
    hose: entry.hose,
    hold: {
      method: entry.method,
      bolts: 3,
      size: 'M8',
      grade: metalHull || composite ? 'A4-70' : 'silicon-bronze',
      insertMm: entry.method === 'insert' ? 12 : null,
      engagedMm: null,
    },
    clock: { measuredDeg: null, wantedDeg: 0, toleranceDeg: 5, obstacles: [] },
    bedding: {
      flange: bead,
      pad: 'epoxy-filled',
      tail: bead,
      thread: 'paste',
      serviceAgainYears: null,
      ...USUAL_DAY,
    },
    metals: { school: composite ? 'isolate-each' : 'bond-all' },
    ...startingFamily(entry),
  })
}

const GRAIN_MM = 0.05
/** What the survey says otherwise of the hull here, and the changes that take it over. */
export function hullChanged(
  d: ThroughHullDesign,
  zones: BoatZone[],
): { changes: string[]; take: Record<string, unknown> } | null {
  const { hull } = hullAt(zones, d.place)
  const known = zones.some((z) => z.code === d.place.zone)
  if (!known || Math.abs(hull.thicknessMm - d.hull.thicknessMm) <= GRAIN_MM) return null
  const how = hull.measured ? ', measured' : ', an estimate'
  return {
    changes: [`hull ${say(d.hull.thicknessMm)} mm is ${say(hull.thicknessMm)} mm now${how}`],
    take: {
      'hull.thicknessMm': hull.thicknessMm,
      'hull.measured': hull.measured,
      'hull.how': hull.how,
    },
  }
}

/** A pad of a material where there was none, or another material for the one that is there. */
export const padOf = (
  d: ThroughHullDesign,
  material: NonNullable<ThroughHullDesign['pad']>['material'],
): NonNullable<ThroughHullDesign['pad']> =>
  d.pad
    ? { ...d.pad, material }
    : {
        material,
        thicknessMm: 18,
        diameterMm: roundUp(
          (d.valve && d.valve.kind !== 'screwed' ? d.valve.flangeMm : d.skin.flangeMm) + 40,
          10,
        ),
        bondMPa: 12,
      }

export const parseThroughHull = (raw: unknown): ThroughHullDesign =>
  parseVersioned({ schema: throughHullSchema, version: THROUGH_HULL_VERSION, upgrade: withoutHistory }, raw)
export const throughHullToFile = (design: ThroughHullDesign) => ({
  format: 'north-tide-through-hull',
  version: THROUGH_HULL_VERSION,
  design,
})
export const throughHullFromFile = (raw: unknown): ThroughHullDesign => parseThroughHull(designInFile(raw))

/** What is to stand in its hole, and the next of its kind that would fill a wider one. */
export function tailInHole(d: ThroughHullDesign, holeMm: number): FitsHole | null {
  if (d.skin.tailOdMm === null) return null
  const next = SKINS.filter(
    (s) => s.material === d.skin.material && s.thread && s.holeMm > holeMm - 1e-9 && s.holeMm > d.skin.holeMm,
  ).sort((a, b) => a.holeMm - b.holeMm)[0]
  return {
    what: 'tail',
    odMm: d.skin.tailOdMm,
    holeMm: d.skin.holeMm,
    mostClearMm: 3,
    filledBy: 'bedding fills that',
    centre: 'Centre the tail with three slips of card while the bead is laid.',
    next:
      next && next.tailOdMm !== null
        ? {
            title: next.title,
            odMm: next.tailOdMm,
            holeMm: next.holeMm,
            then: 'valve, tail and hose go up with it, and so does what floods',
            check: 'Check the chain again: every part goes up a size.',
            verdict: d.valve ? 'tight' : 'holds',
          }
        : null,
    coreStep: 'Make the core solid over 1.5 flanges at the same time.',
  }
}
