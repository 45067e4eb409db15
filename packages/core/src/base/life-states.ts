/**
 * The life of a hole (chapter 11.3). Events are added, never edited; a correction is a new event that
 * names what it corrects.
 */
export const LIFE_STATES = [
  'marked',
  'drilled',
  'core-sealed',
  'dry-fitted',
  'bedded',
  'cured',
  'proved',
  'in-service',
  'suspect',
  'closed',
] as const
export type LifeState = (typeof LIFE_STATES)[number]
