export * from './families'
export * from './design'
export { DRAINS, REBATED } from './air'
export { OPENING_CATALOGUE, type OpeningEntry } from './catalogue'
export type { Clear, OpeningJudgement } from './judgement'
export { judgeOpening } from './judge'
export { openingOnBoat, type OnBoat } from './map-drawing'
export { openingMoved } from './moved'
export { openingTries } from './remedies'
export { sizeOpening, type OpeningChoice, type OpeningProposal } from './size-it'
export { opening } from './kind'
export { weakQuestion, weakWhyNot, type WeakQuestion } from './weakened'
export type { Weakened, WeakSide } from './weakened-said'
export { drawnOutline, outlineAs, sizeSaid } from './outline'
export { OPENING_TEMPLATE_TITLES } from './template'

import { GLAZING } from '../../base/materials/glazing'

/** What a pane or a lid may be of, by its name. */
export const PANE_TITLES: Record<string, string> = Object.fromEntries(
  Object.entries(GLAZING).map(([id, g]) => [id, g.title]),
)
