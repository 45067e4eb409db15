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

const corners = (l: number, w: number): Point[] => [
  { xMm: -l / 2, yMm: -w / 2 },
  { xMm: l / 2, yMm: -w / 2 },
  { xMm: l / 2, yMm: w / 2 },
  { xMm: -l / 2, yMm: w / 2 },
]
export const cornersOf = (f: { lengthMm: number; widthMm: number }) => corners(f.lengthMm, f.widthMm)

/** The part of a convex polygon where the lift is below zero (Sutherland and Hodgman). */
function clipPressed(poly: Point[], u: Lift): Point[] {
  const out: Point[] = []
  poly.forEach((a, i) => {
    const b = poly[(i + 1) % poly.length]!
    const [da, db] = [liftAt(u, a), liftAt(u, b)]
    if (da < 0) out.push(a)
    if (da < 0 !== db < 0) {
      const t = da / (da - db)
      out.push({ xMm: a.xMm + t * (b.xMm - a.xMm), yMm: a.yMm + t * (b.yMm - a.yMm) })
    }
  })
  return out
}

function polygonMoments(ps: Point[]): Moments {
  const m = { A: 0, x: 0, y: 0, xx: 0, xy: 0, yy: 0 }
  ps.forEach((a, i) => {
    const b = ps[(i + 1) % ps.length]!
    const c = a.xMm * b.yMm - b.xMm * a.yMm
    m.A += c / 2
    m.x += (c * (a.xMm + b.xMm)) / 6
    m.y += (c * (a.yMm + b.yMm)) / 6
    m.xx += (c * (a.xMm ** 2 + a.xMm * b.xMm + b.xMm ** 2)) / 12
    m.yy += (c * (a.yMm ** 2 + a.yMm * b.yMm + b.yMm ** 2)) / 12
    m.xy += (c * (a.xMm * b.yMm + 2 * a.xMm * a.yMm + 2 * b.xMm * b.yMm + b.xMm * a.yMm)) / 24
  })
  return m
}

/** Of a disc the pressed part is a segment: closed integrals over \u03be from the chord to the rim. */
function segmentMoments(R: number, u: Lift): Moments {
  const [w, tx, ty] = u
  const s = Math.hypot(tx, ty)
  const full = {
    A: Math.PI * R * R,
    x: 0,
    y: 0,
    xx: (Math.PI * R ** 4) / 4,
    xy: 0,
    yy: (Math.PI * R ** 4) / 4,
  }
  const none = { A: 0, x: 0, y: 0, xx: 0, xy: 0, yy: 0 }
  if (s * R <= Math.abs(w) * 1e-15 || w <= -s * R) return w < 0 ? full : none
  if (w >= s * R) return none
  // \u03be runs towards the most pressed side; the lift is w \u2212 s\u00b7\u03be, below zero past \u03be =
  // w/s.
  const e = { x: ty / s, y: -tx / s }
  const th = Math.acos(Math.max(-1, Math.min(1, w / s / R)))
  const A = R * R * (th - Math.sin(2 * th) / 2)
  const i1 = (2 / 3) * R ** 3 * Math.sin(th) ** 3
  const i2 = R ** 4 * (th / 4 - Math.sin(4 * th) / 16)
  const j2 = (2 / 3) * R ** 4 * ((3 * th) / 8 - Math.sin(2 * th) / 4 + Math.sin(4 * th) / 32)
  return {
    A,
    x: i1 * e.x,
    y: i1 * e.y,
    xx: i2 * e.x * e.x + j2 * e.y * e.y,
    yy: i2 * e.y * e.y + j2 * e.x * e.x,
    xy: (i2 - j2) * e.x * e.y,
  }
}

export function pressedMoments(f: Footing, u: Lift): Moments {
  return 'diameterMm' in f
    ? segmentMoments(f.diameterMm / 2, u)
    : polygonMoments(clipPressed(corners(f.lengthMm, f.widthMm), u))
}
export const wholeMoments = (f: Footing): Moments =>
  'diameterMm' in f
    ? segmentMoments(f.diameterMm / 2, [-1, 0, 0])
    : polygonMoments(corners(f.lengthMm, f.widthMm))

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
  const ps = corners(f.lengthMm, f.widthMm)
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

function solve3(a: number[][], b: number[]): number[] | null {
  const m = a.map((r, i) => [...r, b[i]!])
  for (let c = 0; c < 3; c++) {
    let p = c
    for (let r = c + 1; r < 3; r++) if (Math.abs(m[r]![c]!) > Math.abs(m[p]![c]!)) p = r
    if (!(Math.abs(m[p]![c]!) > 0)) return null
    ;[m[c], m[p]] = [m[p]!, m[c]!]
    for (let r = c + 1; r < 3; r++) {
      const f = m[r]![c]! / m[c]![c]!
      for (let j = c; j < 4; j++) m[r]![j]! -= f * m[c]![j]!
    }
  }
  const x = [0, 0, 0]
  for (let r = 2; r >= 0; r--)
    x[r] = (m[r]![3]! - m[r]!.slice(r + 1, 3).reduce((s, v, j) => s + v * x[r + 1 + j]!, 0)) / m[r]![r]!
  return x.every(Number.isFinite) ? x : null
}

/**
 * A rigid base that can only push and bolts that can only pull: the minimum of a convex energy, by
 * Newton's method with a line
 * search (full step first, then halved). Null when it does not converge.
 */
export function solveContact(p: ContactProblem): Contact | null {
  const whole = wholeMoments(p.footing)
  const n = p.bolts.length
  const L =
    'diameterMm' in p.footing ? p.footing.diameterMm / 2 : Math.max(p.footing.lengthMm, p.footing.widthMm) / 2
  const seat = (n * p.preloadN) / (p.k * whole.A)
  const bolt = (u: Lift, b: Point) => Math.max(0, p.preloadN + p.kb * (liftAt(u, b) + seat))
  const load = [p.Fz, p.Mx, p.My]
  const size = Math.max(Math.abs(p.Fz), Math.hypot(p.Mx, p.My) / L, n * p.preloadN)
  const evaluate = (u: Lift) => {
    const m = pressedMoments(p.footing, u)
    const [w, tx, ty] = u
    const g = [-load[0]!, -load[1]!, -load[2]!]
    const H = [
      [p.k * m.A, p.k * m.y, -p.k * m.x],
      [p.k * m.y, p.k * m.yy, -p.k * m.xy],
      [-p.k * m.x, -p.k * m.xy, p.k * m.xx],
    ]
    const tensions = p.bolts.map((b) => bolt(u, b))
    let energy = -load[0]! * w - load[1]! * tx - load[2]! * ty
    // \u222bk\u03b4 over what is pressed: its gradient is the deck's push.
    const d = [
      m.A * w + m.y * tx - m.x * ty,
      m.y * w + m.yy * tx - m.xy * ty,
      -(m.x * w + m.xy * tx - m.xx * ty),
    ]
    for (let i = 0; i < 3; i++) g[i]! += p.k * d[i]!
    energy += (p.k / 2) * (d[0]! * w + d[1]! * tx + d[2]! * ty)
    tensions.forEach((T, i) => {
      if (T <= 0) return
      const { xMm: x, yMm: y } = p.bolts[i]!
      const r = [1, y, -x]
      energy += (T * T) / (2 * p.kb)
      for (let a = 0; a < 3; a++) {
        g[a]! += T * r[a]!
        for (let b = 0; b < 3; b++) H[a]![b]! += p.kb * r[a]! * r[b]!
      }
    })
    return {
      m,
      g,
      H,
      tensions,
      energy,
      residual: Math.max(Math.abs(g[0]!), Math.abs(g[1]!) / L, Math.abs(g[2]!) / L),
    }
  }
  // Start as if all were pressed and all bolts pulled: one linear step.
  const stiff = [
    [p.k * whole.A + n * p.kb, 0, 0],
    [0, p.k * whole.yy, 0],
    [0, 0, p.k * whole.xx],
  ]
  for (const b of p.bolts) {
    stiff[1]![1]! += p.kb * b.yMm ** 2
    stiff[2]![2]! += p.kb * b.xMm ** 2
  }
  let u: Lift = [(p.Fz - n * p.preloadN) / stiff[0]![0]!, p.Mx / stiff[1]![1]!, p.My / stiff[2]![2]!]
  let at = evaluate(u)
  for (let round = 0; round < 200 && at.residual > 1e-11 * size; round++) {
    const scale = p.k * whole.A + n * p.kb
    let step = solve3(
      at.H,
      at.g.map((v) => -v),
    )
    // A base held by too few bolts with nothing pressed has a loose direction: a touch of stiffness finds
    // the way down.
    for (
      let damp = 1e-12;
      !step ||
      step.some((s) => !Number.isFinite(s)) ||
      Math.hypot(step[0]!, step[1]! * L, step[2]! * L) >
        1e6 * (Math.abs(size) / scale + Math.hypot(u[0], u[1] * L, u[2] * L));
      damp *= 100
    ) {
      if (damp > 1) return null
      step = solve3(
        at.H.map((r, i) => r.map((v, j) => v + (i === j ? damp * scale * (i === 0 ? 1 : L * L) : 0))),
        at.g.map((v) => -v),
      )
    }
    let t = 1
    let next = at
    for (let halving = 0; halving < 60; halving++, t /= 2) {
      const trial: Lift = [u[0] + t * step[0]!, u[1] + t * step[1]!, u[2] + t * step[2]!]
      next = evaluate(trial)
      if (
        next.energy <= at.energy - 1e-4 * t * Math.abs(at.g.reduce((s, g, i) => s + g * step![i]!, 0)) ||
        next.residual < at.residual * 0.5
      ) {
        u = trial
        break
      }
    }
    if (next === at || (next.residual >= at.residual && t < 1e-15)) break
    at = next
  }
  if (!(at.residual <= 1e-6 * size)) return null
  const [w, tx, ty] = u
  return {
    lift: u,
    tensions: at.tensions,
    pressed: at.m,
    pressedForceN: -p.k * (at.m.A * w + at.m.y * tx - at.m.x * ty),
  }
}
