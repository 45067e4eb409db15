import dayjs from 'dayjs'
import { zoneCodeOf, type LifeState } from '@north-tide/core'
import { LifeEvent, Penetration } from '../models'
import { blank } from '../services/life'
import { zonesOf } from '../services/zones'

/**
 * Found in the deck when the survey began: cut-off bolts of the net-hauler, rail holes, and what was
 * below.
 */
const FOUND: [
  whatFor: string,
  zone: string,
  x: number,
  y: number,
  z: number,
  d: number,
  state: LifeState,
  note: string,
][] = [
  [
    'Old net-hauler, hole 1',
    'Working deck',
    8650,
    -700,
    1150,
    13,
    'suspect',
    'wet to a knife point; bolt cut off flush',
  ],
  ['Old net-hauler, hole 2', 'Working deck', 8650, -980, 1150, 13, 'suspect', 'soft filler, unbonded'],
  ['Old net-hauler, hole 3', 'Working deck', 9220, -700, 1150, 13, 'suspect', 'core dark when probed'],
  ['Old net-hauler, hole 4', 'Working deck', 9220, -980, 1150, 14.5, 'suspect', 'oval, 14.5 by 12'],
  ['Old net-hauler, hole 5', 'Working deck', 9700, -840, 1150, 13, 'suspect', 'weeps after rain'],
  [
    'Old net-hauler, hole 6',
    'Working deck',
    8650,
    760,
    1150,
    13,
    'closed',
    'bevel 12:1, eight plies, faired',
  ],
  ['Old rail, hole 1', 'Side deck, port', 4020, -1600, 1440, 6.5, 'closed', 'bevel 12:1, filled and faired'],
  ['Old rail, hole 2', 'Side deck, port', 4640, -1640, 1440, 6.5, 'closed', 'bevel 12:1, filled and faired'],
  ['Old rail, hole 3', 'Side deck, port', 5260, -1650, 1440, 6.5, 'suspect', 'cut-off rivet, rust weep'],
  ['Old rail, hole 4', 'Side deck, port', 5880, -1655, 1440, 6.5, 'suspect', 'cut-off rivet'],
  ['Old rail, hole 5', 'Side deck, port', 6500, -1655, 1440, 6.5, 'suspect', 'filled with soft sealant'],
  ['Engine intake', 'Bottom', 6900, -420, -420, 43, 'suspect', 'handle seized; mixed threads at the valve'],
  ['Deck wash intake', 'Bottom', 3600, 380, -450, 33, 'in-service', 'found sound'],
  ['Echo-sounder, old', 'Bottom', 5100, 300, -480, 57, 'in-service', 'found sound'],
  ['Cockpit drain, port', 'Topsides', 8800, -1700, 260, 43, 'in-service', 'found sound'],
]
export async function seedFound() {
  const zones = await zonesOf('fulmars-reach')
  for (const [i, [whatFor, zone, xMm, yMm, zMm, diameterMm, state, note]] of FOUND.entries()) {
    const p = await Penetration.create({
      boatId: 'fulmars-reach',
      number: i + 1,
      fittingId: null,
      boltIndex: null,
      whatFor,
      zone: zoneCodeOf(zones, zone)!,
      xMm,
      yMm,
      zMm,
      diameterMm,
      through: 'as found',
      fastener: '',
      plate: '',
      coreSchool: 'none',
      sealant: null,
      belowWaterline: zMm < 0,
      found: true,
    })
    await LifeEvent.create({
      ...blank,
      penetrationId: p.id,
      seq: 1,
      state,
      note: `Age unknown. ${note}.`,
      evidence: state === 'closed' ? note : '',
      who: 'Isa Rendall',
      happenedAt: dayjs()
        .subtract(40 - i, 'day')
        .toDate(),
      sizeMm: diameterMm,
    })
  }
}
