import { formatLength, type Units } from '../../base/quantity/format'
import { legendOf } from '../../drawing/section-pen'
import { niceLength, rect, type Drawing, type Handle, type Pt, type Shape } from '../../drawing/shapes'
import type { RowDesign } from './design'
import type { RowJudgement } from './judgement'

const round = (v: number) => Math.round(v)
/** More than this and a pitch between each two would be grey mush: the first, the odd ones and the last. */
const MOST_SAID = 24

/** Heights of what is drawn, from how long the row is. */
interface Scale {
  half: number
  textMm: number
  mm: (v: number) => string
}
function keptOff(j: RowJudgement, { half, textMm }: Scale): { shapes: Shape[]; handles: Handle[] } {
  const shapes: Shape[] = []
  const handles: Handle[] = []
  j.keepouts.forEach((k, i) => {
    const [from, to] = [k.fromMm - k.marginMm, k.toMm + k.marginMm]
    const role = k.byMap ? 'mapMarginMm' : `keepouts.${i}`
    const box = rect(from, -half, to, 3 * half)
    shapes.push(
      { kind: 'area', points: box, tone: 'none', role, label: k.name },
      { kind: 'path', points: [...box, box[0]!], weight: 'hidden', role },
      { kind: 'path', points: [box[0]!, box[2]!], weight: 'hidden', role },
      {
        kind: 'text',
        at: { x: (from + to) / 2, y: 3 * half + textMm * (0.6 + 1.3 * (i % 2)) },
        text: k.name.toLowerCase(),
        size: textMm,
        anchor: 'middle',
      },
    )
    if (k.byMap) return
    for (const end of ['fromMm', 'toMm'] as const) {
      const at = { x: k[end], y: 2 * half }
      const label = `${k.name}, ${end === 'fromMm' ? 'from' : 'to'}`
      handles.push(along(`keepouts.${i}.${end}`, label, at, k[end], -1e6))
    }
  })
  return { shapes, handles }
}
const along = (path: string, label: string, at: Pt, value: number, leastMm: number): Handle => ({
  path,
  label,
  at,
  axis: 'x',
  value,
  per: 1,
  leastMm,
})
function places(d: RowDesign, j: RowJudgement, { half, textMm, mm }: Scale): Shape[] {
  const ps = j.layout.positions
  const every = Math.ceil(ps.length / MOST_SAID)
  const words = (x: number, y: number, text: string, strong: boolean): Shape => ({
    kind: 'text',
    at: { x, y },
    text,
    size: textMm,
    anchor: 'middle',
    ...(strong ? { weight: 'strong' as const } : { role: 'pitch' }),
  })
  return ps.flatMap((p, i): Shape[] => {
    const sign: Shape =
      d.memberId !== null
        ? {
            kind: 'area',
            points: rect(p.sMm - d.footprintMm / 2, -half, p.sMm + d.footprintMm / 2, half),
            tone: 'hardware',
            role: 'footprintMm',
            label: `number ${i + 1}`,
          }
        : {
            kind: 'disc',
            at: { x: p.sMm, y: 0 },
            r: Math.max(d.bolt.holeMm / 2, half / 3),
            tone: 'bolt',
            role: 'bolt',
          }
    const said = i % every === 0
    return [
      sign,
      ...(said || i === ps.length - 1 ? [words(p.sMm, -half - 1.5 * textMm, String(i + 1), true)] : []),
      ...(said && i > 0
        ? [words((p.sMm + ps[i - 1]!.sMm) / 2, -half - 3.2 * textMm, mm(p.fromPreviousMm!), false)]
        : []),
    ]
  })
}
/** The line laid out straight: what stands where, the pitches between, and what is kept off. */
export function rowPlan(d: RowDesign, j: RowJudgement, units: Units): Drawing {
  const mm = (v: number) => formatLength(Math.round(v * 10) / 10, units)
  const [a, b] = [d.fromMm - d.footprintMm, d.toMm + d.footprintMm]
  const long = b - a
  const textMm = long / 70
  const half = Math.max(d.strip ? d.strip.widthMm / 2 : d.footprintMm / 3, long / 90)
  const scale = { half, textMm, mm }
  const off = keptOff(j, scale)
  const line: Shape = {
    kind: 'path',
    points: [
      { x: a, y: 0 },
      { x: b, y: 0 },
    ],
    weight: 'dimension',
  }
  const strip: Shape[] = d.strip
    ? [{ kind: 'area', points: rect(a, -half, b, half), tone: 'hardware', role: 'strip', label: 'strip' }]
    : []
  const shapes = [line, ...strip, ...off.shapes, ...places(d, j, scale)]
  const n = j.layout.positions.length
  return {
    title: j.layout.blocked
      ? 'the line laid out straight; the row does not come out'
      : `the line laid out straight: ${n} of them, ${mm(j.layout.meanPitchMm!)} apart in the mean`,
    description: `${n} places on ${mm(d.toMm - d.fromMm)}, ${j.keepouts.length} things kept off.`,
    bounds: { minX: a - textMm, maxX: b + textMm, minY: -half - 5 * textMm, maxY: 3 * half + 7 * textMm },
    shapes,
    legend: legendOf(shapes),
    textMm,
    scaleBarMm: niceLength(long / 5),
    handles: [
      along('fromMm', 'first end', { x: d.fromMm, y: 0 }, d.fromMm, 0),
      along('toMm', 'last end', { x: d.toMm, y: 0 }, d.toMm, 1),
      ...off.handles,
    ],
  }
}
/** As it lies on the boat, from above: x aft to the right, starboard up. */
export function rowOnBoat(d: RowDesign, j: RowJudgement, units: Units): Drawing {
  const shapes: Shape[] = []
  const at = (p: { xMm: number; yMm: number }) => ({ x: p.xMm, y: p.yMm })
  shapes.push({ kind: 'path', points: d.path.map(at), weight: 'outline', role: 'path' })
  const xs = d.path.map((p) => p.xMm)
  const ys = d.path.map((p) => p.yMm)
  const [minX, maxX, minY, maxY] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const textMm = Math.max(maxX - minX, maxY - minY) / 45
  const m = 4 * textMm
  j.layout.positions.forEach((p, i) => {
    shapes.push({
      kind: 'disc',
      at: at(p),
      r: textMm / 2.5,
      tone: 'hardware',
      role: 'bolt',
      label: `number ${i + 1}`,
    })
    if (j.layout.count <= MOST_SAID)
      shapes.push({
        kind: 'text',
        at: { x: p.xMm, y: p.yMm + textMm },
        text: String(i + 1),
        size: textMm,
        anchor: 'middle',
      })
  })
  return {
    title: 'as it lies on the boat: bow left, starboard up',
    description: `A line of ${formatLength(round(j.lengthMm), units)} with ${j.layout.count} places.`,
    bounds: { minX: minX - m, maxX: maxX + m, minY: minY - m, maxY: maxY + m },
    shapes,
    legend: legendOf(shapes),
    textMm,
    scaleBarMm: niceLength((maxX - minX) / 4 || 100),
    handles: [],
  }
}
