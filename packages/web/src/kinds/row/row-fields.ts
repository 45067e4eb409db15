import { SEALANTS } from '@north-tide/core'
import { choiceWords } from '@north-tide/core/words'
import { STRIP_MATERIALS, type RowDesign } from '@north-tide/core/row'
import type { GivenGroup, Option } from '../../pieces/given-fields'

const above = true
const least = 0
const METALS: Option[] = STRIP_MATERIALS.map((value) => ({ value, title: choiceWords(value) }))
const SEALANT_CHOICES: Option[] = [
  { value: '', title: 'not chosen' },
  ...Object.entries(SEALANTS).map(([value, s]) => ({ value, title: s.title })),
]
const CURVE = { chordMm: 2000, sagittaMm: 20 }
const curve = (d: RowDesign, way: 'easy' | 'edge', title: string): GivenGroup => ({
  title,
  part: {
    path: `strip.${way}`,
    there: d.strip?.[way] != null,
    start: CURVE,
    add: 'It was measured',
    remove: 'not measured',
  },
  fields: [
    { path: `strip.${way}.chordMm`, label: 'Chord', above },
    { path: `strip.${way}.sagittaMm`, label: 'Rise in its middle', above },
  ],
})
const strip = (d: RowDesign): GivenGroup[] =>
  d.strip
    ? [
        {
          title: 'Strip',
          fields: [
            { path: 'strip.widthMm', label: 'Strip, wide', above },
            { path: 'strip.thicknessMm', label: 'Strip, thick', above },
            { path: 'strip.material', label: 'Strip is of', choices: METALS },
            { path: 'strip.stockMm', label: 'Comes in', above },
            { path: 'strip.boltTensionN', label: 'A bolt may pull', kind: 'force', above, optional: true },
          ],
        },
        curve(d, 'easy', 'Curve, the easy way'),
        curve(d, 'edge', 'Curve, edgewise'),
      ]
    : []
const layout = (d: RowDesign): GivenGroup[] => [
  {
    title: 'Along the line',
    fields: [
      { path: 'fromMm', label: 'From', least },
      { path: 'toMm', label: 'To', above },
      {
        path: 'ends',
        label: 'Its ends',
        choices: [
          { value: 'fixed', title: 'stay put' },
          { value: 'free', title: 'may move' },
        ],
      },
      ...(d.ends === 'free'
        ? [{ path: 'endToleranceMm', label: 'So far', least, optional: true, placeholder: 'half' }]
        : []),
    ],
  },
  {
    title: 'Pitch',
    fields: [
      { path: 'pitch.wantedMm', label: 'Wanted', above },
      { path: 'pitch.leastMm', label: 'Least', above },
      { path: 'pitch.mostMm', label: 'Most', above },
      {
        path: 'count',
        label: 'How many',
        kind: 'number',
        least: 2,
        most: 500,
        optional: true,
        placeholder: 'even',
      },
      { path: 'footprintMm', label: 'Each is long', above },
      {
        path: 'mapMarginMm',
        label: 'Clear of the map\u2019s',
        least,
        optional: true,
        placeholder: 'not',
      },
    ],
  },
]
const bolts: GivenGroup = {
  title: 'Bolts',
  fields: [
    { path: 'bolt.diameterMm', label: 'Bolt', above },
    { path: 'bolt.holeMm', label: 'Its hole', above },
    { path: 'bedding.sealant', label: 'Bedded in', choices: SEALANT_CHOICES },
  ],
}
/** What is asked of a row: where from and to, how far apart, what stands in it. */
export const rowGroups = (d: RowDesign): GivenGroup[] => [
  ...layout(d),
  ...(d.memberId === null ? [bolts] : []),
  ...strip(d),
  {
    title: 'From inside',
    part: {
      path: 'through',
      there: d.through !== null,
      start: { thicknessMm: 20, flareDeg: 0 },
      add: 'Thickness and flare were measured',
      remove: 'not measured',
    },
    fields: [
      { path: 'through.thicknessMm', label: 'Thick there', above },
      { path: 'through.flareDeg', label: 'Flare', kind: 'angle', least: -89, most: 89 },
    ],
  },
  {
    title: 'Looked at',
    fields: [
      { path: 'existing', label: 'it is in the boat already', tick: true },
      { path: 'note', label: 'Note', words: 'for whoever sets it out' },
    ],
  },
]
