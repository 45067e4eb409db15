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
-- Pictures and packed files are packed already: the database does not try it again.
ALTER TABLE photos ALTER COLUMN original SET STORAGE EXTERNAL, ALTER COLUMN large SET STORAGE EXTERNAL, ALTER COLUMN small SET STORAGE EXTERNAL;
CREATE TABLE task_files (
  task_id uuid NOT NULL REFERENCES tasks(id) ON DELETE CASCADE,
  seq integer NOT NULL,
  bytes bytea NOT NULL,
  PRIMARY KEY (task_id, seq)
);
ALTER TABLE task_files ALTER COLUMN bytes SET STORAGE EXTERNAL;
INSERT INTO task_files (task_id, seq, bytes) SELECT id, 0, file_bytes FROM tasks WHERE file_bytes IS NOT NULL;
ALTER TABLE tasks DROP COLUMN file_bytes;
ALTER TABLE boats ADD COLUMN imported_at timestamptz, ADD COLUMN imported_by text;
`
