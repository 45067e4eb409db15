import { QueryTypes, type Transaction } from 'sequelize'
import type { BoatZone } from '@north-tide/core'
import { Zone } from '../models'

/** Every zone with its layers, in one read. */
export async function zonesOf(boatId: string, transaction: Transaction | null = null): Promise<BoatZone[]> {
  type Row = Omit<BoatZone, 'outline' | 'deadrise'> & Record<'ox' | 'oy' | 'dx' | 'dd', number[]>
  const rows = await Zone.sequelize!.query<Row>(
    `SELECT z.id, z.version, z.code, z.title, z.face, z.kind, z.z_mm AS "zMm", z.at_x_mm AS "atXMm", z.stacking, z.reach, z.reach_kind AS "reachKind", z.state,
            z.outline_x AS ox, z.outline_y AS oy, z.deadrise_x AS dx, z.deadrise_deg AS dd,
            COALESCE((SELECT jsonb_agg(jsonb_build_object('material', l.material, 'thicknessMm', l.thickness_mm, 'measured', l.measured, 'measuredBy', l.measured_by,
                                                         'spreadMm', l.spread_mm, 'count', l.reading_count) ORDER BY l.seq) FROM zone_layers l WHERE l.zone_id = z.id), '[]') AS layers
       FROM zones z WHERE z.boat_id = $1 ORDER BY z.id`,
    { bind: [boatId], type: QueryTypes.SELECT, transaction },
  )
  return rows.map(({ ox, oy, dx, dd, ...z }) => ({
    ...z,
    outline: ox.map((xMm, i) => ({ xMm, yMm: oy[i]! })),
    deadrise: dx.map((xMm, i) => ({ xMm, deg: dd[i]! })),
  }))
}
