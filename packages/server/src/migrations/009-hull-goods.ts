/** Skin fittings, valves and hose tails that a yard has measured itself. */
export const up = `
CREATE TABLE hull_goods (
  id text PRIMARY KEY CHECK (id ~ '^[A-Za-z0-9][A-Za-z0-9._/-]{0,38}$'),
  kind text NOT NULL CHECK (kind IN ('skin','valve','tail')),
  part jsonb NOT NULL,
  made_by text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now()
);
`
