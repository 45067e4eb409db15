import { joinedSaid, type PlannedStep } from '@north-tide/core'

const SAID = { begun: 'begun', pinned: 'put here', joined: 'put off to share' } as const
/** Why a step stays where it is, in two words; empty where nothing keeps it there. */
export const fixedSaid = (s: PlannedStep) => (s.fixed ? SAID[s.fixed] : '')
/** And whole. */
export const sharesSaid = (s: PlannedStep) => (s.joined ? joinedSaid(s.joined) : '')
