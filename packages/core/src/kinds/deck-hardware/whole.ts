import { designInFile } from '../parse'
import { SCHEMA_VERSION, parseDesign, type Design } from './design'
import { judge } from './judge'
import { Memo, type Judgement, type Told } from './judgement'
import { deckWithRemedies } from './remedies'
import { drawSection } from './section'
import { drawPattern } from './pattern'
import { fieldAround } from './field-around'
import { asksUnder, panelOf } from './pushed'
import { zoneOfPlace } from '../../boat/spot'
import type { Around } from '../kind'
import type { Drawing } from '../../drawing/shapes'
import type { YardValue } from '../../base/materials/yard'
import type { Units } from '../../base/quantity/format'

/** What of a boat says how far its deck is free to bend. */
export type Stiffened = Pick<Around, 'zones' | 'parts'>
export const panelAt = (d: Design, boat: Stiffened) =>
  asksUnder(d) ? panelOf(d, fieldAround(d, zoneOfPlace(boat.zones, d.place), boat.parts)) : null

export interface Whole {
  judgement: Judgement
  section: Drawing
  pattern: Drawing
}

/**
 * What the bench shows of one fitting as it is typed: verdicts and both drawings. What would help follows
 * when the hand rests. `told`: what this bench was told at the keys before.
 */
export function judgeSeen(
  design: Design,
  units: Units,
  yard?: YardValue[],
  exaggerate = false,
  boat?: Stiffened,
  told?: Told,
): Whole {
  const judgement = judge(
    design,
    false,
    yard,
    new Memo(boat ? panelAt(design, boat) : null, told?.goOnTo(design)),
  )
  return {
    judgement,
    section: drawSection(design, judgement, units, exaggerate),
    pattern: drawPattern(design, judgement, units),
  }
}

/** The same with what would help each check. */
export function judgeWhole(
  design: Design,
  units: Units,
  yard?: YardValue[],
  exaggerate = false,
  boat?: Stiffened,
): Whole {
  const seen = judgeSeen(design, units, yard, exaggerate, boat)
  const memo = new Memo(boat ? panelAt(design, boat) : null)
  return { ...seen, judgement: deckWithRemedies(design, seen.judgement, yard, memo) }
}

/** A fitting as a file: the design alone, for whatever follows from it is judged anew on the way in. */
export const toFile = (design: Design) => ({ format: 'north-tide-fitting', version: SCHEMA_VERSION, design })
export const fromFile = (raw: unknown): Design => parseDesign(designInFile(raw))
