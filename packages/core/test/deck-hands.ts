import { catalogueEntry, startDesign, type Design, type Structure } from '../src'

/** A cored deck as most boats have one. */
export const BALSA: Structure = {
  kind: 'sandwich',
  skin: { laminate: 'mat' },
  outerMm: 4,
  innerMm: 3,
  core: { material: 'balsa-150', thicknessMm: 12 },
}
/** What one starts with from the catalogue, on a deck of one's choice. */
export const deckFit = (id: string, structure: Structure = BALSA): Design =>
  startDesign(
    catalogueEntry(id)!,
    {
      zone: 'side deck',
      xMm: 4000,
      yMm: 900,
      zMm: 1000,
      edgeMm: 200,
      structure,
      measured: [],
      duty: 'coastal',
      belowWaterline: false,
    },
    id,
  )
