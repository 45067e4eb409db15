import { expose } from 'comlink'
import type { AnyDesign, Around } from '@north-tide/core'
import { kindNamed, remediesOf } from '@north-tide/core/kinds'

/** As it was told last: a boat of many holes is sent once, not with every design. */
let last: Around | null = null
/** What would help a fitting of any kind: a dozen designs are judged for it, off the screen's own thread. */
const remedies = {
  tell: (around: Around) => void (last = around),
  of: (kind: string, design: AnyDesign) => (last ? remediesOf(kindNamed(kind), design, last) : []),
}
export type Remedies = typeof remedies
expose(remedies)
