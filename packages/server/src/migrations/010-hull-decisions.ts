/**
 * What was decided of a fitting through the hull (a taper plug lapped in or replaced) stands in its log,
 * with the figures that it was decided on.
 */
export const up = `
ALTER TABLE hull_log DROP CONSTRAINT hull_log_kind_check;
ALTER TABLE hull_log ADD CONSTRAINT hull_log_kind_check CHECK (kind IN ('bond','anode','look','order','tick','decision'));
`
