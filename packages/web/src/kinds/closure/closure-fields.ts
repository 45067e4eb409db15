import { choiceWords } from '@north-tide/core/words'
import { ACCESS, CLOSURE_RESINS, CLOTHS, CORE_STATES, type ClosureDesign } from '@north-tide/core/closure'
import type { GivenGroup, Option } from '../../pieces/given-fields'

const above = true
const asOptions = (o: Record<string, string>): Option[] =>
  Object.entries(o).map(([value, title]) => ({ value, title }))
const words = (ids: readonly string[]): Option[] => ids.map((value) => ({ value, title: choiceWords(value) }))
const ACCESS_TITLES = {
  both: 'both sides',
  outside: 'outside only',
  inside: 'inside only',
} satisfies Record<(typeof ACCESS)[number], string>
const CORE_TITLES = {
  unknown: 'not read yet',
  dry: 'read, and dry',
  wet: 'read, and wet',
} satisfies Record<(typeof CORE_STATES)[number], string>

const panel = (d: ClosureDesign): GivenGroup => ({
  title: 'Panel here',
  fields:
    d.structure.kind === 'sandwich'
      ? [
          { path: 'structure.outerMm', label: 'Outer skin', above },
          { path: 'structure.core.thicknessMm', label: 'Core', above },
          { path: 'structure.innerMm', label: 'Inner skin', above },
          { path: 'coreState', label: 'Core round it', choices: asOptions(CORE_TITLES) },
        ]
      : [{ path: 'structure.thicknessMm', label: 'Thickness', above }],
})
const laid = (d: ClosureDesign): GivenGroup => ({
  title: 'How it is closed',
  fields: [
    {
      path: 'way',
      label: 'Closed by',
      choices: asOptions({ laminate: 'bevel and cloth', fill: 'thickened epoxy alone' }),
    },
    { path: 'access', label: 'Reached from', choices: asOptions(ACCESS_TITLES) },
    ...(d.way === 'fill'
      ? []
      : [
          ...(d.structure.kind === 'sandwich'
            ? []
            : [
                {
                  path: 'sides',
                  label: 'Ground from',
                  choices: asOptions({ one: 'one side', both: 'both sides' }),
                },
              ]),
          {
            path: 'ratio',
            label: 'Bevel, to one',
            kind: 'number' as const,
            least: 1,
            most: 100,
            optional: true,
            placeholder: 'by the place',
          },
          {
            path: 'cloth',
            label: 'Cloth',
            choices: Object.entries(CLOTHS).map(([value, c]) => ({ value, title: c.title })),
          },
          {
            path: 'order',
            label: 'Laid',
            choices: asOptions({ 'large-first': 'largest first', 'small-first': 'smallest first' }),
          },
          { path: 'resin', label: 'Resin', choices: words(CLOSURE_RESINS) },
        ]),
    { path: 'highlyLoaded', label: 'much is carried here', tick: true as const },
  ],
})
/** What is asked of a job of closing besides its holes. */
export const closureGroups = (d: ClosureDesign): GivenGroup[] => [
  {
    title: 'Place',
    fields: [
      { path: 'place.xMm', label: 'x, aft' },
      { path: 'place.yMm', label: 'y, starboard' },
      { path: 'place.belowWaterline', label: 'below the waterline', tick: true },
    ],
  },
  panel(d),
  laid(d),
  {
    title: 'Day',
    fields: [
      { path: 'tempC', label: 'Temperature', kind: 'temperature', least: -30, most: 60 },
      { path: 'humidityPct', label: 'Humidity', kind: 'number', unit: '%', least: 0, most: 100 },
    ],
  },
]
