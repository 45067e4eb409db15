/**
 * What goes with a boat for life: she is put away and never removed; notes that one fitter leaves another,
 * and what an owner is asked; where on the map a photo belongs; proofs; work of the machine; the post box.
 */
export const up = `
ALTER TABLE boats ADD COLUMN archived_at timestamptz, ADD COLUMN archived_by text, ADD COLUMN archived_why text;
ALTER TABLE photos ADD COLUMN pin_x_mm double precision, ADD COLUMN pin_y_mm double precision;
ALTER TABLE photos ADD CONSTRAINT photos_pin CHECK ((pin_x_mm IS NULL) = (pin_y_mm IS NULL));
CREATE TABLE notes (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  fitting_id uuid REFERENCES fittings(id) ON DELETE SET NULL,
  -- a note that is handed over, or a decision that the owner is asked to approve
  kind text NOT NULL CHECK (kind IN ('hand-over','approval')),
  body text NOT NULL CHECK (length(body) BETWEEN 1 AND 2000),
  made_by text NOT NULL,
  made_at timestamptz NOT NULL DEFAULT now(),
  answer text CHECK (answer IN ('read','yes','no')),
  answer_note text NOT NULL DEFAULT '',
  answered_by text,
  answered_at timestamptz
);
CREATE INDEX notes_boat ON notes (boat_id);
CREATE TABLE proofs (
  id serial PRIMARY KEY,
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  kind text NOT NULL CHECK (kind IN ('hose','soap','pull')),
  -- in the order of the run, each with what came of it
  things jsonb NOT NULL,
  pressure_pa double precision CHECK (pressure_pa > 0 AND pressure_pa <= 2000),
  load_n double precision CHECK (load_n > 0),
  note text NOT NULL DEFAULT '',
  who text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  ended_at timestamptz,
  version integer NOT NULL DEFAULT 1
);
CREATE INDEX proofs_boat ON proofs (boat_id);
CREATE TABLE mails (
  id serial PRIMARY KEY,
  to_login text NOT NULL,
  subject text NOT NULL,
  body text NOT NULL,
  -- one a day of each kind to each person
  once text NOT NULL UNIQUE,
  made_at timestamptz NOT NULL DEFAULT now(),
  read_at timestamptz,
  sent_at timestamptz,
  failed text
);
ALTER TABLE users ADD COLUMN mail text CHECK (length(mail) BETWEEN 3 AND 200);
-- Work that nobody waits for with the page open: done by whichever process is free, its result kept a day.
CREATE TABLE tasks (
  id uuid PRIMARY KEY,
  kind text NOT NULL,
  ask jsonb NOT NULL,
  state text NOT NULL DEFAULT 'waiting' CHECK (state IN ('waiting','working','done','failed','cancelled')),
  done integer NOT NULL DEFAULT 0,
  total integer NOT NULL DEFAULT 1,
  said text NOT NULL DEFAULT '',
  tries integer NOT NULL DEFAULT 0,
  asked_by text NOT NULL,
  asked_login text NOT NULL,
  asked_at timestamptz NOT NULL DEFAULT now(),
  beat_at timestamptz,
  ended_at timestamptz,
  file_name text,
  file_mime text,
  file_bytes bytea
);
CREATE INDEX tasks_open ON tasks (state, asked_at);
CREATE INDEX mails_to ON mails (to_login, id DESC);
-- Nothing is written in a boat that was put away, whichever way it comes.
CREATE FUNCTION refuse_archived() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE boat text;
BEGIN
  IF TG_ARGV[0] = 'boat' THEN boat := COALESCE(NEW.boat_id, OLD.boat_id);
  ELSIF TG_ARGV[0] = 'hole' THEN SELECT p.boat_id INTO boat FROM penetrations p WHERE p.id = NEW.penetration_id;
  ELSE SELECT f.boat_id INTO boat FROM fittings f WHERE f.id = NEW.fitting_id;
  END IF;
  IF EXISTS (SELECT 1 FROM boats b WHERE b.id = boat AND b.archived_at IS NOT NULL) THEN
    RAISE EXCEPTION 'put away' USING ERRCODE = 'NT001';
  END IF;
  RETURN COALESCE(NEW, OLD);
END $$;
CREATE TRIGGER archived BEFORE INSERT OR UPDATE OR DELETE ON fittings FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE ON penetrations FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE OR DELETE ON zones FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE OR DELETE ON structures FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE ON readings FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE ON photos FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE ON leaks FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE ON notes FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT OR UPDATE ON proofs FOR EACH ROW EXECUTE FUNCTION refuse_archived('boat');
CREATE TRIGGER archived BEFORE INSERT ON life_events FOR EACH ROW EXECUTE FUNCTION refuse_archived('hole');
CREATE TRIGGER archived BEFORE INSERT ON work_log FOR EACH ROW EXECUTE FUNCTION refuse_archived('fitting');
`
