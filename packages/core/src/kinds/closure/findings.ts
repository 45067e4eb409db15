import type { FindingOf } from '../findings'
import type { ClosureFamily } from './families'

/** What is found wrong with a hole that was closed before. */
export const CLOSURE_FINDINGS: FindingOf<ClosureFamily>[] = [
  {
    id: 'print',
    title: 'Its outline shows in the surface',
    risk: 'watch',
    costs: 'The filler shrank or the bevel was short; it may be only to look at.',
    settle: 'Tap round it: a dull sound is a loose patch, and that one comes out.',
    families: 'all',
  },
  {
    id: 'loose',
    title: 'Dull when tapped, or an edge lifts',
    risk: 'soon',
    costs: 'The plies do not hold on to the boat: it was not ground, or was wet.',
    settle: 'Out with it, ground wider, washed, dry, and laid up anew.',
    families: 'all',
  },
  {
    id: 'weeps',
    title: 'Weeps',
    risk: 'sinks',
    costs: 'Water goes through the boat here, and into the core first.',
    settle: 'Ashore; opened, dried, and closed with its skins bevelled.',
    families: 'all',
  },
  {
    id: 'plug-only',
    title: 'A plug of filler, no cloth',
    risk: 'soon',
    costs: 'A plug is held by its sides alone, and below the water that is not enough.',
    settle: 'Bevel it as an old hole, and lay it up.',
    families: 'all',
  },
]
