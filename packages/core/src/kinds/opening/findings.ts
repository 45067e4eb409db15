import type { FindingOf } from '../findings'
import { OPENING_FAMILIES, OPENING_FAMILY, type OpeningFamily } from './families'

const opens = OPENING_FAMILIES.filter((f) => OPENING_FAMILY[f].opens)
const BLIND: OpeningFamily[] = ['ventilator', 'inspection-port', 'bin', 'gland']
const panes = OPENING_FAMILIES.filter((f) => !BLIND.includes(f))
/** What is found wrong with an opening that is there. */
export const OPENING_FINDINGS: FindingOf<OpeningFamily>[] = [
  {
    id: 'leaks',
    title: 'Leaks at the frame',
    risk: 'soon',
    costs: 'Water runs into the edge of the core, and shows far from where it comes in.',
    settle: 'Hose it low to high to find where, then bed it anew with the core looked at.',
    families: 'all',
  },
  {
    id: 'soft-edge',
    title: 'Deck soft at the edge',
    risk: 'soon',
    costs: 'The core is wet behind the frame, and the screws hold in nothing.',
    settle: 'Open it, take the wet core out to dry, rake, fill, and bed it anew.',
    families: 'all',
  },
  {
    id: 'crazed',
    title: 'Pane crazed',
    risk: 'watch',
    costs: 'Fine cracks are the beginning of one that goes through; alcohol or the wrong sealant made them.',
    settle: 'A new pane, and nothing with alcohol near it.',
    families: panes,
  },
  {
    id: 'cracked',
    title: 'Pane cracked',
    risk: 'sinks',
    costs: 'Green water opens it all at once.',
    settle: 'A storm board now; a new pane before she goes out.',
    families: panes,
  },
  {
    id: 'corner-crack',
    title: 'Cracks in the deck at a corner',
    risk: 'watch',
    costs: 'The corner was cut too sharp, or the deck works: it goes on.',
    settle: 'Grind, lay it up again, a rounder corner or a ring.',
    families: 'all',
  },
  {
    id: 'gasket-set',
    title: 'Gasket flat or torn',
    risk: 'soon',
    costs: 'It presses no more: spray comes in, and water in a sea.',
    settle: 'A new strip all round, in one piece, joint at the hinge.',
    families: opens,
  },
  {
    id: 'latch-loose',
    title: 'Latch loose or missing',
    risk: 'soon',
    costs: 'It opens when it is most wanted shut.',
    settle: 'A new latch; bolts, not screws in thin laminate.',
    families: opens,
  },
  {
    id: 'screws-corroded',
    title: 'Screws stained or loose',
    risk: 'watch',
    costs: 'Brown water at a screw is water in the hole.',
    settle: 'Take one out and look; bed them anew.',
    families: 'all',
  },
]
