import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import { rect, type Drawing } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import type { RowDesign } from './design'
import type { RowJudgement } from './judgement'

export const rowTemplates = (): string[] => ['strip']
const HALF_MM = 20

/** A strip at full size to stick along the line: every place with its number, from outside or from inside. */
export function rowTemplate(
  d: RowDesign,
  j: RowJudgement,
  _what: string,
  units: Units,
  inside: boolean,
): Drawing {
  const s = new FullSize()
  const m = inside ? -1 : 1
  const at = (v: number) => m * (v - d.fromMm)
  const [a, b] = [at(d.fromMm - d.footprintMm), at(d.toMm + d.footprintMm)]
  s.closed(rect(Math.min(a, b), -HALF_MM, Math.max(a, b), HALF_MM), 'CUT')
  s.path(
    [
      { x: Math.min(a, b), y: 0 },
      { x: Math.max(a, b), y: 0 },
    ],
    'MARK',
    'dimension',
  )
  j.layout.positions.forEach((p, i) => {
    const c = { x: at(p.sMm), y: 0 }
    if (d.memberId === null) s.ring(c, d.bolt.holeMm / 2)
    s.cross(c, 8)
    s.text({ x: c.x + 2, y: 10 }, `${i + 1}: ${formatLength(p.sMm - d.fromMm, units)}`)
  })
  for (const k of j.keepouts)
    for (const end of [k.fromMm - k.marginMm, k.toMm + k.marginMm])
      s.path(
        [
          { x: at(end), y: -HALF_MM },
          { x: at(end), y: HALF_MM },
        ],
        'MARK',
        'hidden',
      )
  const drawn = s.extent()
  s.text(
    { x: drawn.minX, y: drawn.maxY + 3 },
    inside ? 'from inside, mirrored; the datum hole is number 1' : 'from outside; the datum hole is number 1',
  )
  return s.finish({
    name: `${d.name}: strip to set it out, ${j.layout.count} places`,
    title: `${d.name}, strip at full size`,
    description: 'At 1:1.',
    nameAtY: drawn.maxY + 9,
    drawn,
  })
}
/** Each place with its number, along the line and on the boat, its bend, and the offset inside. */
export const rowSchedule = (d: RowDesign, j: RowJudgement): Record<string, string | number | null>[] =>
  j.layout.positions.map((p, i) => ({
    number: i + 1,
    fromFirstEndMm: p.sMm - d.fromMm,
    fromPreviousMm: p.fromPreviousMm,
    xMm: p.xMm,
    yMm: p.yMm,
    zMm: p.zMm,
    insideOffsetMm: p.insideOffsetMm ?? null,
    bendDeg: d.bends.find((b) => b.at === i + 1)?.deg ?? null,
    fitting: j.members.find((m) => Math.abs(m.sMm - p.sMm) < d.footprintMm / 2)?.name ?? '',
  }))
/** One line a place, from the first end; distances along the line. */
export const rowDrill = (d: RowDesign, j: RowJudgement): DrillRow[] =>
  d.memberId !== null
    ? []
    : j.layout.positions.map((p, i) => ({
        bolt: i + 1,
        name: `bolt ${i + 1}`,
        xMm: p.sMm,
        yMm: 0,
        pilotMm: 3,
        boreMm: null,
        finishMm: d.bolt.holeMm,
        order: 'the middle one first, then each side of it in turn',
        from: 'outside; back the far side against the break-through',
      }))
