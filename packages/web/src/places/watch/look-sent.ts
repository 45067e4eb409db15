import type { WatchRow } from '@north-tide/core'

/** Where a look that was done is sent, and what it says there of itself. */
export const sentTo = (r: WatchRow): { path: string; has: Record<string, string> } => ({
  path: `/fittings/${r.id}/${r.step ? 'tick' : 'log'}`,
  has: r.step ? { step: r.step } : { task: r.task },
})
