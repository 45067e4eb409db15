import { expose } from 'comlink'
import type { AnyDesign, Around } from '@north-tide/core'
import { kindNamed, remediesOf } from '@north-tide/core/kinds'

/** As it was told last: a boat of many holes is sent once, not with every design. */
let last: Around | null = null
/**
 * What would help a fitting of any kind: a dozen designs are judged for it, off the screen's own thread. It
 * is told in text: a boat of many holes goes through the door in one piece, without the page's own watching.
 */
const remedies = {
  tell: (around: string) => void (last = JSON.parse(around) as Around),
  of: (kind: string, design: string) =>
    last ? remediesOf(kindNamed(kind), JSON.parse(design) as AnyDesign, last) : [],
}
export type Remedies = typeof remedies
expose(remedies)
