import { describe, expect, it } from 'vitest'
import type { Drawing, Shape } from '@north-tide/core'
import { LEAST_PX, lettering } from '../src/pieces/drawing-text'

const text = (x: number, y: number, words: string, more: object = {}): Shape =>
  ({ kind: 'text', at: { x, y }, text: words, size: 5, anchor: 'start', ...more }) as Shape
const drawing = (shapes: Shape[]): Drawing => ({
  title: '',
  description: '',
  bounds: { minX: 0, maxX: 200, minY: 0, maxY: 100 },
  shapes,
  legend: [],
  textMm: 5,
  scaleBarMm: 0,
})

describe('labels at the size that a drawing has', () => {
  it('large enough as they are, nothing is touched', () => {
    const d = drawing([text(10, 10, '270'), text(12, 10, '190')])
    expect(lettering(d, 600, 300)).toEqual({ grown: 1, hidden: new Set(), bounds: d.bounds })
    expect(lettering(d, 0, 0).grown).toBe(1)
  })
  it('in a small picture they grow to about 12 px as it is then drawn, and it takes them in', () => {
    const d = drawing([text(190, 50, 'grip 48')])
    const l = lettering(d, 200, 100)
    const scale = Math.min(200 / (l.bounds.maxX - l.bounds.minX), 100 / (l.bounds.maxY - l.bounds.minY))
    expect(5 * l.grown * scale).toBeGreaterThan(0.93 * LEAST_PX)
    expect(5 * l.grown * scale).toBeLessThanOrEqual(LEAST_PX + 1e-9)
    expect(l.bounds.maxX).toBeGreaterThan(200)
    expect(l.bounds.minX).toBe(0)
  })
  it('where two would lie on one another the figure stays and the name goes', () => {
    const d = drawing([
      text(50, 50, 'outer skin'),
      text(60, 50, '4', { weight: 'strong' }),
      text(50, 90, 'core'),
    ])
    const l = lettering(d, 200, 100)
    expect([...l.hidden]).toEqual([0])
  })
  it('the load is never the one that goes, and a turned label takes its room upwards', () => {
    const over = drawing([text(50, 50, '190', { weight: 'strong' }), text(50, 50, '16 kN', { load: true })])
    expect([...lettering(over, 200, 100).hidden]).toEqual([0])
    const turned = drawing([text(50, 50, 'grip 48', { turned: true, anchor: 'middle' }), text(60, 50, '270')])
    expect(lettering(turned, 200, 100).hidden.size).toBe(0)
  })
  it('a picture as small as a stamp is not filled with letters', () => {
    expect(lettering(drawing([text(50, 50, '190')]), 20, 10).grown).toBe(4)
  })
})
