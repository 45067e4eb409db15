import type { Duty } from '@north-tide/core'
import {
  type BOND_FACES,
  GLAND_SIZES,
  KEEPS,
  type LINE_KINDS,
  outlineAs,
  REBATED,
  SEA_PLACES,
  type OpeningDesign,
} from '@north-tide/core/opening'
import { above, asOptions, least, SEALANT_CHOICES, words } from './opening-choices'
import { drains, lid, pane } from './opening-lid-fields'
import type { GivenField, GivenGroup, Option } from '../../pieces/given-fields'

const DUTIES: Option[] = (['sheltered', 'coastal', 'ocean'] satisfies Duty[]).map((value) => ({
  value,
  title: value,
}))

/** More corners than these are read from a drawing, and not typed. */
const TYPED_CORNERS = 12
function cutOut(d: OpeningDesign): GivenField[] {
  const o = d.outline
  if (o.kind === 'circle') return [{ path: 'outline.diameterMm', label: 'Across', above }]
  if (o.kind === 'polygon')
    return o.points.length > TYPED_CORNERS
      ? []
      : o.points.flatMap((_, i): GivenField[] => [
          { path: `outline.points.${i}.xMm`, label: `Corner ${i + 1}, aft`, least: -5000, most: 5000 },
          { path: `outline.points.${i}.yMm`, label: 'to starboard', least: -5000, most: 5000 },
        ])
  return [
    { path: 'outline.lengthMm', label: 'Length', above },
    { path: 'outline.widthMm', label: 'Width', above },
    { path: 'outline.cornerMm', label: 'Corner radius', least },
  ]
}
const SHAPES = { rect: 'A rectangle', circle: 'Round', polygon: 'By its corners' } as const
/** Another shape of the same size; of one by its corners, one of them more or less. */
function cutActs({ outline: o }: OpeningDesign): GivenGroup['acts'] {
  const others = (Object.keys(SHAPES) as (keyof typeof SHAPES)[])
    .filter((k) => k !== o.kind)
    .map((k) => ({ label: SHAPES[k], path: 'outline', value: outlineAs(o, k) }))
  if (o.kind !== 'polygon' || o.points.length > TYPED_CORNERS) return others
  const path = 'outline.points'
  const [last, first] = [o.points.at(-1)!, o.points[0]!]
  const between = { xMm: (last.xMm + first.xMm) / 2, yMm: (last.yMm + first.yMm) / 2 }
  return [
    ...(o.points.length < TYPED_CORNERS
      ? [{ label: 'Another corner', path, value: [...o.points, between] }]
      : []),
    ...(o.points.length > 3 ? [{ label: 'One corner less', path, value: o.points.slice(0, -1) }] : []),
    ...others,
  ]
}
const cutGroup = (d: OpeningDesign): GivenGroup => ({
  title: 'Cut-out',
  fields: cutOut(d),
  lists: ['outline.points', 'outline'],
  acts: cutActs(d),
})
const structure = (d: OpeningDesign): GivenGroup => ({
  title: 'Deck here',
  fields:
    d.structure.kind === 'sandwich'
      ? [
          { path: 'structure.outerMm', label: 'Outer skin', above },
          { path: 'structure.core.thicknessMm', label: 'Core', above },
          { path: 'structure.innerMm', label: 'Inner skin', above },
          { path: 'core.filled', label: 'core raked and filled', tick: true },
          { path: 'core.rakeMm', label: 'Raked back', above, optional: true, placeholder: 'by the core' },
        ]
      : [{ path: 'structure.thicknessMm', label: 'Thickness', above }],
})
const ledge: GivenGroup = {
  title: 'Glass on its ledge',
  fields: [
    { path: 'frame.flangeMm', label: 'Ledge', above },
    { path: 'frame.thicknessMm', label: 'Glass flange', above },
  ],
}
const solid: GivenGroup = {
  title: 'Pocket and solid',
  fields: [
    { path: 'prism.sideMm', label: 'Gap round the glass', least },
    { path: 'prism.bandMm', label: 'Solid outside it', above },
    { path: 'prism.glueMm', label: 'Glue line', least },
    { path: 'prism.edgeGapMm', label: 'Gap to the core', least },
    { path: 'prism.toleranceMm', label: 'Flush within', above },
  ],
}
const BOND_TITLES = {
  'secondary-epoxy': 'ground, in epoxy',
  'secondary-polyester': 'ground, in polyester',
  unabraded: 'not ground',
} satisfies Record<(typeof BOND_FACES)[number], string>
function bin(d: OpeningDesign): GivenGroup {
  const water = d.bin?.contents.kind === 'water'
  return {
    title: 'Bin',
    fields: [
      { path: 'bin.depthMm', label: 'Deep', above },
      { path: 'bin.massKg', label: 'Weighs', kind: 'number', unit: 'kg', above },
      water
        ? { path: 'bin.contents.fill', label: 'Filled with water', kind: 'number', above, most: 1 }
        : { path: 'bin.contents.massKg', label: 'Gear in it', kind: 'number', unit: 'kg', least },
      { path: 'bin.bonded', label: 'bonded as well as screwed', tick: true },
      { path: 'bin.surface', label: 'Its face', choices: asOptions(BOND_TITLES) },
      { path: 'bin.liftMinutes', label: 'To lift it in', kind: 'number', unit: 'min', least },
      { path: 'bin.minutesPerScrew', label: 'Each screw', kind: 'number', unit: 'min', least },
    ],
    acts: [
      water
        ? { label: 'It holds gear', path: 'bin.contents', value: { kind: 'gear', massKg: 20 } }
        : { label: 'It may fill with water', path: 'bin.contents', value: { kind: 'water', fill: 1 } },
    ],
  }
}

type Gland = NonNullable<OpeningDesign['gland']>['glands'][number]
const NEXT_GLAND_MM = 80
const MOST_GLANDS = 6
const MOST_CABLES = 8
function glandActs(all: Gland[], i: number): GivenGroup['acts'] {
  const { cables } = all[i]!
  const path = `gland.glands.${i}.cables`
  const last = all[all.length - 1]!
  const next = {
    ...last,
    yMm: last.yMm + NEXT_GLAND_MM,
    size: null,
    cables: [{ name: 'cable', odMm: 8, line: 'cable' }],
  }
  return [
    ...(cables.length < MOST_CABLES
      ? [{ label: 'Another cable', path, value: [...cables, { name: 'cable', odMm: 6, line: 'cable' }] }]
      : []),
    ...(cables.length > 1 ? [{ label: 'One cable less', path, value: cables.slice(0, -1) }] : []),
    ...(i === all.length - 1 && all.length < MOST_GLANDS
      ? [{ label: 'Another gland', path: 'gland.glands', value: [...all, next] }]
      : []),
    ...(all.length > 1
      ? [{ label: 'Without this gland', path: 'gland.glands', value: all.filter((_, k) => k !== i) }]
      : []),
  ]
}
const LINE_TITLES = {
  cable: 'a cable',
  'pipe-closed': 'a pipe, closed run',
  'pipe-valved': 'a pipe with a valve here',
  'pipe-open': 'a pipe, open both ends',
} satisfies Record<(typeof LINE_KINDS)[number], string>
const GLAND_CHOICES: Option[] = [
  { value: '', title: 'as needed' },
  ...GLAND_SIZES.map((value) => ({ value, title: value })),
]
function glandGroup(all: Gland[], i: number): GivenGroup {
  const path = `gland.glands.${i}`
  return {
    title: all.length > 1 ? `Gland ${i + 1}` : 'Gland',
    fields: [
      ...all[i]!.cables.flatMap((_, k): GivenField[] => [
        { path: `${path}.cables.${k}.name`, label: `Cable ${k + 1}`, words: 'what it is for' },
        { path: `${path}.cables.${k}.odMm`, label: `Cable ${k + 1}, across`, above },
        { path: `${path}.cables.${k}.line`, label: 'It is', choices: asOptions(LINE_TITLES) },
      ]),
      { path: `${path}.size`, label: 'Size', choices: GLAND_CHOICES },
      { path: `${path}.yMm`, label: 'To starboard', least: -2000, most: 2000 },
      { path: `${path}.zMm`, label: 'Up', least: -2000, most: 2000 },
      { path: `${path}.edgeMm`, label: 'To tabbing or beam', above, optional: true, placeholder: 'measure' },
      { path: `${path}.threadMm`, label: 'Its thread', above, optional: true, placeholder: 'unknown' },
      { path: `${path}.boreMm`, label: 'Bored over', above, optional: true, placeholder: 'usual' },
    ],
    lists: [`${path}.cables`],
    acts: glandActs(all, i),
  }
}
function glands({ gland }: OpeningDesign): GivenGroup[] {
  if (!gland) return []
  return [
    ...gland.glands.map((_, i) => glandGroup(gland.glands, i)),
    {
      title: 'Flooded',
      fields: [
        { path: 'gland.floodZMm', label: 'Water would stand at', optional: true, placeholder: 'unknown' },
        { path: 'gland.wrenchMm', label: 'Room for a wrench', least },
      ],
    },
    {
      title: 'Compartment behind',
      part: {
        path: 'gland.behind',
        there: gland.behind !== null,
        start: { lengthMm: 1900, widthMm: 1600, heightMm: 900, side: 'forward', pumpLpm: null },
        add: 'Give its size',
        remove: 'Leave it out',
      },
      fields: [
        { path: 'gland.behind.lengthMm', label: 'Long', above },
        { path: 'gland.behind.widthMm', label: 'Wide', above },
        { path: 'gland.behind.heightMm', label: 'High', above },
        { path: 'gland.behind.side', label: 'It lies', choices: words(['forward', 'aft']) },
        {
          path: 'gland.behind.pumpLpm',
          label: 'Pump, rated',
          kind: 'number',
          unit: 'l/min',
          above,
          optional: true,
          placeholder: 'none',
        },
      ],
    },
  ]
}

const frame: GivenGroup = {
  title: 'Frame',
  fields: [
    { path: 'frame.flangeMm', label: 'Flange', above },
    { path: 'frame.thicknessMm', label: 'Thick', above },
    {
      path: 'frame.hold',
      label: 'Held by',
      choices: [
        { value: 'screws', title: 'screws' },
        { value: 'bolts', title: 'bolts' },
        { value: 'bond', title: 'bond alone' },
      ],
    },
    { path: 'frame.screwMm', label: 'Screw', above },
    { path: 'frame.insetMm', label: 'From its edge', above },
    { path: 'frame.pitchMm', label: 'No further apart', above },
  ],
}
const ring = (d: OpeningDesign): GivenGroup => ({
  title: 'Ring behind',
  part: {
    path: 'ring',
    there: d.ring !== null,
    start: { material: 'plywood', widthMm: 4 * d.frame.screwMm + 14, thicknessMm: 12 },
    add: 'Give it a ring',
    remove: 'Without a ring',
  },
  fields: [
    {
      path: 'ring.material',
      label: 'Of',
      choices: [
        { value: 'plywood', title: 'plywood, sealed' },
        { value: 'timber', title: 'timber, epoxied' },
        { value: 'glass-sheet', title: 'glass sheet' },
      ],
    },
    { path: 'ring.widthMm', label: 'Wide', above },
    { path: 'ring.thicknessMm', label: 'Thick', above },
  ],
})
const cutMember: GivenGroup = {
  title: 'Member cut through',
  fields: [{ path: 'cutMemberMm2', label: 'Its flange', kind: 'number', unit: 'mm²', least }],
}
const carlins = (d: OpeningDesign): GivenGroup => ({
  title: 'Carlin each side',
  part: {
    path: 'carlin',
    there: d.carlin !== null,
    start: { widthMm: 30, depthMm: 50 },
    add: 'Give it carlins',
    remove: 'Without carlins',
  },
  fields: [
    { path: 'carlin.widthMm', label: 'Wide', above },
    { path: 'carlin.depthMm', label: 'Deep', above },
  ],
})
const sea: GivenGroup = {
  title: 'The sea',
  fields: [
    { path: 'sea', label: 'Stands on', choices: asOptions(SEA_PLACES) },
    { path: 'keeps', label: 'Has to be', choices: asOptions(KEEPS) },
    { path: 'sillMm', label: 'Sill over what floods', least, optional: true, placeholder: 'not given' },
    { path: 'duty', label: 'Duty', choices: DUTIES },
  ],
}
const bedding: GivenGroup = {
  title: 'Bedding',
  fields: [
    { path: 'bedding.sealant', label: 'Sealant', choices: SEALANT_CHOICES },
    { path: 'bedding.beadMm', label: 'Bead', above },
    { path: 'bedding.tempC', label: 'Day', kind: 'temperature' },
    { path: 'bedding.humidityPct', label: 'Humidity', kind: 'number', unit: '%', least, most: 100 },
    { path: 'bedding.toBePainted', label: 'painted before it goes in', tick: true },
  ],
}
/** What came out of the boat. */
const offcut: GivenGroup = {
  title: 'What came out',
  fields: [{ path: 'offcutMm', label: 'Cut-out, thick', above, optional: true, placeholder: 'measure' }],
}
/** On a face that stands up its height is asked too. */
const upright = (d: OpeningDesign) => d.gland !== null || d.sea === 'topside'
const place = (d: OpeningDesign): GivenGroup => ({
  title: 'Place',
  fields: [
    { path: 'place.xMm', label: 'x, aft' },
    { path: 'place.yMm', label: 'y, starboard' },
    ...(upright(d) ? [{ path: 'place.zMm', label: 'z, over the water' }] : []),
    ...(d.gland
      ? []
      : [{ path: 'headingDeg', label: 'Turned', kind: 'angle' as const, least: -180, most: 180 }]),
  ],
})
const bulkhead = (d: OpeningDesign): GivenGroup => {
  const { fields } = structure(d)
  return { title: 'Bulkhead', fields: fields.filter((f) => !f.path.startsWith('core.')) }
}
/** What is asked of this opening, in the order in which one thinks of it. */
export function openingGroups(d: OpeningDesign): GivenGroup[] {
  if (d.gland) return [place(d), bulkhead(d), offcut, ...glands(d)]
  const cut = cutGroup(d)
  if (d.prism) {
    const deck = { ...structure(d), fields: bulkhead(d).fields }
    return [place(d), cut, deck, offcut, ledge, solid, pane(d), sea, bedding]
  }
  const rebate = d.lid && REBATED.includes(d.family) ? [drains(d)] : []
  const closed = d.bin ? [bin(d)] : [pane(d), lid(d), ...rebate, sea]
  return [
    place(d),
    cut,
    structure(d),
    offcut,
    frame,
    ring(d),
    cutMember,
    ...(d.cutMemberMm2 > 0 || d.carlin ? [carlins(d)] : []),
    ...closed,
    bedding,
  ]
}
