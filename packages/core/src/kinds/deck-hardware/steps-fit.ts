import type { PlateId } from '../../base/materials/plates'
import { formatForce, formatVolume } from '../../base/quantity/format'
import { isBlind } from './hold'
import { isolationSaid } from './isolation'
import { bedMean } from './plans'
import { holdSteps } from './steps-holes'
import { PROOF_FACTOR, PROOF_MINUTES } from './proof'
import { BOND_LOOKS, all, potSaid, type Work } from './steps-work'

/** Cutting, rounding, bevelling and drilling a plate; laying one up costs more than sawing sheet. */
const PLATE_MINUTES: Record<PlateId, number> = {
  g10: 35,
  'glass-epoxy': 60,
  'al-5083': 45,
  'al-6061': 45,
  'ss-316': 80,
  plywood: 25,
  plastic: 20,
}
/** The plate made, glued where it is of two, and bonded; gives what stands in the way of loading it. */
export function plateSteps(w: Work): void {
  const { d, j, add } = w
  if (!d.plate) return
  if (d.plate.sheets === 2)
    add(
      'sheets',
      `Grind both faces of the two sheets, wipe, and glue them into one with filled epoxy, clamped flat between waxed boards: ${potSaid(w, 'sheets')}.`,
      {
        minutes: 40,
        gate: true,
        asks: ['looks', 'lot', 'air', 'dew'],
        looks: BOND_LOOKS('each face that is glued').slice(0, 1),
        lot: 'epoxy',
        waitH: w.pot('sheets')?.sandH ?? null,
        alone: 'Clamps and two boards hold it; two small nails keep the sheets from sliding.',
        caution: 'Gloves, air; dust of glass sheet: mask.',
        tools: ['clamps', 'boards', 'cups', 'notched spreader', 'gloves'],
      },
    )
  const h = d.plate.sheets === 2 ? (w.pot('sheets')?.sandH ?? null) : null
  add(
    'plate-make',
    `Cut the plate${d.plate.outline ? ' to its clipped outline' : ''}, round its corners, bevel its edge, drill it through the deck\u2019s own holes.`,
    {
      minutes: PLATE_MINUTES[d.plate.material],
      tools: ['saw', 'file', 'drill', 'clamps'],
      caution: 'Dust of glass sheet: mask, and wash before scratching.',
      ...(h === null ? {} : { after: { step: 'sheets', hours: h, what: 'The glue of the two sheets' } }),
    },
  )
  holdSteps(w)
  if (!d.plate.bonded)
    add('plate-dry', 'The plate goes in dry: where the surface is not flat it bears only here and there.')
  else if (bedMean(d.plate) > 0)
    add(
      'plate-bond',
      `Bond the plate on a bed of filled epoxy, ${formatVolume(j.plate?.bedMl ?? 0, w.units)}; waxed bolts hold it while it cures. ${potSaid(w, 'bed')}.`,
      {
        gate: true,
        asks: ['looks', 'lot', 'air', 'dew'],
        looks: BOND_LOOKS('the deck behind, and the plate,'),
        lot: 'epoxy',
        waitH: w.pot('bed')?.sandH ?? null,
        alone: 'Waxed bolts and nuts clamp it: nobody has to hold it.',
        caution: 'Gloves, air; wax on every thread that must come apart.',
        tools: ['grinder', 'cups', 'filler', 'spreader', 'waxed bolts', 'gloves', 'cloths'],
      },
    )
}

/** Metals apart, everything together once, the run-down of a locking nut read, off again for the paint. */
export function fitSteps(w: Work): void {
  const { d, add } = w
  const kept = isolationSaid(d, w.units)
  if (kept) add('isolate', kept, { tools: ['paste', ...(d.isolation.sleeve ? ['sleeves', 'washers'] : [])] })
  const reads = d.bolt.nut === 'locking' && !isBlind(d) && d.bolt.runDownNm === null
  const bond = d.plate?.bonded ? (w.pot('bed')?.sandH ?? null) : null
  add(
    'dry-fit',
    isBlind(d)
      ? 'Dry fit everything. Run each bolt in by hand to where it clamps: one that binds or stands on the bottom is found now.'
      : `Dry fit everything. Look at the bolt ends: two threads through each nut.${reads ? ' Run one locking nut down by the wrench before it touches anything, and read what it takes: the wrench is set to that and what clamps.' : ''}`,
    {
      hands: isBlind(d) ? 1 : 2,
      gate: true,
      records: all('dry-fitted'),
      asks: reads ? ['run-down'] : [],
      alone: isBlind(d)
        ? ''
        : 'Tape the heads down from above, then go in; a swivel and an extension reach the nuts.',
      tools: [
        'spanners',
        ...(reads ? ['torque wrench of small range'] : []),
        'socket with extension and swivel',
        'tape',
        'grabber',
      ],
      ...(bond === null ? {} : { after: { step: 'plate-bond', hours: bond, what: 'The plate\u2019s bond' } }),
    },
  )
  if (d.bedding.toBePainted)
    add(
      'paint-hold',
      'Take it off again and wait for the paint. Bag and label the parts: what it is, where it goes, what remains to be done.',
      { gate: true, tools: ['bag', 'label'] },
    )
}

/** Watched by a hose, loaded once, and on record. */
export function proveSteps(w: Work): void {
  const { j, add, lifts, units } = w
  add('clean', 'Cut the squeeze-out clean; look for an unbroken line all round, with a photo.', {
    tools: ['plastic blade', 'cloths'],
  })
  add('leak-test', 'Hose from low to high, this fitting alone, the inside watched dry.', {
    hands: 2,
    gate: true,
    records: all('proved'),
    asks: ['proof'],
    alone: 'Chalk or tissue inside says afterwards whether a drop came.',
    tools: ['hose', 'chalk or tissue', 'lamp'],
  })
  if (lifts)
    add(
      'proof-load',
      `Proof load before the first lift: ${formatForce(PROOF_FACTOR * j.load.loadN, units)}, ${PROOF_FACTOR} times the design load, for ${PROOF_MINUTES} minutes, in the direction in which it will lift. An estimate: codes and the surveyor win. Then look again: no crack, no gap, no creak, no shine at the washers.`,
      {
        gate: true,
        hands: 2,
        minutes: 60,
        asks: ['proof'],
        caution: 'Nobody under it or in line with it; a load that can fall hangs a hand\u2019s breadth high.',
        tools: ['load cell or known weight', 'shackle and strop of that rating', 'lamp'],
      },
    )
  add('record', 'Look through its record in the register: sizes, lots, torque, photos. It is in service.', {
    gate: true,
    records: all('in-service'),
  })
}
