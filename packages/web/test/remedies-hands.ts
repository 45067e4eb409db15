import type { AnyDesign, Around } from '@north-tide/core'
import { kindNamed, remediesOf } from '@north-tide/core/kinds'

let last: Around | null = null
/** What runs in the worker of the remedies, without a worker. */
export const remediesHere = {
  tell: async (around: Around) => void (last = around),
  of: async (kind: string, design: AnyDesign) => remediesOf(kindNamed(kind), design, last!),
}
/** A worker that is never asked anything but through its door. */
export class NoWorker {
  terminate() {}
}
