import { sealant } from '../../base/materials/sealants'
import type { Try } from '../kind'
import type { Chainplate } from './design'
import type { RigJudgement } from './judgement'

const PLATE_MM = [8, 10, 12, 15, 20]
const wider = (v: number) => [5, 10, 15, 20, 30].map((by) => v + by)
const STRESS = ['net-tension', 'pin-bearing', 'eye-shear-out', 'bending', 'bolt-net', 'bolt-bearing']
function plateTries(d: Chainplate): Try[] {
  const out: Try[] = []
  for (const t of PLATE_MM)
    if (t > d.plate.thicknessMm)
      out.push({
        id: `thick-${t}`,
        text: `${t} mm thick`,
        change: {
          'plate.thicknessMm': t,
          ...(d.slot ? { 'slot.widthMm': Math.max(d.slot.widthMm, t + 3) } : {}),
        },
        helps: STRESS,
        group: 'thick',
      })
  for (const w of wider(d.plate.widthMm))
    out.push({
      id: `wide-${w}`,
      text: `${w} mm wide`,
      change: {
        'plate.widthMm': w,
        ...(d.slot ? { 'slot.lengthMm': Math.max(d.slot.lengthMm, w + 3) } : {}),
      },
      helps: ['net-tension', 'bending', 'bolt-net'],
      group: 'wide',
    })
  for (const e of wider(d.plate.endMm))
    out.push({
      id: `end-${e}`,
      text: `${e} mm past the hole`,
      change: { 'plate.endMm': e },
      helps: ['eye-shear-out'],
      group: 'end',
    })
  return out
}
function pinTries(d: Chainplate): Try[] {
  const out: Try[] = []
  for (const p of [d.plate.holeMm - 0.3, d.plate.holeMm - 0.5])
    if (p > d.pin.diameterMm)
      out.push({
        id: `pin-${p}`,
        text: `a pin of ${p.toFixed(1)} mm`,
        change: { 'pin.diameterMm': p },
        helps: ['clearance', 'pin-shear'],
        group: 'pin',
      })
  for (const grade of ['duplex-2205', 'titanium-6al4v'] as const)
    if (grade !== d.plate.grade)
      out.push({
        id: `grade-${grade}`,
        text: `of ${grade}`,
        change: { 'plate.grade': grade },
        helps: STRESS,
        group: 'grade',
      })
  if (d.pin.grade !== 'duplex-2205')
    out.push({
      id: 'pin-grade',
      text: 'a pin of duplex-2205',
      change: { 'pin.grade': 'duplex-2205' },
      helps: ['pin-shear'],
    })
  if (d.pin.grade !== d.plate.grade || (d.bolts && d.bolts.grade !== d.plate.grade))
    out.push({
      id: 'one-metal',
      text: `pin and bolts of ${d.plate.grade} too`,
      change: { 'pin.grade': d.plate.grade, ...(d.bolts ? { 'bolts.grade': d.plate.grade } : {}) },
      helps: ['metals'],
    })
  if (d.drogue && d.wire.inPlaneDeg !== 0)
    out.push({
      id: 'to-the-leg',
      text: 'the strap turned to the leg',
      change: { 'wire.inPlaneDeg': 0 },
      helps: ['drogue'],
    })
  if (d.wire.misalignDeg > 2)
    out.push({
      id: 'along',
      text: 'the plate turned into the wire\u2019s line',
      change: { 'wire.misalignDeg': 0 },
      helps: ['lead', 'bending'],
    })
  return out
}
function holdTries(d: Chainplate): Try[] {
  const out: Try[] = []
  if (d.bolts)
    for (const mm of [12, 14, 16, 20])
      if (mm > d.bolts.diameterMm)
        out.push({
          id: `bolt-${mm}`,
          text: `bolts of ${mm} mm`,
          change: { 'bolts.diameterMm': mm, 'bolts.holeMm': mm + 1 },
          helps: ['bolt-shear', 'bolt-bearing', 'hull-bearing'],
          group: 'bolt',
        })
  if (d.hull)
    for (const t of wider(d.hull.thicknessMm))
      out.push({
        id: `hull-${t}`,
        text: `knee or topside built up to ${t} mm`,
        change: { 'hull.thicknessMm': t },
        helps: ['hull-bearing', 'hull-shear-out'],
        group: 'hull',
      })
  if (d.bond)
    for (const l of wider(d.bond.lengthMm))
      out.push({
        id: `bond-${l}`,
        text: `a bond of ${l} mm`,
        change: { 'bond.lengthMm': l },
        helps: ['bond-shear'],
        group: 'bond',
      })
  return out
}
function slotTries(d: Chainplate, j: RigJudgement): Try[] {
  const out: Try[] = []
  if (d.slot) {
    out.push({
      id: 'slot-open',
      text: 'the slot opened to 1.5 mm each side',
      change: { 'slot.widthMm': d.plate.thicknessMm + 3, 'slot.lengthMm': d.plate.widthMm + 3 },
      helps: ['slot'],
    })
    out.push({
      id: 'slot-solid',
      text: 'filled solid round the slot',
      change: { 'slot.filled': true },
      helps: ['slot-solid'],
    })
    out.push({
      id: 'slot-cover',
      text: 'a cover plate over it',
      change: { 'slot.cover': true },
      helps: ['slot-cover'],
    })
    for (const c of j.sealant?.choices.filter((x) => x.verdict === 'fits').slice(0, 2) ?? [])
      out.push({
        id: `bed-${c.id}`,
        text: sealant(c.id).title,
        change: { 'slot.sealant': c.id },
        helps: ['sealant-cover'],
        group: 'bed',
      })
  }
  return out
}
/** Changes worth judging: thicker, wider, longer past the hole, a better grade, a slot that clears. */
export const chainplateTries = (d: Chainplate, j: RigJudgement): Try[] => [
  ...plateTries(d),
  ...pinTries(d),
  ...holdTries(d),
  ...slotTries(d, j),
]
