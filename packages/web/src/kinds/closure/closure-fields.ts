import { choiceWords } from '@north-tide/core/words'
import {
  ACCESS,
  CLOSURE_RESINS,
  CLOTHS,
  CORE_STATES,
  HARDENER_IDS,
  type Block,
  type ClosureDesign,
  type Joint,
} from '@north-tide/core/closure'
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

const CLOTH_CHOICES: Option[] = Object.entries(CLOTHS).map(([value, c]) => ({ value, title: c.title }))
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
            choices: CLOTH_CHOICES,
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
const HARDENERS = words(HARDENER_IDS)
const least = 0
const tape = (i: number) => ({ path: `joint.tapesMm.${i}`, label: `Tape ${i + 1}, wide`, above })
const joint = (j: Joint): GivenGroup[] => [
  {
    title: 'Joint',
    fields: [
      { path: 'joint.gapMm', label: 'Gap', least },
      { path: 'joint.depthMm', label: 'Gap, deep', least },
      { path: 'joint.angleDeg', label: 'Hull to deck', kind: 'angle', least: 60, most: 180 },
      { path: 'joint.screws', label: 'Screws to cut', kind: 'number', least, most: 5000 },
      { path: 'joint.minutesEach', label: 'Each takes', kind: 'number', unit: 'min', least },
      { path: 'access', label: 'Reached from', choices: asOptions(ACCESS_TITLES) },
    ],
  },
  {
    title: 'Fillet and tapes',
    fields: [
      { path: 'joint.filletMm', label: 'Fillet', above },
      ...j.tapesMm.map((_, i) => tape(i)),
      { path: 'joint.pieceMm', label: 'Piece, at most', above },
      { path: 'cloth', label: 'Cloth', choices: CLOTH_CHOICES },
      { path: 'joint.hardener', label: 'Hardener', choices: HARDENERS },
    ],
    acts: [
      ...(j.tapesMm.length < 6
        ? [{ label: 'One tape more', path: 'joint.tapesMm', value: [...j.tapesMm, j.tapesMm.at(-1)! + 50] }]
        : []),
      ...(j.tapesMm.length > 1
        ? [{ label: 'One tape less', path: 'joint.tapesMm', value: j.tapesMm.slice(0, -1) }]
        : []),
    ],
  },
]
const block = (b: Block): GivenGroup[] => [
  {
    title: 'Block',
    fields: [
      { path: 'block.lengthMm', label: 'Long', above },
      { path: 'block.widthMm', label: 'Wide', above },
      { path: 'block.thickMm', label: 'Thick', above },
      {
        path: 'block.thinMm',
        label: 'Thin end',
        above,
        optional: true,
        placeholder: 'as thick',
      },
      { path: 'block.trimMm', label: 'To trim off', least },
    ],
  },
  {
    title: 'How it is made',
    fields: [
      {
        path: 'block.way',
        label: 'Made by',
        choices: asOptions({
          laid: 'laid up from cloth',
          cast: 'cast in a mould',
          sheets: 'glued from sheet',
        }),
      },
      ...(b.way === 'laid'
        ? [
            { path: 'cloth', label: 'Cloth', choices: CLOTH_CHOICES },
            {
              path: 'block.taper',
              label: 'Taper',
              choices: asOptions({ plane: 'planed down', step: 'plies stepped' }),
            },
          ]
        : []),
      { path: 'block.hardener', label: 'Hardener', choices: HARDENERS },
      ...(b.way === 'sheets'
        ? b.sheetsMm.map((_, i) => ({ path: `block.sheetsMm.${i}`, label: `Sheet ${i + 1}`, above }))
        : []),
    ],
    lists: ['block.sheetsMm'],
  },
]
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
  ...(d.joint ? joint(d.joint) : d.block ? block(d.block) : [panel(d), laid(d)]),
  {
    title: 'Day',
    fields: [
      { path: 'tempC', label: 'Temperature', kind: 'temperature', least: -30, most: 60 },
      { path: 'humidityPct', label: 'Humidity', kind: 'number', unit: '%', least: 0, most: 100 },
    ],
  },
]
