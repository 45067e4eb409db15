/**
 * The yard's weeks: who works when, what holds work up, what the weather is to be and was, and the plan that
 * came of it. A plan is never changed: a new one takes its place, and the old one stays beside it.
 */
export const up = `
CREATE TABLE fitters (
  id serial PRIMARY KEY,
  name text NOT NULL UNIQUE CHECK (length(name) BETWEEN 1 AND 80),
  hours jsonb NOT NULL,
  away jsonb NOT NULL DEFAULT '[]',
  version integer NOT NULL DEFAULT 1,
  changed_at timestamptz NOT NULL DEFAULT now()
);
CREATE TABLE holds (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  fitting_id uuid REFERENCES fittings(id) ON DELETE CASCADE,
  -- codes of zones; null: of the fitting, or of all of the boat
  zones text[],
  by text NOT NULL CHECK (by IN ('part','cure','weather','paint','trade','decision','other')),
  what text NOT NULL CHECK (length(what) BETWEEN 1 AND 200),
  "from" text NOT NULL CHECK ("from" IN ('start','fit','bed')),
  since date NOT NULL,
  until date,
  -- what is done meanwhile, and what it is not good for
  meanwhile text NOT NULL DEFAULT '',
  made_by text NOT NULL,
  ended_at timestamptz,
  ended_by text,
  version integer NOT NULL DEFAULT 1,
  changed_at timestamptz NOT NULL DEFAULT now(),
  CHECK (until IS NULL OR until >= since),
  CHECK (fitting_id IS NULL OR zones IS NULL)
);
CREATE INDEX holds_open ON holds (boat_id) WHERE ended_at IS NULL;
CREATE TABLE weather_hours (
  at text NOT NULL CHECK (at ~ '^[0-9]{4}-[0-9]{2}-[0-9]{2}T[0-9]{2}:00$'),
  measured boolean NOT NULL,
  air_c double precision NOT NULL,
  humidity_pct double precision NOT NULL CHECK (humidity_pct > 0 AND humidity_pct <= 100),
  wind_ms double precision NOT NULL CHECK (wind_ms >= 0),
  rain_mm double precision NOT NULL CHECK (rain_mm >= 0),
  sun double precision NOT NULL CHECK (sun BETWEEN 0 AND 1),
  cloud double precision NOT NULL CHECK (cloud BETWEEN 0 AND 1),
  source text NOT NULL,
  said_at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (at, measured)
);
CREATE TABLE plans (
  id serial PRIMARY KEY,
  state text NOT NULL CHECK (state IN ('kept','offered','past')),
  ask jsonb NOT NULL,
  answer jsonb NOT NULL,
  -- what was moved or taken to make it, in words
  why text NOT NULL DEFAULT '',
  before_id integer REFERENCES plans(id) ON DELETE SET NULL,
  made_by text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now()
);
CREATE UNIQUE INDEX plans_one_kept ON plans (state) WHERE state = 'kept';
CREATE TABLE plan_jobs (
  id uuid PRIMARY KEY,
  ask jsonb NOT NULL,
  state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting','working','done','failed','cancelled')),
  done integer NOT NULL DEFAULT 0,
  total integer NOT NULL DEFAULT 0,
  said text NOT NULL DEFAULT '',
  plan_id integer REFERENCES plans(id) ON DELETE SET NULL,
  asked_by text NOT NULL,
  asked_at timestamptz NOT NULL DEFAULT now(),
  beat_at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX plan_jobs_open ON plan_jobs (asked_at) WHERE state IN ('waiting','working');
-- an address that a calendar asks without signing in: only its hash is kept, and it can be revoked
CREATE TABLE feeds (
  id serial PRIMARY KEY,
  user_id integer NOT NULL REFERENCES users(id) ON DELETE CASCADE,
  title text NOT NULL,
  what text NOT NULL CHECK (what IN ('plan','watch')),
  boat_id text REFERENCES boats(id) ON DELETE CASCADE,
  only_who text,
  secret_hash text NOT NULL UNIQUE,
  made_at timestamptz NOT NULL DEFAULT now(),
  read_at timestamptz,
  revoked_at timestamptz
);
`
