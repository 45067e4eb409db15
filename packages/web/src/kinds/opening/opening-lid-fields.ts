import {
  DRAINS,
  GASKET_KINDS,
  HINGE_SIDES,
  LATCH_KINDS,
  OPENING_FAMILY,
  PANE_TITLES,
  type OpeningDesign,
} from '@north-tide/core/opening'
import type { GivenField, GivenGroup } from '../../pieces/given-fields'
import { above, asOptions, least, SEALANT_CHOICES, words } from './opening-choices'

export function pane(d: OpeningDesign): GivenGroup {
  const beaded = d.pane !== null && d.pane.beadMm !== null
  return {
    title: d.lid ? 'Lid or pane' : 'Pane',
    part: {
      path: 'pane',
      there: d.pane !== null,
      start: {
        material: 'cast-acrylic',
        thicknessMm: 10,
        seatMm: -8,
        underfoot: OPENING_FAMILY[d.family].underfoot,
        clamped: false,
        screws: null,
        beadMm: null,
        sealant: null,
        proof: null,
      },
      add: 'Give it a pane',
      remove: 'Without a pane',
    },
    fields: [
      { path: 'pane.material', label: 'Of', choices: asOptions(PANE_TITLES) },
      { path: 'pane.thicknessMm', label: 'Thick', above },
      { path: 'pane.seatMm', label: 'Carried, past the cut', least: -500, most: 500 },
      { path: 'pane.underfoot', label: 'stood on', tick: true },
      { path: 'pane.clamped', label: 'bolted rigid all round', tick: true },
      { path: 'pane.proof', label: 'Its maker proves', words: 'class, pressure, place' },
      ...(beaded
        ? ([
            { path: 'pane.beadMm', label: 'Bead', above },
            { path: 'pane.sealant', label: 'In', choices: SEALANT_CHOICES },
          ] satisfies GivenField[])
        : []),
      ...(d.pane?.screws
        ? ([
            { path: 'pane.screws.screwMm', label: 'Screwed with', above },
            { path: 'pane.screws.edgeMm', label: 'Holes from its edge', above },
          ] satisfies GivenField[])
        : []),
    ],
  }
}
const LATCHED: GivenField[] = [
  {
    path: 'lid.latch',
    label: 'Each a',
    choices: [{ value: '', title: 'not known' }, ...words(LATCH_KINDS)],
  },
  {
    path: 'lid.gasket',
    label: 'Gasket',
    choices: [
      { value: '', title: 'none' },
      ...GASKET_KINDS.map((value) => ({
        value,
        title: value === 'hollow' ? 'hollow seal' : value.replace('-', ', '),
      })),
    ],
  },
  {
    path: 'lid.rim',
    label: 'Rim round it',
    choices: [
      { value: 'none', title: 'none' },
      { value: 'light', title: 'light, 20 by 12' },
      { value: 'stiff', title: 'stiff, 30 by 20' },
    ],
  },
]
export const drains = (d: OpeningDesign): GivenGroup => ({
  title: 'Drains of the rebate',
  part: {
    path: 'lid.drains',
    there: d.lid?.drains != null,
    start: DRAINS,
    add: 'It has drains',
    remove: 'Without drains',
  },
  fields: [
    { path: 'lid.drains.count', label: 'Drains', kind: 'number', least: 1, most: 8 },
    { path: 'lid.drains.diameterMm', label: 'Each across', above },
  ],
})
export const lid = (d: OpeningDesign): GivenGroup => ({
  title: 'Kept shut by',
  part: {
    path: 'lid',
    there: d.lid !== null,
    start: {
      massKg: 4,
      back: 'hinge',
      hingeSide: 'forward',
      latches: 2,
      latch: 'cam',
      gasket: 'hollow',
      rim: 'none',
      windKn: null,
      stops: null,
      stepMm: null,
      drains: null,
      headMm: null,
    },
    add: 'It opens',
    remove: 'It does not open',
  },
  fields: [
    { path: 'lid.massKg', label: 'Weighs', kind: 'number', unit: 'kg', above },
    {
      path: 'lid.back',
      label: 'Back edge',
      choices: [
        { value: 'hinge', title: 'hinged' },
        { value: 'ledge', title: 'under a ledge' },
        { value: 'latches', title: 'latched too' },
      ],
    },
    ...(d.lid?.back === 'hinge'
      ? ([{ path: 'lid.hingeSide', label: 'Hinged', choices: words(HINGE_SIDES) }] satisfies GivenField[])
      : []),
    { path: 'lid.latches', label: 'Latches', kind: 'number', least: 1, most: 40 },
    ...LATCHED,
    { path: 'lid.windKn', label: 'Wind on it, shut', kind: 'number', unit: 'kn', least, optional: true },
    { path: 'lid.stepMm', label: 'Edge above the deck', least, optional: true },
    ...(d.family === 'watertight-door'
      ? ([
          { path: 'lid.headMm', label: 'Water over its middle', least, optional: true },
        ] satisfies GivenField[])
      : []),
  ],
})
