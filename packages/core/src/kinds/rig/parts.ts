import { sealant } from '../../base/materials/sealants'
import { part, type Part } from '../part'
import { RIG_CATALOGUE } from './catalogue'
import type { Chainplate } from './design'
import type { RigJudgement } from './judgement'
import { plateLength } from './picture'

/** Plate, pin and what secures it, bolts, cover and bedding. */
export function chainplateParts(d: Chainplate, _j: RigJudgement): Part[] {
  const known = RIG_CATALOGUE.find((e) => e.id === d.catalogueId)
  const length = plateLength(d) + d.plate.endMm
  const out = [
    part('plate', known?.title ?? 'Chainplate', {
      material: d.plate.grade,
      dimensions: { lengthMm: length, widthMm: d.plate.widthMm, thicknessMm: d.plate.thicknessMm },
      size: [{ mmRound: length }, ' by ', { mm: d.plate.widthMm }, ' by ', { mm: d.plate.thicknessMm }],
      note: known ? [known.id, ', ', d.plate.grade] : [d.plate.grade],
    }),
    part('pin', 'Clevis pin', {
      material: d.pin.grade,
      dimensions: { diameterMm: d.pin.diameterMm },
      size: [{ mm: d.pin.diameterMm }],
    }),
    part('split-pin', 'Split pin', { spare: 1 }),
  ]
  if (d.bolts)
    out.push(
      part('bolt', 'Bolt with locking nut and washers', {
        material: d.bolts.grade,
        dimensions: { diameterMm: d.bolts.diameterMm },
        size: [{ mm: d.bolts.diameterMm }],
        quantity: d.bolts.points.length,
        spare: 1,
        note: [d.bolts.grade],
      }),
    )
  if (d.slot?.cover)
    out.push(
      part('cover', 'Cover plate over the slot', {
        dimensions: { lengthMm: d.slot.lengthMm + 60, widthMm: d.slot.widthMm + 60 },
        size: [{ mmRound: d.slot.lengthMm + 60 }, ' by ', { mmRound: d.slot.widthMm + 60 }],
      }),
    )
  if (d.slot?.sealant)
    out.push(
      part('sealant', sealant(d.slot.sealant).title, {
        material: d.slot.sealant,
        unit: d.slot.sealant === 'butyl' ? 'none' : 'tube-100',
      }),
    )
  if (d.bond) out.push(part('tabbing', 'Glass tape and epoxy for the knee', { unit: 'none' }))
  return out
}
