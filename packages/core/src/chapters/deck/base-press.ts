import { areaOf, type Outline } from '../../base/geometry/outline'
import { coreOf, type Structure } from '../../base/materials/structure'
import type { Plug } from './plug'
import { toeStrip, type Field, type Strip } from './toe-strip'

export type Base = Outline & ({ pushN: number; toePressureMPa: number } | { field: Field })
/** What presses under a base: preload and push share as long as the bolts clamp. */
export interface BasePress {
  /** the press by a preload in each bolt, N, and what makes it so */
  at: (preloadN: number) => number
  /** the largest preload at which the press is no more than this, N */
  preloadFor: (pressN: number) => number
  pushN: number
  strip: Strip | null
  /** what the push adds while the bolts still clamp */
  r: number
}

/** Stiffness of what lies under the base against that of the bolts: what a push adds while they clamp. */
function sharedPush(
  structure: Structure,
  plug: Plug | undefined,
  p: { areaMm2: number; n: number; kb: number | null },
) {
  if (structure.kind !== 'sandwich' || p.kb === null) return 1
  const core = coreOf(structure.core)
  const filled = plug ? coreOf({ material: plug.material, thicknessMm: 1 }).eMPa : 0
  const Ap = !plug ? 0 : 'whole' in plug ? p.areaMm2 : Math.min(p.areaMm2, p.n * plug.areaEachMm2)
  const kd = (core.eMPa * (p.areaMm2 - Ap) + filled * Ap) / structure.core.thicknessMm
  return kd / (kd + p.n * p.kb)
}

/**
 * P = max(n·preload + r·push, push, q·A), q the mean pressure of the toe's strip spread at 45° through the
 * outer skin, or the given corner's pressure (chapter 3.4).
 */
export function basePress(p: {
  structure: Structure
  plug: Plug | undefined
  base: Base
  /** the base's area less the holes */
  areaMm2: number
  n: number
  /** stiffness of a bolt, N/mm; null where its grip is not known */
  kb: number | null
}): BasePress {
  const { structure, base, areaMm2: A, n } = p
  const r = sharedPush(structure, p.plug, p)
  if (!('field' in base)) {
    const still = Math.max(base.pushN, base.toePressureMPa * A)
    return {
      at: (F) => Math.max(n * F + r * base.pushN, still),
      preloadFor: (pressN) => (pressN - r * base.pushN) / n,
      pushN: base.pushN,
      strip: null,
      r,
    }
  }
  const sandwich = structure.kind === 'sandwich'
  const spread = sandwich ? structure.outerMm : 0
  const strip = toeStrip(
    base,
    base.field,
    sandwich ? structure.outerMm + structure.core.thicknessMm : structure.thicknessMm,
  )
  const over = strip.areaMm2 + spread * strip.outlineMm
  const part = strip.areaMm2 / areaOf(base)
  const toe = (preloadN: number) =>
    over > 0 ? (Math.max(n * preloadN * part + r * strip.forceN, strip.forceN) / over) * A : 0
  return {
    at: (F) => Math.max(n * F + r * strip.pushN, strip.pushN, toe(F)),
    preloadFor: (pressN) =>
      Math.min(
        (pressN - r * strip.pushN) / n,
        over > 0 && part > 0 ? ((pressN / A) * over - r * strip.forceN) / (n * part) : Infinity,
      ),
    pushN: strip.pushN,
    strip,
    r,
  }
}
