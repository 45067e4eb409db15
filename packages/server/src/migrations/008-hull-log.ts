/**
 * What was said when a step was ticked stands in its log by itself, so that a bad lot is traced to the
 * joint that it went into.
 */
export const up = `
ALTER TABLE hull_log ADD COLUMN step text NOT NULL DEFAULT '';
ALTER TABLE hull_log ADD COLUMN lot_id integer REFERENCES lots(id);
ALTER TABLE hull_log ADD COLUMN temp_c double precision;
ALTER TABLE hull_log ADD COLUMN humidity_pct double precision CHECK (humidity_pct BETWEEN 0 AND 100);
ALTER TABLE hull_log ADD COLUMN size_mm double precision CHECK (size_mm > 0);
CREATE INDEX hull_log_lot ON hull_log (lot_id) WHERE lot_id IS NOT NULL;
`
