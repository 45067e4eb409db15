import dayjs from 'dayjs'
import { QueryTypes } from 'sequelize'
import type { BoatPart, BoatZone, ZoneLayer } from '@north-tide/core'
import { Boat } from '../models'

/** Zones with their layers and parts of the structure as they stood at the end of a day. */
interface Kept {
  what: 'zones' | 'structures'
  id: string
  version: number
  was: Record<string, unknown>
}
/**
 * The last revision until then, and of what was there on the first day that any were kept, that one: before
 * it nothing is known of them, which is not that they were not there.
 */
const SURFACES_ON = `
WITH first AS (SELECT date_trunc('day', min(at)) + interval '1 day' AS until FROM revisions WHERE boat_id = $1 AND what IN ('zones', 'structures'))
SELECT what, row_key AS id, version, was
  FROM (SELECT DISTINCT ON (what, row_key) r.* FROM revisions r, first
         WHERE boat_id = $1 AND what IN ('zones', 'structures') AND at < GREATEST($2, first.until)
         ORDER BY what, row_key, id DESC) s
 WHERE NOT gone ORDER BY what, row_key::int`
/** The first day from which on surfaces are known as they stood. */
export async function surfacesSince(boatId: string): Promise<string | null> {
  const [row] = await Boat.sequelize!.query<{ at: Date | null }>(
    `SELECT min(at) AS at FROM revisions WHERE boat_id = $1 AND what IN ('zones', 'structures')`,
    { bind: [boatId], type: QueryTypes.SELECT },
  )
  return row?.at ? dayjs(row.at).format('YYYY-MM-DD') : null
}
export const surfacesOn = (boatId: string, before: Date): Promise<Kept[]> =>
  Boat.sequelize!.query<Kept>(SURFACES_ON, { bind: [boatId, before], type: QueryTypes.SELECT })

const layerOf = (l: Record<string, unknown>): ZoneLayer => ({
  material: l.material as string,
  thicknessMm: l.thickness_mm as number,
  measured: l.measured as boolean,
  measuredBy: (l.measured_by as string | undefined) ?? '',
  spreadMm: (l.spread_mm as number | undefined) ?? null,
  count: (l.reading_count as number | undefined) ?? 0,
})
/** Columns that came later are not in what was kept before them. */
export function pastZones(kept: Kept[]): BoatZone[] {
  return kept
    .filter((k) => k.what === 'zones')
    .map(({ was: z, id }) => ({
      id: Number(id),
      version: z.version as number,
      code: z.code as string,
      title: z.title as string,
      face: z.face as BoatZone['face'],
      kind: z.kind as BoatZone['kind'],
      zMm: z.z_mm as number,
      atXMm: (z.at_x_mm as number | undefined) ?? null,
      stacking: z.stacking as number,
      reach: z.reach as string,
      reachKind: z.reach_kind as NonNullable<BoatZone['reachKind']>,
      state: z.state as string,
      outline: (z.outline_x as number[]).map((xMm, i) => ({ xMm, yMm: (z.outline_y as number[])[i]! })),
      deadrise: ((z.deadrise_x as number[] | undefined) ?? []).map((xMm, i) => ({
        xMm,
        deg: (z.deadrise_deg as number[])[i]!,
      })),
      layers: ((z.layers as Record<string, unknown>[] | undefined) ?? []).map(layerOf),
    }))
}
export function pastParts(kept: Kept[]): BoatPart[] {
  return kept
    .filter((k) => k.what === 'structures')
    .map(({ was: s, id }) => ({
      id: Number(id),
      kind: s.kind as BoatPart['kind'],
      title: s.title as string,
      x0Mm: s.x0_mm as number,
      y0Mm: s.y0_mm as number,
      x1Mm: s.x1_mm as number,
      y1Mm: s.y1_mm as number,
      belowMm: (s.below_mm as number | undefined) ?? null,
      depthMm: (s.depth_mm as number | undefined) ?? null,
      widthMm: (s.width_mm as number | undefined) ?? null,
      version: s.version as number,
    }))
}
export interface OtherSurface {
  id: string
  of: 'zone' | 'structure'
  name: string
  was: number | null
  is: number | null
}
/** What was put there, changed or taken away between two days. */
export function otherSurfaces(was: Kept[], is: Kept[]): OtherSurface[] {
  const key = (k: Kept) => `${k.what} ${k.id}`
  const [before, after] = [new Map(was.map((k) => [key(k), k])), new Map(is.map((k) => [key(k), k]))]
  return [...new Set([...before.keys(), ...after.keys()])]
    .flatMap((k): OtherSurface[] => {
      const [b, a] = [before.get(k), after.get(k)]
      const one = (a ?? b)!
      if (a?.version === b?.version) return []
      return [
        {
          id: one.id,
          of: one.what === 'zones' ? 'zone' : 'structure',
          name: one.was.title as string,
          was: b?.version ?? null,
          is: a?.version ?? null,
        },
      ]
    })
    .sort((x, y) => x.name.localeCompare(y.name))
}
