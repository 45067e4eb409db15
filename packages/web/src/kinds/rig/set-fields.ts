import type { RIG_BONDS, RigDesign } from '@north-tide/core/rig'
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
/** What is asked of a strut, a post or a knee: its line first, then what holds it. */
export const setGroups = (s: Set): GivenGroup[] => [
  ...shaft(s),
  ...jig(s),
  recess(s),
  tabs(s),
  { title: 'There', fields: [{ path: 'existing', label: 'it is in the boat already', tick: true }] },
]
