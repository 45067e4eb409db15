import type { FindingOf } from '../findings'
import { ROW_FAMILIES, ROW_FAMILY, type RowFamily } from './families'

const bolted = ROW_FAMILIES.filter((f) => !ROW_FAMILY[f].members)
/** What is found wrong with a row that is there. */
export const ROW_FINDINGS: FindingOf<RowFamily>[] = [
  {
    id: 'two-generations',
    title: 'Two generations of fasteners under it',
    risk: 'soon',
    costs: 'Half of the holes hold nothing, and each is a way in.',
    settle: 'Take it off, map every hole, and close or reuse each by name.',
    families: 'all',
  },
  {
    id: 'no-plates',
    title: 'No plate behind, only washers',
    risk: 'soon',
    costs: 'The first hard pull works them loose, one after the other.',
    settle: 'Plates behind each, or one run of them.',
    families: 'all',
  },
  {
    id: 'wave-between',
    title: 'It stands off the hull between its bolts',
    risk: 'watch',
    costs: 'Water and grit lie behind it, and the bolts work.',
    settle: 'More bolts, or roll it to the curve before it goes on.',
    families: bolted,
  },
  {
    id: 'one-side-only',
    title: 'One side was done, its twin was not',
    risk: 'soon',
    costs: 'What was found wrong here is most likely wrong over there.',
    settle: 'Look at the other side before this one is closed up.',
    families: 'all',
  },
  {
    id: 'row-loose',
    title: 'A nut of it turns by hand',
    risk: 'soon',
    costs: 'Its bead works at every pull, and the next one takes its share.',
    settle: 'That one out, looked at, bedded anew; then each of the others with a wrench.',
    families: 'all',
  },
]
