/** Fittings through the hull, their insert-only log, and what a boat is for water that comes in. */
export const up = `
CREATE TABLE hull_fittings (
  id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
  boat_id text NOT NULL REFERENCES boats(id),
  name text NOT NULL CHECK (length(name) BETWEEN 1 AND 120),
  design jsonb NOT NULL,
  verdict text NOT NULL CHECK (verdict IN ('holds','tight','short','unproven')),
  governing text,
  replaces_id uuid REFERENCES hull_fittings(id),
  recorded_at timestamptz,
  version integer NOT NULL DEFAULT 1,
  created_at timestamptz NOT NULL DEFAULT now(),
  updated_at timestamptz NOT NULL DEFAULT now(),
  updated_by text NOT NULL
);
CREATE INDEX hull_fittings_boat ON hull_fittings (boat_id, created_at);
ALTER TABLE penetrations ADD COLUMN hull_fitting_id uuid REFERENCES hull_fittings(id);
CREATE UNIQUE INDEX penetrations_hull ON penetrations (hull_fitting_id, bolt_index);
CREATE UNIQUE INDEX penetrations_hull_bore ON penetrations (hull_fitting_id) WHERE bolt_index IS NULL;
CREATE TABLE hull_log (
  id bigserial PRIMARY KEY,
  hull_fitting_id uuid NOT NULL REFERENCES hull_fittings(id),
  kind text NOT NULL CHECK (kind IN ('bond','anode','look','order','tick')),
  value double precision CHECK (value >= 0),
  note text NOT NULL DEFAULT '',
  who text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  CHECK (kind NOT IN ('bond','anode') OR value IS NOT NULL)
);
CREATE INDEX hull_log_of ON hull_log (hull_fitting_id, id);
CREATE TRIGGER hull_log_insert_only BEFORE UPDATE OR DELETE ON hull_log FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER hull_log_no_truncate BEFORE TRUNCATE ON hull_log FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
CREATE TABLE flood_plans (boat_id text PRIMARY KEY REFERENCES boats(id) ON DELETE CASCADE, plan jsonb NOT NULL, version integer NOT NULL DEFAULT 1, updated_by text NOT NULL, updated_at timestamptz NOT NULL DEFAULT now());
ALTER TABLE structures DROP CONSTRAINT structures_kind_check;
ALTER TABLE structures ADD CONSTRAINT structures_kind_check CHECK (kind IN ('beam','longitudinal','bulkhead','knee','tank','cable','liner','headliner','wet','sling','bunk'));
`
