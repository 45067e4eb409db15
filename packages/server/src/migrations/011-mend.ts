/**
 * Zones by their code, deadrise as a number, holes and photos that are withdrawn and not removed, versions
 * of what is edited.
 */
export const up = `
ALTER TABLE structures ADD COLUMN version integer NOT NULL DEFAULT 1;
ALTER TABLE hardware ADD COLUMN version integer NOT NULL DEFAULT 1;
ALTER TABLE hull_goods ADD COLUMN version integer NOT NULL DEFAULT 1;
ALTER TABLE yard_values ADD COLUMN version integer NOT NULL DEFAULT 1;
ALTER TABLE photos ADD COLUMN withdrawn_why text, ADD COLUMN withdrawn_by text, ADD COLUMN withdrawn_at timestamptz,
  ADD CONSTRAINT photos_withdrawn CHECK ((withdrawn_why IS NULL) = (withdrawn_by IS NULL) AND (withdrawn_why IS NULL) = (withdrawn_at IS NULL));
ALTER TABLE penetrations ADD COLUMN withdrawn_why text, ADD COLUMN withdrawn_by text, ADD COLUMN withdrawn_at timestamptz,
  ADD CONSTRAINT penetrations_withdrawn CHECK ((withdrawn_why IS NULL) = (withdrawn_by IS NULL) AND (withdrawn_why IS NULL) = (withdrawn_at IS NULL)),
  ADD CONSTRAINT penetrations_only_found_withdrawn CHECK (withdrawn_why IS NULL OR (found AND fitting_id IS NULL AND hull_fitting_id IS NULL));
-- deadrise of a bottom by station, degrees; empty: nobody has said
ALTER TABLE zones ADD COLUMN deadrise_x double precision[] NOT NULL DEFAULT '{}', ADD COLUMN deadrise_deg double precision[] NOT NULL DEFAULT '{}',
  ADD CONSTRAINT zones_deadrise CHECK (cardinality(deadrise_x) = cardinality(deadrise_deg));
-- it stood in words until now: read once more, the first figure for the middle of the zone, one called aft for its after end
UPDATE zones z SET
  deadrise_x = ARRAY[m.middle] || CASE WHEN m.aft IS NULL THEN '{}'::double precision[] ELSE ARRAY[m.after_end] END,
  deadrise_deg = ARRAY[m.amidships] || CASE WHEN m.aft IS NULL THEN '{}'::double precision[] ELSE ARRAY[m.aft] END
FROM (
  SELECT id, ((SELECT min(x) FROM unnest(outline_x) x) + (SELECT max(x) FROM unnest(outline_x) x)) / 2 AS middle, (SELECT max(x) FROM unnest(outline_x) x) AS after_end,
    ((regexp_match(state, 'deadrise (\\d+(?:\\.\\d+)?)\u00b0'))[1])::double precision AS amidships,
    ((regexp_match(state, 'deadrise \\d+(?:\\.\\d+)?\u00b0[^0-9]*(\\d+(?:\\.\\d+)?)\u00b0 aft'))[1])::double precision AS aft
  FROM zones WHERE face IN ('bottom', 'topsides')
) m WHERE m.id = z.id AND m.amidships IS NOT NULL AND m.amidships < 80;
-- designs and holes called a zone by its title, which anybody may change
UPDATE fittings f SET design = jsonb_set(f.design, '{place,zone}', to_jsonb(z.code))
FROM (SELECT DISTINCT ON (boat_id, title) boat_id, title, code FROM zones ORDER BY boat_id, title, id) z WHERE z.boat_id = f.boat_id AND z.title = f.design->'place'->>'zone';
UPDATE hull_fittings f SET design = jsonb_set(f.design, '{place,zone}', to_jsonb(z.code))
FROM (SELECT DISTINCT ON (boat_id, title) boat_id, title, code FROM zones ORDER BY boat_id, title, id) z WHERE z.boat_id = f.boat_id AND z.title = f.design->'place'->>'zone';
UPDATE penetrations p SET zone = z.code
FROM (SELECT DISTINCT ON (boat_id, title) boat_id, title, code FROM zones ORDER BY boat_id, title, id) z WHERE z.boat_id = p.boat_id AND z.title = p.zone;
CREATE INDEX rejudge_jobs_open ON rejudge_jobs (boat_id) WHERE finished_at IS NULL;
ALTER TABLE rejudge_jobs ADD COLUMN tries integer NOT NULL DEFAULT 0, ADD COLUMN problem text;
`
