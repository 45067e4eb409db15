import { withChange } from '@north-tide/core'
import type { Account } from '../services/access'
import { place, saveFitting } from '../services/fittings'

/** One fitting of the demo: where and what, and what is changed of its starting design. */
export type Placed = [boat: string, body: Record<string, unknown>, change?: Record<string, unknown>]

/** Puts a fitting on its boat as a fitter would; gives its id. */
export async function put(fitter: Account, [boat, body, change = {}]: Placed): Promise<string> {
  const made = await place(fitter, boat, body)
  if (!Object.keys(change).length) return made.id
  const design = withChange(made.design, change)
  return (await saveFitting(fitter, made.id, { version: made.version, design })).id
}
