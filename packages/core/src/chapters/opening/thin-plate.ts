import { invalid } from '../../base/errors'

/**
 * Thin-plate theory of chapter 6.3: moments in N (N\u00b7mm/mm) and deflection times D, so that thickness
 * drops out.
 */
export interface PlateLoad {
  pressureMPa: number
  patchN: number
  /** radius of the patch, spread by the thickness */
  c: number
  nu: number
}
export interface PlateAnswer {
  centre: number
  /** moment normal to the edges at their middles, its magnitude; 0 simply supported */
  edge: number
  /** deflection at the centre times D */
  wD: number
}

/** Bessel function J1 over its argument: 1/2 at 0. Rational fits of the usual handbook kind, good to 1e-8. */
export function j1over(x: number): number {
  if (x < 1e-8) return 0.5
  if (x < 8) {
    const y = x * x
    const p =
      72362614232 +
      y * (-7895059235 + y * (242396853.1 + y * (-2972611.439 + y * (15704.4826 + y * -30.16036606))))
    const q = 144725228442 + y * (2300535178 + y * (18583304.74 + y * (99447.43394 + y * (376.9991397 + y))))
    return p / q
  }
  const z = 8 / x
  const y = z * z
  const xx = x - 2.356194491
  const p = 1 + y * (0.00183105 + y * (-0.3516396496e-4 + y * (0.2457520174e-5 + y * -0.240337019e-6)))
  const q =
    0.04687499995 + y * (-0.2002690873e-3 + y * (0.8449199096e-5 + y * (-0.88228987e-6 + y * 0.105787412e-6)))
  return (Math.sqrt(0.636619772 / x) * (Math.cos(xx) * p - z * Math.sin(xx) * q)) / x
}

export function circlePlate(R: number, l: PlateLoad, clamped: boolean): PlateAnswer {
  const { pressureMPa: p, patchN: P, nu } = l
  const c = Math.min(l.c, R)
  const ln = P === 0 ? 0 : Math.log(R / c)
  if (clamped)
    return {
      centre:
        ((1 + nu) * p * R * R) / 16 +
        (P === 0 ? 0 : ((P * (1 + nu)) / (4 * Math.PI)) * (ln + (c * c) / (4 * R * R))),
      edge: (p * R * R) / 8 + (P === 0 ? 0 : (P / (4 * Math.PI)) * (1 - (c * c) / (2 * R * R))),
      wD: (p * R ** 4) / 64 + (P === 0 ? 0 : (P / (64 * Math.PI)) * (4 * R * R - 4 * c * c * ln - 3 * c * c)),
    }
  return {
    centre:
      ((3 + nu) * p * R * R) / 16 +
      (P === 0 ? 0 : (P / (4 * Math.PI)) * ((1 + nu) * ln + 1 - ((1 - nu) * c * c) / (4 * R * R))),
    edge: 0,
    wD:
      ((5 + nu) * p * R ** 4) / (64 * (1 + nu)) +
      (P === 0
        ? 0
        : (P / (16 * Math.PI)) *
          (((3 + nu) / (1 + nu)) * R * R - c * c * ln - ((7 + 3 * nu) * c * c) / (4 * (1 + nu)))),
  }
}

const MOST_TERMS = 3_000_000

/** Coefficient of the load in the double sine series, odd m and n. */
function loadTerm(a: number, b: number, l: PlateLoad, m: number, n: number, k: number): number {
  const sign = ((m - 1) / 2 + (n - 1) / 2) % 2 === 0 ? 1 : -1
  return (
    (16 * l.pressureMPa) / (Math.PI ** 2 * m * n) +
    (l.patchN === 0 ? 0 : ((4 * l.patchN) / (a * b)) * sign * 2 * j1over(k * l.c))
  )
}

/** Navier's series, whole blocks doubled until moment and deflection move by under 0.02 %. */
function navier(a: number, b: number, l: PlateLoad) {
  const sums = (M: number, N: number) => {
    let [mx, my, w] = [0, 0, 0]
    for (let m = 1; m <= M; m += 2)
      for (let n = 1; n <= N; n += 2) {
        const [al, be] = [(m * Math.PI) / a, (n * Math.PI) / b]
        const k2 = al * al + be * be
        const sign = ((m - 1) / 2 + (n - 1) / 2) % 2 === 0 ? 1 : -1
        const wmn = (loadTerm(a, b, l, m, n, Math.sqrt(k2)) * sign) / (k2 * k2)
        w += wmn
        mx += wmn * (al * al + l.nu * be * be)
        my += wmn * (be * be + l.nu * al * al)
      }
    return { mx, my, w }
  }
  const short = Math.min(a, b)
  let per = 16
  // A strip this long against its width is no pane; its series would not end.
  if (!((per * a) / short < 20_000) || !((per * b) / short < 20_000))
    throw invalid('', 'The pane is too long for its width to be worked out as a pane')
  let before = sums(Math.ceil((per * a) / short), Math.ceil((per * b) / short))
  for (;;) {
    per *= 2
    const [M, N] = [Math.ceil((per * a) / short), Math.ceil((per * b) / short)]
    if ((M * N) / 4 > MOST_TERMS) return before
    const now = sums(M, N)
    const near = (x: number, y: number) => Math.abs(x - y) <= 2e-4 * Math.max(Math.abs(x), 1e-300)
    if (per >= 64 && near(now.mx, before.mx) && near(now.my, before.my) && near(now.w, before.w)) return now
    before = now
  }
}

const EDGE_TERMS = 30

function solve(A: Float64Array[], b: Float64Array): Float64Array {
  const n = b.length
  for (let c = 0; c < n; c++) {
    let p = c
    for (let r = c + 1; r < n; r++) if (Math.abs(A[r]![c]!) > Math.abs(A[p]![c]!)) p = r
    ;[A[c], A[p]] = [A[p]!, A[c]!]
    ;[b[c], b[p]] = [b[p]!, b[c]!]
    for (let r = c + 1; r < n; r++) {
      const f = A[r]![c]! / A[c]![c]!
      if (f === 0) continue
      for (let j = c; j < n; j++) A[r]![j]! -= f * A[c]![j]!
      b[r]! -= f * b[c]!
    }
  }
  for (let r = n - 1; r >= 0; r--) {
    for (let j = r + 1; j < n; j++) b[r]! -= A[r]![j]! * b[j]!
    b[r]! /= A[r]![r]!
  }
  return b
}

/**
 * Clamped all round: the simply supported plate, and moments along its edges that bring every edge slope
 * back to nothing.
 */
function clampEdges(
  a: number,
  b: number,
  l: PlateLoad,
  ss: { mx: number; my: number; w: number },
): PlateAnswer {
  const N = EDGE_TERMS
  const odd = (i: number) => 2 * i + 1
  const A = Array.from({ length: 2 * N }, () => new Float64Array(2 * N))
  const rhs = new Float64Array(2 * N)
  const shape = (x: number) => (x > 350 ? 1 : Math.tanh(x) + x / Math.cosh(x) ** 2)
  const slope = (along: number, across: number, i: number, flip: boolean) => {
    // Slope of the simply supported plate at the edge, its i-th wave along it: a single sum across.
    const al = (odd(i) * Math.PI) / along
    let s = 0
    for (let n = 1; n < 1200; n += 2) {
      const be = (n * Math.PI) / across
      const k2 = al * al + be * be
      s +=
        (be *
          (flip
            ? loadTerm(across, along, l, n, odd(i), Math.sqrt(k2))
            : loadTerm(along, across, l, odd(i), n, Math.sqrt(k2)))) /
        (k2 * k2)
    }
    return s
  }
  for (let i = 0; i < N; i++) {
    const al = (odd(i) * Math.PI) / a
    const be = (odd(i) * Math.PI) / b
    A[i]![i] = shape((al * b) / 2) / (2 * al)
    A[N + i]![N + i] = shape((be * a) / 2) / (2 * be)
    for (let j = 0; j < N; j++) {
      const bj = (odd(j) * Math.PI) / b
      const aj = (odd(j) * Math.PI) / a
      A[i]![N + j] = (4 * al * bj) / (a * (al * al + bj * bj) ** 2)
      A[N + i]![j] = (4 * aj * be) / (b * (aj * aj + be * be) ** 2)
    }
    rhs[i] = -slope(a, b, i, false)
    rhs[N + i] = -slope(b, a, i, true)
  }
  const E = solve(A, rhs)
  let [mx, my, w, ey, ex] = [ss.mx, ss.my, ss.w, 0, 0]
  for (let i = 0; i < N; i++) {
    const sign = i % 2 === 0 ? 1 : -1
    for (const side of [0, 1]) {
      const e = E[side * N + i]!
      const k = (odd(i) * Math.PI) / (side === 0 ? a : b)
      const x = (k * (side === 0 ? b : a)) / 2
      const sech = x > 350 ? 0 : 1 / Math.cosh(x)
      const B = (-e / (2 * k * k)) * sech
      const Am = -B * x * Math.tanh(x)
      const [across, along] = [k * k * (Am + 2 * B), -k * k * Am]
      w += sign * Am
      const [mAcross, mAlong] = [-(across + l.nu * along), -(along + l.nu * across)]
      if (side === 0) {
        my += sign * mAcross
        mx += sign * mAlong
        ey += sign * e
      } else {
        mx += sign * mAcross
        my += sign * mAlong
        ex += sign * e
      }
    }
  }
  return { centre: Math.max(Math.abs(mx), Math.abs(my)), edge: Math.max(Math.abs(ex), Math.abs(ey)), wD: w }
}

export function rectanglePlate(length: number, width: number, l: PlateLoad, clamped: boolean): PlateAnswer {
  const ss = navier(length, width, l)
  return clamped
    ? clampEdges(length, width, l, ss)
    : { centre: Math.max(Math.abs(ss.mx), Math.abs(ss.my)), edge: 0, wD: ss.w }
}
