import { firstGuessOf } from '../../chapters/load/first-guess'
import { flooredFactors } from '../../chapters/load/floors'
import type { DesignLoadInput } from '../../chapters/load/design-load'
import { valueAt } from '../../base/change'
import type { SpotBoat } from '../../boat/place'
import type { CatalogueEntry } from './catalogue'
import type { Design } from './design'

export type Guess = Design['guesses'][number]
type Family = Parameters<typeof firstGuessOf>[0]['family']
/** Families that 18.4 names; the rest go by what the casting is rated for. */
const NAMED: Partial<Record<string, Family>> = {
  cleat: 'cleat',
  bitt: 'bitt',
  'towing-post': 'towing-post',
  fairlead: 'fairlead',
  'bow-roller': 'bow-roller',
  windlass: 'windlass',
  stanchion: 'stanchion',
  handrail: 'handrail',
  'tether-point': 'tether-point',
  'ladder-step': 'ladder-step',
  'lifting-point': 'lifting-point',
  'mast-step': 'mast-step',
}
/** Where a maker gives no figure: what a pad-eye or a bracket of middling size is usually rated, N. */
const UNRATED_N = 5000
/** A boat of which nothing is known yet. */
const SOME_BOAT: SpotBoat = { displacementKg: 5000, beamM: 3.2, rig: null }

const side = (yMm: number) => (yMm > 0 ? 'starboard' : yMm < 0 ? 'port' : 'centre')
const lengthOf = (b: CatalogueEntry['base']) => ('diameterMm' in b ? b.diameterMm : b.lengthMm)

/** A track's car and a block keep loads of their own: a sheet's, not the boat's. */
function ownLoad(entry: CatalogueEntry): { load: DesignLoadInput; guesses: Guess[] } | null {
  const heightMm = entry.base.bodyHeightMm
  if (entry.family === 'track') {
    const ratedN = entry.ratedN ?? 3000
    return {
      load: { basis: 'rated', ratedN, heightMm, elevationDeg: 45, azimuthDeg: 90 },
      guesses:
        entry.ratedN === null ? [{ field: 'ratedN', value: ratedN, reason: 'a car of this size' }] : [],
    }
  }
  if (entry.family !== 'block') return null
  return {
    load: { basis: 'turned-line', tensionN: 3200, deflectionDeg: 120, elevationDeg: 30, heightMm },
    guesses: [
      { field: 'tensionN', value: 3200, reason: 'a sheet of a middling boat' },
      { field: 'deflectionDeg', value: 120, reason: 'how far a sheet usually turns' },
    ],
  }
}

/**
 * What a fitting is usually asked to carry on this boat (18.4): every figure an estimate with its reason,
 * until the fitter has a better one.
 */
export function startingLoad(
  entry: CatalogueEntry,
  spot: { yMm: number; duty: Design['duty']; boat?: SpotBoat | undefined },
): { load: DesignLoadInput; guesses: Guess[] } {
  const own = ownLoad(entry)
  if (own) return own
  const family = NAMED[entry.family] ?? 'other'
  const { displacementKg, beamM, rig } = spot.boat ?? SOME_BOAT
  const unrated = family === 'other' && entry.ratedN === null
  const rated = entry.ratedN ?? (unrated ? UNRATED_N : undefined)
  const g = firstGuessOf({
    family,
    boat: { displacementKg, beamM, rig: rig ?? 'sloop' },
    casting: {
      baseLengthMm: lengthOf(entry.base),
      bodyHeightMm: entry.base.bodyHeightMm,
      ...(rated === undefined ? {} : { ratedN: rated }),
    },
    units: entry.units,
    side: side(spot.yMm),
    headingDeg: 0,
    duty: spot.duty,
    points: 4,
    slingAngleDeg: 30,
    afloat: false,
    railMm: 610,
  })
  return {
    load: g.load,
    guesses: [
      ...(family === 'other'
        ? [
            {
              field: 'ratedN',
              value: rated!,
              reason: unrated
                ? 'no maker\u2019s figure: a casting of middling size'
                : 'the casting\u2019s rating',
            },
          ]
        : []),
      ...g.estimates
        .filter((e) => e.field !== 'factors' && !e.field.startsWith('casting.'))
        .map((e) => ({
          field: e.field,
          value: e.field === 'sweep' ? JSON.stringify((g.load as { sweep?: unknown }).sweep) : e.value,
          reason: e.reason,
        })),
      ...(family === 'mast-step' && rig === null
        ? [{ field: 'rightingMomentNm', value: null, reason: 'her rig is not said: a sloop\u2019s' }]
        : []),
    ],
  }
}

const FIELD: Record<string, string> = {
  ratedN: 'load',
  line: 'line',
  diameterMm: 'size of the line',
  share: 'share of the line\u2019s strength',
  tensionN: 'pull of the line',
  deflectionDeg: 'turn of the line',
  personN: 'force of a person',
  side: 'side',
  massKg: 'mass on the hook',
  legAngleDeg: 'angle of the slings',
  dynamicFactor: 'dynamic factor',
  rightingMomentNm: 'righting moment',
  halfBeamM: 'half beam',
  sweep: 'arc of the load',
  'pointMm.x': 'where it acts, ahead',
  'pointMm.y': 'where it acts, across',
  'pointMm.z': 'height at which it acts',
}
/** Guesses that nobody has put a figure of his own in place of, in words. */
export function guessesLeft(d: Design): string[] {
  const still = (g: Guess) => {
    if (g.value === null) return valueAt(d.load, g.field) !== undefined
    const now = valueAt(d.load, g.field)
    return g.field === 'sweep' ? JSON.stringify(now) === g.value : now === g.value
  }
  return d.guesses.filter(still).map((g) => `${FIELD[g.field] ?? g.field} (${g.reason})`)
}

/**
 * Factors of safety of this fitting: its duty's, and never under the floor of what people and boats hang
 * on.
 */
export const factorsOf = (d: Pick<Design, 'family' | 'duty'>) => flooredFactors(d.family, d.duty).factors
