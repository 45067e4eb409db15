/** A link by which somebody without an account reads one boat until a day: only its hash is kept. */
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
`
