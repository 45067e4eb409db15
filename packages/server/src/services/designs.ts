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

export function designOf(f: Pick<InferAttributes<Fitting>, 'id' | 'kind' | 'design'>): AnyDesign {
  const text = JSON.stringify(f.design)
  const had = kept.get(f.id)
  if (had?.text === text) return had.design
  const design = frozen(parseOf(kindNamed(f.kind), f.design))
  kept.delete(f.id)
  kept.set(f.id, { text, design })
  if (kept.size > MOST) kept.delete(kept.keys().next().value!)
  return design
}
