import type { Point } from '../../base/geometry/outline'

/** Area moments of a pressed region about the base's centre. */
export interface Moments {
  A: number
  x: number
  y: number
  xx: number
  xy: number
  yy: number
}
export type Footing = { lengthMm: number; widthMm: number } | { diameterMm: number }
/** Lift of the base: w + \u03b8x\u00b7y \u2212 \u03b8y\u00b7x. */
export type Lift = [w: number, tx: number, ty: number]
export const liftAt = ([w, tx, ty]: Lift, p: Point) => w + tx * p.yMm - ty * p.xMm

export const cornersOf = ({ lengthMm: l, widthMm: w }: { lengthMm: number; widthMm: number }): Point[] => [
  { xMm: -l / 2, yMm: -w / 2 },
  { xMm: l / 2, yMm: -w / 2 },
  { xMm: l / 2, yMm: w / 2 },
  { xMm: -l / 2, yMm: w / 2 },
]

/** Corners of what is pressed, one after another; of a rectangle never more than eight. */
const pressedX = new Float64Array(8)
const pressedY = new Float64Array(8)
/**
 * The part of a rectangle where the lift is below zero (Sutherland and Hodgman), into the lists above. Asked
 * for some thousand times by one fitting, so it makes nothing anew.
 */
function clipPressed(l: number, w: number, u: Lift): number {
  const a = l / 2
  const b = w / 2
  let n = 0
  let x0 = -a
  let y0 = -b
  let d0 = u[0] + u[1] * y0 - u[2] * x0
  for (let i = 0; i < 4; i++) {
    // Round from the first corner: starboard first, then forward, port and back.
    const x1 = i < 2 ? a : -a
    const y1 = i === 1 || i === 2 ? b : -b
    const d1 = u[0] + u[1] * y1 - u[2] * x1
    if (d0 < 0) {
      pressedX[n] = x0
      pressedY[n++] = y0
    }
    if (d0 < 0 !== d1 < 0) {
      const t = d0 / (d0 - d1)
      pressedX[n] = x0 + t * (x1 - x0)
      pressedY[n++] = y0 + t * (y1 - y0)
    }
    x0 = x1
    y0 = y1
    d0 = d1
  }
  return n
}

function put(out: Moments, A: number, x: number, y: number, xx: number, xy: number, yy: number): Moments {
  out.A = A
  out.x = x
  out.y = y
  out.xx = xx
  out.xy = xy
  out.yy = yy
  return out
}
function polygonMoments(l: number, w: number, u: Lift, out: Moments): Moments {
  const n = clipPressed(l, w, u)
  let A = 0
  let x = 0
  let y = 0
  let xx = 0
  let xy = 0
  let yy = 0
  for (let i = 0; i < n; i++) {
    const j = i + 1 === n ? 0 : i + 1
    const ax = pressedX[i]!
    const ay = pressedY[i]!
    const bx = pressedX[j]!
    const by = pressedY[j]!
    const c = ax * by - bx * ay
    A += c / 2
    x += (c * (ax + bx)) / 6
    y += (c * (ay + by)) / 6
    xx += (c * (ax * ax + ax * bx + bx * bx)) / 12
    yy += (c * (ay * ay + ay * by + by * by)) / 12
    xy += (c * (ax * by + 2 * ax * ay + 2 * bx * by + bx * ay)) / 24
  }
  return put(out, A, x, y, xx, xy, yy)
}

/** Of a disc the pressed part is a segment: closed integrals over \u03be from the chord to the rim. */
function segmentMoments(R: number, u: Lift, out: Moments): Moments {
  const w = u[0]
  const tx = u[1]
  const ty = u[2]
  const s = Math.sqrt(tx * tx + ty * ty)
  if (s * R <= Math.abs(w) * 1e-15 || w <= -s * R) {
    if (!(w < 0)) return put(out, 0, 0, 0, 0, 0, 0)
    const second = (Math.PI * R ** 4) / 4
    return put(out, Math.PI * R * R, 0, 0, second, 0, second)
  }
  if (w >= s * R) return put(out, 0, 0, 0, 0, 0, 0)
  // \u03be runs towards the most pressed side; the lift is w \u2212 s\u00b7\u03be, below zero past \u03be =
  // w/s.
  const ex = ty / s
  const ey = -tx / s
  const th = Math.acos(Math.max(-1, Math.min(1, w / s / R)))
  const once = Math.sin(th)
  const twice = Math.sin(2 * th)
  const four = Math.sin(4 * th)
  const R2 = R * R
  const R4 = R2 * R2
  const i1 = (2 / 3) * R2 * R * once * once * once
  const i2 = R4 * (th / 4 - four / 16)
  const j2 = (2 / 3) * R4 * ((3 * th) / 8 - twice / 4 + four / 32)
  return put(
    out,
    R * R * (th - twice / 2),
    i1 * ex,
    i1 * ey,
    i2 * ex * ex + j2 * ey * ey,
    (i2 - j2) * ex * ey,
    i2 * ey * ey + j2 * ex * ex,
  )
}

const none = (): Moments => ({ A: 0, x: 0, y: 0, xx: 0, xy: 0, yy: 0 })
const pressedMoments = (f: Footing, u: Lift, out: Moments): Moments =>
  'diameterMm' in f ? segmentMoments(f.diameterMm / 2, u, out) : polygonMoments(f.lengthMm, f.widthMm, u, out)
/** All of it pressed, however little. */
const WHOLLY: Lift = [-1, 0, 0]
export const wholeMoments = (f: Footing): Moments => pressedMoments(f, WHOLLY, none())

/** The two points where the heel line cuts the outline; null when all or nothing is pressed. */
export function heelLine(f: Footing, u: Lift): [Point, Point] | null {
  const [w, tx, ty] = u
  if ('diameterMm' in f) {
    const R = f.diameterMm / 2
    const s = Math.hypot(tx, ty)
    if (s === 0 || Math.abs(w) >= s * R) return null
    const h = w / s
    const e = { x: ty / s, y: -tx / s }
    const c = Math.sqrt(R * R - h * h)
    return [
      { xMm: h * e.x - c * e.y, yMm: h * e.y + c * e.x },
      { xMm: h * e.x + c * e.y, yMm: h * e.y - c * e.x },
    ]
  }
  const ps = cornersOf(f)
  const cuts: Point[] = []
  ps.forEach((a, i) => {
    const b = ps[(i + 1) % 4]!
    const [da, db] = [liftAt(u, a), liftAt(u, b)]
    if (da < 0 !== db < 0)
      cuts.push({
        xMm: a.xMm + (da / (da - db)) * (b.xMm - a.xMm),
        yMm: a.yMm + (da / (da - db)) * (b.yMm - a.yMm),
      })
  })
  return cuts.length === 2 ? [cuts[0]!, cuts[1]!] : null
}

export interface ContactProblem {
  footing: Footing
  bolts: Point[]
  kb: number
  k: number
  preloadN: number
  /** pull out of the deck, and moments about the base's centre */
  Fz: number
  Mx: number
  My: number
}
export interface Contact {
  lift: Lift
  tensions: number[]
  pressed: Moments
  pressedForceN: number
}

/** Row by row: H·x = −g with the row of greatest pivot first; false where it has no one answer. */
function solve3(H: Float64Array, g: Float64Array, x: Float64Array): boolean {
  const [h0, h3, h6] = [Math.abs(H[0]!), Math.abs(H[3]!), Math.abs(H[6]!)]
  const p = h3 > h0 ? (h6 > h3 ? 2 : 1) : h6 > h0 ? 2 : 0
  const q = p === 0 ? 1 : 0
  const r = p === 2 ? 1 : 2
  const top = H[3 * p]!
  if (!(Math.abs(top) > 0)) return false
  const fq = H[3 * q]! / top
  const fr = H[3 * r]! / top
  let [a, b, s] = [H[3 * q + 1]! - fq * H[3 * p + 1]!, H[3 * q + 2]! - fq * H[3 * p + 2]!, fq * g[p]! - g[q]!]
  let [c, d, t] = [H[3 * r + 1]! - fr * H[3 * p + 1]!, H[3 * r + 2]! - fr * H[3 * p + 2]!, fr * g[p]! - g[r]!]
  if (Math.abs(c) > Math.abs(a)) [a, b, s, c, d, t] = [c, d, t, a, b, s]
  if (!(Math.abs(a) > 0)) return false
  const f = c / a
  const last = d - f * b
  if (!(Math.abs(last) > 0)) return false
  x[2] = (t - f * s) / last
  x[1] = (s - b * x[2]) / a
  x[0] = (-g[p]! - H[3 * p + 1]! * x[1] - H[3 * p + 2]! * x[2]) / top
  return Number.isFinite(x[0]) && Number.isFinite(x[1]) && Number.isFinite(x[2])
}

/** The energy of one lift with its slope and its curvature. */
interface State {
  m: Moments
  g: Float64Array
  H: Float64Array
  tensions: Float64Array
  energy: number
  residual: number
}
const newState = (n: number): State => ({
  m: none(),
  g: new Float64Array(3),
  H: new Float64Array(9),
  tensions: new Float64Array(n),
  energy: 0,
  residual: 0,
})
/** Two of each number of bolts, for as long as one search lasts: a sweep asks for hundreds. */
const states = new Map<number, [State, State]>()
const statesFor = (n: number) => states.get(n) ?? states.set(n, [newState(n), newState(n)]).get(n)!
interface Sizes {
  whole: Moments
  /** half the base’s length, or its radius: moments over it are forces */
  L: number
  /** what the preload alone presses it in by */
  seat: number
}
function evaluate(p: ContactProblem, { L, seat }: Sizes, u: Lift, out: State): State {
  const { k, kb } = p
  const m = pressedMoments(p.footing, u, out.m)
  const w = u[0]
  const tx = u[1]
  const ty = u[2]
  const { g, H, tensions } = out
  // ∫kδ over what is pressed: its gradient is the deck's push.
  const d0 = m.A * w + m.y * tx - m.x * ty
  const d1 = m.y * w + m.yy * tx - m.xy * ty
  const d2 = -(m.x * w + m.xy * tx - m.xx * ty)
  let energy = -p.Fz * w - p.Mx * tx - p.My * ty + (k / 2) * (d0 * w + d1 * tx + d2 * ty)
  let g0 = -p.Fz + k * d0
  let g1 = -p.Mx + k * d1
  let g2 = -p.My + k * d2
  let h00 = k * m.A
  let h01 = k * m.y
  let h02 = -k * m.x
  let h11 = k * m.yy
  let h12 = -k * m.xy
  let h22 = k * m.xx
  for (let i = 0; i < tensions.length; i++) {
    const b = p.bolts[i]!
    const y = b.yMm
    const x = -b.xMm
    const T = Math.max(0, p.preloadN + kb * (w + tx * y + ty * x + seat))
    tensions[i] = T
    if (T <= 0) continue
    energy += (T * T) / (2 * kb)
    g0 += T
    g1 += T * y
    g2 += T * x
    h00 += kb
    h01 += kb * y
    h02 += kb * x
    h11 += kb * y * y
    h12 += kb * x * y
    h22 += kb * x * x
  }
  g[0] = g0
  g[1] = g1
  g[2] = g2
  H[0] = h00
  H[1] = H[3] = h01
  H[2] = H[6] = h02
  H[4] = h11
  H[5] = H[7] = h12
  H[8] = h22
  out.energy = energy
  out.residual = Math.max(Math.abs(g0), Math.abs(g1) / L, Math.abs(g2) / L)
  return out
}

/** As if all were pressed and all bolts pulled: one linear step. */
function firstLift(p: ContactProblem, whole: Moments): Lift {
  const n = p.bolts.length
  const a = p.k * whole.A + n * p.kb
  let b = p.k * whole.yy
  let c = p.k * whole.xx
  for (const q of p.bolts) {
    b += p.kb * q.yMm * q.yMm
    c += p.kb * q.xMm * q.xMm
  }
  return [(p.Fz - n * p.preloadN) / a, p.Mx / b, p.My / c]
}
const long = (a: number, b: number, c: number) => Math.sqrt(a * a + b * b + c * c)
const step = new Float64Array(3)
const stiffened = new Float64Array(9)
/** Newton’s step; false where even a stiffened one has no end. */
function newtonStep(p: ContactProblem, { whole, L }: Sizes, u: Lift, at: State, size: number): boolean {
  const scale = p.k * whole.A + p.bolts.length * p.kb
  const most = 1e6 * (Math.abs(size) / scale + long(u[0], u[1] * L, u[2] * L))
  let good = solve3(at.H, at.g, step)
  // A base held by too few bolts with nothing pressed has a loose direction: a touch of stiffness finds
  // the way down.
  for (let damp = 1e-12; !good || long(step[0]!, step[1]! * L, step[2]! * L) > most; damp *= 100) {
    if (damp > 1) return false
    stiffened.set(at.H)
    stiffened[0]! += damp * scale
    stiffened[4]! += damp * scale * L * L
    stiffened[8]! += damp * scale * L * L
    good = solve3(stiffened, at.g, step)
  }
  return true
}

/**
 * A rigid base that can only push and bolts that can only pull: the minimum of a convex energy, by
 * Newton's method with a line search (full step first, then halved). Null when it does not converge.
 */
export function solveContact(p: ContactProblem): Contact | null {
  const whole = wholeMoments(p.footing)
  const n = p.bolts.length
  const L =
    'diameterMm' in p.footing ? p.footing.diameterMm / 2 : Math.max(p.footing.lengthMm, p.footing.widthMm) / 2
  const sizes: Sizes = { whole, L, seat: (n * p.preloadN) / (p.k * whole.A) }
  const size = Math.max(Math.abs(p.Fz), long(p.Mx, p.My, 0) / L, n * p.preloadN)
  let u = firstLift(p, whole)
  const [first, second] = statesFor(n)
  let at = evaluate(p, sizes, u, first)
  let spare = second
  for (let round = 0; round < 200 && at.residual > 1e-11 * size; round++) {
    if (!newtonStep(p, sizes, u, at, size)) return null
    const fall = Math.abs(at.g[0]! * step[0]! + at.g[1]! * step[1]! + at.g[2]! * step[2]!)
    let t = 1
    let next = at
    for (let halving = 0; halving < 60; halving++, t /= 2) {
      const trial: Lift = [u[0] + t * step[0]!, u[1] + t * step[1]!, u[2] + t * step[2]!]
      next = evaluate(p, sizes, trial, spare)
      if (next.energy <= at.energy - 1e-4 * t * fall || next.residual < at.residual * 0.5) {
        u = trial
        break
      }
    }
    if (next.residual >= at.residual && t < 1e-15) break
    spare = at
    at = next
  }
  if (!(at.residual <= 1e-6 * size)) return null
  const [w, tx, ty] = u
  return {
    lift: u,
    tensions: Array.from(at.tensions),
    pressed: put(none(), at.m.A, at.m.x, at.m.y, at.m.xx, at.m.xy, at.m.yy),
    pressedForceN: -p.k * (at.m.A * w + at.m.y * tx - at.m.x * ty),
  }
}
