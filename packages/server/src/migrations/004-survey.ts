/** The survey: what a boat is built of, what was read of it, angles, photos, and the work of judging anew. */
export const up = `
ALTER TABLE boats ADD COLUMN hull_kind text NOT NULL DEFAULT 'laminate' CHECK (hull_kind IN ('laminate','cored','plywood','aluminium','steel','timber'));
ALTER TABLE zones ADD COLUMN version integer NOT NULL DEFAULT 1,
  ADD COLUMN reach_kind text NOT NULL DEFAULT 'unknown' CHECK (reach_kind IN ('open','one-arm','none','unknown')),
  -- where a bulkhead stands; its outline is then y and z, a profile's x and z, any other's x and y
  ADD COLUMN at_x_mm double precision;
UPDATE zones SET at_x_mm = (outline_x[1] + outline_x[2]) / 2, outline_x = ARRAY[outline_y[1], outline_y[3], outline_y[3], outline_y[1]], outline_y = ARRAY[z_mm - 900, z_mm - 900, z_mm + 900, z_mm + 900]
  WHERE face = 'bulkhead' AND array_length(outline_x, 1) = 4;
ALTER TABLE zone_layers ADD COLUMN spread_mm double precision CHECK (spread_mm >= 0), ADD COLUMN reading_count integer NOT NULL DEFAULT 0;
ALTER TABLE structures DROP CONSTRAINT structures_kind_check;
ALTER TABLE structures ADD CONSTRAINT structures_kind_check CHECK (kind IN ('beam','longitudinal','bulkhead','knee','tank','cable','liner','headliner','wet')),
  ADD COLUMN below_mm double precision CHECK (below_mm >= 0), ADD COLUMN depth_mm double precision CHECK (depth_mm > 0), ADD COLUMN width_mm double precision CHECK (width_mm > 0);
-- what the design still believes of its deck that the zone no longer says; null where they agree
ALTER TABLE fittings ADD COLUMN stale text[];
ALTER TABLE penetrations ADD COLUMN across_mm double precision CHECK (across_mm > 0), ADD COLUMN found_kind text, ADD COLUMN measured_from text NOT NULL DEFAULT '';
CREATE TABLE readings (
  id bigserial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  zone_id integer REFERENCES zones(id) ON DELETE SET NULL,
  kind text NOT NULL CHECK (kind IN ('thickness','moisture','tap','core')),
  way text NOT NULL DEFAULT '',
  layer_seq integer CHECK (layer_seq >= 0),
  x_mm double precision NOT NULL,
  y_mm double precision NOT NULL,
  value double precision,
  scale_most double precision CHECK (scale_most > 0),
  dry_reference double precision,
  finding text NOT NULL DEFAULT '',
  note text NOT NULL DEFAULT '',
  instrument text NOT NULL DEFAULT '',
  who text NOT NULL,
  taken_at timestamptz NOT NULL,
  withdrawn_why text,
  withdrawn_by text,
  CHECK (kind <> 'thickness' OR (value > 0 AND layer_seq IS NOT NULL)),
  CHECK (kind <> 'moisture' OR (value IS NOT NULL AND scale_most IS NOT NULL AND dry_reference IS NOT NULL)),
  CHECK (kind NOT IN ('tap','core') OR finding <> ''),
  CHECK ((withdrawn_why IS NULL) = (withdrawn_by IS NULL))
);
CREATE INDEX readings_boat ON readings (boat_id, kind);
CREATE INDEX readings_zone ON readings (zone_id);
CREATE TABLE angle_readings (
  id bigserial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  role text NOT NULL CHECK (role IN ('reference','trim','station','recheck')),
  station text NOT NULL DEFAULT '',
  side text CHECK (side IN ('port','starboard')),
  axis text CHECK (axis IN ('across','along')),
  lean_deg double precision,
  after_count integer CHECK (after_count >= 0),
  degrees double precision NOT NULL CHECK (degrees BETWEEN -90 AND 90),
  instrument text NOT NULL DEFAULT '',
  who text NOT NULL,
  taken_at timestamptz NOT NULL,
  CHECK (role <> 'station' OR (length(trim(station)) > 0 AND side IS NOT NULL AND axis IS NOT NULL AND lean_deg IS NOT NULL)),
  CHECK (role <> 'recheck' OR after_count IS NOT NULL)
);
CREATE INDEX angle_readings_boat ON angle_readings (boat_id, id);
CREATE TABLE photos (
  id bigserial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  subject text NOT NULL CHECK (subject IN ('hole','zone','reading','boat')),
  subject_id text NOT NULL,
  caption text NOT NULL DEFAULT '',
  mime text NOT NULL CHECK (mime IN ('image/jpeg','image/png','image/webp')),
  width integer NOT NULL, height integer NOT NULL,
  sha256 text NOT NULL,
  -- the original and two resized copies lie in the database, so that one backup holds all
  original bytea NOT NULL, large bytea NOT NULL, small bytea NOT NULL,
  who text NOT NULL,
  taken_at timestamptz NOT NULL
);
CREATE INDEX photos_subject ON photos (boat_id, subject, subject_id);
CREATE TABLE rejudge_jobs (
  id bigserial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  why text NOT NULL,
  total integer NOT NULL DEFAULT 0,
  done integer NOT NULL DEFAULT 0,
  turned integer NOT NULL DEFAULT 0,
  beat_at timestamptz NOT NULL DEFAULT now(),
  finished_at timestamptz
);
`
