/**
 * Plain geometry in millimetres, x to the right and y up. What the screen draws, the PDF prints and a file
 * holds are these same shapes.
 */
export type MaterialTone =
  | 'laminate'
  | 'balsa'
  | 'foam'
  | 'plywood'
  | 'filled-epoxy'
  | 'bedding'
  | 'epoxy-glass'
  | 'metal'
  | 'timber'
  | 'insert'
  | 'plastic'
  | 'bolt'
  | 'hardware'
  | 'none'
export type Weight = 'outline' | 'hidden' | 'dimension' | 'load'
export interface Pt {
  x: number
  y: number
}
export type Shape =
  | { kind: 'area'; points: Pt[]; tone: MaterialTone; role: string; label?: string }
  | { kind: 'path'; points: Pt[]; weight: Weight; role?: string }
  | {
      kind: 'text'
      at: Pt
      text: string
      size: number
      anchor: 'start' | 'middle' | 'end'
      turned?: boolean
      weight?: 'normal' | 'strong'
      role?: string
      load?: boolean
    }
  | { kind: 'disc'; at: Pt; r: number; tone: MaterialTone; role?: string; label?: string }
  | { kind: 'ring'; at: Pt; r: number; weight: Weight; role?: string }
export interface Drawing {
  title: string
  /** said to those who cannot see it */
  description: string
  bounds: { minX: number; maxX: number; minY: number; maxY: number }
  shapes: Shape[]
  legend: MaterialTone[]
  /** text height that the drawing was set out for */
  textMm: number
  scaleBarMm: number
  /** edges that can be grabbed */
  handles?: Handle[]
}
/** Dragging it by one mm along its axis changes the value at `path` by `per` mm. */
export interface Handle {
  path: string
  label: string
  at: Pt
  axis: 'x' | 'y'
  value: number
  per: number
  leastMm: number
  mostMm?: number
  /** the value is an angle, and `per` degrees */
  degrees?: true
}

export const TONE_TITLES: Record<MaterialTone, string> = {
  laminate: 'laminate',
  balsa: 'balsa',
  foam: 'foam',
  plywood: 'plywood',
  'filled-epoxy': 'filled epoxy',
  bedding: 'bedding',
  'epoxy-glass': 'epoxy-glass',
  metal: 'metal',
  timber: 'timber',
  insert: 'insert',
  plastic: 'plastic',
  bolt: 'bolt',
  hardware: 'fitting',
  none: '',
}

/**
 * Patterns as strokes in a square tile of side 1, so that materials are told apart without colour on
 * screen, in print and in a file.
 * Each stroke is a polyline; a dot is a stroke of no length.
 */
export interface Pattern {
  tile: number
  strokes: [number, number][][]
  width: number
}
export const PATTERNS: Partial<Record<MaterialTone, Pattern>> = {
  laminate: {
    tile: 0.5,
    width: 0.05,
    strokes: [
      [
        [0, 0.25],
        [0.5, 0.75],
      ],
      [
        [0.5, 0.75],
        [0.75, 1],
      ],
      [
        [0.75, 0],
        [1, 0.25],
      ],
    ],
  },
  balsa: {
    tile: 0.62,
    width: 0.045,
    strokes: [
      [
        [0, 0],
        [1, 0],
      ],
      [
        [0, 0.5],
        [1, 0.5],
      ],
      [
        [0.25, 0],
        [0.25, 0.5],
      ],
      [
        [0.75, 0.5],
        [0.75, 1],
      ],
    ],
  },
  foam: {
    tile: 0.6,
    width: 0.12,
    strokes: [
      [
        [0.25, 0.25],
        [0.26, 0.25],
      ],
      [
        [0.75, 0.75],
        [0.76, 0.75],
      ],
    ],
  },
  plywood: {
    tile: 0.5,
    width: 0.05,
    strokes: [
      [
        [0, 0.2],
        [1, 0.2],
      ],
      [
        [0, 0.7],
        [1, 0.7],
      ],
      [
        [0.2, 0.2],
        [0.2, 0.7],
      ],
      [
        [0.6, 0.2],
        [0.6, 0.7],
      ],
    ],
  },
  bedding: {
    tile: 0.4,
    width: 0.1,
    strokes: [
      [
        [0, 0.3],
        [0.25, 0.7],
        [0.5, 0.3],
        [0.75, 0.7],
        [1, 0.3],
      ],
    ],
  },
  'epoxy-glass': {
    tile: 0.36,
    width: 0.06,
    strokes: [
      [
        [0, 0.3],
        [1, 0.3],
      ],
      [
        [0, 0.8],
        [1, 0.8],
      ],
    ],
  },
  metal: {
    tile: 0.34,
    width: 0.045,
    strokes: [
      [
        [0, 1],
        [1, 0],
      ],
    ],
  },
  bolt: {
    tile: 0.28,
    width: 0.04,
    strokes: [
      [
        [0, 0],
        [1, 1],
      ],
    ],
  },
  timber: {
    tile: 0.8,
    width: 0.045,
    strokes: [
      [
        [0, 0.3],
        [0.3, 0.22],
        [0.6, 0.36],
        [1, 0.3],
      ],
      [
        [0, 0.75],
        [0.4, 0.82],
        [0.7, 0.68],
        [1, 0.75],
      ],
    ],
  },
  insert: {
    tile: 0.5,
    width: 0.06,
    strokes: [
      [
        [0, 0],
        [1, 0],
      ],
      [
        [0, 0],
        [0, 1],
      ],
    ],
  },
  plastic: {
    tile: 0.7,
    width: 0.05,
    strokes: [
      [
        [0.5, 0.3],
        [0.5, 0.7],
      ],
      [
        [0.3, 0.5],
        [0.7, 0.5],
      ],
    ],
  },
}

export const rect = (x0: number, y0: number, x1: number, y1: number): Pt[] => [
  { x: x0, y: y0 },
  { x: x1, y: y0 },
  { x: x1, y: y1 },
  { x: x0, y: y1 },
]
/** A rectangle of these halves about the origin, its corners rounded to r. */
export function rounded(hx: number, hy: number, r: number): Pt[] {
  const q = Math.min(r, hx, hy)
  const corner = (cx: number, cy: number, from: number) =>
    Array.from({ length: 9 }, (_, i) => ({
      x: cx + q * Math.cos(((from + i * 11.25) * Math.PI) / 180),
      y: cy + q * Math.sin(((from + i * 11.25) * Math.PI) / 180),
    }))
  return [
    ...corner(hx - q, hy - q, 0),
    ...corner(-hx + q, hy - q, 90),
    ...corner(-hx + q, -hy + q, 180),
    ...corner(hx - q, -hy + q, 270),
  ]
}

/** A length for a scale bar: 1, 2 or 5 times a power of ten. */
export function niceLength(aimMm: number, units: 'metric' | 'inch' = 'metric'): number {
  if (units === 'inch')
    return 25.4 * ([24, 12, 6, 4, 2, 1, 0.5, 0.25].find((k) => k * 25.4 <= aimMm) ?? 0.125)
  const p = 10 ** Math.floor(Math.log10(aimMm))
  return ([5, 2, 1].find((k) => k * p <= aimMm) ?? 1) * p
}
