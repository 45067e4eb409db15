/** People who are let in by a link of their own, seen last, gone, or named for a boat until a day. */
export const up = `
ALTER TABLE users ADD COLUMN last_seen_at timestamptz, ADD COLUMN left_on date;
ALTER TABLE boat_roles ADD COLUMN until date;
-- a link by which somebody sets his password, once and for a while: only its hash is kept
CREATE TABLE invites (
  id serial PRIMARY KEY,
  user_id integer NOT NULL REFERENCES users(id) ON DELETE CASCADE,
  secret_hash text NOT NULL UNIQUE,
  made_by text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  ends_at timestamptz NOT NULL,
  used_at timestamptz
);
`
