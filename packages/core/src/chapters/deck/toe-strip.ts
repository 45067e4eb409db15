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

/** Corners one after another. */
interface Corners {
  n: number
  x: number[]
  y: number[]
}
/** The part where along·x + across·y + centre is not below zero, into lists that are there already. */
function cut(ps: Corners, along: number, across: number, centre: number, into: Corners): Corners {
  let n = 0
  const put = (x: number, y: number) => {
    into.x[n] = x
    into.y[n++] = y
  }
  for (let i = 0; i < ps.n; i++) {
    const j = i + 1 === ps.n ? 0 : i + 1
    const da = along * ps.x[i]! + across * ps.y[i]! + centre
    const db = along * ps.x[j]! + across * ps.y[j]! + centre
    if (da >= 0) put(ps.x[i]!, ps.y[i]!)
    if (da >= 0 !== db >= 0) {
      const t = da / (da - db)
      put(ps.x[i]! + t * (ps.x[j]! - ps.x[i]!), ps.y[i]! + t * (ps.y[j]! - ps.y[i]!))
    }
  }
  into.n = n
  return into
}
/** Area and first moments by the corners; a cut that folds back on itself counts for nothing. */
function moments(ps: Corners): { A: number; x: number; y: number } {
  let A = 0
  let x = 0
  let y = 0
  for (let i = 0; i < ps.n; i++) {
    const j = i + 1 === ps.n ? 0 : i + 1
    const c = ps.x[i]! * ps.y[j]! - ps.x[j]! * ps.y[i]!
    A += c / 2
    x += (c * (ps.x[i]! + ps.x[j]!)) / 6
    y += (c * (ps.y[i]! + ps.y[j]!)) / 6
  }
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

const empty = (): Corners => ({ n: 0, x: [], y: [] })
/** Used anew by every strip: a sweep asks for some hundred. */
const [WHOLE, WITHIN, PRESSED] = [empty(), empty(), empty()]
function ofPolygon(ps: Point[], f: Field, g: number, b: number): Strip {
  WHOLE.n = ps.length
  // Along the way the pressure rises, in units of its slope.
  const along = f.alongMPaPerMm / g
  const across = f.acrossMPaPerMm / g
  let most = -Infinity
  for (let i = 0; i < ps.length; i++) {
    const p = ps[i]!
    WHOLE.x[i] = p.xMm
    WHOLE.y[i] = p.yMm
    most = Math.max(most, along * p.xMm + across * p.yMm)
  }
  const inner = most - b
  const force = (part: Corners) => {
    const m = moments(cut(part, f.alongMPaPerMm, f.acrossMPaPerMm, f.centreMPa, PRESSED))
    return m.A * f.centreMPa + m.x * f.alongMPaPerMm + m.y * f.acrossMPaPerMm
  }
  let outlineMm = 0
  for (let i = 0; i < WHOLE.n; i++) {
    const j = i + 1 === WHOLE.n ? 0 : i + 1
    const near = along * WHOLE.x[i]! + across * WHOLE.y[i]! - inner
    const far = along * WHOLE.x[j]! + across * WHOLE.y[j]! - inner
    const share =
      near >= 0 && far >= 0 ? 1 : near < 0 && far < 0 ? 0 : Math.max(near, far) / Math.abs(near - far)
    if (share > 0) outlineMm += share * Math.hypot(WHOLE.x[j]! - WHOLE.x[i]!, WHOLE.y[j]! - WHOLE.y[i]!)
  }
  const within = cut(WHOLE, along, across, -inner, WITHIN)
  const areaMm2 = moments(within).A
  return { areaMm2, forceN: force(within), outlineMm, baseMm2: moments(WHOLE).A, pushN: force(WHOLE) }
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
