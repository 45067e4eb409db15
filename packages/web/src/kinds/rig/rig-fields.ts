import dayjs from 'dayjs'
import { SEALANTS } from '@north-tide/core'
import { choiceWords } from '@north-tide/core/words'
import { RIG_FAMILY, RIG_METALS, type RigDesign } from '@north-tide/core/rig'
import { BOND_CHOICES, setGroups } from './set-fields'
import type { GivenGroup, Option } from '../../pieces/given-fields'

const above = true
const least = 0
const METALS: Option[] = RIG_METALS.map((value) => ({ value, title: choiceWords(value) }))
const SEALANT_CHOICES: Option[] = [
  { value: '', title: 'not chosen' },
  ...Object.entries(SEALANTS).map(([value, s]) => ({ value, title: s.title })),
]
const PLACE: GivenGroup = {
  title: 'Place',
  fields: [
    { path: 'place.xMm', label: 'x, aft' },
    { path: 'place.yMm', label: 'y, starboard' },
  ],
}
const held = (d: RigDesign): GivenGroup[] => [
  ...(d.bolts
    ? [
        {
          title: 'Bolts',
          fields: [
            { path: 'bolts.diameterMm', label: 'Bolt', above },
            { path: 'bolts.holeMm', label: 'Its hole', above },
            { path: 'bolts.grade', label: 'Bolt is of', choices: METALS },
          ],
        } satisfies GivenGroup,
      ]
    : []),
  {
    title: 'What it bears on',
    part: {
      path: 'hull',
      there: d.hull !== null,
      start: { thicknessMm: 15, edgeMm: 50, bearingMPa: null, shearMPa: null },
      add: 'It was measured',
      remove: 'not measured',
    },
    fields: [
      { path: 'hull.thicknessMm', label: 'Knee or topside', above },
      { path: 'hull.edgeMm', label: 'Bolt to its edge', above },
    ],
  },
  ...(d.bond
    ? [
        {
          title: 'Bond',
          fields: [
            { path: 'bond.lengthMm', label: 'Bond, long', above },
            { path: 'bond.widthMm', label: 'Bond, wide', above },
            {
              path: 'bond.bond',
              label: 'Made as',
              choices: BOND_CHOICES,
            },
          ],
        } satisfies GivenGroup,
      ]
    : []),
]
const atDeck = (d: RigDesign): GivenGroup[] =>
  d.slot
    ? [
        {
          title: 'At the deck',
          fields: [
            { path: 'slot.lengthMm', label: 'Slot, long', above },
            { path: 'slot.widthMm', label: 'Slot, wide', above },
            ...(d.structure.kind === 'sandwich'
              ? [{ path: 'slot.filled', label: 'filled solid round it', tick: true as const }]
              : []),
            { path: 'slot.cover', label: 'a cover plate over it', tick: true as const },
            { path: 'slot.sealant', label: 'Cover bedded in', choices: SEALANT_CHOICES },
          ],
        },
      ]
    : []
const temporary = (d: RigDesign): GivenGroup => ({
  title: 'Temporary repair',
  part: {
    path: 'temporary',
    there: d.temporary !== null,
    start: {
      what: 'strop to a strong point',
      goodFor: 'motoring in sheltered water',
      until: inDays(14),
      then: 'it is rebuilt and proved',
      notMeanwhile: 'no sail on this side',
    },
    add: 'It is held for the time being',
    remove: 'no longer',
  },
  fields: [
    { path: 'temporary.what', label: 'What holds it', words: 'a strop, a strap' },
    { path: 'temporary.goodFor', label: 'Good for', words: 'motoring in sheltered water' },
    { path: 'temporary.then', label: 'Then', words: 'what must follow' },
    { path: 'temporary.notMeanwhile', label: 'Not meanwhile', words: 'what is not allowed' },
  ],
})
const drogueGroup = (d: RigDesign): GivenGroup => ({
  title: 'Drogue',
  part: {
    path: 'drogue',
    there: d.drogue !== null,
    start: { displacementKg: 5000, share: 0.7 },
    add: 'A drogue\u2019s leg pulls it',
    remove: 'a wire does',
  },
  fields: [
    { path: 'drogue.displacementKg', label: 'She weighs', kind: 'number', unit: 'kg', above },
    { path: 'drogue.share', label: 'On one leg', kind: 'number', above, most: 1 },
  ],
})
/** What is asked of a chainplate: the wire first, then what it pulls on. */
const chainplateGroups = (d: RigDesign): GivenGroup[] => [
  PLACE,
  {
    title: d.drogue ? 'Its leg' : 'Wire',
    fields: [
      ...(d.drogue ? [] : [{ path: 'wire.breakingN', label: 'Breaks at', kind: 'force' as const, above }]),
      { path: 'wire.misalignDeg', label: 'Out of the plate', kind: 'angle', least, most: 89 },
      { path: 'wire.leverMm', label: 'Pin to where it is held', least },
      { path: 'wire.inPlaneDeg', label: 'In the plate', kind: 'angle', least: -90, most: 90 },
    ],
  },
  // What passes the deck on a knee stands under a mast, and no drogue hangs on it.
  ...(RIG_FAMILY[d.family].throughHull ? [drogueGroup(d)] : []),
  {
    title: 'Plate and pin',
    fields: [
      { path: 'plate.thicknessMm', label: 'Thick', above },
      { path: 'plate.widthMm', label: 'Wide', above },
      { path: 'plate.holeMm', label: 'Hole', above },
      { path: 'plate.endMm', label: 'Past the hole', above },
      { path: 'plate.grade', label: 'Plate is of', choices: METALS },
      { path: 'pin.diameterMm', label: 'Pin', above },
      { path: 'pin.grade', label: 'Pin is of', choices: METALS },
    ],
  },
  ...held(d),
  ...atDeck(d),
  {
    title: 'Looked at',
    fields: [
      { path: 'existing', label: 'it is in the boat already', tick: true },
      { path: 'seen.beadBroken', label: 'its bead is broken', tick: true },
      { path: 'seen.weeps', label: 'it weeps', tick: true },
      { path: 'seen.kneeLifts', label: 'the edge of the knee lifts', tick: true },
      { path: 'provedAfter', label: 'Proved since it moved', words: 'what was done, and what was seen' },
    ],
  },
  temporary(d),
]
const inDays = (n: number) => dayjs().add(n, 'day').format('YYYY-MM-DD')
export const rigGroups = (d: RigDesign): GivenGroup[] =>
  d.set ? [PLACE, ...setGroups(d.set)] : chainplateGroups(d)
