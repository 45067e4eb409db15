import type { Account } from '../services/access'
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
/** Jobs of closing that wait: one for its core to dry. */
export async function seedClosures(fitter: Account): Promise<void> {
  await recordFitting(fitter, await put(fitter, HAULER))
  await put(fitter, RAIL)
}
