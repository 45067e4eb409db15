/**
 * With every statement that wrote in a boat's holes or their lives, which holes it was: whoever keeps her
 * holes between two reads reads those anew and not the thousands beside them. Of a statement that wrote in
 * very many none is named, and all are read.
 */
const MOST = 200
const noted = (table: string, event: string, of: string) => `
CREATE OR REPLACE FUNCTION ${table}_${event}_noted() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO hole_changes (boat_id, holes) ${of};
  RETURN NULL;
END $$;
`
const named = (id: string) => `CASE WHEN count(*) <= ${MOST} THEN array_agg(DISTINCT ${id}) END`
const OF_HOLES = `SELECT c.boat_id, ${named('c.id')} FROM changed c GROUP BY c.boat_id`
const OF_LIVES = `SELECT p.boat_id, ${named('p.id')} FROM changed c JOIN penetrations p ON p.id = c.penetration_id GROUP BY p.boat_id`
export const up = `
ALTER TABLE hole_changes ADD COLUMN holes int[];
${['insert', 'update', 'delete'].map((event) => noted('penetrations', event, OF_HOLES) + noted('life_events', event, OF_LIVES)).join('')}
`
