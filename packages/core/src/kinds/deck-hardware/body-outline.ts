import type { Pt } from '../../drawing/shapes'
import type { Design } from './design'

/**
 * Right half of the part above the base, from its foot upwards, in halves of the base and heights of the
 * body: enough to know which fitting it is and where the load acts.
 */
type Half = [number, number][]
const OUTLINES: Partial<Record<Design['family'], Half>> = {
  cleat: [
    [0.36, 0],
    [0.34, 0.45],
    [0.45, 0.62],
    [1.35, 0.72],
    [1.5, 0.84],
    [1.42, 1],
    [0.7, 0.93],
  ],
  fairlead: [
    [0.75, 0],
    [0.72, 0.3],
    [0.5, 0.85],
    [0.2, 1],
  ],
  'bow-roller': [
    [0.8, 0],
    [0.8, 0.55],
    [1.25, 0.72],
    [1.3, 1],
    [0.95, 1],
    [0.7, 0.8],
  ],
  windlass: [
    [0.85, 0],
    [0.85, 0.35],
    [0.6, 0.42],
    [0.6, 0.7],
    [0.72, 0.75],
    [0.72, 1],
  ],
  handrail: [
    [0.5, 0],
    [0.36, 0.2],
    [0.36, 1],
  ],
  'tether-point': [
    [0.7, 0],
    [0.55, 0.5],
    [0.35, 0.88],
    [0.12, 1],
  ],
  'lifting-point': [
    [0.6, 0],
    [0.5, 0.4],
    [0.5, 0.8],
    [0.28, 1],
  ],
  track: [
    [0.12, 0],
    [0.1, 0.4],
    [0.13, 0.55],
    [0.13, 1],
  ],
  'cam-cleat': [
    [0.8, 0],
    [0.75, 0.5],
    [0.55, 0.95],
    [0.2, 0.7],
  ],
  'ladder-step': [
    [0.5, 0],
    [0.45, 0.7],
    [0.6, 0.8],
    [0.6, 1],
  ],
  'mast-step': [
    [0.8, 0],
    [0.45, 0.18],
    [0.4, 1],
  ],
  'towing-post': [
    [0.3, 0],
    [0.28, 0.7],
    [0.45, 0.72],
    [0.45, 0.8],
    [0.28, 0.82],
    [0.3, 1],
  ],
  doubler: [
    [0.45, 0],
    [0.4, 0.5],
    [0.15, 1],
  ],
  bitt: [
    [0.34, 0],
    [0.32, 0.62],
    [0.62, 0.62],
    [0.62, 0.76],
    [0.32, 0.76],
    [0.32, 0.92],
    [0.4, 0.96],
    [0.38, 1],
  ],
  stanchion: [
    [0.42, 0],
    [0.36, 0.1],
    [0.34, 1],
  ],
  'pad-eye': [
    [0.7, 0],
    [0.62, 0.55],
    [0.4, 0.9],
    [0.15, 1],
  ],
  winch: [
    [0.85, 0],
    [0.62, 0.2],
    [0.55, 0.6],
    [0.72, 0.85],
    [0.72, 1],
  ],
  'foot-plate': [
    [0.3, 0],
    [0.24, 0.25],
    [0.24, 1],
  ],
  block: [
    [0.6, 0],
    [0.75, 0.4],
    [0.7, 0.85],
    [0.4, 1],
  ],
}
const ANY: Half = [
  [0.7, 0],
  [0.7, 0.8],
  [0.5, 1],
]

/** The part above the base, in outline. */
export function bodyOutline(d: Design, half: number, top: number): Pt[] {
  const right = OUTLINES[d.family] ?? ANY
  const at = (side: number) => (p: [number, number]) => ({
    x: side * p[0] * half,
    y: top + p[1] * d.base.bodyHeightMm,
  })
  return [...right.map(at(1)), ...[...right].reverse().map(at(-1))]
}
