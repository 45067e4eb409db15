import type { BoatPicture } from '../src/types'

const square = (x0: number, x1: number, y0: number, y1: number) => [
  { xMm: x0, yMm: y0 },
  { xMm: x1, yMm: y0 },
  { xMm: x1, yMm: y1 },
  { xMm: x0, yMm: y1 },
]
/** Nine metres, three stations, a roof and both faces of her side. */
export const BOAT = {
  lengthMm: 9000,
  beamMm: 3000,
  stations: [
    { xMm: 0, halfBreadthMm: 0, sheerMm: 1400, keelMm: 0 },
    { xMm: 3000, halfBreadthMm: 1500, sheerMm: 1200, keelMm: -600 },
    { xMm: 9000, halfBreadthMm: 1300, sheerMm: 1100, keelMm: -200 },
  ],
  zones: [
    { code: 'roof', face: 'roof', zMm: 2400, outline: square(3000, 6000, -800, 800) },
    { code: 'bottom', face: 'bottom', zMm: 0, outline: square(0, 9000, -600, 0) },
    { code: 'topsides', face: 'topsides', zMm: 0, outline: square(0, 9000, 0, 1400) },
  ],
} as unknown as BoatPicture
