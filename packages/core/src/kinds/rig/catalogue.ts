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
]
