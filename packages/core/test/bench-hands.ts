import {
  catalogueEntry,
  startDesign,
  withChange,
  type BoatPart,
  type BoatZone,
  type Design,
  type Structure,
} from '../src'
import { BALSA } from './deck-hands'

export const METAL: Structure = { kind: 'metal', metal: 'aluminium-5083', thicknessMm: 4 }
export const fit = (id: string, structure: Structure = BALSA, change: Record<string, unknown> = {}): Design =>
  withChange(
    startDesign(
      catalogueEntry(id)!,
      {
        zone: 'deck',
        xMm: 930,
        yMm: -640,
        zMm: 1600,
        edgeMm: 120,
        belowWaterline: false,
        structure,
        measured: [],
        duty: 'coastal',
      },
      catalogueEntry(id)!.title,
    ),
    change,
  )
export const beams: BoatPart[] = [
  { kind: 'beam', title: 'deck beam', x0Mm: 620, y0Mm: -1, x1Mm: 620, y1Mm: 1 },
  { kind: 'beam', title: 'deck beam', x0Mm: 1240, y0Mm: -1, x1Mm: 1240, y1Mm: 1 },
  { kind: 'longitudinal', title: 'longitudinal', x0Mm: 0, y0Mm: -750, x1Mm: 3000, y1Mm: -750 },
  { kind: 'longitudinal', title: 'longitudinal', x0Mm: 0, y0Mm: -300, x1Mm: 3000, y1Mm: -300 },
]
export const zone: BoatZone = {
  code: 'deck',
  title: 'Deck',
  face: 'deck',
  kind: 'sandwich',
  zMm: 1600,
  stacking: 0,
  reach: '',
  state: '',
  outline: [
    { xMm: 0, yMm: -1500 },
    { xMm: 3000, yMm: -1500 },
    { xMm: 3000, yMm: 1500 },
    { xMm: 0, yMm: 1500 },
  ],
  layers: [
    { material: 'mat', thicknessMm: 4, measured: true, measuredBy: '' },
    { material: 'balsa-150', thicknessMm: 12, measured: true, measuredBy: '' },
    { material: 'mat', thicknessMm: 3, measured: true, measuredBy: '' },
  ],
}
