import { formatLength, type Units } from '../../base/quantity/format'
import { legendOf } from '../../drawing/section-pen'
import { niceLength, rect, type Drawing, type Handle, type Shape } from '../../drawing/shapes'
import type { RowDesign } from './design'
import type { RowJudgement } from './judgement'

const round = (v: number) => Math.round(v)
/** More than this and a pitch between each two would be grey mush: the first, the odd ones and the last. */
const MOST_SAID = 24

/** The line laid out straight: what stands where, the pitches between, and what is kept off. */
export function rowPlan(d: RowDesign, j: RowJudgement, units: Units): Drawing {
  const shapes: Shape[] = []
  const mm = (v: number) => formatLength(round(v), units)
  const [a, b] = [d.fromMm - d.footprintMm, d.toMm + d.footprintMm]
  const long = b - a
  const textMm = long / 70
  const half = Math.max(d.strip ? d.strip.widthMm / 2 : d.footprintMm / 3, long / 90)
  shapes.push({
    kind: 'path',
    points: [
      { x: a, y: 0 },
      { x: b, y: 0 },
    ],
    weight: 'dimension',
  })
  if (d.strip)
    shapes.push({
      kind: 'area',
      points: rect(d.fromMm - d.footprintMm, -half, d.toMm + d.footprintMm, half),
      tone: 'hardware',
      role: 'strip',
      label: 'strip',
    })
  const handles: Handle[] = [
    {
      path: 'fromMm',
      label: 'first end',
      at: { x: d.fromMm, y: 0 },
      axis: 'x',
      value: d.fromMm,
      per: 1,
      leastMm: 0,
    },
    {
      path: 'toMm',
      label: 'last end',
      at: { x: d.toMm, y: 0 },
      axis: 'x',
      value: d.toMm,
      per: 1,
      leastMm: 1,
    },
  ]
  j.keepouts.forEach((k, i) => {
    const [from, to] = [k.fromMm - k.marginMm, k.toMm + k.marginMm]
    const role = k.byMap ? 'mapMarginMm' : `keepouts.${i}`
    shapes.push({
      kind: 'area',
      points: rect(from, -half, to, 3 * half),
      tone: 'none',
      role,
      label: k.name,
    })
    const box = rect(from, -half, to, 3 * half)
    shapes.push({ kind: 'path', points: [...box, box[0]!], weight: 'hidden', role })
    shapes.push({
      kind: 'path',
      points: [box[0]!, box[2]!],
      weight: 'hidden',
      role,
    })
    shapes.push({
      kind: 'text',
      at: { x: (from + to) / 2, y: 3 * half + textMm * (0.6 + 1.3 * (i % 2)) },
      text: k.name.toLowerCase(),
      size: textMm,
      anchor: 'middle',
    })
    if (!k.byMap)
      for (const end of ['fromMm', 'toMm'] as const)
        handles.push({
          path: `keepouts.${i}.${end}`,
          label: `${k.name}, ${end === 'fromMm' ? 'from' : 'to'}`,
          at: { x: k[end], y: 2 * half },
          axis: 'x',
          value: k[end],
          per: 1,
          leastMm: -1e6,
        })
  })
  const ps = j.layout.positions
  const every = Math.ceil(ps.length / MOST_SAID)
  ps.forEach((p, i) => {
    if (d.memberId !== null)
      shapes.push({
        kind: 'area',
        points: rect(p.sMm - d.footprintMm / 2, -half, p.sMm + d.footprintMm / 2, half),
        tone: 'hardware',
        role: 'footprintMm',
        label: `number ${i + 1}`,
      })
    else
      shapes.push({
        kind: 'disc',
        at: { x: p.sMm, y: 0 },
        r: Math.max(d.bolt.holeMm / 2, half / 3),
        tone: 'bolt',
        role: 'bolt',
      })
    if (i % every === 0 || i === ps.length - 1)
      shapes.push({
        kind: 'text',
        at: { x: p.sMm, y: -half - 1.5 * textMm },
        text: String(i + 1),
        size: textMm,
        anchor: 'middle',
        weight: 'strong',
      })
    if (i > 0 && i % every === 0)
      shapes.push({
        kind: 'text',
        at: { x: (p.sMm + ps[i - 1]!.sMm) / 2, y: -half - 3.2 * textMm },
        text: mm(p.fromPreviousMm!),
        size: textMm,
        anchor: 'middle',
        role: 'pitch',
      })
  })
  const low = -half - 5 * textMm
  const up = 3 * half + 7 * textMm
  return {
    title: j.layout.blocked
      ? 'the line laid out straight; the row does not come out'
      : `the line laid out straight: ${ps.length} of them, ${mm(j.layout.meanPitchMm!)} apart in the mean`,
    description: `${ps.length} places on ${mm(d.toMm - d.fromMm)}, ${j.keepouts.length} things kept off.`,
    bounds: { minX: a - textMm, maxX: b + textMm, minY: low, maxY: up },
    shapes,
    legend: legendOf(shapes),
    textMm,
    scaleBarMm: niceLength(long / 5),
    handles,
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
