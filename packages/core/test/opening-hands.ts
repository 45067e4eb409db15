import { ALONE, withChange, type Around, type BoatPart, type BoatZone, type Structure } from '../src'
import { opening, OPENING_CATALOGUE, type OpeningDesign } from '../src/kinds/opening'
import type { Other } from '../src/kinds/kind'
import { BALSA } from './deck-hands'

/** Corners of a rectangle on the boat. */
export const box = (x0: number, x1: number, y0: number, y1: number) => [
  { xMm: x0, yMm: y0 },
  { xMm: x1, yMm: y0 },
  { xMm: x1, yMm: y1 },
  { xMm: x0, yMm: y1 },
]
export const zone = (face: string, more: Partial<BoatZone> = {}): BoatZone => ({
  code: 'here',
  title: 'Foredeck',
  face,
  kind: 'sandwich',
  zMm: 1600,
  outline: box(300, 6000, -1200, 1200),
  stacking: 1,
  reach: 'lying on the port bunk, one arm',
  state: '',
  layers: [],
  ...more,
})
export const part = (more: Partial<BoatPart>): BoatPart => ({
  id: 1,
  kind: 'beam',
  title: 'Deck beam',
  x0Mm: 2000,
  x1Mm: 2000,
  y0Mm: -1,
  y1Mm: 1,
  ...more,
})
/** What one starts with from the catalogue, on the deck of `zone`, with what is changed of it. */
export const openingFit = (id: string, change: Record<string, unknown> = {}, structure: Structure = BALSA) =>
  withChange(
    opening.start(
      OPENING_CATALOGUE.find((e) => e.id === id)!,
      {
        zone: 'here',
        xMm: 2000,
        yMm: 0,
        zMm: 1600,
        structure,
        measured: ['thicknessMm'],
        edgeMm: null,
        belowWaterline: false,
        duty: 'coastal',
        zones: [zone('deck')],
      },
      id,
    ),
    change,
  ) as OpeningDesign
export const on = (more: Partial<Around>): Around => ({ ...ALONE, zones: [zone('deck')], ...more })
export const check = (d: OpeningDesign, id: string, a: Around) =>
  opening.judge(d, a).checks.find((c) => c.id === id)
export const other = (name: string, xMm: number, yMm: number, zMm = 1600): Other =>
  ({ id: name, kind: 'deck-hardware', name, design: { place: { zone: 'here', xMm, yMm, zMm } } }) as Other
