import { choiceWords } from '@north-tide/core/words'
import { FAST_ADHESIVES, RIG_METALS, SET_METALS, type RIG_BONDS, type RigDesign } from '@north-tide/core/rig'
import type { GivenGroup, Option } from '../../pieces/given-fields'

type Set = NonNullable<RigDesign['set']>
const above = true
const least = 0
const BOND_TITLES = {
  primary: 'laid up with the hull',
  'secondary-epoxy': 'ground, in epoxy',
  'secondary-polyester': 'ground, in polyester',
  unabraded: 'not ground',
} satisfies Record<(typeof RIG_BONDS)[number], string>
export const BOND_CHOICES: Option[] = [
  { value: '', title: 'nobody knows' },
  ...Object.entries(BOND_TITLES).map(([value, title]) => ({ value, title })),
]
const HARDENERS: Option[] = (['fast', 'medium', 'slow'] as const).map((value) => ({ value, title: value }))
const titled = (ids: readonly string[]): Option[] =>
  ids.map((value) => ({ value, title: choiceWords(value) }))
const COLUMN_METALS = titled(RIG_METALS)
const UNSAID: Option = { value: '', title: 'not said' }
const WET_METALS = [UNSAID, ...titled(SET_METALS)]
const ADHESIVES = titled(FAST_ADHESIVES)
const shaft = (s: Set): GivenGroup[] =>
  s.shaft
    ? [
        {
          title: 'Shaft',
          fields: [
            { path: 'set.shaft.diameterMm', label: 'Shaft', above },
            { path: 'set.shaft.spanMm', label: 'To the next bearing', above },
            {
              path: 'set.shaft.bearingMm',
              label: 'Bearing, long',
              above,
              optional: true,
              placeholder: 'usual',
            },
            { path: 'set.shaft.grade', label: 'Shaft is of', choices: WET_METALS },
            { path: 'set.grade', label: 'Strut is of', choices: WET_METALS },
          ],
        },
      ]
    : []
const jig = (s: Set): GivenGroup[] =>
  s.jig
    ? [
        {
          title: 'Jig',
          fields: [
            { path: 'set.jig.pitchMm', label: 'Screws, pitch', above },
            { path: 'set.jig.leverMm', label: 'Screws to its bore', least: -5000, most: 5000 },
            ...s.jig.screws.flatMap((_, i) => [
              { path: `set.jig.screws.${i}.xMm`, label: `Screw ${i + 1}, across`, least: -2000, most: 2000 },
              { path: `set.jig.screws.${i}.yMm`, label: 'up', least: -2000, most: 2000 },
            ]),
          ],
        },
      ]
    : []
const recess = (s: Set): GivenGroup => ({
  title: 'Pocket',
  part: {
    path: 'set.recess',
    there: s.recess !== null,
    start: { lengthMm: 200, widthMm: 90, depthMm: 20, takenMm2: 9000, hardener: 'slow' },
    add: 'It is set in a pocket',
    remove: 'no pocket',
  },
  fields: [
    { path: 'set.recess.lengthMm', label: 'Pocket, long', above },
    { path: 'set.recess.widthMm', label: 'Pocket, wide', above },
    { path: 'set.recess.depthMm', label: 'Deep', above },
    { path: 'set.recess.takenMm2', label: 'Taken by the foot', kind: 'number', unit: 'mm\u00b2', least },
    { path: 'set.recess.hardener', label: 'Hardener', choices: HARDENERS },
  ],
})
const tabs = (s: Set): GivenGroup => ({
  title: 'Tabs',
  part: {
    path: 'set.tabs',
    there: s.tabs !== null,
    start: {
      lengthMm: 250,
      widthMm: 175,
      sides: 2,
      ownNPerMm: 140_000,
      tabNPerMm: 75_000,
      plies: 6,
      plyMm: 0.9,
      filletMm: 20,
      gMPa: 600,
      glueMm: 1,
      bond: null,
    },
    add: 'It is tabbed in',
    remove: 'no tabs',
  },
  fields: [
    { path: 'set.loadN', label: 'Carries', kind: 'force', above, optional: true, placeholder: 'not said' },
    { path: 'set.tabs.lengthMm', label: 'Tabs, along it', above },
    { path: 'set.tabs.widthMm', label: 'Out on the hull', above },
    { path: 'set.tabs.plies', label: 'Plies', kind: 'number', least: 1, most: 30 },
    { path: 'set.tabs.plyMm', label: 'Each ply', above },
    { path: 'set.tabs.filletMm', label: 'Fillet', least },
    { path: 'set.tabs.bond', label: 'Made as', choices: BOND_CHOICES },
  ],
})
const column = (s: Set): GivenGroup => ({
  title: 'Under a mast',
  part: {
    path: 'set.column',
    there: s.column !== null,
    start: { outsideMm: 80, wallMm: 5, lengthMm: 1900, grade: 'al-6061', footMm2: 22_500, footMPa: null },
    add: 'It carries a mast',
    remove: 'no mast',
  },
  fields: [
    {
      path: 'set.loadN',
      label: 'Mast presses',
      kind: 'force',
      above,
      optional: true,
      placeholder: 'not said',
    },
    { path: 'set.column.outsideMm', label: 'Outside', above },
    { path: 'set.column.wallMm', label: 'Wall', above },
    { path: 'set.column.lengthMm', label: 'Long', above },
    { path: 'set.column.grade', label: 'Post is of', choices: COLUMN_METALS },
    { path: 'set.column.footMm2', label: 'Foot', kind: 'number', unit: 'mm\u00b2', above },
    {
      path: 'set.column.footMPa',
      label: 'What it stands on bears',
      kind: 'number',
      unit: 'MPa',
      above,
      optional: true,
      placeholder: 'not said',
    },
  ],
})
const glue = (): GivenGroup[] => [
  {
    title: 'Plate',
    fields: [
      { path: 'set.glue.lengthMm', label: 'Plate, long', above },
      { path: 'set.glue.widthMm', label: 'Plate, wide', above },
      { path: 'set.glue.thicknessMm', label: 'Plate, thick', above },
      {
        path: 'set.loadN',
        label: 'Bond carries',
        kind: 'force',
        above,
        optional: true,
        placeholder: 'not said',
      },
      { path: 'set.glue.bond', label: 'Faces are', choices: BOND_CHOICES },
    ],
  },
  {
    title: 'Adhesive',
    fields: [
      { path: 'set.glue.adhesive', label: 'Adhesive', choices: ADHESIVES },
      { path: 'set.glue.lineMm', label: 'Adhesive, thick', above },
      { path: 'tempC', label: 'Air and faces', kind: 'temperature', least: -30, most: 60 },
      {
        path: 'set.glue.dryRunMin',
        label: 'Dry run took',
        kind: 'number',
        unit: 'min',
        above,
        optional: true,
        placeholder: 'not timed',
      },
    ],
  },
]
/** What is asked of what is set in, stood under or bonded: its line first, then what holds it. */
export const setGroups = (s: Set): GivenGroup[] => [
  ...(s.glue ? glue() : [...shaft(s), column(s), ...jig(s), recess(s), tabs(s)]),
  { title: 'There', fields: [{ path: 'existing', label: 'it is in the boat already', tick: true }] },
]
