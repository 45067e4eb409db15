/**
 * Real tables and constraints for what must hold; JSONB only for a fitting's design inputs. Life events
 * are insert-only, kept so by the database itself.
 */
export const up = `
CREATE TABLE boats (
  id text PRIMARY KEY,
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  kind text NOT NULL,
  length_mm double precision NOT NULL CHECK (length_mm > 0),
  beam_mm double precision NOT NULL CHECK (beam_mm > 0),
  displacement_kg double precision NOT NULL CHECK (displacement_kg > 0),
  duty text NOT NULL CHECK (duty IN ('sheltered','coastal','ocean')),
  units text NOT NULL CHECK (units IN ('metric','inch')),
  hull_material text NOT NULL,
  note text NOT NULL DEFAULT '',
  is_main boolean NOT NULL DEFAULT false,
  version integer NOT NULL DEFAULT 1
);
CREATE TABLE users (
  id serial PRIMARY KEY,
  login text NOT NULL UNIQUE,
  name text NOT NULL,
  role text NOT NULL CHECK (role IN ('manager','fitter','apprentice','owner')),
  boat_id text REFERENCES boats(id),
  password_hash text NOT NULL,
  CHECK (role <> 'owner' OR boat_id IS NOT NULL)
);
-- half-breadth of the deck edge, and sheer and keel heights, by station
CREATE TABLE outline_stations (
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  x_mm double precision NOT NULL,
  half_breadth_mm double precision NOT NULL CHECK (half_breadth_mm >= 0),
  sheer_mm double precision NOT NULL,
  keel_mm double precision NOT NULL,
  PRIMARY KEY (boat_id, x_mm)
);
CREATE TABLE zones (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  code text NOT NULL,
  title text NOT NULL,
  face text NOT NULL CHECK (face IN ('deck','roof','topsides','bottom','bulkhead')),
  kind text NOT NULL CHECK (kind IN ('sandwich','solid','metal','timber')),
  z_mm double precision NOT NULL,
  outline_x double precision[] NOT NULL,
  outline_y double precision[] NOT NULL,
  stacking integer NOT NULL DEFAULT 0,
  reach text NOT NULL DEFAULT '',
  state text NOT NULL DEFAULT '',
  UNIQUE (boat_id, code),
  CHECK (array_length(outline_x, 1) = array_length(outline_y, 1) AND array_length(outline_x, 1) >= 3)
);
CREATE TABLE zone_layers (
  zone_id integer NOT NULL REFERENCES zones(id) ON DELETE CASCADE,
  seq integer NOT NULL,
  material text NOT NULL,
  thickness_mm double precision NOT NULL CHECK (thickness_mm > 0),
  measured boolean NOT NULL,
  measured_by text NOT NULL DEFAULT '',
  PRIMARY KEY (zone_id, seq)
);
CREATE TABLE structures (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  kind text NOT NULL CHECK (kind IN ('beam','longitudinal','bulkhead','tank','headliner','wet')),
  title text NOT NULL,
  x0_mm double precision NOT NULL, y0_mm double precision NOT NULL,
  x1_mm double precision NOT NULL, y1_mm double precision NOT NULL
);
CREATE TABLE lots (
  id serial PRIMARY KEY,
  code text NOT NULL UNIQUE,
  title text NOT NULL,
  chemistry text NOT NULL,
  kind text NOT NULL CHECK (kind IN ('sealant','epoxy')),
  opened_on date,
  expires_on date NOT NULL,
  stored_hot boolean NOT NULL DEFAULT false,
  on_hand text NOT NULL DEFAULT '',
  tested_on date,
  test_note text NOT NULL DEFAULT ''
);
CREATE TABLE fittings (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  boat_id text NOT NULL REFERENCES boats(id),
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  design jsonb NOT NULL,
  verdict text NOT NULL CHECK (verdict IN ('holds','tight','short','unproven')),
  governing text,
  recorded_at timestamptz,
  version integer NOT NULL DEFAULT 1,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now(),
  updated_by text NOT NULL
);
CREATE INDEX fittings_boat ON fittings (boat_id, created_at);
CREATE TABLE penetrations (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id),
  number integer NOT NULL CHECK (number > 0),
  fitting_id uuid REFERENCES fittings(id),
  bolt_index integer CHECK (bolt_index >= 0),
  what_for text NOT NULL,
  zone text NOT NULL,
  x_mm double precision NOT NULL,
  y_mm double precision NOT NULL,
  z_mm double precision NOT NULL,
  diameter_mm double precision NOT NULL CHECK (diameter_mm > 0),
  through text NOT NULL,
  fastener text NOT NULL DEFAULT '',
  plate text NOT NULL DEFAULT '',
  core_school text NOT NULL DEFAULT 'none',
  sealant text,
  below_waterline boolean NOT NULL DEFAULT false,
  found boolean NOT NULL DEFAULT false,
  created_at timestamptz NOT NULL DEFAULT now(),
  UNIQUE (boat_id, number),
  UNIQUE (fitting_id, bolt_index)
);
CREATE TABLE life_events (
  id bigserial PRIMARY KEY,
  penetration_id integer NOT NULL REFERENCES penetrations(id),
  seq integer NOT NULL CHECK (seq > 0),
  state text NOT NULL CHECK (state IN ('marked','drilled','core sealed','dry fitted','bedded','cured','proved','in service','suspect','closed')),
  note text NOT NULL DEFAULT '',
  who text NOT NULL,
  happened_at timestamptz NOT NULL,
  recorded_at timestamptz NOT NULL DEFAULT now(),
  size_mm double precision CHECK (size_mm > 0),
  temp_c double precision,
  humidity_pct double precision CHECK (humidity_pct BETWEEN 0 AND 100),
  lot_id integer REFERENCES lots(id),
  evidence text NOT NULL DEFAULT '',
  gates_passed text[] NOT NULL DEFAULT '{}',
  gate_reason text,
  corrects integer,
  CHECK (cardinality(gates_passed) = 0 OR length(trim(gate_reason)) > 0),
  UNIQUE (penetration_id, seq)
);
CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
BEGIN
  RAISE EXCEPTION 'life events are added, never edited or removed' USING ERRCODE = 'restrict_violation';
END $$;
CREATE TRIGGER life_events_insert_only BEFORE UPDATE OR DELETE ON life_events FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER life_events_no_truncate BEFORE TRUNCATE ON life_events FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
CREATE TABLE session (
  sid varchar NOT NULL PRIMARY KEY,
  sess json NOT NULL,
  expire timestamp(6) NOT NULL
);
CREATE INDEX session_expire ON session (expire);
CREATE TABLE settings (key text PRIMARY KEY, value text NOT NULL);
-- counted here and not in one server's memory, so that several servers count together
CREATE TABLE rate_hits (key text PRIMARY KEY, hits integer NOT NULL, reset_at timestamptz NOT NULL);
`
