import type { Hose, Skin, Tail, Valve } from './design'
import type { ThroughHullFamily, Use } from './families'
import { code, NUT, skin, SKINS, TAILS, valve, VALVES, type Size } from './goods'

export interface ThroughHullEntry {
  id: string
  title: string
  maker: string
  family: ThroughHullFamily
  use: Use
  skin: Skin
  valve: Valve | null
  tail: Tail | null
  hose: Hose | null
  method: 'through' | 'insert' | 'nut'
  transducer?: {
    kind: 'tilted' | 'paddle' | 'forward-looking' | 'flat'
    tiltsDeg: number[]
    arrow: 'keel' | 'forward'
  }
}
const named = <T extends { id: string | null }>(list: T[], id: string): T => list.find((x) => x.id === id)!
const hoseFor = (t: Tail): Hose => ({ boreMm: t.barbMm, clips: 2, bandMm: 13, belowRated: true })
const train = (skinId: string, valveId: string, tailId: string) => ({
  skin: named(SKINS, skinId),
  valve: named(VALVES, valveId),
  tail: named(TAILS, tailId),
  hose: hoseFor(named(TAILS, tailId)),
})
/** A skin fitting that is held by its own nut. */
const nutted = (s: Skin, size: Size): Skin => ({ ...s, nutMm: NUT[size], windowMm: [15, 19] })
const body = (
  id: string,
  title: string,
  holeMm: number,
  flangeMm: number,
  more: Partial<Skin> = {},
): Skin => ({
  id,
  title,
  material: 'bronze',
  tailMm: 80,
  tailOdMm: holeMm - 2,
  holeMm,
  boreMm: 0,
  flangeMm,
  leastTotalMm: 8,
  greatestTotalMm: 55,
  windowMm: [2, 60],
  nutMm: 14,
  collarMm: 0,
  rootMm: null,
  yieldMPa: 150,
  thread: null,
  proudMm: 4,
  ...more,
})

export const THROUGH_HULL_CATALOGUE: ThroughHullEntry[] = [
  ...(['3/4', '1', '1 1/4', '1 1/2'] as const).map((s): ThroughHullEntry => ({
    id: `MV-S${code(s)}`,
    title: `Flanged seacock ${s} with skin fitting, DZR`,
    maker: 'Merse Valve',
    family: 'seacock',
    use: 'lab-intake',
    ...train(`MV-D${code(s)}`, `MV-S${code(s)}`, `MV-T${code(s)}`),
    method: 'insert',
  })),
  ...(['3/4', '1', '1 1/4', '1 1/2'] as const).map((s): ThroughHullEntry => ({
    id: `MV-K${code(s)}`,
    title: `Composite seacock ${s} with load collar`,
    maker: 'Merse Valve',
    family: 'seacock',
    use: 'sink-drain',
    ...train(`MV-C${code(s)}`, `MV-K${code(s)}`, `MV-TC${code(s)}`),
    method: 'insert',
  })),
  ...(['3/4', '1', '1 1/4'] as const).map((s): ThroughHullEntry => {
    const t = train(`MV-D${code(s)}`, `MV-B${code(s)}`, `MV-T${code(s)}`)
    return {
      id: `MV-B${code(s)}`,
      title: `Skin fitting ${s} with screwed ball valve, DZR`,
      maker: 'Merse Valve',
      family: 'screwed-valve',
      use: 'deck-wash',
      ...t,
      skin: nutted(t.skin, s),
      method: 'nut',
    }
  }),
  {
    id: 'MV-P114',
    title: 'Taper-plug seacock 1 1/4, as found',
    maker: 'Merse Valve',
    family: 'seacock',
    use: 'engine-intake',
    ...train('MV-D114', 'MV-P114', 'MV-T114'),
    method: 'through',
  },
  {
    id: 'MV-X2',
    title: 'Sea chest 2 in with strainer, DZR',
    maker: 'Merse Valve',
    family: 'sea-chest',
    use: 'engine-intake',
    ...train('MV-D2', 'MV-S2', 'MV-T2'),
    method: 'through',
  },
  {
    id: 'MV-O112',
    title: 'Scupper 1 1/2, composite',
    maker: 'Merse Valve',
    family: 'scupper',
    use: 'cockpit-drain',
    skin: { ...nutted(named(SKINS, 'MV-C112'), '1 1/2'), collarMm: 0 },
    valve: null,
    tail: named(TAILS, 'MV-TC112'),
    hose: hoseFor(named(TAILS, 'MV-TC112')),
    method: 'nut',
  },
  {
    id: 'MV-O34',
    title: 'Above-water outlet 3/4, stainless',
    maker: 'Merse Valve',
    family: 'above-water',
    use: 'bilge',
    skin: nutted(skin('MV-N34', 'Outlet 3/4, stainless', 'stainless', '3/4', 70, { proudMm: 4 }), '3/4'),
    valve: null,
    tail: named(TAILS, 'MV-TC34'),
    hose: hoseFor(named(TAILS, 'MV-TC34')),
    method: 'nut',
  },
  {
    id: 'MV-G25',
    title: 'Garboard drain 25 mm, three bolts',
    maker: 'Merse Valve',
    family: 'drain-plug',
    use: 'drain',
    skin: body('MV-G25', 'Garboard drain 25 mm', 32, 76, {
      boreMm: 25,
      tailMm: 40,
      nutMm: 0,
      windowMm: [0, 40],
      proudMm: 3,
    }),
    valve: null,
    tail: null,
    hose: null,
    method: 'through',
  },
  {
    id: 'MV-G20T',
    title: 'Transom drain socket 20 mm, two-part',
    maker: 'Merse Valve',
    family: 'drain-plug',
    use: 'drain',
    skin: body('MV-G20T', 'Transom drain socket 20 mm', 27, 60, {
      boreMm: 20,
      tailMm: 40,
      nutMm: 0,
      windowMm: [0, 40],
      material: 'stainless',
      yieldMPa: 205,
      proudMm: 3,
    }),
    valve: null,
    tail: null,
    hose: null,
    method: 'through',
  },
  {
    id: 'MV-E55',
    title: 'Echo-sounder transducer, tilted element, 0, 12 or 20\u00b0',
    maker: 'Merse Valve',
    family: 'transducer',
    use: 'instrument',
    skin: body('MV-E55', 'Transducer, bronze housing', 53, 76, { proudMm: 5 }),
    valve: null,
    tail: null,
    hose: null,
    method: 'nut',
    transducer: { kind: 'tilted', tiltsDeg: [0, 12, 20], arrow: 'keel' },
  },
  {
    id: 'MV-E42',
    title: 'Paddle-wheel speed transducer',
    maker: 'Merse Valve',
    family: 'transducer',
    use: 'instrument',
    skin: body('MV-E42', 'Paddle wheel, bronze housing', 44, 64, { proudMm: 6 }),
    valve: null,
    tail: null,
    hose: null,
    method: 'nut',
    transducer: { kind: 'paddle', tiltsDeg: [0], arrow: 'forward' },
  },
  {
    id: 'MV-E90',
    title: 'Current-profiler transducer, four beams',
    maker: 'Merse Valve',
    family: 'transducer',
    use: 'instrument',
    skin: body('MV-E90', 'Profiler, bronze housing', 92, 130, { tailMm: 95, proudMm: 8 }),
    valve: null,
    tail: null,
    hose: null,
    method: 'nut',
    transducer: { kind: 'flat', tiltsDeg: [0], arrow: 'forward' },
  },
  {
    id: 'MV-E60F',
    title: 'Forward-looking transducer',
    maker: 'Merse Valve',
    family: 'transducer',
    use: 'instrument',
    skin: body('MV-E60F', 'Forward-looking, composite housing', 60, 86, {
      material: 'composite',
      yieldMPa: 70,
      proudMm: 40,
    }),
    valve: null,
    tail: null,
    hose: null,
    method: 'nut',
    transducer: { kind: 'forward-looking', tiltsDeg: [0], arrow: 'forward' },
  },
  {
    id: 'MV-A10',
    title: 'Anode stud M10, bronze',
    maker: 'Merse Valve',
    family: 'anode-stud',
    use: 'protection',
    skin: body('MV-A10', 'Anode stud M10', 11.5, 30, {
      tailOdMm: 10,
      tailMm: 90,
      nutMm: 16,
      windowMm: [2, 60],
      proudMm: 35,
    }),
    valve: null,
    tail: null,
    hose: null,
    method: 'nut',
  },
  {
    id: 'MV-W114',
    title: 'Welded stub 1 1/4 with composite valve, for aluminium',
    maker: 'Merse Valve',
    family: 'welded-stub',
    use: 'engine-intake',
    skin: {
      ...named(SKINS, 'MV-D114'),
      id: 'MV-W114',
      title: 'Stub, aluminium 5083, welded',
      material: 'aluminium',
      yieldMPa: 115,
      tailMm: 110,
    },
    valve: valve('MV-KB114', 'Ball valve 1 1/4, composite', 'screwed', 'composite', '1 1/4', {
      outlet: { family: 'rp', size: '1 1/4', depthMm: 18 },
    }),
    tail: named(TAILS, 'MV-TC114'),
    hose: hoseFor(named(TAILS, 'MV-TC114')),
    method: 'nut',
  },
]
export const throughHullEntry = (id: string): ThroughHullEntry | undefined =>
  THROUGH_HULL_CATALOGUE.find((e) => e.id === id)
