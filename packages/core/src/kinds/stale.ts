import { say } from '../base/verdict/check'
import type { Measurable, Structure } from '../base/materials/structure'
import { structureOf, type BoatZone } from '../boat/spot'

/** What of a design says what deck it stands on. */
export interface OnDeck {
  structure: Structure
  measured: Measurable[]
  structureReason: string | null
}
export interface Stale {
  /** what differs, in words */
  changes: string[]
  /** what the zone is made of now, with the design's own strengths kept where the material is the same */
  structure: Structure
  measured: Measurable[]
}

const GRAIN = 1e-6
const LAYER = {
  outerMm: 'outer skin',
  coreMm: 'core',
  innerMm: 'inner skin',
  thicknessMm: 'thickness',
} as const
const thicknesses = (s: Structure): Partial<Record<Measurable, number>> =>
  s.kind === 'sandwich'
    ? { outerMm: s.outerMm, coreMm: s.core.thicknessMm, innerMm: s.innerMm }
    : { thicknessMm: s.thicknessMm }
const material = (s: Structure) =>
  s.kind === 'sandwich'
    ? `${s.skin.laminate} over ${s.core.material}`
    : s.kind === 'solid'
      ? s.skin.laminate
      : s.kind === 'metal'
        ? s.metal
        : s.timber

/**
 * What a design still believes of its deck that the zone no longer says. Null where they agree, off the
 * known zones, or where the fitter
 * keeps a deck of the fitting's own with a reason.
 */
export function staleAgainst(d: OnDeck, zone: BoatZone | null): Stale | null {
  if (!zone || d.structureReason) return null
  const now = structureOf(zone)
  const was = d.structure
  const changes: string[] = []
  if (was.kind !== now.structure.kind || material(was) !== material(now.structure))
    changes.push(
      `${material(was).replaceAll('-', ' ')} is ${material(now.structure).replaceAll('-', ' ')} now`,
    )
  const [a, b] = [thicknesses(was), thicknesses(now.structure)]
  for (const k of Object.keys(b) as Measurable[]) {
    // A thickness that the fitter measured at the spot outlasts the zone's estimate, not its measurement.
    const own = d.measured.includes(k) && !now.measured.includes(k)
    if (a[k] !== undefined && !own && Math.abs(a[k] - b[k]!) > GRAIN)
      changes.push(
        `${LAYER[k]} ${say(a[k])} mm is ${say(b[k]!)} mm now${now.measured.includes(k) ? ', measured' : ''}`,
      )
    else if (a[k] !== undefined && now.measured.includes(k) && !d.measured.includes(k))
      changes.push(`${LAYER[k]} ${say(b[k]!)} mm is measured now`)
  }
  return changes.length ? { changes, structure: merged(was, now.structure), measured: now.measured } : null
}

/** Strengths that the fitter gave of the same material stay; thicknesses follow the zone. */
function merged(was: Structure, now: Structure): Structure {
  if (was.kind === 'sandwich' && now.kind === 'sandwich')
    return {
      ...now,
      skin: was.skin.laminate === now.skin.laminate ? was.skin : now.skin,
      core:
        was.core.material === now.core.material
          ? { ...was.core, thicknessMm: now.core.thicknessMm }
          : now.core,
    }
  if (was.kind === 'solid' && now.kind === 'solid')
    return { ...now, skin: was.skin.laminate === now.skin.laminate ? was.skin : now.skin }
  return now
}
