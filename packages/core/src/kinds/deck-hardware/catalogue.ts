import { FAMILY_TITLES, type Family } from './families'
import type { Point } from '../../base/geometry/outline'

/** Fittings of invented makers. `base` is the part that beds on the deck; `bodyHeightMm` only serves the drawing. */
export interface CatalogueEntry {
  id: string
  maker: string
  title: string
  family: Family
  face: 'stainless' | 'aluminium' | 'bronze'
  base: { lengthMm: number; widthMm: number; thicknessMm: number; bodyHeightMm: number } | { diameterMm: number; thicknessMm: number; bodyHeightMm: number }
  bolts: Point[]
  sizes: string[]
  head: 'hex' | 'countersunk'
  /** what the maker says it holds; null where the load comes from the line */
  ratedN: number | null
  units: 'metric' | 'inch'
  /** a deck pipe beside the bolts */
  pipeMm?: number
  /** drawn by the yard itself */
  own?: true
  outline?: Point[]
}

const four = (x: number, y: number): Point[] => [{ xMm: -x / 2, yMm: -y / 2 }, { xMm: x / 2, yMm: -y / 2 }, { xMm: x / 2, yMm: y / 2 }, { xMm: -x / 2, yMm: y / 2 }]
const row = (n: number, pitch: number): Point[] => Array.from({ length: n }, (_, i) => ({ xMm: (i - (n - 1) / 2) * pitch, yMm: 0 }))
const ring = (n: number, circle: number): Point[] =>
  Array.from({ length: n }, (_, i) => ({ xMm: Math.round((circle / 2) * Math.cos((2 * Math.PI * i) / n + Math.PI / n) * 1000) / 1000, yMm: Math.round((circle / 2) * Math.sin((2 * Math.PI * i) / n + Math.PI / n) * 1000) / 1000 }))
const IN = 25.4

export const CATALOGUE: CatalogueEntry[] = [
  { id: 'HG-C250', maker: 'Hollin & Garth', title: 'Mooring cleat 250, four bolts', family: 'cleat', face: 'stainless', base: { lengthMm: 150, widthMm: 70, thicknessMm: 12, bodyHeightMm: 62 }, bolts: four(110, 40), sizes: ['M8', 'M10'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-C200', maker: 'Hollin & Garth', title: 'Mooring cleat 200, four bolts', family: 'cleat', face: 'stainless', base: { lengthMm: 120, widthMm: 56, thicknessMm: 10, bodyHeightMm: 50 }, bolts: four(84, 30), sizes: ['M6', 'M8'], head: 'countersunk', ratedN: null, units: 'metric' },
  { id: 'HG-C150', maker: 'Hollin & Garth', title: 'Light cleat 150, two bolts', family: 'cleat', face: 'aluminium', base: { lengthMm: 90, widthMm: 32, thicknessMm: 8, bodyHeightMm: 38 }, bolts: row(2, 60), sizes: ['M5', 'M6'], head: 'countersunk', ratedN: 2000, units: 'metric' },
  { id: 'HG-B160', maker: 'Hollin & Garth', title: 'Towing and mooring bitt, 160 base', family: 'bitt', face: 'stainless', base: { lengthMm: 240, widthMm: 160, thicknessMm: 12, bodyHeightMm: 220 }, bolts: [...four(190, 110), { xMm: 0, yMm: -55 }, { xMm: 0, yMm: 55 }], sizes: ['M10', 'M12', 'M16'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-S25', maker: 'Hollin & Garth', title: 'Stanchion base, 25 mm tube', family: 'stanchion', face: 'stainless', base: { lengthMm: 90, widthMm: 80, thicknessMm: 6, bodyHeightMm: 70 }, bolts: four(64, 54), sizes: ['M6', 'M8'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-P60', maker: 'Hollin & Garth', title: 'Pad-eye 60, four bolts', family: 'pad-eye', face: 'stainless', base: { lengthMm: 60, widthMm: 48, thicknessMm: 6, bodyHeightMm: 34 }, bolts: four(40, 30), sizes: ['M6'], head: 'countersunk', ratedN: 5000, units: 'metric' },
  { id: 'HG-W200', maker: 'Hollin & Garth', title: 'Winch base ring 200, six bolts', family: 'winch', face: 'stainless', base: { diameterMm: 200, thicknessMm: 14, bodyHeightMm: 180 }, bolts: ring(6, 160), sizes: ['M8', 'M10'], head: 'hex', ratedN: 15000, units: 'metric' },
  { id: 'HG-F220', maker: 'Hollin & Garth', title: 'Gallows foot plate 220, four bolts', family: 'foot-plate', face: 'stainless', base: { lengthMm: 220, widthMm: 160, thicknessMm: 10, bodyHeightMm: 120 }, bolts: four(170, 110), sizes: ['M10', 'M12'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-T30', maker: 'Hollin & Garth', title: 'Turning block, three-bolt base', family: 'block', face: 'aluminium', base: { lengthMm: 90, widthMm: 60, thicknessMm: 8, bodyHeightMm: 45 }, bolts: [{ xMm: -30, yMm: -18 }, { xMm: -30, yMm: 18 }, { xMm: 30, yMm: 0 }], sizes: ['M6', 'M8'], head: 'countersunk', ratedN: 9000, units: 'metric' },
  { id: 'HG-CC6', maker: 'Hollin & Garth', title: 'Cam-cleat pad, two 1/4 bolts', family: 'cam-cleat', face: 'aluminium', base: { lengthMm: 2.5 * IN, widthMm: 1.25 * IN, thicknessMm: 0.25 * IN, bodyHeightMm: 1.25 * IN }, bolts: row(2, 1.5 * IN), sizes: ['#10-24', '1/4-20'], head: 'countersunk', ratedN: 1800, units: 'inch' },
  { id: 'HG-C6I', maker: 'Hollin & Garth', title: 'Cleat 6 in, four 1/4 bolts', family: 'cleat', face: 'aluminium', base: { lengthMm: 3.5 * IN, widthMm: 1.5 * IN, thicknessMm: 0.375 * IN, bodyHeightMm: 1.5 * IN }, bolts: four(2.5 * IN, 0.875 * IN), sizes: ['1/4-20', '5/16-18'], head: 'countersunk', ratedN: null, units: 'inch' },
  { id: 'HG-FL90', maker: 'Hollin & Garth', title: 'Fairlead, closed, 90', family: 'fairlead', face: 'stainless', base: { lengthMm: 130, widthMm: 45, thicknessMm: 8, bodyHeightMm: 55 }, bolts: row(2, 96), sizes: ['M8', 'M10'], head: 'countersunk', ratedN: null, units: 'metric' },
  { id: 'HG-BR80', maker: 'Hollin & Garth', title: 'Bow roller, six bolts', family: 'bow-roller', face: 'stainless', base: { lengthMm: 300, widthMm: 110, thicknessMm: 6, bodyHeightMm: 95 }, bolts: [...four(240, 70), { xMm: 0, yMm: -35 }, { xMm: 0, yMm: 35 }], sizes: ['M10', 'M12'], head: 'hex', ratedN: 12000, units: 'metric' },
  { id: 'HG-WL10', maker: 'Hollin & Garth', title: 'Windlass 1000, four bolts and a deck pipe', family: 'windlass', face: 'aluminium', base: { lengthMm: 260, widthMm: 200, thicknessMm: 14, bodyHeightMm: 190 }, bolts: four(200, 150), sizes: ['M10', 'M12'], head: 'hex', ratedN: 8000, units: 'metric', pipeMm: 60 },
  { id: 'HG-HR22', maker: 'Hollin & Garth', title: 'Handrail foot, 22 mm tube, three bolts', family: 'handrail', face: 'stainless', base: { diameterMm: 60, thicknessMm: 5, bodyHeightMm: 75 }, bolts: ring(3, 42), sizes: ['M5', 'M6'], head: 'countersunk', ratedN: null, units: 'metric' },
  { id: 'HG-TP70', maker: 'Hollin & Garth', title: 'Tether point 70, four bolts', family: 'tether-point', face: 'stainless', base: { lengthMm: 70, widthMm: 60, thicknessMm: 6, bodyHeightMm: 36 }, bolts: four(48, 40), sizes: ['M8'], head: 'countersunk', ratedN: null, units: 'metric' },
  { id: 'HG-LP90', maker: 'Hollin & Garth', title: 'Lifting point 90, four bolts', family: 'lifting-point', face: 'stainless', base: { lengthMm: 120, widthMm: 90, thicknessMm: 12, bodyHeightMm: 60 }, bolts: four(84, 56), sizes: ['M12', 'M16'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-TR10', maker: 'Hollin & Garth', title: 'Track 1 m, ten bolts at 100', family: 'track', face: 'aluminium', base: { lengthMm: 1000, widthMm: 32, thicknessMm: 10, bodyHeightMm: 30 }, bolts: row(10, 100), sizes: ['M6', 'M8'], head: 'countersunk', ratedN: 4000, units: 'metric' },
  { id: 'HG-TR4I', maker: 'Hollin & Garth', title: 'Jib-sheet track 3 ft, nine 1/4 bolts at 4 in', family: 'track', face: 'aluminium', base: { lengthMm: 36 * IN, widthMm: 1.25 * IN, thicknessMm: 0.375 * IN, bodyHeightMm: 1.125 * IN }, bolts: row(9, 4 * IN), sizes: ['1/4-20'], head: 'countersunk', ratedN: 1800, units: 'inch' },
  { id: 'HG-LD30', maker: 'Hollin & Garth', title: 'Ladder foot, two bolts', family: 'ladder-step', face: 'stainless', base: { lengthMm: 90, widthMm: 50, thicknessMm: 6, bodyHeightMm: 40 }, bolts: row(2, 60), sizes: ['M8'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-MS20', maker: 'Hollin & Garth', title: 'Steadying mast step, four bolts', family: 'mast-step', face: 'stainless', base: { lengthMm: 200, widthMm: 160, thicknessMm: 10, bodyHeightMm: 70 }, bolts: four(150, 110), sizes: ['M8', 'M10'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-TW90', maker: 'Hollin & Garth', title: 'Towing post 90, eight bolts', family: 'towing-post', face: 'stainless', base: { diameterMm: 280, thicknessMm: 14, bodyHeightMm: 420 }, bolts: ring(8, 230), sizes: ['M12', 'M16'], head: 'hex', ratedN: null, units: 'metric' },
  { id: 'HG-BK40', maker: 'Hollin & Garth', title: 'Bracket 40, three bolts in a row', family: 'bracket', face: 'stainless', base: { lengthMm: 140, widthMm: 40, thicknessMm: 5, bodyHeightMm: 40 }, bolts: row(3, 50), sizes: ['M6', 'M8'], head: 'hex', ratedN: 1500, units: 'metric' },
  { id: 'HG-DB12', maker: 'Hollin & Garth', title: 'Doubler with eye, four bolts', family: 'doubler', face: 'aluminium', base: { lengthMm: 120, widthMm: 90, thicknessMm: 10, bodyHeightMm: 50 }, bolts: four(84, 56), sizes: ['M10', 'M12'], head: 'hex', ratedN: 8000, units: 'metric' },
]
export const catalogueEntry = (id: string) => CATALOGUE.find((c) => c.id === id)

export { FAMILY_TITLES }
