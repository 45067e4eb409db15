import { BODY_MATERIALS, BODY_TITLES, type PartKind } from '@north-tide/core/through-hull'

/** What can be measured of a part in the hand, in the order in which one measures it. */
export interface PartField {
  path: string
  label: string
  /** a length if nothing else is said */
  kind?: 'number' | 'angle'
  unit?: string
  /** may be left open */
  optional?: boolean
  least?: number
  above?: boolean
  most?: number
  choices?: readonly { value: string; title: string }[]
  hint?: string
}
const THREADS = [
  { value: 'bspp', title: 'G, parallel' },
  { value: 'bspt', title: 'R, taper' },
  { value: 'npsm', title: 'American parallel' },
  { value: 'npt', title: 'American taper' },
]
const INSIDE = [
  { value: 'bspp', title: 'G, parallel' },
  { value: 'bspt', title: 'Rc, taper' },
  { value: 'rp', title: 'Rp, parallel for taper' },
  { value: 'npsm', title: 'American parallel' },
  { value: 'npt', title: 'American taper' },
]
const SIZES = ['1/2', '3/4', '1', '1 1/4', '1 1/2', '2'].map((value) => ({ value, title: `${value} in` }))
const MATERIALS = BODY_MATERIALS.map((value) => ({ value, title: BODY_TITLES[value] }))
const above = true
const least = 0

export const PART_FIELDS: Record<PartKind, PartField[]> = {
  skin: [
    { path: 'material', label: 'Material', choices: MATERIALS },
    { path: 'thread.family', label: 'Thread', choices: THREADS },
    { path: 'thread.size', label: 'Thread size', choices: SIZES },
    { path: 'flangeMm', label: 'Head across', above },
    { path: 'proudMm', label: 'Head stands proud', least },
    { path: 'tailMm', label: 'Tail, under the head', above },
    { path: 'tailOdMm', label: 'Tail across', above, optional: true },
    { path: 'boreMm', label: 'Bore', least },
    { path: 'holeMm', label: 'Saw', above },
    { path: 'leastTotalMm', label: 'Least hull and pad', above },
    { path: 'greatestTotalMm', label: 'Greatest hull and pad', above, optional: true },
    {
      path: 'windowMm.0',
      label: 'Stands above, least',
      least,
      hint: 'of the trimmed tail, above nut or pad',
    },
    { path: 'windowMm.1', label: 'Stands above, most', above },
    { path: 'nutMm', label: 'Nut', least },
    { path: 'collarMm', label: 'Load collar', least },
    { path: 'rootMm', label: 'Thread root', above, optional: true },
    { path: 'yieldMPa', label: 'Yields at', kind: 'number', unit: 'MPa', above },
  ],
  valve: [
    {
      path: 'kind',
      label: 'Kind',
      choices: [
        { value: 'flanged', title: 'flanged seacock' },
        { value: 'screwed', title: 'screwed ball valve' },
        { value: 'taper-plug', title: 'taper-plug seacock' },
      ],
    },
    { path: 'material', label: 'Material', choices: MATERIALS },
    { path: 'inlet.family', label: 'Inlet thread', choices: INSIDE },
    { path: 'inlet.size', label: 'Inlet size', choices: SIZES },
    { path: 'inlet.depthMm', label: 'Inlet depth', above },
    { path: 'outlet.family', label: 'Outlet thread', choices: INSIDE },
    { path: 'outlet.size', label: 'Outlet size', choices: SIZES },
    { path: 'outlet.depthMm', label: 'Outlet depth', above },
    { path: 'boreMm', label: 'Bore', above },
    { path: 'heightMm', label: 'Height over the pad', above, hint: 'bearing face to inboard end' },
    {
      path: 'engagedMm',
      label: 'Tail goes in by',
      above,
      optional: true,
      hint: 'as measured; empty: what stands of the tail',
    },
    { path: 'handleMm', label: 'Handle', above },
    {
      path: 'handle',
      label: 'Handle is a',
      choices: [
        { value: 'lever', title: 'lever' },
        { value: 'tee', title: 'tee' },
      ],
    },
    { path: 'sweepDeg', label: 'Shuts through', kind: 'angle', least: -180, most: 180 },
    { path: 'flangeMm', label: 'Flange across', above },
    { path: 'boltCircleMm', label: 'Bolt circle', above, optional: true },
  ],
  tail: [
    { path: 'material', label: 'Material', choices: MATERIALS },
    { path: 'thread.family', label: 'Thread', choices: THREADS },
    { path: 'thread.size', label: 'Thread size', choices: SIZES },
    { path: 'engagedMm', label: 'Goes in by', above, optional: true },
    { path: 'barbMm', label: 'Barb across', above },
    { path: 'barbLengthMm', label: 'Barb long', above },
    {
      path: 'bendDeg',
      label: 'Turns the hose by',
      kind: 'angle',
      least,
      most: 135,
      hint: 'of an elbow; 0 for a straight one',
    },
    { path: 'boreMm', label: 'Bore', above },
  ],
}
export const PART_TITLES: Record<PartKind, string> = {
  skin: 'Skin fitting',
  valve: 'Valve',
  tail: 'Hose tail',
}
export const at = (part: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((v, k) => (v as Record<string, unknown> | null | undefined)?.[k], part)
