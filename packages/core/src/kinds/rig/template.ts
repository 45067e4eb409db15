import type { DrillRow } from '../../drawing/drill'
import { FullSize } from '../../drawing/full-size'
import { rect, type Drawing } from '../../drawing/shapes'
import { formatLength, type Units } from '../../base/quantity/format'
import type { Chainplate } from './design'
import type { RigJudgement } from './judgement'
import { plateLength } from './picture'

export const RIG_TEMPLATE_TITLES: Record<string, string> = { plate: 'plate', slot: 'slot' }
export const chainplateTemplates = (d: Chainplate): string[] => ['plate', ...(d.slot ? ['slot'] : [])]

/** At full size: the plate with its holes, or the slot in the deck. */
export function chainplateTemplate(
  d: Chainplate,
  _j: RigJudgement,
  what: string,
  units: Units,
  inside: boolean,
): Drawing {
  const s = new FullSize()
  const m = inside ? -1 : 1
  const { widthMm: w, endMm: e } = d.plate
  if (what === 'slot' && d.slot) {
    const [x, y] = [d.slot.lengthMm / 2, d.slot.widthMm / 2]
    s.closed(rect(-x, -y, x, y), 'CUT')
    s.cross({ x: 0, y: 0 }, 8)
  } else {
    const low = plateLength(d)
    s.closed(rect(-low, -w / 2, e, w / 2), 'CUT')
    s.ring({ x: 0, y: 0 }, d.plate.holeMm / 2)
    s.cross({ x: 0, y: 0 }, d.plate.holeMm / 2 + 5)
    for (const b of d.bolts?.points ?? []) {
      const at = { x: -b.xMm, y: m * b.yMm }
      s.ring(at, d.bolts!.holeMm / 2)
      s.cross(at, d.bolts!.holeMm / 2 + 4)
    }
  }
  const drawn = s.extent()
  s.text(
    { x: drawn.minX, y: drawn.maxY + 3 },
    inside ? 'seen from inside, mirrored' : 'pin to the right; seen from outside',
  )
  const title = RIG_TEMPLATE_TITLES[what] ?? what
  return s.finish({
    name: `${d.name}: ${title}, ${formatLength(w, units)} by ${formatLength(d.plate.thicknessMm, units)}`,
    title: `${d.name}, ${title} at full size`,
    description: 'At 1:1.',
    nameAtY: drawn.maxY + 9,
    drawn,
  })
}
/** Slot first, then the bolts through the plate itself. */
export function chainplateDrill(d: Chainplate): DrillRow[] {
  const row = (
    bolt: number,
    name: string,
    xMm: number,
    yMm: number,
    mm: number,
    order: string,
  ): DrillRow => ({
    bolt,
    name,
    xMm,
    yMm,
    pilotMm: 3,
    boreMm: null,
    finishMm: mm,
    order,
    from: 'outside; back the far side against the break-through',
  })
  return [
    ...(d.slot
      ? [row(0, 'slot', 0, 0, d.slot.widthMm, 'drill its ends, saw between them, file to the line')]
      : []),
    ...(d.bolts?.points.map((p, i) =>
      row(
        i + 1,
        `bolt ${i + 1}`,
        p.xMm,
        p.yMm,
        d.bolts!.holeMm,
        'through the plate, the end ones first, each bolted before the next',
      ),
    ) ?? []),
  ]
}
