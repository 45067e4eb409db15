/** Views of a table that somebody gave a name; by whom and when a boat was read from a file. */
export const up = `
CREATE TABLE saved_views (
  id serial PRIMARY KEY,
  user_id integer NOT NULL REFERENCES users(id) ON DELETE CASCADE,
  place text NOT NULL CHECK (place IN ('register')),
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 80),
  -- what stands in the address
  query jsonb NOT NULL,
  shared boolean NOT NULL DEFAULT false,
  made_at timestamptz NOT NULL DEFAULT now(),
  UNIQUE (user_id, place, name)
);
ALTER TABLE boats ADD COLUMN imported_at timestamptz, ADD COLUMN imported_by text;
`
