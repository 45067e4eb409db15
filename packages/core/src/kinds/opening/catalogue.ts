import type { GlazingId } from '../../base/materials/glazing'
import type { Entry } from '../kind'
import type { CutOutline, GLAND_SIZES, OpeningDesign } from './design'
import type { OpeningFamily } from './families'

/** Invented makers' openings (chapter 13); sizes typical of their kind. */
export interface OpeningEntry extends Entry {
  maker: string
  family: OpeningFamily
  units: 'metric' | 'inch'
  outline: CutOutline
  frame: Pick<OpeningDesign['frame'], 'flangeMm' | 'thicknessMm' | 'screwMm' | 'insetMm' | 'face'>
  /** how far in or out of the cut-out's edge the pane is carried */
  pane: { material: GlazingId; thicknessMm: number; seatMm: number } | null
  lid: { massKg: number; latches: number; latch: NonNullable<OpeningDesign['lid']>['latch'] } | null
  prism?: NonNullable<OpeningDesign['prism']>
  bin?: Pick<NonNullable<OpeningDesign['bin']>, 'depthMm' | 'massKg'>
  gland?: {
    sizes: NonNullable<NonNullable<OpeningDesign['gland']>['glands'][number]['size']>[]
    threadMm: number
  }
}
const CORRIE = 'Corrie Light'
const rect = (lengthMm: number, widthMm: number, cornerMm: number): CutOutline => ({
  kind: 'rect',
  lengthMm,
  widthMm,
  cornerMm,
})
const round = (diameterMm: number): CutOutline => ({ kind: 'circle', diameterMm })
const frame = (
  flangeMm: number,
  screwMm = 5,
  face: OpeningDesign['frame']['face'] = 'aluminium',
): OpeningEntry['frame'] => ({ flangeMm, thicknessMm: 6, screwMm, insetMm: flangeMm / 2, face })

const entry = (
  id: string,
  title: string,
  family: OpeningFamily,
  outline: CutOutline,
  more: Pick<OpeningEntry, 'frame' | 'pane' | 'lid' | 'prism' | 'bin' | 'gland'> & { units?: 'inch' },
): OpeningEntry => ({ id, title, maker: CORRIE, family, outline, units: 'metric', ...more })
const acrylic = (thicknessMm: number, seatMm: number) => ({
  material: 'cast-acrylic' as const,
  thicknessMm,
  seatMm,
})

/** A glass flange on its ledge: what it laps, and how thick it is. */
const glass = (ledgeMm: number, flangeMm: number): OpeningEntry['frame'] => ({
  flangeMm: ledgeMm,
  thicknessMm: flangeMm,
  screwMm: 4,
  insetMm: ledgeMm / 2,
  face: 'glass',
})
const SOLID = { sideMm: 2, bandMm: 25, glueMm: 0.3, edgeGapMm: 2, toleranceMm: 0.3 }
const toughened = (thicknessMm: number) => ({
  material: 'toughened-glass' as const,
  thicknessMm,
  seatMm: 0,
})
const gland = (size: (typeof GLAND_SIZES)[number], threadMm: number, cornersMm: number) => ({
  frame: {
    flangeMm: (cornersMm - HOLE_MM[size]) / 2,
    thicknessMm: 8,
    screwMm: 4,
    insetMm: 2,
    face: 'nylon' as const,
  },
  pane: null,
  lid: null,
  gland: { sizes: [size], threadMm },
})
/** The hole that each takes (chapter 15.4). */
const HOLE_MM = { M16: 16.5, M20: 20.5, M25: 25.5, M32: 32.5, M40: 40.5 } as const

export const OPENING_CATALOGUE: OpeningEntry[] = [
  entry('CL-H52', 'Deck hatch 520, escape size', 'deck-hatch', rect(520, 520, 60), {
    frame: frame(32),
    pane: acrylic(12, -8),
    lid: { massKg: 9.5, latches: 2, latch: 'cam' },
  }),
  entry('CL-H40', 'Deck hatch 400', 'deck-hatch', rect(400, 400, 50), {
    frame: frame(30),
    pane: acrylic(10, -8),
    lid: { massKg: 6.2, latches: 2, latch: 'cam' },
  }),
  entry('CL-P42', 'Portlight 420 by 180, opening', 'portlight-opening', rect(420, 180, 70), {
    frame: frame(22, 4),
    pane: acrylic(8, -6),
    lid: { massKg: 2.1, latches: 2, latch: 'cam' },
  }),
  entry('CL-P60F', 'Portlight 600 by 200, fixed, screwed pane', 'portlight-fixed', rect(600, 200, 80), {
    frame: frame(30, 4, 'acrylic'),
    pane: acrylic(8, 0),
    lid: null,
  }),
  entry('CL-P14I', 'Portlight 14 by 6 in, fixed', 'portlight-fixed', rect(355.6, 152.4, 63.5), {
    frame: frame(25.4, 4.2, 'acrylic'),
    pane: acrylic(9.5, 0),
    lid: null,
    units: 'inch',
  }),
  entry('CL-F45', 'Flush lid 450 by 300', 'flush-lid', rect(450, 300, 40), {
    frame: frame(28, 4),
    pane: { material: 'glass-laminate', thicknessMm: 8, seatMm: -12 },
    lid: { massKg: 2.6, latches: 2, latch: 'turn-button' },
  }),
  entry('CL-L60', 'Lift-out lid 600 by 450 under a ledge', 'ledge-lid', rect(600, 450, 50), {
    frame: frame(30, 5),
    pane: { material: 'plywood', thicknessMm: 15, seatMm: -15 },
    lid: { massKg: 4.4, latches: 4, latch: 'turn-button' },
  }),
  entry('CL-I15', 'Inspection port 150, threaded', 'inspection-port', round(150), {
    frame: frame(20, 4, 'abs'),
    pane: { material: 'polycarbonate', thicknessMm: 8, seatMm: -4 },
    lid: null,
  }),
  entry('CL-I6I', 'Inspection port 6 in, threaded', 'inspection-port', round(152.4), {
    frame: frame(19, 4.2, 'abs'),
    pane: { material: 'polycarbonate', thicknessMm: 8, seatMm: -4 },
    lid: null,
    units: 'inch',
  }),
  entry('CL-C70', 'Clear cover 700 by 600 for a hatchway', 'cover', rect(700, 600, 50), {
    frame: frame(40, 5),
    pane: { material: 'polycarbonate', thicknessMm: 12, seatMm: 0 },
    lid: { massKg: 6.8, latches: 4, latch: 'turn-button' },
  }),
  entry('CL-W56', 'Companionway board 560 by 420, in grooves', 'companionway-board', rect(560, 420, 40), {
    frame: frame(40, 5),
    pane: { material: 'plywood', thicknessMm: 18, seatMm: 15 },
    lid: { massKg: 3.2, latches: 2, latch: 'turn-button' },
  }),
  entry('CL-D13', 'Watertight door 1300 by 600, six dogs', 'watertight-door', rect(1300, 600, 150), {
    frame: frame(40, 8),
    pane: { material: 'glass-laminate', thicknessMm: 20, seatMm: -12 },
    lid: { massKg: 31, latches: 6, latch: 'cam' },
  }),
  entry('CL-V10', 'Ventilator 100', 'ventilator', round(110), {
    frame: frame(25, 4, 'stainless'),
    pane: null,
    lid: null,
  }),
  entry('CL-D25', 'Deck prism 250 by 90, glass', 'prism', rect(226, 66, 10), {
    frame: glass(12, 9),
    pane: toughened(19),
    lid: null,
    prism: SOLID,
  }),
  entry('CL-D12', 'Deck light 120, round, glass', 'prism', round(96), {
    frame: glass(12, 9),
    pane: toughened(12),
    lid: null,
    prism: SOLID,
  }),
  entry('CL-B40', 'Locker bin 400 by 300, hung', 'bin', rect(400, 300, 40), {
    frame: frame(40, 5, 'laminate'),
    pane: null,
    lid: null,
    bin: { depthMm: 300, massKg: 4.5 },
  }),
  entry('BS-G25', 'Cable gland M25, nylon', 'gland', round(25.5), gland('M25', 40, 37)),
  entry('BS-G32', 'Cable gland M32, nylon', 'gland', round(32.5), gland('M32', 45, 47)),
]
