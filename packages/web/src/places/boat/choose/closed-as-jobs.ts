import { holeOfJob, MOST_HOLES } from '@north-tide/core/closure'
import { api } from '../../../api'
import { useBoats } from '../../../state/boats'
import { useClosure } from '../../../state/closure'
import type { BoatPicture, SavedFitting } from '../../../types'

/** Each list of holes becomes one job; each hole beyond the first is taken in as the bench does it. */
export async function closedAsJobs(jobs: BoatPicture['holes'][]): Promise<string[]> {
  const boats = useBoats()
  const bench = useClosure()
  const made: string[] = []
  for (const [first, ...rest] of jobs) {
    const many = rest.length > 0
    const f = await api<SavedFitting>('POST', `/boats/${boats.picture!.id}/fittings`, {
      catalogueId: many ? 'CX-N' : 'CX-1',
      holeId: first!.id,
    })
    made.push(f.id)
    if (!many) continue
    await bench.open(f.id)
    const d = bench.design!
    const more = rest.flatMap((h) => holeOfJob(d, h.label, bench.around.holes) ?? [])
    bench.change({ holes: [...d.holes, ...more].slice(0, MOST_HOLES), family: 'holes' })
    await bench.flush()
  }
  return made
}
