import type { LifeState } from '@north-tide/core'

export interface Inks {
  ink: string
  sheet: string
  tide: string
  onTide: string
  short: string
  grey: string
  amber: string
}
export const inksOf = (el: Element): Inks => {
  const s = getComputedStyle(el)
  const v = (n: string) => s.getPropertyValue(n).trim()
  return {
    ink: v('--ink'),
    sheet: v('--sheet'),
    tide: v('--tide'),
    onTide: v('--on-tide'),
    short: v('--short'),
    grey: v('--line-strong'),
    amber: '#e0a92e',
  }
}

/** The signs of LifeSign, round 0, 0 in a box of 20, for maps that hold thousands of them. */
export function drawSign(c: CanvasRenderingContext2D, state: LifeState, k: Inks) {
  const ring = (r: number, width: number, stroke: string, fill?: string) => {
    c.beginPath()
    c.arc(0, 0, r, 0, 2 * Math.PI)
    if (fill) {
      c.fillStyle = fill
      c.fill()
    }
    if (width) {
      c.lineWidth = width
      c.strokeStyle = stroke
      c.stroke()
    }
  }
  const line = (points: [number, number][], width: number, stroke: string, fill?: string) => {
    c.beginPath()
    points.forEach(([x, y], i) => (i ? c.lineTo(x, y) : c.moveTo(x, y)))
    if (fill) {
      c.closePath()
      c.fillStyle = fill
      c.fill()
    }
    c.lineWidth = width
    c.strokeStyle = stroke
    c.stroke()
  }
  switch (state) {
    case 'marked':
      line(
        [
          [-8, 0],
          [8, 0],
        ],
        2,
        k.ink,
      )
      return line(
        [
          [0, -8],
          [0, 8],
        ],
        2,
        k.ink,
      )
    case 'drilled':
      return ring(6.5, 2, k.ink, k.sheet)
    case 'core-sealed':
    case 'dry-fitted':
      ring(6, 3.4, k.amber)
      ring(8, 1.2, k.ink)
      ring(3.6, 1.2, k.ink, k.sheet)
      return state === 'dry-fitted'
        ? line(
            [
              [-8, 0],
              [8, 0],
            ],
            2.4,
            k.ink,
          )
        : undefined
    case 'bedded':
    case 'cured':
      ring(6, 4.4, k.ink, k.sheet)
      return state === 'cured' ? ring(1.9, 0, k.ink, k.ink) : undefined
    case 'proved':
      ring(8, 0, k.tide, k.tide)
      return line(
        [
          [-4, 0.5],
          [-1, 3.5],
          [4, -3],
        ],
        2.2,
        k.onTide,
      )
    case 'in-service':
      return ring(7, 0, k.ink, k.ink)
    case 'suspect':
      line(
        [
          [0, -9],
          [9, 0],
          [0, 9],
          [-9, 0],
        ],
        2.2,
        k.short,
        k.sheet,
      )
      line(
        [
          [0, -9],
          [9, 0],
          [0, 9],
          [-9, 0],
          [0, -9],
        ],
        2.2,
        k.short,
      )
      return line(
        [
          [0, -4],
          [0, 4.5],
        ],
        2.2,
        k.short,
      )
    default:
      ring(7, 1.6, k.ink, k.grey)
      return line(
        [
          [-5, 5],
          [5, -5],
        ],
        1.8,
        k.ink,
      )
  }
}
