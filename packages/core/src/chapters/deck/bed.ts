import { DECK_METALS, TIMBERS } from '../../base/materials/laminates'
import { PLATES, type PlateId } from '../../base/materials/plates'
import { coreOf, type Structure } from '../../base/materials/structure'

/** Laminate through its thickness, MPa. */
const LAMINATE_E_MPA = 7000
const ownE = (s: Exclude<Structure, { kind: 'sandwich' }>) => {
  if (s.kind === 'metal') return DECK_METALS[s.metal].eMPa
  return s.kind === 'timber' ? TIMBERS[s.timber].eMPa : LAMINATE_E_MPA
}
/**
 * What a base rests on, through its thickness: skins together, core, plate (chapter 3.3); bedding is too soft
 * and thin to count. `coreEMPa` is of what stands in place of the core.
 */
export function bedLayers(
  s: Structure,
  plate: { material: PlateId; thicknessMm: number } | null,
  coreEMPa?: number,
): { thicknessMm: number; eMPa: number }[] {
  const deck =
    s.kind === 'sandwich'
      ? [
          { thicknessMm: s.outerMm + s.innerMm, eMPa: LAMINATE_E_MPA },
          { thicknessMm: s.core.thicknessMm, eMPa: coreEMPa ?? coreOf(s.core).eMPa },
        ]
      : [{ thicknessMm: s.thicknessMm, eMPa: ownE(s) }]
  return plate ? [...deck, { thicknessMm: plate.thicknessMm, eMPa: PLATES[plate.material].eMPa }] : deck
}
