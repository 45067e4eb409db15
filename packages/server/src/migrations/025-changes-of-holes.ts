/**
 * A line for every statement that wrote in a boat's holes or their lives: whoever keeps her holes between
 * two reads asks these few lines, and not the thousands of holes, whether they are still the same.
 */
const noted = (table: string, event: string, rows: 'NEW' | 'OLD', of: string) => `
CREATE FUNCTION ${table}_${event.toLowerCase()}_noted() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  INSERT INTO hole_changes (boat_id) ${of};
  RETURN NULL;
END $$;
CREATE TRIGGER ${table}_${event.toLowerCase()}_noted AFTER ${event} ON ${table}
  REFERENCING ${rows} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION ${table}_${event.toLowerCase()}_noted();
`
const OF_HOLES = 'SELECT DISTINCT boat_id FROM changed'
const OF_LIVES = 'SELECT DISTINCT p.boat_id FROM changed c JOIN penetrations p ON p.id = c.penetration_id'
const EVENTS = [
  ['INSERT', 'NEW'],
  ['UPDATE', 'NEW'],
  ['DELETE', 'OLD'],
] as const
export const up = `
CREATE TABLE hole_changes (id bigserial PRIMARY KEY, boat_id text NOT NULL);
CREATE INDEX hole_changes_boat ON hole_changes (boat_id, id);
${EVENTS.map(([event, rows]) => noted('penetrations', event, rows, OF_HOLES) + noted('life_events', event, rows, OF_LIVES)).join('')}
`
