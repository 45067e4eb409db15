import type { FindingOf } from '../findings'
import { RIG_FAMILIES, RIG_FAMILY, type RigFamily } from './families'

const slotted = RIG_FAMILIES.filter((f) => RIG_FAMILY[f].slot)
/** What is found wrong with a chainplate that is there. */
export const RIG_FINDINGS: FindingOf<RigFamily>[] = [
  {
    id: 'rust-weep',
    title: 'Brown weep at deck level',
    risk: 'sinks',
    costs: 'Water stands round the plate without air: it cracks from there, unseen.',
    settle: 'Draw the plate, look at it at deck level with dye, and renew it if there is any doubt.',
    families: 'all',
  },
  {
    id: 'pin-worn',
    title: 'Pin or hole worn oval',
    risk: 'sinks',
    costs: 'It works at every wave, and the play grows by itself.',
    settle: 'A new pin in a round hole, or a new plate.',
    families: 'all',
  },
  {
    id: 'no-split-pin',
    title: 'Clevis pin not secured',
    risk: 'sinks',
    costs: 'It walks out, and the mast goes with it.',
    settle: 'A split pin, opened and taped, now.',
    families: 'all',
  },
  {
    id: 'slot-tight',
    title: 'Plate touches the deck',
    risk: 'soon',
    costs: 'The deck takes load that it was not made for, and its bead is torn.',
    settle: 'Open the slot to 1\u20132 mm all round, solid, and a cover plate over it.',
    families: slotted,
  },
  {
    id: 'knee-soft',
    title: 'Knee or bulkhead soft at the plate',
    risk: 'sinks',
    costs: 'Wet wood carries nothing.',
    settle: 'Take the load off; cut back to sound wood, and rebuild it before she sails.',
    families: slotted,
  },
  {
    id: 'bolt-loose',
    title: 'A bolt turns or is stained',
    risk: 'soon',
    costs: 'The others carry its share.',
    settle: 'One out at a time, looked at, and renewed with its nut.',
    families: 'all',
  },
]
