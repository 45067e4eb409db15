import { boundsOf, insidePolygon, type Point } from '../../base/geometry/outline'
import { cosSin } from '../../base/geometry/turn'
import { gradedLines, type Crowd } from './mesh'
import { factorGrid } from './multifrontal'
import { KEPT, settle, stressAt, type AtNodes } from './patch-stress'
import { addPlate, sectionOf, type Layup, type PlateLayer, type Section } from './section'

export type EdgeKind = 'simple' | 'clamped' | 'free'
export interface Rect {
  xMm: number
  yMm: number
  lengthMm: number
  widthMm: number
  /** its length turned from x towards y, degrees; left out: along x */
  turnDeg?: number | undefined
}
/**
 * A hole in the panel. Its edge follows the elements in steps, so that stress is to be read a deck's
 * thickness away from it.
 */
export interface Cut {
  outline: Point[]
  /** bonded behind, out to its own outline */
  ring?: (PlateLayer & { outline: Point[] }) | undefined
  /** what lies in the hole hands its load to the panel, evenly within this outline */
  rim?: { outline: Point[]; forceN: number } | undefined
  /** lines of the mesh that are wanted besides, where a corner begins to turn */
  linesX?: number[]
  linesY?: number[]
}
export interface PatchProblem {
  aMm: number
  bMm: number
  edges: { x0: EdgeKind; x1: EdgeKind; y0: EdgeKind; y1: EdgeKind }
  layup: Layup
  loads: (Rect & { forceN: number })[]
  pressureMPa: number
  backingPlate?: (Rect & PlateLayer) | undefined
  basePlate?: (Rect & PlateLayer) | undefined
  /** members bonded under the deck: it does not move there, and is free to turn over them */
  supports?: { axis: 'x' | 'y'; atMm: number }[] | undefined
  cut?: Cut | undefined
  /** solved once more for the loads without pressure and rim: how far it bends then */
  loadsAlone?: boolean
  nx: number
  ny: number
}
export interface Peak {
  stressMPa: number
  xMm: number
  yMm: number
}
export interface PatchAnswer {
  x: Float64Array
  y: Float64Array
  deflection: Float64Array
  outer: Float64Array
  inner: Float64Array
  shear: Float64Array
  /** under its loads without pressure and rim, where it was asked */
  alone: Float64Array | null
  totalReactionN: number
  bare: Section
  stored: number
}

function within(r: Rect | undefined, x: number, y: number): boolean {
  if (r === undefined) return false
  const [dx, dy] = [x - r.xMm, y - r.yMm]
  if (!r.turnDeg) return Math.abs(dx) < r.lengthMm / 2 && Math.abs(dy) < r.widthMm / 2
  const [c, s] = cosSin(r.turnDeg)
  return Math.abs(dx * c + dy * s) < r.lengthMm / 2 && Math.abs(dy * c - dx * s) < r.widthMm / 2
}
/** Half of what a rectangle takes along each axis. */
export function halvesOf(r: Rect): { xMm: number; yMm: number } {
  if (!r.turnDeg) return { xMm: r.lengthMm / 2, yMm: r.widthMm / 2 }
  const [c, s] = cosSin(r.turnDeg).map(Math.abs) as [number, number]
  return { xMm: (r.lengthMm * c + r.widthMm * s) / 2, yMm: (r.lengthMm * s + r.widthMm * c) / 2 }
}
/** Where lines of the mesh are wanted: at its edges, and of one that stands askew at each of its corners. */
function linesOf(r: Rect, at: 'xMm' | 'yMm'): number[] {
  const half = halvesOf(r)[at]
  if (!r.turnDeg || r.turnDeg % 90 === 0) return [r[at] - half, r[at] + half]
  const [c, s] = cosSin(r.turnDeg)
  const [l, w] = at === 'xMm' ? [r.lengthMm * c, r.widthMm * s] : [r.lengthMm * s, r.widthMm * c]
  const inner = (Math.abs(l) - Math.abs(w)) / 2
  return [r[at] - half, r[at] - Math.abs(inner), r[at] + Math.abs(inner), r[at] + half]
}

/** Area of the elements whose middle lies in it. */
function covered(inIt: (x: number, y: number) => boolean, x: Float64Array, y: Float64Array): number {
  let sum = 0
  for (let j = 0; j + 1 < y.length; j++)
    for (let i = 0; i + 1 < x.length; i++)
      if (inIt((x[i]! + x[i + 1]!) / 2, (y[j]! + y[j + 1]!) / 2))
        sum += (x[i + 1]! - x[i]!) * (y[j + 1]! - y[j]!)
  return sum
}
const inside = (outline: Point[] | undefined, x: number, y: number) =>
  outline !== undefined && insidePolygon(outline, { xMm: x, yMm: y })
/** Lines of the mesh at the greatest extent of a hole and of its ring, and where its corners turn. */
function cutLines(c: Cut | undefined, at: 'xMm' | 'yMm'): number[] {
  if (!c) return []
  const ends = (o: Point[]) => {
    const b = boundsOf({ outline: o })
    return at === 'xMm' ? [b.minX, b.maxX] : [b.minY, b.maxY]
  }
  return [
    ...ends(c.outline),
    ...(c.ring ? ends(c.ring.outline) : []),
    ...(c.rim ? ends(c.rim.outline) : []),
    ...((at === 'xMm' ? c.linesX : c.linesY) ?? []),
  ]
}
/** No element: it is cut out. */
const VOID = 255

/** Solves the panel and reads stresses at the nodes, averaged only among elements of one section. */
export function solvePatch(p: PatchProblem, tick?: (part: number) => boolean | void): PatchAnswer {
  const sandwich = p.layup.kind === 'sandwich'
  const dofs = sandwich ? 5 : 3
  const bare = sectionOf(p.layup)
  const total = p.layup.kind === 'sandwich' ? p.layup.outerMm + p.layup.coreMm + p.layup.innerMm : p.layup.tMm
  // Own bending of the skins dies out within a few of these lengths.
  const decay = bare.membrane ? Math.sqrt(bare.own.d11 / bare.membrane.S) : total
  const rects = [
    ...p.loads,
    ...(p.backingPlate ? [p.backingPlate] : []),
    ...(p.basePlate ? [p.basePlate] : []),
  ]
  const cuts = (at: 'xMm' | 'yMm') => [...rects.flatMap((r) => linesOf(r, at)), ...cutLines(p.cut, at)]
  const plates = [p.backingPlate, p.basePlate].filter((r) => r !== undefined)
  const crowd = (at: 'xMm' | 'yMm', length: number, k0: EdgeKind, k1: EdgeKind): Crowd[] => [
    ...(plates.length || p.loads.length || p.cut
      ? cuts(at).map((c) => ({ at: c, finest: decay / 2, part: 1 / 6, growth: 0.22 }))
      : []),
    // At a clamped edge the skins' own bending is greatest, and at the ends of a free one the panel's.
    ...[...(k0 === 'simple' ? [] : [0]), ...(k1 === 'simple' ? [] : [length])].map((c) => ({
      at: c,
      finest: decay / 6,
      part: 1 / 14,
      growth: 0.35,
    })),
  ]
  const members = (axis: 'x' | 'y') => (p.supports ?? []).filter((m) => m.axis === axis).map((m) => m.atMm)
  const x = gradedLines(
    p.aMm,
    [...cuts('xMm'), ...members('x')],
    crowd('xMm', p.aMm, p.edges.x0, p.edges.x1),
    p.nx,
  )
  const y = gradedLines(
    p.bMm,
    [...cuts('yMm'), ...members('y')],
    crowd('yMm', p.bMm, p.edges.y0, p.edges.y1),
    p.ny,
  )
  const [nx, ny] = [x.length - 1, y.length - 1]
  const across = nx + 1
  const nodes = across * (ny + 1)

  const behind = p.backingPlate ?? p.cut?.ring
  const cornersOf = (i: number, j: number) => [
    j * across + i,
    j * across + i + 1,
    (j + 1) * across + i + 1,
    (j + 1) * across + i,
  ]
  const sections: Section[] = [
    bare,
    sectionOf(p.layup, p.basePlate),
    sectionOf(p.layup, undefined, behind),
    sectionOf(p.layup, p.basePlate, behind),
  ]
  // The elements follow the edge of what stands askew in steps: its force goes over those that it covers.
  const spreadOver = p.loads.map((l) =>
    l.turnDeg || p.cut
      ? covered((u, v) => within(l, u, v) && !inside(p.cut?.outline, u, v), x, y)
      : l.lengthMm * l.widthMm,
  )
  const onRim = (u: number, v: number) => inside(p.cut?.rim?.outline, u, v) && !inside(p.cut?.outline, u, v)
  const rimMPa = p.cut?.rim ? p.cut.rim.forceN / covered(onRim, x, y) : 0
  const kind = new Uint8Array(nx * ny)
  const q = new Float64Array(nx * ny)
  const patches = new Float64Array(nx * ny)
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      const [cx, cy] = [(x[i]! + x[i + 1]!) / 2, (y[j]! + y[j + 1]!) / 2]
      if (inside(p.cut?.outline, cx, cy)) {
        kind[j * nx + i] = VOID
        continue
      }
      const backed = within(p.backingPlate, cx, cy) || inside(p.cut?.ring?.outline, cx, cy)
      kind[j * nx + i] = (within(p.basePlate, cx, cy) ? 1 : 0) + (backed ? 2 : 0)
      let s = 0
      p.loads.forEach((l, k) => {
        if (within(l, cx, cy)) s += l.forceN / spreadOver[k]!
      })
      patches[j * nx + i] = s
      q[j * nx + i] = s + p.pressureMPa + (rimMPa && onRim(cx, cy) ? rimMPa : 0)
    }

  const held = new Uint8Array(nodes * dofs)
  const rotations = sandwich ? [1, 3] : [1]
  const hold = (node: number, edge: EdgeKind, tangent: 0 | 1) => {
    if (edge === 'free') return
    held[node * dofs] = 1
    for (const r of rotations) {
      held[node * dofs + r + tangent] = 1
      if (edge === 'clamped') held[node * dofs + r + (1 - tangent)] = 1
    }
  }
  for (let j = 0; j <= ny; j++) {
    hold(j * across, p.edges.x0, 1)
    hold(j * across + nx, p.edges.x1, 1)
  }
  for (let i = 0; i <= nx; i++) {
    hold(i, p.edges.y0, 0)
    hold(ny * across + i, p.edges.y1, 0)
  }

  const onMember = (lines: Float64Array, at: number[]) =>
    Uint8Array.from(lines, (v) => (at.some((m) => Math.abs(m - v) < 1e-6) ? 1 : 0))
  const [memberX, memberY] = [onMember(x, members('x')), onMember(y, members('y'))]
  for (let j = 0; j <= ny; j++)
    for (let i = 0; i <= nx; i++) if (memberX[i] || memberY[j]) held[(j * across + i) * dofs] = 1

  // Nothing stands at a node with no element round it.
  if (p.cut) {
    const stands = new Uint8Array(nodes)
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++)
        if (kind[j * nx + i] !== VOID) for (const c of cornersOf(i, j)) stands[c] = 1
    for (let n = 0; n < nodes; n++) if (!stands[n]) held.fill(1, n * dofs, (n + 1) * dofs)
  }

  // Elements of one size and section are one matrix, so it is made once for each pair of widths.
  const made = new Map<number, Float64Array>()
  const alike = (lines: Float64Array) => {
    const widths = new Map<number, number>()
    return Int32Array.from({ length: lines.length - 1 }, (_, i) => {
      const w = Math.round((lines[i + 1]! - lines[i]!) * 1e9)
      if (!widths.has(w)) widths.set(w, widths.size)
      return widths.get(w)!
    })
  }
  const [wx, wy] = [alike(x), alike(y)]
  const element = (i: number, j: number) => {
    if (kind[j * nx + i] === VOID) return null
    const [a, b] = [x[i + 1]! - x[i]!, y[j + 1]! - y[j]!]
    const key = (wx[i]! * (ny + 1) + wy[j]!) * 4 + kind[j * nx + i]!
    let ke = made.get(key)
    if (!ke) {
      ke = new Float64Array(16 * dofs * dofs)
      const s = sections[kind[j * nx + i]!]!
      if (s.membrane) addPlate(ke, dofs, 1, a, b, s.membrane)
      addPlate(ke, dofs, s.membrane ? 3 : 1, a, b, s.own)
      made.set(key, ke)
    }
    return ke
  }
  const atNodes = (per: Float64Array) => {
    const load = new Float64Array(nodes)
    for (let j = 0; j < ny; j++)
      for (let i = 0; i < nx; i++) {
        const share = (per[j * nx + i]! * (x[i + 1]! - x[i]!) * (y[j + 1]! - y[j]!)) / 4
        for (const c of cornersOf(i, j)) load[c] = load[c]! + share
      }
    const rhs = new Float64Array(nodes * dofs)
    for (let n = 0; n < nodes; n++) if (!held[n * dofs]) rhs[n * dofs] = load[n]!
    return { load, rhs }
  }
  const { load, rhs } = atNodes(q)

  const factored = factorGrid({ nx, ny, dofs, element, held }, tick && ((part) => tick(part * 0.95)))
  const u = factored.solve(rhs)
  const bentBy = (v: Float64Array) => Float64Array.from({ length: nodes }, (_, n) => v[n * dofs]!)
  const alone = p.loadsAlone ? bentBy(factored.solve(atNodes(patches).rhs)) : null

  let totalReactionN = 0
  const deflection = bentBy(u)
  const pick = () => new Float64Array(nodes)
  const [outer, inner, shear] = [pick(), pick(), pick()]
  const sums: AtNodes[] = sections.map(() => ({ x: pick(), y: pick(), v: new Float64Array(nodes * KEPT) }))
  const sign = [
    [-1, -1],
    [1, -1],
    [1, 1],
    [-1, 1],
  ] as const
  for (let j = 0; j < ny; j++)
    for (let i = 0; i < nx; i++) {
      if (kind[j * nx + i] === VOID) continue
      const corner = cornersOf(i, j)
      const [a, b] = [x[i + 1]! - x[i]!, y[j + 1]! - y[j]!]
      if (corner.some((node) => held[node * dofs])) {
        const ke = element(i, j)!
        corner.forEach((node, c) => {
          if (!held[node * dofs]) return
          const row = c * dofs * 4 * dofs
          for (let e = 0; e < 4; e++)
            for (let d = 0; d < dofs; d++)
              totalReactionN += ke[row + e * dofs + d]! * u[corner[e]! * dofs + d]!
        })
      }
      const at = sums[kind[j * nx + i]!]!
      for (let c = 0; c < 4; c++) {
        const node = corner[c]!
        const [cx, cy] = sign[c]!
        // At a corner the derivative along a side is the difference over that side.
        const alongX = cy < 0 ? [0, 1] : [3, 2]
        const alongY = cx < 0 ? [0, 3] : [1, 2]
        const base = node * KEPT
        const [x0, x1] = [corner[alongX[0]!]! * dofs, corner[alongX[1]!]! * dofs]
        const [y0, y1] = [corner[alongY[0]!]! * dofs, corner[alongY[1]!]! * dofs]
        for (let k = 0; k < rotations.length; k++) {
          const r = rotations[k]!
          const to = base + 4 * k
          at.v[to] = at.v[to]! + (u[x1 + r]! - u[x0 + r]!) / a / a
          at.v[to + 1] = at.v[to + 1]! + (u[y1 + r + 1]! - u[y0 + r + 1]!) / b / b
          at.v[to + 2] = at.v[to + 2]! + (u[y1 + r]! - u[y0 + r]!) / b / b
          at.v[to + 3] = at.v[to + 3]! + (u[x1 + r + 1]! - u[x0 + r + 1]!) / a / a
        }
        // Shear is tied to the middles of the sides: at a corner it is that of the side along each axis.
        const sx = (u[x1]! - u[x0]!) / a + (u[x0 + 1]! + u[x1 + 1]!) / 2
        const sy = (u[y1]! - u[y0]!) / b + (u[y0 + 2]! + u[y1 + 2]!) / 2
        at.v[base + 8] = at.v[base + 8]! + sx / a
        at.v[base + 9] = at.v[base + 9]! + sy / b
        at.x[node] = at.x[node]! + 1 / a
        at.y[node] = at.y[node]! + 1 / b
      }
    }
  // Loads that stand straight on a held node go into the edge without bending anything.
  for (let n = 0; n < nodes; n++) if (held[n * dofs]) totalReactionN -= load[n]!

  sums.forEach((at, s) => {
    const sec = sections[s]!
    settle(at, across, ny + 1)
    for (let n = 0; n < nodes; n++) {
      if (!(at.x[n]! > 0)) continue
      const so = stressAt(sec.outer, at.v, n * KEPT, sandwich)
      const si = stressAt(sec.inner, at.v, n * KEPT, sandwich)
      const sh = sec.shear * Math.hypot(at.v[n * KEPT + 8]!, at.v[n * KEPT + 9]!)
      if (Math.abs(so) > Math.abs(outer[n]!)) outer[n] = so
      if (Math.abs(si) > Math.abs(inner[n]!)) inner[n] = si
      if (sh > shear[n]!) shear[n] = sh
    }
  })
  tick?.(1)
  return { x, y, deflection, outer, inner, shear, alone, totalReactionN, bare, stored: factored.stored }
}
