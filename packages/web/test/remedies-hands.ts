import type { AnyDesign, Around } from '@north-tide/core'
import { kindNamed, remediesOf } from '@north-tide/core/kinds'

let last: Around | null = null
/** What runs in the worker of the remedies, without a worker. */
export const remediesHere = {
  tell: async (around: string) => void (last = JSON.parse(around) as Around),
  of: async (kind: string, design: string) =>
    remediesOf(kindNamed(kind), JSON.parse(design) as AnyDesign, last!),
}
/** A worker that is never asked anything but through its door. */
export class NoWorker {
  terminate() {}
}
