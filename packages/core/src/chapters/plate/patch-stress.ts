import type { Section } from './section'

/** The principal stress of greatest magnitude, signed. */
function principal(sx: number, sy: number, txy: number): number {
  const m = (sx + sy) / 2
  const r = Math.hypot((sx - sy) / 2, txy)
  return Math.abs(m + r) >= Math.abs(m - r) ? m + r : m - r
}

/** Derivatives kept for a node: of the two rotations of the membranes, of those of the own bending; shear. */
export const KEPT = 10
/** of those, which are along x; the others are along y */
const ALONG_X = [true, false, false, true, true, false, false, true, true, false]
/** Stress at a skin's face from them. */
export function stressAt(f: Section['outer'], v: Float64Array, base: number, sandwich: boolean): number {
  const own = base + (sandwich ? 4 : 0)
  const arm = sandwich ? f.arm : 0
  const ex = arm * v[base]! + f.own * v[own]!
  const ey = arm * v[base + 1]! + f.own * v[own + 1]!
  const gxy = arm * (v[base + 2]! + v[base + 3]!) + f.own * (v[own + 2]! + v[own + 3]!)
  return principal(
    f.ePrime * (ex + f.nu * ey),
    f.ePrime * (ey + f.nu * ex),
    (f.ePrime * (1 - f.nu) * gxy) / 2,
  )
}
/**
 * What the elements of one section say at the nodes: each speaks for its own middle, so that of two the
 * smaller counts for more, and what stands on the edge of the panel is led on from the next node inwards.
 */
export interface AtNodes {
  x: Float64Array
  y: Float64Array
  v: Float64Array
}
export function settle({ x, y, v }: AtNodes, across: number, down: number): void {
  for (let n = 0; n < x.length; n++)
    if (x[n]! > 0)
      for (let k = 0; k < KEPT; k++) v[n * KEPT + k] = v[n * KEPT + k]! / (ALONG_X[k] ? x[n]! : y[n]!)
  const lead = (n: number, next: number, alongX: boolean) => {
    if (!(x[n]! > 0) || !(x[next]! > 0)) return
    for (let k = 0; k < KEPT; k++)
      if (ALONG_X[k] === alongX) v[n * KEPT + k] = 2 * v[n * KEPT + k]! - v[next * KEPT + k]!
  }
  for (let j = 0; j < down; j++) {
    lead(j * across, j * across + 1, true)
    lead((j + 1) * across - 1, (j + 1) * across - 2, true)
  }
  for (let i = 0; i < across; i++) {
    lead(i, across + i, false)
    lead((down - 1) * across + i, (down - 2) * across + i, false)
  }
}
