import { CORES } from '../../base/materials/cores'
import { DECK_METALS, TIMBERS, laminateProperties } from '../../base/materials/laminates'
import type { Structure } from '../../base/materials/structure'
import type { Layup } from './section'

/** What the boat is made of, as the plate solver is asked about it (chapter 3.7). */
export function layupOf(s: Structure): Layup {
  if (s.kind === 'sandwich')
    return {
      kind: 'sandwich',
      outerMm: s.outerMm,
      coreMm: s.core.thicknessMm,
      innerMm: s.innerMm,
      eMPa: laminateProperties(s.skin.laminate, s.skin.fibreFraction).eMPa,
      nu: 0.3,
      coreGMPa: CORES[s.core.material].gMPa,
    }
  const eMPa =
    s.kind === 'solid'
      ? laminateProperties(s.skin.laminate, s.skin.fibreFraction).eMPa
      : s.kind === 'metal'
        ? DECK_METALS[s.metal].eMPa
        : TIMBERS[s.timber].eMPa
  return { kind: 'solid', tMm: s.thicknessMm, eMPa, nu: 0.3 }
}
type Thick =
  { kind: 'sandwich'; outerMm: number; coreMm: number; innerMm: number } | { kind: 'solid'; tMm: number }
export const thickOf = (l: Thick) => (l.kind === 'sandwich' ? l.outerMm + l.coreMm + l.innerMm : l.tMm)
/** What the faces bear in bending, MPa, and whose factor goes with it. */
export function bendingStrength(s: Structure): { capacity: number; of: 'metal' | 'laminate' } {
  if (s.kind === 'metal') return { capacity: DECK_METALS[s.metal].yieldMPa, of: 'metal' }
  return {
    capacity:
      s.kind === 'timber'
        ? TIMBERS[s.timber].bearingMPa
        : laminateProperties(s.skin.laminate, s.skin.fibreFraction).tensileMPa,
    of: 'laminate',
  }
}
