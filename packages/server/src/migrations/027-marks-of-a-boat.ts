/**
 * Marks by which is told what of a boat is another than before. Every act asks for them, and to plan the
 * question took five times as long as to answer it: as a function it is planned once by each connection.
 * What no change leaves as it was: how many rows there are, and the sum of the transactions that wrote
 * them, which only grows. Fittings are marked one by one; of holes, which are thousands, the database
 * notes every statement that wrote in them. `ended`: every transaction before this one had ended; `oldest`:
 * the oldest note there is of what was written in her holes.
 */
const markOf = (from: string) => `(SELECT concat_ws(' ', count(*), sum(x.xmin::text::bigint)) FROM ${from})`
export const up = `
CREATE FUNCTION boat_marks(boat text,
  OUT zones text, OUT ground text, OUT holes text, OUT fittings text, OUT own text, OUT beside text,
  OUT ended text, OUT oldest text)
LANGUAGE plpgsql STABLE AS $$
#variable_conflict use_column
BEGIN
  SELECT
    ${markOf('zones x WHERE x.boat_id = boat')},
    concat_ws(' ',
      ${markOf('zone_layers x JOIN zones z ON z.id = x.zone_id WHERE z.boat_id = boat')},
      ${markOf('structures x WHERE x.boat_id = boat')},
      ${markOf("readings x WHERE x.boat_id = boat AND x.kind = 'moisture'")}),
    (SELECT concat_ws(' ', count(*), max(x.id), sum(x.id)) FROM hole_changes x WHERE x.boat_id = boat),
    (SELECT COALESCE(json_agg(json_build_array(x.id, x.xmin::text) ORDER BY x.created_at, x.id), '[]')::text
       FROM fittings x WHERE x.boat_id = boat),
    concat_ws(' ', ${markOf('yard_values x')}, ${markOf('goods x')}),
    concat_ws(' ',
      ${markOf('boats x WHERE x.id = boat')},
      ${markOf('outline_stations x WHERE x.boat_id = boat')},
      ${markOf("work_log x JOIN fittings f ON f.id = x.fitting_id WHERE f.boat_id = boat AND x.kind = 'order'")}),
    (pg_snapshot_xmin(pg_current_snapshot())::text::bigint & 4294967295)::text,
    (SELECT min(x.id)::text FROM hole_changes x WHERE x.boat_id = boat)
  INTO zones, ground, holes, fittings, own, beside, ended, oldest;
END $$;
`
