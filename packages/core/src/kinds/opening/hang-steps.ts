import { SEALANTS } from '../../base/materials/sealants'
import { say } from '../../base/verdict/check'
import { cut, type Work } from './step-work'

/** A bin is hung from below by one person: straps first, screws set, then the bond, then the screws home. */
export function hangSteps(w: Work): void {
  lifted(w)
  fixed(w)
}
function lifted({ d, j, add, mm }: Work): void {
  const screwed = d.frame.hold !== 'bond'
  const n = j.edge.screwCount
  add(
    'dry-fit',
    `Lift it in on two straps and a strut${screwed ? `, mark its ${n} screws through the flange and drill them` : ''}. ` +
      'The flange lies flat all round.',
    {
      gate: true,
      hands: 2,
      minutes: 40,
      alone: 'Straps over a batten on deck carry it; a strut from the hull holds it up.',
      records: cut(d)('dry-fitted'),
      tools: ['straps', 'batten', 'strut', 'drill', 'driver'],
    },
  )
  add(
    'flange-ready',
    `Grind the underside dull over the ${mm(d.frame.flangeMm)} of the flange, vacuum, wipe.`,
    {
      gate: true,
      minutes: 30,
      asks: ['looks'],
      looks: ['the face is ground dull and was washed first', 'every screw stands in its hole, two turns in'],
      tools: ['sander', 'vacuum', 'cloths'],
      caution: 'Mask and eyes: it falls on you.',
    },
  )
}
function fixed({ d, j, add }: Work): void {
  const screwed = d.frame.hold !== 'bond'
  const n = j.edge.screwCount
  const id = d.bedding.sealant
  const h = j.hung
  const left = h?.workingMinutes != null ? ` ${say(h.workingMinutes)} minutes from the first bead.` : ''
  const bonded = h !== null && h.bondMPa !== null
  add(
    'bed',
    bonded
      ? `Lay ${id ? SEALANTS[id].title : 'the adhesive'} on the flange, two beads, and lift it up on its straps.${left}`
      : 'Lift it up on its straps, a bead of sealant inside the screw line.',
    {
      gate: true,
      hands: 2,
      minutes: Math.max(5, Math.round(d.bin!.liftMinutes)),
      asks: ['lot', 'air'],
      lot: id ?? null,
      alone: 'Draw it up with the straps, then jam the strut under it.',
      tools: ['gun', 'spare nozzle', 'straps', 'strut'],
    },
  )
  add(
    'screw-down',
    screwed
      ? `Set the ${n} screws, opposite ones in turn, before the bead skins: ${say(h?.neededMinutes ?? n)} minutes in all.`
      : 'Press the flange home all round, and strut it until it has cured.',
    {
      gate: true,
      minutes: Math.max(5, Math.round(n * d.bin!.minutesPerScrew)),
      from: 'bed',
      records: cut(d)('bedded'),
      tools: ['driver', 'torque limiter'],
    },
  )
  add('cure', 'Leave the strut in until it has cured, and put nothing in the bin until then.', {
    gate: true,
    records: id === 'butyl' || !id ? {} : cut(d)('cured'),
  })
}
