import type { Point } from '@north-tide/core'

export const poly = (...ps: [number, number][]): Point[] => ps.map(([xMm, yMm]) => ({ xMm, yMm }))
export const box = (x0: number, y0: number, x1: number, y1: number) =>
  poly([x0, y0], [x1, y0], [x1, y1], [x0, y1])

export function halfBreadth(stations: [number, number, number, number][], x: number): number {
  const i = Math.max(
    1,
    stations.findIndex((s) => s[0] >= x),
  )
  const [a, b] = [stations[i - 1]!, stations[i]!]
  return a[1] + ((b[1] - a[1]) * (x - a[0])) / (b[0] - a[0])
}
const xsBetween = (stations: [number, number, number, number][], x0: number, x1: number) => [
  x0,
  ...stations.map((s) => s[0]).filter((x) => x > x0 && x < x1),
  x1,
]
/** The full breadth of the deck from x0 to x1, less an inset at each side. */
export function fullDeck(
  stations: [number, number, number, number][],
  x0: number,
  x1: number,
  inset = 0,
): Point[] {
  const xs = xsBetween(stations, x0, x1)
  const edge = xs.map((x) => [x, Math.max(20, halfBreadth(stations, x) - inset)] as [number, number])
  return poly(
    ...edge,
    ...edge
      .slice()
      .reverse()
      .map(([x, y]) => [x, -y] as [number, number]),
  )
}
/** A strip along one side, between an inner half-breadth and the deck edge less an inset. */
export function sideStrip(
  stations: [number, number, number, number][],
  x0: number,
  x1: number,
  side: 1 | -1,
  inner: (x: number) => number,
  inset: number,
): Point[] {
  const xs = xsBetween(stations, x0, x1)
  return poly(
    ...xs.map((x) => [x, side * (halfBreadth(stations, x) - inset)] as [number, number]),
    ...xs
      .slice()
      .reverse()
      .map((x) => [x, side * inner(x)] as [number, number]),
  )
}
