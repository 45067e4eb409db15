import type { Account } from '../services/access'
import { addFound } from '../services/found'
import { recordFitting } from '../services/work'
import { put, type Placed } from './placed'

const hole = (label: string, dxMm: number, dyMm: number, holeMm: number) => ({ label, dxMm, dyMm, holeMm })
/** What the net-hauler left in the working deck (chapter 13); the core round it was read wet. */
const HAULER: Placed = [
  'fulmars-reach',
  { catalogueId: 'CX-N', name: 'Closing the old net-hauler', xMm: 8650, yMm: -700 },
  {
    holes: [
      hole('P-001', 0, 0, 13),
      hole('P-002', 0, -280, 13),
      hole('P-003', 570, 0, 13),
      hole('P-004', 570, -280, 14.5),
      hole('P-005', 1050, -140, 13),
    ],
    coreState: 'wet',
    access: 'outside',
  },
]
/** Three of the old rail that are still open. */
const RAIL: Placed = [
  'fulmars-reach',
  { catalogueId: 'CX-N', name: 'Closing the old rail, port', xMm: 5260, yMm: -1650 },
  {
    holes: [hole('P-009', 0, 0, 6.5), hole('P-010', 620, -5, 6.5), hole('P-011', 1240, -5, 6.5)],
    way: 'fill',
    coreState: 'dry',
  },
]
/** Pipit's forestay plate has worn its bolt hole oval; her rudder's gudgeon sits in two that are worn. */
async function seedPipit(fitter: Account) {
  const found = (whatFor: string, more: object) =>
    addFound(fitter, 'pipit', { whatFor, state: 'suspect', foundKind: 'open hole', ...more })
  const forestay = await found('Forestay plate, after bolt', {
    foundKind: 'oval hole',
    diameterMm: 8,
    acrossMm: 12.7,
    directionDeg: 0,
    xMm: 320,
    yMm: 0,
    note: 'worn oval; the plate had moved',
  })
  await put(fitter, [
    'pipit',
    { catalogueId: 'CX-T', name: 'Oval hole at the forestay plate', xMm: 320, yMm: 0 },
    { holes: [hole(forestay.label, 0, 0, 12.7)], highlyLoaded: true, coreState: 'dry' },
  ])
  const bolts = []
  for (const [i, yMm] of [-45, 45].entries())
    bolts.push(
      await found(`Rudder gudgeon, bolt ${i + 1}`, {
        diameterMm: 7,
        xMm: 6360,
        yMm,
        note: 'slack on its bolt',
      }),
    )
  await put(fitter, [
    'pipit',
    { catalogueId: 'CX-N', name: 'Worn bolts of the rudder gudgeon', xMm: 6360, yMm: -45 },
    { holes: bolts.map((b, i) => hole(b.label, 0, 90 * i, 7)), coreState: 'dry' },
  ])
}
/** Jobs of closing that wait: one for its core to dry. */
export async function seedClosures(fitter: Account): Promise<void> {
  await recordFitting(fitter, await put(fitter, HAULER))
  await put(fitter, RAIL)
  await seedPipit(fitter)
}
