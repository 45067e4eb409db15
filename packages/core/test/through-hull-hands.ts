import { withChange } from '../src'
import {
  throughHullEntry,
  judgeThroughHull,
  parseThroughHull,
  startThroughHull,
  type ThroughHullAround,
  type ThroughHullDesign,
} from '../src/kinds/through-hull'

export const NOBODY: ThroughHullAround = { zones: [], parts: [], holes: [], others: [] }
export const HULL: ThroughHullDesign['hull'] = {
  kind: 'solid',
  thicknessMm: 14,
  measured: true,
  how: 'plug',
  deadriseDeg: 17,
  slopeDeg: 0,
  angleMeasured: true,
  solidMm: null,
}
/** Plumb on wedges, as most of these tests have a seacock; square to the hull is the default. */
const onWedges = (id: string, deadriseDeg: number): Record<string, unknown> =>
  throughHullEntry(id)!.family === 'seacock' && deadriseDeg > 3 ? { 'wedge.blocks': 'both' } : {}
export const fit = (
  id: string,
  change: Record<string, unknown> = {},
  hull: Partial<ThroughHullDesign['hull']> = {},
): ThroughHullDesign =>
  parseThroughHull(
    withChange(
      startThroughHull(
        throughHullEntry(id)!,
        {
          place: { zone: 'bottom', xMm: 5000, yMm: 400, zMm: -420, measuredFrom: [] },
          hull: { ...HULL, ...hull },
          duty: 'coastal',
        },
        id,
      ),
      { ...onWedges(id, hull.deadriseDeg ?? HULL.deadriseDeg), ...change },
    ),
  )
export const judge = (d: ThroughHullDesign, around: Partial<ThroughHullAround> = {}) =>
  judgeThroughHull(d, { ...NOBODY, ...around })
export const verdict = (d: ThroughHullDesign, id: string, around: Partial<ThroughHullAround> = {}) =>
  judge(d, around).checks.find((c) => c.id === id)?.verdict
export const neighbour = (
  d: ThroughHullDesign,
  place: Partial<ThroughHullDesign['place']>,
  name = 'Neighbour',
) => ({ id: 'n', name, design: { ...d, name, place: { ...d.place, ...place } } })
export const finite = (v: unknown): boolean =>
  typeof v === 'number'
    ? Number.isFinite(v)
    : v && typeof v === 'object'
      ? Object.values(v).every(finite)
      : true
