import type { Entry } from '../kind'
import type { RigFamily } from './families'

/** Chainplates of an invented maker; sizes typical of their wire. */
export interface RigEntry extends Entry {
  maker: string
  family: RigFamily
  units: 'metric' | 'inch'
  /** what the wire that fits its pin breaks at */
  breakingN: number
  plate: { thicknessMm: number; widthMm: number; holeMm: number; endMm: number }
  pinMm: number
  bolts: { count: number; pitchMm: number; firstMm: number; diameterMm: number } | null
  lengthMm: number
  /** of what is set or tabbed in and pulls on no wire: shaft, foot, pocket, circle of the jig's screws */
  set?: {
    shaftMm: number | null
    footMm: number
    jigMm: number
    recess: { lengthMm: number; widthMm: number; depthMm: number; takenMm2: number } | null
    /** of a tube that stands under a mast */
    tubeMm?: { outside: number; wall: number; length: number }
    /** of a plate that is bonded in minutes; its length is the foot's */
    plateMm?: { wide: number; thick: number }
  }
}
const MAKER = 'Blackstrand'
const plate = (thicknessMm: number, widthMm: number, holeMm: number, endMm: number) => ({
  thicknessMm,
  widthMm,
  holeMm,
  endMm,
})
const bolts = (count: number, pitchMm: number, firstMm: number, diameterMm: number) => ({
  count,
  pitchMm,
  firstMm,
  diameterMm,
})
const entry = (
  id: string,
  title: string,
  family: RigFamily,
  more: Pick<RigEntry, 'breakingN' | 'plate' | 'pinMm' | 'bolts' | 'lengthMm'>,
): RigEntry => ({ id, title, family, maker: MAKER, units: 'metric', ...more })

const setIn = (
  id: string,
  title: string,
  family: RigFamily,
  lengthMm: number,
  set: NonNullable<RigEntry['set']>,
): RigEntry => ({
  ...entry(id, title, family, { breakingN: 0, plate: plate(0, 0, 0, 0), pinMm: 0, bolts: null, lengthMm }),
  set,
})
export const RIG_CATALOGUE: RigEntry[] = [
  entry('BS-K6', 'Chainplate for 6 mm wire, on a knee', 'through-deck', {
    breakingN: 31_000,
    plate: plate(10, 45, 13, 28),
    pinMm: 12.7,
    bolts: bolts(4, 50, 180, 10),
    lengthMm: 380,
  }),
  entry('BS-K8', 'Chainplate for 8 mm wire, on a knee', 'through-deck', {
    breakingN: 53_000,
    plate: plate(12, 60, 16.3, 36),
    pinMm: 16,
    bolts: bolts(5, 60, 190, 12),
    lengthMm: 480,
  }),
  entry('BS-O8', 'Chainplate for 8 mm wire, outside', 'outside', {
    breakingN: 53_000,
    plate: plate(12, 60, 16.3, 36),
    pinMm: 16,
    bolts: bolts(5, 60, 90, 12),
    lengthMm: 380,
  }),
  entry('BS-B6', 'Chainplate for 6 mm wire, bonded in', 'bonded', {
    breakingN: 31_000,
    plate: plate(10, 45, 13, 28),
    pinMm: 12.7,
    bolts: null,
    lengthMm: 420,
  }),
  entry('BS-S8', 'Stem fitting for 8 mm wire', 'stem', {
    breakingN: 53_000,
    plate: plate(12, 60, 16.3, 36),
    pinMm: 16,
    bolts: bolts(4, 70, 100, 12),
    lengthMm: 360,
  }),
  entry('BS-D12', 'Strap along the topside, for a drogue leg', 'strap', {
    breakingN: 60_000,
    plate: plate(12, 60, 20.5, 42),
    pinMm: 20,
    bolts: bolts(6, 70, 100, 14),
    lengthMm: 520,
  }),
  setIn('BS-T30', 'Shaft strut, bronze, for a 30 mm shaft', 'strut', 260, {
    shaftMm: 30,
    footMm: 220,
    jigMm: 90,
    recess: { lengthMm: 240, widthMm: 90, depthMm: 25, takenMm2: 12_400 },
  }),
  setIn('BS-P60', 'Post under a mast step, 60 mm tube', 'post', 1800, {
    shaftMm: null,
    footMm: 160,
    jigMm: 120,
    recess: { lengthMm: 180, widthMm: 180, depthMm: 20, takenMm2: 22_500 },
  }),
  setIn('BS-C80', 'Compression post, 80 mm tube', 'compression', 1900, {
    shaftMm: null,
    footMm: 150,
    jigMm: 120,
    recess: null,
    tubeMm: { outside: 80, wall: 5, length: 1900 },
  }),
  setIn('BS-G10', 'Backing plate to bond, 10 mm glass', 'glued-plate', 240, {
    shaftMm: null,
    footMm: 240,
    jigMm: 100,
    recess: null,
    plateMm: { wide: 160, thick: 10 },
  }),
  setIn('BS-N0', 'Knee or bulkhead, tabbed in', 'knee', 400, {
    shaftMm: null,
    footMm: 400,
    jigMm: 100,
    recess: null,
  }),
]
