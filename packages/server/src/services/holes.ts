import { QueryTypes, type Transaction } from 'sequelize'
import { holeLabel, type HoleRow } from '@north-tide/core'
import { Penetration } from '../models'

/** The holes of a boat, each with where it stands in its life. */
interface Which {
  transaction?: Transaction | null
  /** these holes only, and those of a fitting */
  only?: number[]
  fittingId?: string
  /** those too that were kept by mistake and withdrawn */
  withdrawn?: boolean
  /** those numbered after this one, so many of them */
  after?: { number: number; most: number }
}
/** Every hole of a boat with where it stands in its life; null: those of `only`, of whatever boat. */
export async function holesOf(boatId: string | null, which: Which = {}): Promise<HoleRow[]> {
  const rows = await Penetration.sequelize!.query<Omit<HoleRow, 'label' | 'since'> & { since: Date }>(
    `SELECT p.id, p.number, p.fitting_id AS "fittingId", f.kind AS "fittingKind", p.part, p.bolt_index AS "boltIndex", p.what_for AS "whatFor", COALESCE(q.title, p.zone) AS zone, q.code AS "zoneCode", p.x_mm AS "xMm", p.y_mm AS "yMm", p.z_mm AS "zMm", p.diameter_mm AS "diameterMm",
            p.through, p.fastener, p.plate, p.core_school AS "coreSchool", p.sealant, p.below_waterline AS "belowWaterline", p.found, p.across_mm AS "acrossMm", p.direction_deg AS "directionDeg", p.found_kind AS "foundKind", p.measured_from AS "measuredFrom",
            p.withdrawn_why AS "withdrawnWhy", p.withdrawn_by AS "withdrawnBy",
            e.state, e.happened_at AS since, e.who,
            (SELECT count(*)::int FROM life_events g WHERE g.penetration_id = p.id AND cardinality(g.gates_passed) > 0) AS "gatesPassed"
       FROM penetrations p
       LEFT JOIN fittings f ON f.id = p.fitting_id
       LEFT JOIN zones q ON q.boat_id = p.boat_id AND q.code = p.zone
       JOIN LATERAL (SELECT state, happened_at, who FROM life_events WHERE penetration_id = p.id ORDER BY seq DESC LIMIT 1) e ON true
      WHERE (p.boat_id = $1 OR ($1::text IS NULL AND p.id = ANY($2)))
        AND ($2::int[] IS NULL OR p.id = ANY($2) OR p.fitting_id = $6::uuid)
        AND ($3 OR p.withdrawn_why IS NULL) AND p.number > $4 ORDER BY p.number LIMIT $5`,
    {
      bind: [
        boatId,
        which.only ?? null,
        which.withdrawn ?? false,
        which.after?.number ?? 0,
        which.after?.most ?? null,
        which.fittingId ?? null,
      ],
      type: QueryTypes.SELECT,
      transaction: which.transaction ?? null,
    },
  )
  return rows.map((r) => ({ ...r, label: holeLabel(r.number), since: r.since.toISOString() }))
}
