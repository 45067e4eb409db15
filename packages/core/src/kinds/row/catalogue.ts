import type { Entry } from '../kind'
import type { RowFamily } from './families'

/** A row as one begins it: what stands in it, how long each is, how far apart it may stand. */
export interface RowEntry extends Entry {
  maker: string
  family: RowFamily
  units: 'metric' | 'inch'
  /** what each of them is, by its number among the deck hardware; null where they are bolts */
  memberId: string | null
  footprintMm: number
  pitch: { leastMm: number; wantedMm: number; mostMm: number }
  boltMm: number
  strip: { widthMm: number; thicknessMm: number } | null
}
const MAKER = 'Hollin & Garth'
const row = (
  id: string,
  title: string,
  family: RowFamily,
  more: Pick<RowEntry, 'memberId' | 'footprintMm' | 'boltMm'> & Partial<RowEntry>,
  [leastMm, wantedMm, mostMm]: [number, number, number],
): RowEntry => ({
  id,
  title,
  family,
  maker: MAKER,
  units: 'metric',
  strip: null,
  pitch: { leastMm, wantedMm, mostMm },
  ...more,
})
export const ROW_CATALOGUE: RowEntry[] = [
  row(
    'HG-ROW-S25',
    'Row of stanchion bases, 25 mm tube',
    'stanchions',
    { memberId: 'HG-S25', footprintMm: 90, boltMm: 6 },
    [800, 1150, 1500],
  ),
  row(
    'HG-ROW-BK40',
    'Row of brackets 40',
    'brackets',
    { memberId: 'HG-BK40', footprintMm: 140, boltMm: 6 },
    [300, 500, 700],
  ),
  row(
    'HG-ROW-HR22',
    'Handrail on feet, 22 mm tube',
    'handrail',
    { memberId: 'HG-HR22', footprintMm: 60, boltMm: 6 },
    [400, 700, 900],
  ),
  row(
    'HG-ROW-TR10',
    'Track, bolts at 100',
    'track',
    { memberId: null, footprintMm: 10, boltMm: 6 },
    [100, 100, 100],
  ),
  row(
    'HG-ROW-TR4I',
    'Track, 1/4 bolts at 4 in',
    'track',
    { memberId: null, footprintMm: 10, boltMm: 6.35, units: 'inch' },
    [101.6, 101.6, 101.6],
  ),
  row(
    'HG-ROW-RS30',
    'Rubbing strake, stainless 30 by 6',
    'strake',
    { memberId: null, footprintMm: 12, boltMm: 6, strip: { widthMm: 30, thicknessMm: 6 } },
    [80, 200, 300],
  ),
]
