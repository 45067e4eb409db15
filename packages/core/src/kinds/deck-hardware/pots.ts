import { potOf, worstPot, WORKING_MIN, type Pot } from '../../chapters/bedding/pot'
import type { CorePlugOutput } from '../../chapters/deck/core-plug'
import { leastWallMm } from '../../chapters/deck/core-plug'
import type { PlateFigures } from '../../chapters/plate/plate-bends'
import { CLOTHS } from '../../base/materials/cloths'
import { areaOf } from '../../base/geometry/outline'
import { inWords, type Check } from '../../base/verdict/check'
import type { Design } from './design'
import { GLUE_LINE_MM, planOfPlate } from './plans'

/** What is mixed apart, in the order in which it is used: each cures before the next is begun. */
export const POT_USES = {
  plug: 'Epoxy that fills the core',
  insert: 'Epoxy that the insert is bonded with',
  skin: 'Epoxy that the skin over the insert is laid with',
  sheets: 'Epoxy between the two sheets of the plate',
  bed: 'Epoxy that the plate is bonded with',
} as const
export type PotUse = keyof typeof POT_USES
export interface DeckPot {
  use: PotUse
  pot: Pot
}

const SQUEEZE_OUT = 0.25
/** How far a core is hooked back round a pipe; an estimate, and never less than the least wall. */
const PIPE_BACK_MM = 12
const WASTE = 0.25
const RESIN_G_PER_ML = 1.1
/** A skin laid again is feathered out by twelve thicknesses a side. */
const BEVEL = 12
const SKIN_CLOTH = 'biaxial-400' as const

/** Round the core of a deck pipe's hole, filled and bored through again, ml; 0 where there is none. */
export function pipeFillMl(d: Design): number {
  const s = d.structure
  if (d.pipeMm === null || s.kind !== 'sandwich') return 0
  const back = Math.max(PIPE_BACK_MM, leastWallMm(s.core.material))
  return (
    ((Math.PI / 4) * ((d.pipeMm + 2 * back) ** 2 - d.pipeMm ** 2) * s.core.thicknessMm * (1 + WASTE)) / 1000
  )
}

export interface SkinAgain {
  cloth: typeof SKIN_CLOTH
  plies: number
  clothG: number
  resinMl: number
}
/** The outer skin laid again over an insert, as thick as it was and feathered out; null without one. */
export function skinAgain(d: Design, core: CorePlugOutput | null): SkinAgain | null {
  const s = d.structure
  if (s.kind !== 'sandwich' || !core || !(core.insertVolumeMl > 0)) return null
  const cloth = CLOTHS[SKIN_CLOTH]
  const side = Math.sqrt((core.insertVolumeMl * 1000) / s.core.thicknessMm)
  const plies = Math.max(1, Math.ceil(s.outerMm / cloth.plyMm - 1e-9))
  // The mean ply reaches half way out on the bevel.
  const meanM2 = (side + BEVEL * s.outerMm) ** 2 / 1e6
  const clothG = plies * meanM2 * cloth.gM2
  return {
    cloth: SKIN_CLOTH,
    plies,
    clothG,
    resinMl: (clothG * (1 - cloth.fibre)) / cloth.fibre / RESIN_G_PER_ML,
  }
}

/** Glue between two sheets, with what is squeezed out, ml. */
export const sheetsMl = (p: Design['plate']): number =>
  p?.sheets === 2 ? (areaOf(planOfPlate(p)) * GLUE_LINE_MM * (1 + SQUEEZE_OUT)) / 1000 : 0

export function potsOf(d: Design, core: CorePlugOutput | null, plate: PlateFigures | null): DeckPot[] {
  const insert = d.core.school === 'insert'
  const fill = core?.fillTotalMl ?? 0
  const wanted: [PotUse, number, Parameters<typeof potOf>[2]][] = [
    ['plug', (insert ? 0 : fill) + pipeFillMl(d), 'peanut-butter'],
    ['insert', insert ? fill : 0, 'mayonnaise'],
    ['skin', skinAgain(d, core)?.resinMl ?? 0, 'wet-out'],
    ['sheets', sheetsMl(d.plate), 'mayonnaise'],
    ['bed', d.plate?.bonded ? (plate?.bedMl ?? 0) : 0, 'peanut-butter'],
  ]
  return wanted.flatMap(([use, ml, stiff]) => {
    const pot = potOf(ml, d.bedding, stiff)
    return pot ? [{ use, pot }] : []
  })
}

/** The day's epoxy: the worst of its pots. */
export function potCheck(pots: DeckPot[]): Check | null {
  const worst = worstPot(pots)
  return (
    worst && {
      ...inWords({
        id: 'epoxy-mix',
        title: 'Epoxy for the day',
        unit: '',
        source: 'chapter 4.5',
        verdict: worst.pot.verdict,
        because: `${pots.length > 1 ? `${POT_USES[worst.use]}: ` : ''}${worst.pot.because}`,
      }),
      assumed: [`${WORKING_MIN} minutes of work`],
    }
  )
}
