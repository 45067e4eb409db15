import type { Design } from './design'

type Load = Design['load']
const loads = new WeakMap<Load, Map<number, Load>>()
/**
 * A load as it meets the casting: arcs that are the boat's turn the other way as it is turned. The same load
 * gives the same object, by which what was computed of it is kept.
 */
export function loadOn(d: Pick<Design, 'headingDeg'>, load: Load): Load {
  if (d.headingDeg === 0) return load
  let known = loads.get(load)
  if (!known) loads.set(load, (known = new Map()))
  let out = known.get(d.headingDeg)
  if (!out) known.set(d.headingDeg, (out = { ...load, headingDeg: d.headingDeg } as Load))
  return out
}
