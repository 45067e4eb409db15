/** Plates, sealants and lines join what a yard may replace by its own measurement. */
export const up = `
ALTER TABLE yard_values DROP CONSTRAINT yard_values_kind_check;
ALTER TABLE yard_values ADD CONSTRAINT yard_values_kind_check CHECK (kind IN ('core','laminate','plate','sealant','line'));
`
