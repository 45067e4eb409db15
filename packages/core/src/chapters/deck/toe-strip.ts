import { areaOf, type Outline, type Point } from '../../base/geometry/outline'

/**
 * Pressure of a base on the deck, MPa: max(0, centre + along·x + across·y), x and y from the base's
 * centre.
 */
export interface Field {
  centreMPa: number
  alongMPaPerMm: number
  acrossMPaPerMm: number
}
/** What lies near the toe of a tipped base (chapter 3.4), and the push under the whole of it. */
export interface Strip {
  areaMm2: number
  /** what presses in it, N */
  forceN: number
  /** how much of the base's outline lies in it, mm */
  outlineMm: number
  /** the base's whole area, mm² */
  baseMm2: number
  /** what presses under the whole base, N */
  pushN: number
}

const cut = (ps: Point[], side: (p: Point) => number): Point[] =>
  ps.flatMap((a, i) => {
    const b = ps[(i + 1) % ps.length]!
    const [da, db] = [side(a), side(b)]
    const t = da / (da - db)
    const crossing = { xMm: a.xMm + t * (b.xMm - a.xMm), yMm: a.yMm + t * (b.yMm - a.yMm) }
    return [...(da >= 0 ? [a] : []), ...(da >= 0 !== db >= 0 ? [crossing] : [])]
  })
/** Area and first moments by the corners; a cut that folds back on itself counts for nothing. */
function moments(ps: Point[]) {
  let [A, x, y] = [0, 0, 0]
  ps.forEach((a, i) => {
    const b = ps[(i + 1) % ps.length]!
    const c = a.xMm * b.yMm - b.xMm * a.yMm
    A += c / 2
    x += (c * (a.xMm + b.xMm)) / 6
    y += (c * (a.yMm + b.yMm)) / 6
  })
  return A < 0 ? { A: -A, x: -x, y: -y } : { A, x, y }
}
const cornersOf = (o: Exclude<Outline, { diameterMm: number }>): Point[] => {
  if ('outline' in o) return o.outline
  const [a, b] = [o.lengthMm / 2, o.widthMm / 2]
  return [
    { xMm: -a, yMm: -b },
    { xMm: a, yMm: -b },
    { xMm: a, yMm: b },
    { xMm: -a, yMm: b },
  ]
}

function ofPolygon(ps: Point[], f: Field, g: number, b: number): Strip {
  const s = (p: Point) => (f.alongMPaPerMm * p.xMm + f.acrossMPaPerMm * p.yMm) / g
  const pressure = (p: Point) => f.centreMPa + g * s(p)
  const inner = Math.max(...ps.map(s)) - b
  const within = cut(ps, (p) => s(p) - inner)
  const force = (part: Point[]) => {
    const m = moments(cut(part, pressure))
    return m.A * f.centreMPa + m.x * f.alongMPaPerMm + m.y * f.acrossMPaPerMm
  }
  const outlineMm = ps.reduce((sum, p, i) => {
    const q = ps[(i + 1) % ps.length]!
    const [near, far] = [s(p) - inner, s(q) - inner]
    const share =
      near >= 0 && far >= 0 ? 1 : near < 0 && far < 0 ? 0 : Math.max(near, far) / Math.abs(near - far)
    return sum + share * Math.hypot(q.xMm - p.xMm, q.yMm - p.yMm)
  }, 0)
  const areaMm2 = moments(within).A
  return { areaMm2, forceN: force(within), outlineMm, baseMm2: moments(ps).A, pushN: force(ps) }
}

function ofDisc(R: number, f: Field, g: number, b: number): Strip {
  /** Area and first moment about the middle of what lies beyond h from it. */
  const beyond = (h: number) => {
    const th = Math.acos(Math.max(-1, Math.min(1, h / R)))
    return { th, A: R * R * (th - Math.sin(2 * th) / 2), i: (2 / 3) * R ** 3 * Math.sin(th) ** 3 }
  }
  const force = (h: number) => {
    const m = beyond(Math.max(h, -f.centreMPa / g))
    return m.A * f.centreMPa + m.i * g
  }
  const strip = beyond(R - b)
  return {
    areaMm2: strip.A,
    forceN: force(R - b),
    outlineMm: 2 * R * strip.th,
    baseMm2: Math.PI * R * R,
    pushN: force(-R),
  }
}

/**
 * The strip of an outline within b of the toe of its pressure field. An even field has no toe: its strip is
 * empty, and only the push counts.
 */
export function toeStrip(base: Outline, f: Field, bMm: number): Strip {
  const g = Math.hypot(f.alongMPaPerMm, f.acrossMPaPerMm)
  if (g === 0) {
    const baseMm2 = areaOf(base)
    return { areaMm2: 0, forceN: 0, outlineMm: 0, baseMm2, pushN: Math.max(0, f.centreMPa) * baseMm2 }
  }
  return 'diameterMm' in base ? ofDisc(base.diameterMm / 2, f, g, bMm) : ofPolygon(cornersOf(base), f, g, bMm)
}
