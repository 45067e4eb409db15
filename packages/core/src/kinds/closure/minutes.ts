import { layMinutes } from './batches'
import type { ClosureDesign } from './design'
import type { Patch } from './patches'

/** Minutes of work on the holes of a job, typical; what cures by itself does not count. */
export const washMinutes = (patches: Patch[]) => 10 * Math.max(1, patches.length)
export const grindMinutes = (patches: Patch[]) =>
  Math.round(20 + 12 * patches.reduce((n, p) => n + (p.groundMm / 100) * Math.max(1, p.skins.length), 0))
export const fairMinutes = (patches: Patch[]) => 30 * Math.max(1, patches.length)
/** Looked at, finished, sounded and written down. */
const ROUND_MIN = 90
const FILL_MIN = 13
export function workMinutes(d: ClosureDesign, patches: Patch[]): number {
  if (d.way === 'fill') return ROUND_MIN + FILL_MIN * d.holes.length + fairMinutes(patches)
  const core = d.structure.kind === 'sandwich' ? 20 * patches.length : 0
  const lay = patches.reduce((n, p) => n + layMinutes(p), 15)
  return ROUND_MIN + washMinutes(patches) + grindMinutes(patches) + core + lay + fairMinutes(patches)
}
