/** The yard's own measured values in place of a table's estimates, with who measured and why. */
export const up = `
CREATE TABLE yard_values (
  kind text NOT NULL CHECK (kind IN ('core','laminate')),
  material text NOT NULL,
  field text NOT NULL,
  value double precision NOT NULL CHECK (value > 0 AND value < 1e9),
  reason text NOT NULL CHECK (length(trim(reason)) > 0),
  measured_by text NOT NULL,
  measured_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (kind, material, field)
);
`
