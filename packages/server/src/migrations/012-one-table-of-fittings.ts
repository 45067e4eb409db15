/**
 * Every kind of work is a fitting: one table, one log, one list of goods, ids kept. Words that the core
 * lists are no longer listed here too.
 * From now on each version of a fitting, a zone with its layers and a part of the structure is kept.
 */
export const up = `
ALTER TABLE fittings ADD COLUMN kind text NOT NULL DEFAULT 'deck-hardware', ADD COLUMN replaces_id uuid REFERENCES fittings(id);
INSERT INTO fittings (id, boat_id, name, kind, design, verdict, governing, recorded_at, version, created_at, updated_at, updated_by, solver_due)
  SELECT id, boat_id, name, 'through-hull', design, verdict, governing, recorded_at, version, created_at, updated_at, updated_by, false FROM hull_fittings;
UPDATE fittings f SET replaces_id = h.replaces_id FROM hull_fittings h WHERE h.id = f.id AND h.replaces_id IS NOT NULL;
ALTER TABLE fittings ALTER COLUMN kind DROP DEFAULT;
CREATE INDEX fittings_kind ON fittings (boat_id, kind, created_at);
CREATE INDEX fittings_replaces ON fittings (replaces_id) WHERE replaces_id IS NOT NULL;

-- a hole is a part of its fitting: bolt 1, bore, pipe
ALTER TABLE penetrations DROP CONSTRAINT penetrations_only_found_withdrawn, ADD COLUMN part text;
UPDATE penetrations SET part = CASE WHEN bolt_index IS NOT NULL THEN 'bolt ' || (bolt_index + 1) WHEN hull_fitting_id IS NOT NULL THEN 'bore' ELSE 'pipe' END WHERE fitting_id IS NOT NULL OR hull_fitting_id IS NOT NULL;
DROP INDEX penetrations_hull, penetrations_hull_bore;
UPDATE penetrations SET fitting_id = hull_fitting_id WHERE hull_fitting_id IS NOT NULL;
ALTER TABLE penetrations DROP COLUMN hull_fitting_id, DROP CONSTRAINT penetrations_fitting_id_bolt_index_key,
  ADD CONSTRAINT penetrations_part CHECK ((fitting_id IS NULL) = (part IS NULL)),
  ADD CONSTRAINT penetrations_only_found_withdrawn CHECK (withdrawn_why IS NULL OR (found AND fitting_id IS NULL));
CREATE UNIQUE INDEX penetrations_of ON penetrations (fitting_id, part) WHERE fitting_id IS NOT NULL;

CREATE TABLE work_log (
  id bigserial PRIMARY KEY,
  fitting_id uuid NOT NULL REFERENCES fittings(id),
  kind text NOT NULL,
  step text NOT NULL DEFAULT '',
  value double precision CHECK (value >= 0),
  lot_id integer REFERENCES lots(id),
  temp_c double precision,
  humidity_pct double precision CHECK (humidity_pct BETWEEN 0 AND 100),
  size_mm double precision CHECK (size_mm > 0),
  note text NOT NULL DEFAULT '',
  who text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  CHECK (kind NOT IN ('bond', 'anode') OR value IS NOT NULL)
);
INSERT INTO work_log (id, fitting_id, kind, step, value, lot_id, temp_c, humidity_pct, size_mm, note, who, at)
  SELECT id, hull_fitting_id, kind, step, value, lot_id, temp_c, humidity_pct, size_mm, note, who, at FROM hull_log ORDER BY id;
SELECT setval('work_log_id_seq', (SELECT COALESCE(max(id), 0) + 1 FROM work_log), false);
CREATE INDEX work_log_of ON work_log (fitting_id, id);
CREATE INDEX work_log_lot ON work_log (lot_id) WHERE lot_id IS NOT NULL;
CREATE TRIGGER work_log_insert_only BEFORE UPDATE OR DELETE ON work_log FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER work_log_no_truncate BEFORE TRUNCATE ON work_log FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
DROP TABLE hull_log;
DROP TABLE hull_fittings;
ALTER TABLE hull_goods RENAME TO goods;

-- lists of words live in the core
ALTER TABLE structures DROP CONSTRAINT structures_kind_check;
ALTER TABLE zones DROP CONSTRAINT zones_face_check, DROP CONSTRAINT zones_kind_check, DROP CONSTRAINT zones_reach_kind_check;
ALTER TABLE boats DROP CONSTRAINT boats_hull_kind_check;
ALTER TABLE life_events DROP CONSTRAINT life_events_state_check;
ALTER TABLE readings DROP CONSTRAINT readings_kind_check;
ALTER TABLE angle_readings DROP CONSTRAINT angle_readings_role_check;
ALTER TABLE photos DROP CONSTRAINT photos_subject_check;
ALTER TABLE yard_values DROP CONSTRAINT yard_values_kind_check;
ALTER TABLE goods DROP CONSTRAINT hull_goods_kind_check;
ALTER TABLE users DROP CONSTRAINT users_role_check;
ALTER TABLE lots DROP CONSTRAINT lots_kind_check;

CREATE TABLE revisions (
  id bigserial PRIMARY KEY,
  boat_id text NOT NULL,
  what text NOT NULL,
  row_key text NOT NULL,
  version integer NOT NULL,
  gone boolean NOT NULL DEFAULT false,
  was jsonb NOT NULL,
  at timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX revisions_of ON revisions (what, row_key, id);
CREATE INDEX revisions_boat ON revisions (boat_id, at);
CREATE TRIGGER revisions_insert_only BEFORE UPDATE OR DELETE ON revisions FOR EACH ROW EXECUTE FUNCTION refuse_change();
CREATE TRIGGER revisions_no_truncate BEFORE TRUNCATE ON revisions FOR EACH STATEMENT EXECUTE FUNCTION refuse_change();
-- at the end of its transaction, so that a zone is kept with the layers that came with it
CREATE FUNCTION keep_revision() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
  now_row jsonb := to_jsonb(CASE WHEN TG_OP = 'DELETE' THEN OLD ELSE NEW END) - 'solver' - 'solver_due' - 'verdict' - 'governing' - 'stale';
BEGIN
  IF TG_OP <> 'DELETE' AND TG_TABLE_NAME = 'zones' THEN
    now_row := now_row || jsonb_build_object('layers', (SELECT COALESCE(jsonb_agg(to_jsonb(l) ORDER BY l.seq), '[]') FROM zone_layers l WHERE l.zone_id = NEW.id));
  END IF;
  INSERT INTO revisions (boat_id, what, row_key, version, gone, was) VALUES (now_row->>'boat_id', TG_TABLE_NAME, now_row->>'id', (now_row->>'version')::integer, TG_OP = 'DELETE', now_row);
  RETURN NULL;
END $$;
CREATE CONSTRAINT TRIGGER fittings_kept AFTER INSERT OR DELETE ON fittings DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION keep_revision();
CREATE CONSTRAINT TRIGGER fittings_kept_again AFTER UPDATE ON fittings DEFERRABLE INITIALLY DEFERRED FOR EACH ROW WHEN (OLD.version IS DISTINCT FROM NEW.version) EXECUTE FUNCTION keep_revision();
CREATE CONSTRAINT TRIGGER zones_kept AFTER INSERT OR DELETE ON zones DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION keep_revision();
CREATE CONSTRAINT TRIGGER zones_kept_again AFTER UPDATE ON zones DEFERRABLE INITIALLY DEFERRED FOR EACH ROW WHEN (OLD.version IS DISTINCT FROM NEW.version) EXECUTE FUNCTION keep_revision();
CREATE CONSTRAINT TRIGGER structures_kept AFTER INSERT OR DELETE ON structures DEFERRABLE INITIALLY DEFERRED FOR EACH ROW EXECUTE FUNCTION keep_revision();
CREATE CONSTRAINT TRIGGER structures_kept_again AFTER UPDATE ON structures DEFERRABLE INITIALLY DEFERRED FOR EACH ROW WHEN (OLD.version IS DISTINCT FROM NEW.version) EXECUTE FUNCTION keep_revision();
-- what is there today is the first that is kept
INSERT INTO revisions (boat_id, what, row_key, version, was) SELECT boat_id, 'fittings', id::text, version, to_jsonb(f) - 'solver' - 'solver_due' - 'verdict' - 'governing' - 'stale' FROM fittings f;
INSERT INTO revisions (boat_id, what, row_key, version, was) SELECT boat_id, 'zones', z.id::text, version, to_jsonb(z) || jsonb_build_object('layers', (SELECT COALESCE(jsonb_agg(to_jsonb(l) ORDER BY l.seq), '[]') FROM zone_layers l WHERE l.zone_id = z.id)) FROM zones z;
INSERT INTO revisions (boat_id, what, row_key, version, was) SELECT boat_id, 'structures', s.id::text, version, to_jsonb(s) FROM structures s;
`
