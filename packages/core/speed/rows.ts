import { ALONE, withChange, type KindSpot } from '../src'
import { edgePath, row, type RowDesign } from '../src/kinds/row'
import { timed } from './timed'

const SPOT = {
  zone: 'side-deck',
  xMm: 3300,
  yMm: -1500,
  zMm: 1200,
  structure: { kind: 'solid', skin: { laminate: 'mat' }, thicknessMm: 9 },
  measured: [],
  edgeMm: null,
  belowWaterline: false,
  duty: 'coastal',
  zones: [],
} as unknown as KindSpot
const STATIONS = Array.from({ length: 12 }, (_, i) => ({
  xMm: i * 2000,
  halfBreadthMm: 300 + 1400 * Math.sin((Math.PI * Math.min(i, 8)) / 16),
  sheerMm: 1200 - 10 * i,
}))
const made = (id: string, toX: number, change: object): RowDesign => {
  const entry = row.catalogue.find((e) => e.id === id)!
  const path = edgePath(STATIONS, 'port', 1000, toX, 60)
  return withChange(row.start(entry, SPOT, 'Row'), { path, toMm: toX - 1100, ...change }) as RowDesign
}
/** A thing in its way is dragged along: the pitches are shared out anew at every step. */
export function rowDragged() {
  const d = made('HG-ROW-BK40', 8000, { count: null, ends: 'free' })
  const keepouts = (at: number) => [
    { name: 'knee', fromMm: at, toMm: at + 60, marginMm: 20 },
    { name: 'filler', fromMm: 2960, toMm: 3060, marginMm: 20 },
    { name: 'bulkhead', fromMm: 4700, toMm: 4730, marginMm: 30 },
  ]
  return timed(150, (i) => row.judge({ ...d, keepouts: keepouts(900 + 9 * (i % 100)) }, ALONE))
}
/** Two hundred places in one row, judged and drawn. */
export function rowOfMany() {
  const d = made('HG-ROW-TR10', 21_000, {
    'pitch.leastMm': 80,
    'pitch.wantedMm': 99,
    'pitch.mostMm': 120,
    count: 200,
  })
  return timed(60, () => {
    const j = row.judge(d, ALONE)
    if (j.layout.count !== 200) throw new Error(`${j.layout.count} places`)
    row.drawings(d, j, 'metric')
  })
}
