import { CHECK_BAR_MM } from './drill'
import type { Drawing, Pt, Shape } from './shapes'

const TEXT_MM = 3.5
type Layer = 'CUT' | 'DRILL' | 'MARK'
type Weight = 'outline' | 'hidden' | 'dimension'
interface Extent {
  minX: number
  maxX: number
  minY: number
  maxY: number
}

/** A circle as the closed path that a cutter follows. */
export const circlePath = (r: number, parts = 96): Pt[] =>
  Array.from({ length: parts + 1 }, (_, i) => ({
    x: r * Math.cos((2 * Math.PI * i) / parts),
    y: r * Math.sin((2 * Math.PI * i) / parts),
  }))

/**
 * A template at full size, mm, as every kind draws it: each shape on its layer, and the bar by which its
 * scale is proved before anybody drills.
 */
export class FullSize {
  readonly shapes: Shape[] = []

  text(at: Pt, words: string, anchor: 'start' | 'middle' | 'end' = 'start', size = TEXT_MM): void {
    this.shapes.push({ kind: 'text', at, text: words, size, anchor, role: 'TEXT' })
  }
  path(points: Pt[], role: Layer, weight: Weight = 'outline'): void {
    this.shapes.push({ kind: 'path', points, weight, role })
  }
  closed(points: Pt[], role: Layer, weight: Weight = 'outline'): void {
    this.path([...points, points[0]!], role, weight)
  }
  ring(at: Pt, r: number, role: Layer = 'DRILL'): void {
    this.shapes.push({ kind: 'ring', at, r, weight: 'outline', role })
  }
  cross(at: Pt, r: number): void {
    const [{ x, y }, way] = [at, 'dimension' as const]
    this.path(
      [at.x - r, at.x + r].map((to) => ({ x: to, y })),
      'MARK',
      way,
    )
    this.path(
      [at.y - r, at.y + r].map((to) => ({ x, y: to })),
      'MARK',
      way,
    )
  }
  /** What is drawn so far; words do not count. */
  extent(): Extent {
    const points = this.shapes.flatMap((s) =>
      s.kind === 'path'
        ? s.points
        : s.kind === 'ring'
          ? [
              { x: s.at.x - s.r, y: s.at.y - s.r },
              { x: s.at.x + s.r, y: s.at.y + s.r },
            ]
          : [],
    )
    const [xs, ys] = [points.map((p) => p.x), points.map((p) => p.y)]
    return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) }
  }
  private checkBar(x: number, y: number): void {
    const tick = (at: number) => [-2.5, 2.5].map((by) => ({ x: x + at, y: y + by }))
    this.path(
      [0, CHECK_BAR_MM].map((at) => ({ x: x + at, y })),
      'MARK',
    )
    for (const at of [0, CHECK_BAR_MM / 2, CHECK_BAR_MM]) this.path(tick(at), 'MARK')
    this.text({ x: x + CHECK_BAR_MM + 4, y: y - 1.2 }, '100 mm: lay a rule on it before use')
  }
  /** With its name above all, the check bar below, and room for both. */
  finish(p: { name: string; title: string; description: string; nameAtY: number; drawn: Extent }): Drawing {
    const { drawn: b } = p
    this.text({ x: b.minX, y: p.nameAtY }, p.name, 'start', TEXT_MM * 1.25)
    const y = b.minY - 15
    this.checkBar(b.minX, y)
    return {
      title: p.title,
      description: p.description,
      shapes: this.shapes,
      legend: [],
      textMm: TEXT_MM,
      scaleBarMm: CHECK_BAR_MM,
      bounds: {
        minX: b.minX - 8,
        maxX: Math.max(b.maxX + 30, b.minX + CHECK_BAR_MM + 75),
        minY: y - 8,
        maxY: p.nameAtY + 8,
      },
    }
  }
}
