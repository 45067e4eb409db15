import { areaOf } from '../../base/geometry/outline'
import { type Check } from '../../base/verdict/check'
import type { FactorKind } from '../../base/verdict/factors'
import type { Plug } from '../../chapters/deck/footprint'
import { pushThroughOf, type PUSH_USES } from '../../chapters/deck/push-through'
import type { Design } from './design'
import type { Field } from '../../boat/field'
import type { CaseShared } from './loads'
import { planOfBase } from './plans'

/** A base that is pushed into the deck by more than it is pulled from it (18.2). */
export interface Panel {
  lengthMm: number
  widthMm: number
}
type Use = (typeof PUSH_USES)[number]
const USES: Partial<Record<Design['family'], Use>> = {
  'mast-step': 'mast-step',
  winch: 'winch',
  'ladder-step': 'ladder-foot',
}

/** The deck between its stiffeners round a base; null where they are not drawn, or the base fills it. */
export function panelOf(d: Design, field: Field): Panel | null {
  if (field.assumed.length) return null
  const panel = { lengthMm: field.maxX - field.minX, widthMm: field.maxY - field.minY }
  const across = 2 * Math.sqrt(areaOf(planOfBase(d.base)) / Math.PI)
  return Math.min(panel.lengthMm, panel.widthMm) > across ? panel : null
}

/** The greatest push of all directions that push more than they pull, N; 0 for none. */
export function pushOf(shared: CaseShared[]): number {
  return Math.max(
    0,
    ...shared.flatMap((c) =>
      c.decisive
        .filter((s) => s.direction.outN < 0 && s.pushN > s.sumTensionN)
        .map((s) => s.pushN - s.sumTensionN),
    ),
  )
}

/** Whether it is asked what stands under it: where something pushes, or a mast will stand. */
export const asksUnder = (d: Pick<Design, 'family' | 'load'>) =>
  d.family in USES || d.load.basis === 'mast-step'

const SAME = ['crush', 'punching']
/**
 * Checks of the push. Those that have the same names as the checks of the pull are kept apart from them: a
 * deck that is pulled and pushed is judged for both.
 */
export function pushChecks(
  d: Design,
  p: {
    pushN: number
    plug: Plug | undefined
    panel: Panel | null
    factors: Record<Extract<FactorKind, 'metal' | 'laminate' | 'core'>, number>
  },
): Check[] {
  if (!(p.pushN > 0)) return []
  const { plug } = p
  const told = pushThroughOf({
    duty: d.duty,
    factors: { metal: p.factors.metal, laminate: p.factors.laminate, core: p.factors.core },
    structure: d.structure,
    base: planOfBase(d.base),
    pushN: p.pushN,
    use: USES[d.family] ?? 'other',
    plug:
      plug && !('whole' in plug)
        ? { material: plug.material, areaMm2: plug.areaEachMm2 * d.bolts.length }
        : plug,
    panel: p.panel ?? undefined,
    under: d.under ?? undefined,
  })
  return told.checks.map((c) =>
    SAME.some((s) => c.id.startsWith(s))
      ? { ...c, id: `push-${c.id}`, title: c.title.includes('push') ? c.title : `${c.title}, pushed` }
      : c,
  )
}
