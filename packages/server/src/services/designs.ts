import type { InferAttributes } from 'sequelize'
import type { AnyDesign } from '@north-tide/core'
import { kindNamed, parseOf } from '@north-tide/core/kinds'
import type { Fitting } from '../models'

/**
 * Designs as this version reads them. To read one takes a good part of a millisecond, every act on a boat
 * needs them all, and hardly one has changed since the last: what is written is compared, and only another
 * text is read anew. What is kept is shared, so nobody may write in it.
 */
const MOST = 3000
const kept = new Map<string, { text: string; design: AnyDesign }>()

/** All of it, to its depth. */
export function frozen<T>(value: T): T {
  if (value !== null && typeof value === 'object' && !Object.isFrozen(value)) {
    Object.freeze(value)
    for (const inner of Object.values(value)) frozen(inner)
  }
  return value
}

type Row = Pick<InferAttributes<Fitting>, 'id' | 'kind' | 'design'>
function keep(id: string, text: string, design: AnyDesign): AnyDesign {
  frozen(design)
  kept.delete(id)
  kept.set(id, { text, design })
  if (kept.size > MOST) kept.delete(kept.keys().next().value!)
  return design
}
/** What was just written of a fitting is what was read to write it; to be told after it is committed. */
export const designIs = (f: Row, design: AnyDesign): AnyDesign => keep(f.id, JSON.stringify(f.design), design)

export function designOf(f: Row): AnyDesign {
  const text = JSON.stringify(f.design)
  const had = kept.get(f.id)
  if (had?.text === text) return had.design
  return keep(f.id, text, parseOf(kindNamed(f.kind), f.design))
}
