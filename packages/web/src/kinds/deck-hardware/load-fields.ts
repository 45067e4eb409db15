import type { Design } from '@north-tide/core'

type Load = Design['load']
type Basis = Load['basis']
export interface LoadField {
  key: string
  label: string
  kind: 'length' | 'force' | 'angle' | 'number'
  unit?: string
  above?: boolean
  least?: number
  most?: number
  /** what the core takes when it is left empty */
  usual?: string
  optional?: boolean
}
export interface BasisInfo {
  title: string
  start: Load
  fields: LoadField[]
  /** angles that the basis fixes and that are not asked for */
  fixed?: ('elevationDeg' | 'azimuthDeg')[]
}
const share: LoadField = {
  key: 'share',
  label: 'Share of it',
  kind: 'number',
  above: true,
  most: 1,
  optional: true,
}

/** Which fields each load basis asks for; ranges are the schema's, which has the last word. */
export const BASES: Record<Basis, BasisInfo> = {
  line: {
    title: 'Half the line\u2019s strength',
    start: { basis: 'line', line: 'polyester-3', diameterMm: 12, share: 0.5 },
    fields: [
      { key: 'diameterMm', label: 'Line diameter', kind: 'length', above: true, optional: true },
      {
        key: 'breakingN',
        label: 'Maker\u2019s strength',
        kind: 'force',
        above: true,
        optional: true,
        usual: 'from size',
      },
      { ...share, usual: '0.5' },
    ],
  },
  rated: {
    title: 'Rated by its maker',
    start: { basis: 'rated', ratedN: 5000 },
    fields: [{ key: 'ratedN', label: 'Rated load', kind: 'force', above: true }],
  },
  'turned-line': {
    title: 'Line turned at a block',
    start: { basis: 'turned-line', tensionN: 3000, deflectionDeg: 90 },
    fields: [
      { key: 'tensionN', label: 'Tension', kind: 'force', above: true },
      { key: 'deflectionDeg', label: 'Turned through', kind: 'angle', least: 0, most: 180 },
    ],
  },
  'wind-on-boat': {
    title: 'Wind on the boat',
    start: { basis: 'wind-on-boat', areaM2: 12, windKn: 45 },
    fields: [
      { key: 'areaM2', label: 'Area', kind: 'number', unit: 'm\u00b2', above: true },
      { key: 'windKn', label: 'Wind', kind: 'number', unit: 'kn', above: true },
      { key: 'dragCoefficient', label: 'Drag', kind: 'number', above: true, optional: true, usual: '1.0' },
      { key: 'surgeFactor', label: 'Surge', kind: 'number', least: 1, optional: true, usual: '2.0' },
      { ...share, usual: '1.0' },
    ],
  },
  sheet: {
    title: 'Sheet of a sail',
    start: { basis: 'sheet', sailAreaM2: 12, windKn: 25 },
    fields: [
      { key: 'sailAreaM2', label: 'Sail area', kind: 'number', unit: 'm\u00b2', above: true },
      { key: 'windKn', label: 'Wind', kind: 'number', unit: 'kn', above: true },
      {
        key: 'coefficient',
        label: 'Coefficient',
        kind: 'number',
        above: true,
        optional: true,
        usual: '1.27',
      },
    ],
  },
  person: {
    title: 'A person',
    start: { basis: 'person', kind: 'guard' },
    fields: [{ key: 'personN', label: 'Force', kind: 'force', above: true, optional: true, usual: 'usual' }],
  },
  lifting: {
    title: 'Lifting',
    start: { basis: 'lifting', massKg: 2600, legs: 4, legAngleDeg: 30 },
    fields: [
      { key: 'massKg', label: 'Mass', kind: 'number', unit: 'kg', above: true },
      {
        key: 'legAngleDeg',
        label: 'Leg off plumb',
        kind: 'angle',
        least: 0,
        most: 89.9,
        optional: true,
        usual: '0',
      },
      {
        key: 'dynamicFactor',
        label: 'Dynamic factor',
        kind: 'number',
        least: 1,
        optional: true,
        usual: '1.5',
      },
    ],
    fixed: ['elevationDeg'],
  },
  'drogue-leg': {
    title: 'Drogue leg',
    start: { basis: 'drogue-leg', displacementKg: 9400 },
    fields: [
      { key: 'displacementKg', label: 'Displacement', kind: 'number', unit: 'kg', above: true },
      { ...share, usual: '0.7' },
    ],
    fixed: ['elevationDeg'],
  },
  'mast-step': {
    title: 'Under a mast',
    start: { basis: 'mast-step', rightingMomentNm: 9000, halfBeamM: 1.2 },
    fields: [
      { key: 'rightingMomentNm', label: 'Righting moment', kind: 'number', unit: 'N\u00b7m', above: true },
      { key: 'halfBeamM', label: 'Half beam', kind: 'number', unit: 'm', above: true },
    ],
    fixed: ['elevationDeg'],
  },
  shroud: {
    title: 'A wire\u2019s strength',
    start: { basis: 'shroud', line: 'wire-1x19', diameterMm: 7 },
    fields: [
      { key: 'diameterMm', label: 'Wire diameter', kind: 'length', above: true, optional: true },
      {
        key: 'breakingN',
        label: 'Maker\u2019s strength',
        kind: 'force',
        above: true,
        optional: true,
        usual: 'from size',
      },
    ],
  },
  seacock: {
    title: 'Seacock strength test',
    start: { basis: 'seacock' },
    fields: [],
    fixed: ['elevationDeg'],
  },
}

const STAYS = [
  'heightMm',
  'pointMm',
  'headingDeg',
  'azimuthOf',
  'azimuthDeg',
  'elevationDeg',
  'sweep',
] as const
/** A load on another basis keeps where it acts and from which arc. */
export function onBasis(before: Load, basis: Basis): Load {
  const keep = Object.fromEntries(STAYS.filter((k) => before[k] !== undefined).map((k) => [k, before[k]]))
  return { ...BASES[basis].start, ...keep } as Load
}
/** Where a load acts: ahead and to starboard of the middle of the base, and above it. */
export const pointOf = (load: Load) => load.pointMm ?? { x: 0, y: 0, z: load.heightMm ?? 0 }
/** Over the middle a height says it all; a height and a point are never given both. */
export function withPoint(load: Load, axis: 'x' | 'y' | 'z', mm: number): Load {
  const at = { ...pointOf(load), [axis]: mm }
  const offMiddle = at.x !== 0 || at.y !== 0
  return withField(withField(load, 'pointMm', offMiddle ? at : null), 'heightMm', offMiddle ? null : at.z)
}
/** Leaves a field out altogether when it is emptied, for the schema tells empty from nothing. */
export function withField(load: Load, key: string, value: unknown): Load {
  const copy = { ...load } as Record<string, unknown>
  if (value === null || value === undefined) delete copy[key]
  else copy[key] = value
  return copy as Load
}
/** Only one who leans on a rail leans to a side. */
export const withKind = (load: Load, kind: string): Load =>
  withField(withField(load, 'kind', kind), 'side', kind === 'guard' && 'side' in load ? load.side : null)

const POINT = 'load.point.'
/** What a drag of an edge, or of the arrow's foot, changes. */
export const draggedTo = (d: Design, path: string, mm: number): Record<string, unknown> =>
  path.startsWith(POINT)
    ? { load: withPoint(d.load, path.slice(POINT.length) as 'x' | 'y' | 'z', mm) }
    : { [path]: mm }
