/** Drips that are traced with the tests made of each; flood tests; sheets that were printed to hang up. */
export const up = `
CREATE TABLE leaks (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  where_seen text NOT NULL CHECK (length(where_seen) BETWEEN 1 AND 200),
  drip jsonb NOT NULL,
  state text NOT NULL DEFAULT 'open' CHECK (state IN ('open','found','elsewhere','left')),
  -- what it was: by its number among fittings or holes, in words, and why that is said
  cause_id text,
  cause text NOT NULL DEFAULT '',
  made_by text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  ended_by text,
  ended_at timestamptz,
  version integer NOT NULL DEFAULT 1
);
CREATE INDEX leaks_boat ON leaks (boat_id);
CREATE TABLE leak_tests (
  id serial PRIMARY KEY,
  leak_id integer NOT NULL REFERENCES leaks(id) ON DELETE CASCADE,
  kind text NOT NULL CHECK (kind IN ('hose','flood','dye','tape')),
  things text[] NOT NULL CHECK (cardinality(things) > 0),
  minutes double precision NOT NULL CHECK (minutes > 0),
  wet boolean NOT NULL,
  delay_min double precision,
  note text NOT NULL DEFAULT '',
  who text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  -- made by mistake: it counts no more, and stays on record
  withdrawn_why text
);
CREATE INDEX leak_tests_leak ON leak_tests (leak_id);
CREATE TABLE floods (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  what text NOT NULL CHECK (length(what) BETWEEN 1 AND 200),
  ask jsonb NOT NULL,
  answer jsonb NOT NULL,
  note text NOT NULL DEFAULT '',
  who text NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX floods_boat ON floods (boat_id);
CREATE TABLE papers (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  kind text NOT NULL CHECK (kind IN ('companionway','passport')),
  code text NOT NULL,
  who text NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX papers_boat ON papers (boat_id);
`
