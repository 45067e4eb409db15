import type { Account } from '../services/access'
import { copyFitting } from '../services/copies'
import { recordFitting } from '../services/work'
import { put, type Placed } from './placed'

const KNEE = { thicknessMm: 22, edgeMm: 70, bearingMPa: null, shearMPa: null }
/** The steadying mast's port chainplate creeps: 0.3, 0.6 and 1.2 mm over its mark (chapter 13). */
const PORT: Placed = [
  'fulmars-reach',
  { catalogueId: 'BS-K6', name: 'Steadying mast, port chainplate', xMm: 7300, yMm: -1560 },
  {
    existing: true,
    hull: KNEE,
    'slot.filled': true,
    'slot.sealant': 'polysulfide',
    creep: [
      { date: '2023-04-12', heightMm: 0.3 },
      { date: '2024-04-20', heightMm: 0.6 },
      { date: '2025-04-18', heightMm: 1.2 },
    ],
    'seen.beadBroken': true,
    drawnOn: '2012-03-05',
  },
]
/** Both chainplates of the steadying mast; the starboard one has not been looked at yet. */
export async function seedRig(fitter: Account): Promise<void> {
  const port = await put(fitter, PORT)
  await recordFitting(fitter, port)
  await copyFitting(fitter, port, { mirror: true, name: 'Steadying mast, starboard chainplate' })
}
