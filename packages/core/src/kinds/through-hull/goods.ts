import type { BodyMaterial } from './families'
import type { Skin, Tail, Valve } from './design'

/** Invented makers' goods for the hull (chapter 13); numbers typical of their kind. */
export type Size = '3/4' | '1' | '1 1/4' | '1 1/2' | '2'
const PIPE: Record<
  Size,
  { od: number; hole: number; flange: number; bore: number; root: number; barb: number }
> = {
  '3/4': { od: 26.4, hole: 28, flange: 44, bore: 19, root: 24.1, barb: 20 },
  '1': { od: 33.2, hole: 35, flange: 54, bore: 25, root: 30.3, barb: 25 },
  '1 1/4': { od: 41.9, hole: 44, flange: 64, bore: 32, root: 38.9, barb: 32 },
  '1 1/2': { od: 47.8, hole: 50, flange: 72, bore: 38, root: 44.8, barb: 38 },
  '2': { od: 59.6, hole: 62, flange: 88, bore: 50, root: 56.6, barb: 50 },
}
const YIELD: Record<BodyMaterial, number> = {
  bronze: 150,
  composite: 70,
  stainless: 205,
  brass: 120,
  plastic: 35,
  aluminium: 115,
  steel: 235,
}
export const skin = (
  id: string,
  title: string,
  material: BodyMaterial,
  size: Size,
  tailMm: number,
  more: Partial<Skin> = {},
): Skin => ({
  id,
  title,
  material,
  tailMm,
  tailOdMm: PIPE[size].od,
  holeMm: PIPE[size].hole,
  boreMm: PIPE[size].bore,
  flangeMm: PIPE[size].flange,
  leastTotalMm: 12,
  greatestTotalMm: null,
  windowMm: [16, 20],
  nutMm: 0,
  collarMm: 0,
  rootMm: PIPE[size].root,
  yieldMPa: YIELD[material],
  thread: { family: 'bspp', size },
  proudMm: 7,
  ...more,
})
export const valve = (
  id: string,
  title: string,
  kind: Valve['kind'],
  material: BodyMaterial,
  size: Size,
  more: Partial<Valve> = {},
): Valve => ({
  id,
  title,
  kind,
  material,
  inlet: { family: 'bspp', size, depthMm: 20 },
  outlet: { family: 'bspp', size, depthMm: 18 },
  boreMm: PIPE[size].bore,
  heightMm: { '3/4': 90, '1': 105, '1 1/4': 125, '1 1/2': 140, '2': 165 }[size],
  handleMm: { '3/4': 95, '1': 110, '1 1/4': 130, '1 1/2': 150, '2': 175 }[size],
  handle: 'lever',
  sweepDeg: 90,
  flangeMm: { '3/4': 90, '1': 100, '1 1/4': 118, '1 1/2': 130, '2': 150 }[size],
  boltCircleMm: kind === 'screwed' ? null : { '3/4': 68, '1': 78, '1 1/4': 92, '1 1/2': 104, '2': 120 }[size],
  engagedMm: null,
  ...more,
})
const tail = (
  id: string,
  title: string,
  material: BodyMaterial,
  size: Size,
  more: Partial<Tail> = {},
): Tail => ({
  id,
  title,
  material,
  thread: { family: 'bspt', size },
  engagedMm: 14,
  barbMm: PIPE[size].barb,
  barbLengthMm: 45,
  boreMm: PIPE[size].bore - 4,
  bendDeg: 0,
  ...more,
})

const SIZES: Size[] = ['3/4', '1', '1 1/4', '1 1/2', '2']
export const code = (s: Size) => ({ '3/4': '34', '1': '1', '1 1/4': '114', '1 1/2': '112', '2': '2' })[s]

export const SKINS: Skin[] = [
  ...SIZES.map((s) => skin(`MV-D${code(s)}`, `Skin fitting ${s}, DZR, mushroom head`, 'bronze', s, 150)),
  ...SIZES.slice(0, 4).map((s) =>
    skin(`MV-C${code(s)}`, `Skin fitting ${s}, composite, with load collar`, 'composite', s, 160, {
      collarMm: 12,
      leastTotalMm: 14,
      greatestTotalMm: 120,
      proudMm: 9,
    }),
  ),
  skin('MV-N112', 'Skin fitting 1 1/2, stainless, flush', 'stainless', '1 1/2', 120, { proudMm: 2 }),
]
/** What screws on to a tail with a nut of its own: the stack then ends in that nut, mm high. */
export const NUT: Record<Size, number> = { '3/4': 10, '1': 11, '1 1/4': 12, '1 1/2': 13, '2': 14 }
export const VALVES: Valve[] = [
  ...SIZES.map((s) =>
    valve(`MV-S${code(s)}`, `Flanged seacock ${s}, DZR`, 'flanged', 'bronze', s, {
      outlet: { family: 'rp', size: s, depthMm: 18 },
    }),
  ),
  ...SIZES.slice(0, 4).map((s) =>
    valve(`MV-K${code(s)}`, `Flanged seacock ${s}, composite`, 'flanged', 'composite', s, {
      outlet: { family: 'rp', size: s, depthMm: 18 },
    }),
  ),
  ...SIZES.map((s) =>
    valve(`MV-B${code(s)}`, `Ball valve ${s}, DZR, parallel thread`, 'screwed', 'bronze', s, {
      outlet: { family: 'rp', size: s, depthMm: 18 },
    }),
  ),
  valve('MV-BN34', 'Ball valve 3/4, DZR, American taper thread', 'screwed', 'bronze', '3/4', {
    inlet: { family: 'npt', size: '3/4', depthMm: 18 },
    outlet: { family: 'npt', size: '3/4', depthMm: 18 },
  }),
  valve('MV-BT114', 'Ball valve 1 1/4, pipe-taper thread', 'screwed', 'brass', '1 1/4', {
    inlet: { family: 'bspt', size: '1 1/4', depthMm: 19 },
    outlet: { family: 'bspt', size: '1 1/4', depthMm: 18 },
  }),
  valve('MV-P114', 'Taper-plug seacock 1 1/4, gun-metal', 'taper-plug', 'bronze', '1 1/4', {
    outlet: { family: 'rp', size: '1 1/4', depthMm: 18 },
  }),
]
export const TAILS: Tail[] = [
  ...SIZES.map((s) => tail(`MV-T${code(s)}`, `Hose tail ${s} to ${PIPE[s].barb} mm, DZR`, 'bronze', s)),
  ...SIZES.slice(0, 4).map((s) =>
    tail(`MV-TC${code(s)}`, `Hose tail ${s} to ${PIPE[s].barb} mm, composite`, 'composite', s),
  ),
  ...SIZES.map((s) =>
    tail(`MV-L${code(s)}`, `Elbow 90\u00b0 ${s} to ${PIPE[s].barb} mm, DZR`, 'bronze', s, { bendDeg: 90 }),
  ),
  ...SIZES.slice(0, 4).map((s) =>
    tail(`MV-LC${code(s)}`, `Elbow 90\u00b0 ${s} to ${PIPE[s].barb} mm, composite`, 'composite', s, {
      bendDeg: 90,
    }),
  ),
  ...SIZES.slice(0, 4).map((s) =>
    tail(`MV-LH${code(s)}`, `Elbow 45\u00b0 ${s} to ${PIPE[s].barb} mm, DZR`, 'bronze', s, { bendDeg: 45 }),
  ),
  tail('MV-T114S', 'Hose tail 1 1/4 to 32 mm, short barb', 'bronze', '1 1/4', { barbLengthMm: 24 }),
]
