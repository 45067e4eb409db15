/**
 * A link by which somebody without an account reads one boat until a day: only its hash is kept. When a boat
 * went into the water.
 */
export const up = `
CREATE TABLE boat_links (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  -- the reader that was made for it: his role on the boat, with its last day, is a row of boat_roles
  user_id integer NOT NULL UNIQUE REFERENCES users(id),
  secret_hash text NOT NULL UNIQUE,
  made_by text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  withdrawn_at timestamptz,
  withdrawn_by text
);
CREATE INDEX boat_links_boat ON boat_links (boat_id);
CREATE TABLE launches (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  at timestamptz NOT NULL,
  who text NOT NULL,
  -- what kept her ashore then, in words, and why she was launched all the same
  against jsonb NOT NULL DEFAULT '[]',
  reason text NOT NULL DEFAULT '',
  made_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX launches_boat ON launches (boat_id, at);
`
