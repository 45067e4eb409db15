/** What is counted on the shelf, who sells what, what is ordered for which fittings; prices of the yard. */
export const up = `
CREATE TABLE shelf (
  id serial PRIMARY KEY,
  kind text NOT NULL CHECK (kind IN ('fastener','part','tool')),
  -- as one asks for it over the counter; a fastener has its figures beside it
  text text NOT NULL CHECK (length(text) BETWEEN 1 AND 200),
  item jsonb,
  count integer NOT NULL CHECK (count BETWEEN 0 AND 10000),
  state text NOT NULL DEFAULT 'new' CHECK (state IN ('new','used','unsure')),
  where_it_is text NOT NULL DEFAULT '',
  version integer NOT NULL DEFAULT 1,
  CHECK ((kind = 'fastener') = (item IS NOT NULL))
);
CREATE TABLE offers (
  id serial PRIMARY KEY,
  maker text NOT NULL CHECK (length(maker) BETWEEN 1 AND 80),
  text text NOT NULL CHECK (length(text) BETWEEN 1 AND 200),
  item jsonb,
  packs jsonb NOT NULL,
  lead_days integer CHECK (lead_days BETWEEN 0 AND 730),
  version integer NOT NULL DEFAULT 1,
  UNIQUE (maker, text)
);
CREATE TABLE orders (
  id serial PRIMARY KEY,
  -- empty: over the counter, or from the yard's own shelf
  maker text NOT NULL DEFAULT '',
  kind text NOT NULL CHECK (kind IN ('order','shelf','back')),
  lines jsonb NOT NULL DEFAULT '[]',
  taken jsonb NOT NULL DEFAULT '[]',
  fittings uuid[] NOT NULL,
  expected date,
  ordered_at timestamptz NOT NULL DEFAULT now(),
  ordered_by text NOT NULL,
  arrived_at timestamptz,
  arrived_by text,
  cancelled_at timestamptz,
  cancelled_by text,
  version integer NOT NULL DEFAULT 1,
  CHECK (kind <> 'order' OR expected IS NOT NULL)
);
CREATE INDEX orders_fittings ON orders USING gin (fittings);
ALTER TABLE holds ADD COLUMN order_id integer REFERENCES orders(id) ON DELETE CASCADE;
CREATE TABLE yard_settings (
  key text PRIMARY KEY,
  value jsonb NOT NULL,
  version integer NOT NULL DEFAULT 1,
  changed_by text NOT NULL,
  changed_at timestamptz NOT NULL DEFAULT now()
);
`
