import { areaOf, boundsOf, insidePolygon, type Point } from '../base/geometry/outline'
import { CORES, type CoreId } from '../base/materials/cores'

/** Over the dry reference, on a scale of 100 (chapter 11.4); the yard may set its own. */
export const WET_AT = 10
export const DAMP_AT = 5
export type Wetness = 'dry' | 'damp' | 'wet'
export const wetnessOf = (excess: number): Wetness =>
  excess >= WET_AT ? 'wet' : excess >= DAMP_AT ? 'damp' : 'dry'

export interface WetSpot extends Point {
  /** reading less the dry reference of the same material, on a scale of 100 */
  excess: number
}

/**
 * A meter's reading against a dry spot of the same deck, on a scale of 100 whatever the meter's own scale.
 */
export const excessOf = (reading: number, dryReference: number, scaleMost: number) =>
  ((reading - dryReference) * 100) / scaleMost

const distance = (a: Point, b: Point) => Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)
const POWER = 2
const ON_SPOT_MM = 1

/**
 * Inverse-distance weighting of the second power: exact at a spot, and never beyond the readings
 * themselves.
 */
export function excessAt(spots: WetSpot[], p: Point): number {
  let [sum, weights] = [0, 0]
  for (const s of spots) {
    const d = distance(s, p)
    if (d < ON_SPOT_MM) return s.excess
    const w = d ** -POWER
    sum += w * s.excess
    weights += w
  }
  return weights > 0 ? sum / weights : 0
}

const LEAST_REACH_MM = 150
const MOST_REACH_MM = 600
/**
 * How far a reading speaks for its surroundings: one and a half of the usual distance to the next one, 150
 * to 600 mm. Past it the map is a guess.
 */
export function reachOf(spots: WetSpot[]): number {
  if (spots.length < 2) return LEAST_REACH_MM
  const nearest = spots
    .map((s) => Math.min(...spots.filter((o) => o !== s).map((o) => distance(s, o))))
    .sort((a, b) => a - b)
  return Math.min(MOST_REACH_MM, Math.max(LEAST_REACH_MM, 1.5 * nearest[nearest.length >> 1]!))
}
const nearestOf = (spots: WetSpot[], p: Point) =>
  spots.reduce((m, s) => Math.min(m, distance(s, p)), Infinity)

/** What is known of the core under one point: null without any reading. */
export function wetnessAt(
  spots: WetSpot[],
  p: Point,
): { excess: number; wetness: Wetness; guess: boolean; nearestMm: number } | null {
  if (!spots.length) return null
  const excess = excessAt(spots, p)
  const nearestMm = nearestOf(spots, p)
  return { excess, wetness: wetnessOf(excess), guess: nearestMm > reachOf(spots), nearestMm }
}

export interface WetMap {
  cellMm: number
  minX: number
  minY: number
  nx: number
  ny: number
  /** row by row from the least y; NaN is never used: outside cells are null */
  cells: ({ excess: number; guess: boolean } | null)[]
  areaMm2: number
  wetMm2: number
  dampMm2: number
  /** of the zone, where no reading is near enough */
  guessMm2: number
  /** what each reading would have been foretold from the others, at the median; null under three readings */
  typicalErrorPts: number | null
  reachMm: number
}
const MOST_CELLS = 40_000

interface Grid {
  minX: number
  minY: number
  cell: number
  nx: number
  ny: number
}
/** Cells over an outline: of the size asked for, larger where there would be too many. */
function gridOver(outline: Point[], cellMm: number): Grid {
  const b = boundsOf({ outline })
  let cell = cellMm
  const count = (from: number, to: number) => Math.max(1, Math.ceil((to - from) / cell))
  while (count(b.minX, b.maxX) * count(b.minY, b.maxY) > MOST_CELLS) cell *= 1.5
  return { minX: b.minX, minY: b.minY, cell, nx: count(b.minX, b.maxX), ny: count(b.minY, b.maxY) }
}
/** How far off each spot is when it is told by the others: the one in the middle. Null under three. */
function typicalError(spots: WetSpot[]): number | null {
  if (spots.length < 3) return null
  const errors = spots
    .map((s) => {
      const others = spots.filter((o) => o !== s)
      return Math.abs(excessAt(others, s) - s.excess)
    })
    .sort((p, q) => p - q)
  return errors[errors.length >> 1]!
}

/**
 * The map of one zone between its spots. Deterministic; `progress` is told the part done and may return
 * false to stop, and then null comes back.
 * Kriging would give a variance beside each value, but its variogram cannot be fitted from the dozen
 * readings that a survey has; inverse distance
 * with a plain reach says the same honestly.
 */
export function wetMap(
  outline: Point[],
  spots: WetSpot[],
  cellMm = 50,
  progress?: (part: number) => boolean | void,
): WetMap | null {
  const { minX, minY, cell, nx, ny } = gridOver(outline, cellMm)
  const reachMm = reachOf(spots)
  const cells: WetMap['cells'] = []
  let [wet, damp, guess, inside] = [0, 0, 0, 0]
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const p = { xMm: minX + (i + 0.5) * cell, yMm: minY + (j + 0.5) * cell }
      if (!insidePolygon(outline, p)) {
        cells.push(null)
        continue
      }
      inside++
      const excess = excessAt(spots, p)
      const far = nearestOf(spots, p) > reachMm
      cells.push({ excess, guess: far })
      if (far) guess++
      else if (excess >= WET_AT) wet++
      else if (excess >= DAMP_AT) damp++
    }
    if (progress && progress((j + 1) / ny) === false) return null
  }
  const areaMm2 = areaOf({ outline })
  const each = inside ? areaMm2 / inside : 0
  return {
    cellMm: cell,
    minX,
    minY,
    nx,
    ny,
    cells,
    areaMm2,
    wetMm2: wet * each,
    dampMm2: damp * each,
    guessMm2: guess * each,
    typicalErrorPts: typicalError(spots),
    reachMm,
  }
}

export const TAP_SOUNDS = ['sound', 'dull', 'crackling'] as const
export const CORE_STATES = ['dry', 'damp', 'wet', 'rotten'] as const
export type CoreState = (typeof CORE_STATES)[number]
export type TapSound = (typeof TAP_SOUNDS)[number]

export interface WetAdvice {
  id: 'wet-dry-out' | 'wet-recore' | 'wet-insert'
  stance: 'usual' | 'possible' | 'refused'
  because: string
}

/** What choosing a school does to a fitting's design. */
export const takeWet = (id: WetAdvice['id'] | null): Record<string, unknown> => ({
  'schools.wet': id,
  ...(id === 'wet-insert' ? { 'core.school': 'insert', 'core.boreMm': null } : {}),
})

const SMALL_MM2 = 250_000
/**
 * What to do about wet core where a fitting is wanted: each school with what speaks for or against it
 * here. Readings alone never prove rot: a core sample does.
 */
export function wetAdvice(v: {
  core: CoreId
  wetMm2: number
  sample?: CoreState | null
  tap?: TapSound | null
}): WetAdvice[] {
  const rots = CORES[v.core].rots
  const rotten = v.sample === 'rotten'
  const loose = v.tap === 'crackling'
  const small = v.wetMm2 <= SMALL_MM2
  const m2 = `${(v.wetMm2 / 1e6).toFixed(2)} m\u00b2`
  const dry: WetAdvice = rotten
    ? {
        id: 'wet-dry-out',
        stance: 'refused',
        because: 'The sample is rotten: drying does not bring back a core that has lost its strength.',
      }
    : loose
      ? {
          id: 'wet-dry-out',
          stance: 'refused',
          because:
            'It crackles under the hammer: the skin has come off the core, and drying does not glue it on again.',
        }
      : {
          id: 'wet-dry-out',
          stance: rots ? 'possible' : 'usual',
          because: rots
            ? `${v.sample ? `The sample is ${v.sample}, not rotten` : 'No sample has shown rot, and none has shown that there is none'}: open it and dry it under warmth and dry air for weeks, and read it again before it is closed.`
            : 'This core cannot rot: the water sits at the skins and can be dried out.',
        }
  const recore: WetAdvice = {
    id: 'wet-recore',
    stance: (rotten || loose) && !small ? 'usual' : 'possible',
    because: small
      ? `${m2} is little; a new core over all of it is more cutting than an insert under the base.`
      : `${m2} is wet: cut one skin, take the core out to where it is dry, and lay new.`,
  }
  const insert: WetAdvice = {
    id: 'wet-insert',
    stance: rots && (small || !(rotten || loose)) ? 'usual' : 'possible',
    because: `The core goes out under the whole base and a high-density insert goes in: the fitting no longer leans on it.${small ? '' : ' What stays wet round it goes on spreading until it is dealt with.'}`,
  }
  return [insert, recore, dry].sort(
    (a, b) =>
      ['usual', 'possible', 'refused'].indexOf(a.stance) - ['usual', 'possible', 'refused'].indexOf(b.stance),
  )
}
