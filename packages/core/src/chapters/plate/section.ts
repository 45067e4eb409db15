/** Stiffnesses of one stretch of panel (chapter 3.7): two plates that share one deflection. */
export interface Orthotropy {
  d11: number
  d12: number
  d33: number
}
export interface Section {
  /** faces as membranes, coupled by the core; null on a solid deck */
  membrane: (Orthotropy & { S: number }) | null
  own: Orthotropy & { S: number }
  /** where stress is read: E\u2032, \u03bd, the arm of the membranes and of the face's own bending */
  outer: Fibre
  inner: Fibre
  /** MPa of core shear (or of a solid's own) for a unit of |\u2207w + \u03b2| */
  shear: number
}
export interface Fibre {
  ePrime: number
  nu: number
  arm: number
  own: number
}
export interface PlateLayer {
  tMm: number
  eMPa: number
  nu: number
  bonded: boolean
}
interface Layer {
  t: number
  e: number
  nu: number
  z: number
}
export type Layup =
  | {
      kind: 'sandwich'
      outerMm: number
      coreMm: number
      innerMm: number
      eMPa: number
      innerEMPa?: number | undefined
      nu: number
      coreGMPa: number
    }
  | { kind: 'solid'; tMm: number; eMPa: number; nu: number }

const prime = (e: number, nu: number) => e / (1 - nu * nu)
const shearModulus = (e: number, nu: number) => e / (2 * (1 + nu))
const zero = (): Orthotropy => ({ d11: 0, d12: 0, d33: 0 })
/** Adds k\u00b7E\u2032\u00b7[1 \u03bd 0; \u03bd 1 0; 0 0 (1\u2212\u03bd)/2]. */
function add(o: Orthotropy, e: number, nu: number, k: number) {
  const E = prime(e, nu) * k
  o.d11 += E
  o.d12 += E * nu
  o.d33 += (E * (1 - nu)) / 2
}
const centroid = (layers: Layer[]) =>
  layers.reduce((s, l) => s + prime(l.e, l.nu) * l.t * l.z, 0) /
  layers.reduce((s, l) => s + prime(l.e, l.nu) * l.t, 0)

export function sectionOf(layup: Layup, base?: PlateLayer, backing?: PlateLayer): Section {
  const own = { ...zero(), S: 0 }
  const loose = [base, backing].filter((p): p is PlateLayer => p !== undefined && !p.bonded)
  const addLoose = () => {
    for (const p of loose) {
      add(own, p.eMPa, p.nu, p.tMm ** 3 / 12)
      own.S += (5 / 6) * shearModulus(p.eMPa, p.nu) * p.tMm
    }
  }
  const face = (layers: Layer[], about: number) => {
    for (const l of layers) {
      add(own, l.e, l.nu, l.t ** 3 / 12 + l.t * (l.z - about) ** 2)
      own.S += (5 / 6) * shearModulus(l.e, l.nu) * l.t
    }
  }
  if (layup.kind === 'solid') {
    const t = layup.tMm
    const layers: Layer[] = [{ t, e: layup.eMPa, nu: layup.nu, z: 0 }]
    if (base?.bonded) layers.push({ t: base.tMm, e: base.eMPa, nu: base.nu, z: (t + base.tMm) / 2 })
    if (backing?.bonded)
      layers.push({ t: backing.tMm, e: backing.eMPa, nu: backing.nu, z: -(t + backing.tMm) / 2 })
    const z = centroid(layers)
    face(layers, z)
    addLoose()
    const E = prime(layup.eMPa, layup.nu)
    return {
      membrane: null,
      own,
      outer: { ePrime: E, nu: layup.nu, arm: 0, own: t / 2 - z },
      inner: { ePrime: E, nu: layup.nu, arm: 0, own: -t / 2 - z },
      shear: 1.25 * shearModulus(layup.eMPa, layup.nu),
    }
  }
  const { outerMm: to, coreMm: tc, innerMm: ti, nu } = layup
  const eInner = layup.innerEMPa ?? layup.eMPa
  const upper: Layer[] = [{ t: to, e: layup.eMPa, nu, z: (tc + to) / 2 }]
  const lower: Layer[] = [{ t: ti, e: eInner, nu, z: -(tc + ti) / 2 }]
  if (base?.bonded) upper.push({ t: base.tMm, e: base.eMPa, nu: base.nu, z: tc / 2 + to + base.tMm / 2 })
  if (backing?.bonded)
    lower.push({ t: backing.tMm, e: backing.eMPa, nu: backing.nu, z: -(tc / 2 + ti + backing.tMm / 2) })
  const [zu, zl] = [centroid(upper), centroid(lower)]
  const z0 = centroid([...upper, ...lower])
  const d = zu - zl
  const membrane = { ...zero(), S: (layup.coreGMPa * d * d) / tc }
  for (const l of upper) add(membrane, l.e, l.nu, l.t * (zu - z0) ** 2)
  for (const l of lower) add(membrane, l.e, l.nu, l.t * (zl - z0) ** 2)
  face(upper, zu)
  face(lower, zl)
  addLoose()
  return {
    membrane,
    own,
    shear: (layup.coreGMPa * d) / tc,
    outer: { ePrime: prime(layup.eMPa, nu), nu, arm: zu - z0, own: tc / 2 + to - zu },
    inner: { ePrime: prime(eInner, nu), nu, arm: zl - z0, own: -(tc / 2 + ti) - zl },
  }
}

/**
 * Adds one Reissner\u2013Mindlin plate to a rectangular element: bilinear, transverse shear tied at the
 * middles of the sides (MITC4), so that it does not lock.
 */
export function addPlate(
  ke: Float64Array,
  dofs: number,
  rot: number,
  a: number,
  b: number,
  o: Orthotropy & { S: number },
): void {
  const n = 4 * dofs
  const corner = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const
  const g = 1 / Math.sqrt(3)
  const bx = new Float64Array(4)
  const by = new Float64Array(4)
  const gx = new Float64Array(n)
  const gy = new Float64Array(n)
  const used = [0, 1, 2, 3].flatMap((c) => [c * dofs, c * dofs + rot, c * dofs + rot + 1])
  for (const xi of [-g, g])
    for (const eta of [-g, g]) {
      const w = (a * b) / 4
      for (let c = 0; c < 4; c++) {
        const [cx, cy] = corner[c]!
        bx[c] = (cx * (1 + cy * eta)) / (2 * a)
        by[c] = (cy * (1 + cx * xi)) / (2 * b)
      }
      for (let c = 0; c < 4; c++)
        for (let e = 0; e < 4; e++) {
          const [rx, ry] = [c * dofs + rot, c * dofs + rot + 1]
          const [sx, sy] = [e * dofs + rot, e * dofs + rot + 1]
          ke[rx * n + sx] = ke[rx * n + sx]! + w * (o.d11 * bx[c]! * bx[e]! + o.d33 * by[c]! * by[e]!)
          ke[ry * n + sy] = ke[ry * n + sy]! + w * (o.d11 * by[c]! * by[e]! + o.d33 * bx[c]! * bx[e]!)
          ke[rx * n + sy] = ke[rx * n + sy]! + w * (o.d12 * bx[c]! * by[e]! + o.d33 * by[c]! * bx[e]!)
          ke[ry * n + sx] = ke[ry * n + sx]! + w * (o.d12 * by[c]! * bx[e]! + o.d33 * bx[c]! * by[e]!)
        }
      gx.fill(0)
      gy.fill(0)
      tiedShear(gx, gy, dofs, rot, a, b, xi, eta)
      for (const r of used)
        for (const s of used) ke[r * n + s] = ke[r * n + s]! + w * o.S * (gx[r]! * gx[s]! + gy[r]! * gy[s]!)
    }
}

/** \u2207w + \u03b2 as tied: along x from the lower and upper side, along y from the left and right one. */
export function tiedShear(
  gx: Float64Array,
  gy: Float64Array,
  dofs: number,
  rot: number,
  a: number,
  b: number,
  xi: number,
  eta: number,
): void {
  const sides: [number, number, number][] = [
    [0, 1, (1 - eta) / 2],
    [3, 2, (1 + eta) / 2],
  ]
  for (const [p, q, k] of sides) {
    gx[p * dofs] = gx[p * dofs]! - k / a
    gx[q * dofs] = gx[q * dofs]! + k / a
    gx[p * dofs + rot] = gx[p * dofs + rot]! + k / 2
    gx[q * dofs + rot] = gx[q * dofs + rot]! + k / 2
  }
  const ends: [number, number, number][] = [
    [0, 3, (1 - xi) / 2],
    [1, 2, (1 + xi) / 2],
  ]
  for (const [p, q, k] of ends) {
    gy[p * dofs] = gy[p * dofs]! - k / b
    gy[q * dofs] = gy[q * dofs]! + k / b
    gy[p * dofs + rot + 1] = gy[p * dofs + rot + 1]! + k / 2
    gy[q * dofs + rot + 1] = gy[q * dofs + rot + 1]! + k / 2
  }
}
