import { computed, type Ref } from 'vue'
import { formatInches, insidePolygon, type BoatZone, type Point, type Units } from '@north-tide/core'
import type { BoatPicture } from '../../../types'

/** A place on the boat that was pointed at. */
export interface Spot3 extends Point {
  zMm?: number
  zone?: string
}
type Station = BoatPicture['stations'][number]
type XY = [number, number]
const MARGIN = 40

/** A figure of the hull between the stations on either side. */
function atStation(stations: Station[], xMm: number, of: 'sheerMm' | 'keelMm' | 'halfBreadthMm'): number {
  const after = stations.findIndex((p) => p.xMm >= xMm)
  const i = Math.max(1, after < 0 ? stations.length - 1 : after)
  const [a, b] = [stations[i - 1]!, stations[i]!]
  return a[of] + ((b[of] - a[of]) * (xMm - a.xMm)) / (b.xMm - a.xMm)
}
/** A line through all points without a corner. */
function smooth(ps: XY[]): string {
  const near = (i: number) => ps[Math.min(ps.length - 1, Math.max(0, i))]!
  const pulled = (a: XY, b: XY, d: XY, s: number): XY => [
    b[0] + (s * (d[0] - a[0])) / 6,
    b[1] + (s * (d[1] - a[1])) / 6,
  ]
  const said = (v: XY) => v.map((n) => n.toFixed(1)).join(' ')
  return ps
    .map((p, i) => {
      if (i === 0) return `M${said(p)}`
      const c1 = pulled(near(i - 2), near(i - 1), p, 1)
      const c2 = pulled(near(i - 1), p, near(i + 1), -1)
      return `C${said(c1)} ${said(c2)} ${said(p)}`
    })
    .join('')
}
const onFrom = (line: string) => line.replace(/^M[^C]*/, '')

/** Over and under her and between plan and profile: the ruler, words, and the keys that zoom. */
const AROUND_PX = 132
/** Plan on top, profile below, one scale: where each point of the boat is drawn. */
function laidOut(boat: () => BoatPicture, width: Ref<number>, height: Ref<number>) {
  const highest = computed(() => Math.max(...boat().stations.map((s) => s.sheerMm)))
  const lowest = computed(() => Math.min(...boat().stations.map((s) => s.keelMm)))
  const roof = computed(() => boat().zones.find((z) => z.face === 'roof'))
  const cabin = computed(() => (roof.value ? Math.max(0, roof.value.zMm - highest.value) : 0))
  const depth = computed(() => highest.value - lowest.value + cabin.value)
  const scale = computed(() =>
    Math.max(
      0.01,
      Math.min(
        (width.value - 2 * MARGIN) / boat().lengthMm,
        (height.value - AROUND_PX) / (boat().beamMm + depth.value + 500),
      ),
    ),
  )
  const half = computed(() => (boat().beamMm / 2) * scale.value)
  const planMid = computed(() => 56 + half.value)
  const waterline = computed(
    () => planMid.value + half.value + 44 + (highest.value + cabin.value) * scale.value,
  )
  const X = (x: number) => MARGIN + x * scale.value
  const Y = (y: number) => planMid.value - y * scale.value
  const Z = (z: number) => waterline.value - z * scale.value
  /** Where the profile has its words: over the cabin. */
  const profileTop = computed(() => Z(highest.value + cabin.value) - 14)
  /** Back from the sheet: along her, across the plan, up the profile. */
  const back = ([sx, sy]: XY) => ({
    xMm: (sx - MARGIN) / scale.value,
    yMm: (planMid.value - sy) / scale.value,
    zMm: (waterline.value - sy) / scale.value,
  })
  return { scale, roof, X, Y, Z, profileTop, back }
}
type Laid = ReturnType<typeof laidOut>

/** The lines of her hull. */
function hullLines(boat: () => BoatPicture, { roof, X, Y, Z }: Laid) {
  const deckEdge = computed(() => {
    const side = (s: 1 | -1) => boat().stations.map((p): XY => [X(p.xMm), Y(s * p.halfBreadthMm)])
    const port = side(-1).reverse()
    return `${smooth(side(1))}L${port[0]!.join(' ')}${onFrom(smooth(port))}Z`
  })
  const hull = computed(() => {
    const { stations } = boat()
    const sheer = smooth(stations.map((p): XY => [X(p.xMm), Z(p.sheerMm)]))
    const keel = smooth(stations.map((p): XY => [X(p.xMm), Z(p.keelMm)]).reverse())
    const last = stations.at(-1)!
    return `${sheer}L${X(last.xMm)} ${Z(last.keelMm)}${onFrom(keel)}Z`
  })
  const cabinPath = computed(() => {
    if (!roof.value) return ''
    const xs = roof.value.outline.map((p) => p.xMm)
    const [a, b, z] = [Math.min(...xs), Math.max(...xs), roof.value.zMm]
    const foot = (x: number) => `${X(x)} ${Z(atStation(boat().stations, x, 'sheerMm'))}`
    return `M${foot(a - 90)}L${X(a + 260)} ${Z(z)}L${X(b)} ${Z(z + 15)}L${foot(b)}`
  })
  /** A bulkhead as it stands in the profile. */
  const uprightAt = (x: number) => {
    const s = boat().stations.find((p) => p.xMm >= x)!
    return `M${X(x)} ${Z(s.sheerMm)}V${Z(s.keelMm)}`
  }
  const path = (ps: Point[]) =>
    `M${ps.map((p) => `${X(p.xMm).toFixed(1)} ${Y(p.yMm).toFixed(1)}`).join('L')}Z`
  return { deckEdge, hull, cabinPath, uprightAt, path }
}

/** The boat as it lies on the sheet; how it is zoomed and moved there is not its matter. */
export function usePlanSheet(
  boat: () => BoatPicture,
  units: () => Units,
  width: Ref<number>,
  height: Ref<number>,
) {
  const laid = laidOut(boat, width, height)
  const halfAt = (x: number) => atStation(boat().stations, x, 'halfBreadthMm')
  const ruler = computed(() => {
    const long = boat().lengthMm > 8000
    const inch = units() === 'inch'
    const step = inch ? 304.8 * (long ? 4 : 2) : long ? 2000 : 1000
    return Array.from({ length: Math.floor(boat().lengthMm / step) + 1 }, (_, i) => ({
      x: i * step,
      text: inch ? formatInches((i * step) / 12) : String((i * step) / 1000),
    }))
  })
  const onPlan = (p: Point) =>
    Math.abs(p.yMm) <= boat().beamMm / 2 + 200 && p.xMm >= -200 && p.xMm <= boat().lengthMm + 200
  /** The side of the hull under a point of the profile, and where that is on the boat. */
  function sideAt(at: XY): { zone: BoatZone; spot: Spot3 & { zMm: number } } | null {
    const { xMm, zMm } = laid.back(at)
    const { stations, zones } = boat()
    if (xMm < stations[0]!.xMm || xMm > stations.at(-1)!.xMm) return null
    if (zMm > atStation(stations, xMm, 'sheerMm') || zMm < atStation(stations, xMm, 'keelMm')) return null
    const sides = zones.filter((z) => z.face === 'topsides' || z.face === 'bottom')
    const zone =
      sides.find((z) => insidePolygon(z.outline, { xMm, yMm: zMm })) ??
      sides.find((z) => z.face === (zMm < 0 ? 'bottom' : 'topsides'))
    if (!zone) return null
    const yMm = Math.round(halfAt(xMm) * (zone.face === 'bottom' ? 0.5 : 1))
    return { zone, spot: { xMm: Math.round(xMm), yMm, zMm: Math.round(zMm), zone: zone.code } }
  }
  return { ...laid, ...hullLines(boat, laid), halfAt, ruler, onPlan, sideAt }
}
export type PlanSheet = ReturnType<typeof usePlanSheet>
