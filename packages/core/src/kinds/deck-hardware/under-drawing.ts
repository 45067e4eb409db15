import { rect, type MaterialTone, type Pt } from '../../drawing/shapes'
import { SUPPORTS, type SupportId, type Under } from '../../chapters/deck/supports'

const TONE: Record<SupportId, MaterialTone> = {
  softwood: 'timber',
  plywood: 'timber',
  'glass-laminate': 'laminate',
  'al-5083': 'metal',
  'al-6061': 'metal',
  'ss-316': 'metal',
  'mild-steel': 'metal',
}
/** How wide it stands in the cut, mm. */
function widthOf(u: Exclude<Under, { kind: 'nothing' }>): number {
  if (u.kind === 'beam') return u.widthMm
  if (u.kind === 'bulkhead') return u.thicknessMm
  const s = u.section
  return 'diameterMm' in s ? s.diameterMm : 'outerMm' in s ? s.outerMm : s.widthMm
}
const lengthOf = (u: Exclude<Under, { kind: 'nothing' }>) => (u.kind === 'post' ? u.lengthMm : u.heightMm)

/**
 * What stands under a base that pushes, from `topMm` down, to scale across; it is broken off where it goes on
 * below the drawing.
 */
export function underShape(
  under: Under | null,
  topMm: number,
  mostMm: number,
): { points: Pt[]; tone: MaterialTone; title: string; lowMm: number } | null {
  if (!under || under.kind === 'nothing') return null
  const half = widthOf(under) / 2
  const whole = lengthOf(under)
  const lowMm = topMm - Math.min(whole, mostMm)
  const goesOn = whole > mostMm
  const step = half / 4
  const points = goesOn
    ? [
        { x: -half, y: topMm },
        { x: half, y: topMm },
        { x: half, y: lowMm },
        { x: half / 3, y: lowMm + step },
        { x: -half / 3, y: lowMm - step },
        { x: -half, y: lowMm },
      ]
    : rect(-half, lowMm, half, topMm)
  return {
    points,
    tone: TONE[under.material],
    title: `${SUPPORTS[under.material].title} ${under.kind}`,
    lowMm,
  }
}
