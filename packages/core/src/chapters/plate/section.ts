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

/** Corners lower left, counter-clockwise. */
const CX = [-1, 1, 1, -1] as const
const CY = [-1, -1, 1, 1] as const
/**
 * Adds one Reissner–Mindlin plate to a rectangular element: bilinear, transverse shear tied at the
 * middles of the sides (MITC4), so that it does not lock. Integrated in closed form: of every pair of corners
 * the bending goes with b/a, a/b and 1, the shear with b/a, b and a·b, and the same across.
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
  const add = (r: number, s: number, v: number) => (ke[r * n + s] = ke[r * n + s]! + v)
  for (let c = 0; c < 4; c++)
    for (let e = 0; e < 4; e++) {
      const [w, u] = [c * dofs, e * dofs]
      const [rx, ry, sx, sy] = [w + rot, w + rot + 1, u + rot, u + rot + 1]
      const [xx, yy] = [CX[c]! * CX[e]!, CY[c]! * CY[e]!]
      const bxbx = ((b / a) * xx * (1 + yy / 3)) / 4
      const byby = ((a / b) * yy * (1 + xx / 3)) / 4
      const [bxby, bybx] = [(CX[c]! * CY[e]!) / 4, (CY[c]! * CX[e]!) / 4]
      add(rx, sx, o.d11 * bxbx + o.d33 * byby)
      add(ry, sy, o.d11 * byby + o.d33 * bxbx)
      add(rx, sy, o.d12 * bxby + o.d33 * bybx)
      add(ry, sx, o.d12 * bybx + o.d33 * bxby)
      // Along x the two corners lie on one side or on opposite ones, and so across.
      const kx = o.S * (yy > 0 ? 1 / 3 : 1 / 6)
      const ky = o.S * (xx > 0 ? 1 / 3 : 1 / 6)
      add(w, u, kx * xx * (b / a) + ky * yy * (a / b))
      add(w, sx, (kx * CX[c]! * b) / 2)
      add(rx, u, (kx * CX[e]! * b) / 2)
      add(w, sy, (ky * CY[c]! * a) / 2)
      add(ry, u, (ky * CY[e]! * a) / 2)
      add(rx, sx, (kx * a * b) / 4)
      add(ry, sy, (ky * a * b) / 4)
    }
}
