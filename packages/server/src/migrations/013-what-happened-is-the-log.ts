/**
 * What happened to a fitting stands in its log alone: ticks, orders, purchases and decisions leave the
 * designs. How a fitting stands to a hole is a row of its own. The states of a hole's life are stored by their ids.
 */
export const up = `
ALTER TABLE work_log ADD COLUMN undoes boolean NOT NULL DEFAULT false, ADD COLUMN data jsonb;
ALTER TABLE work_log DISABLE TRIGGER work_log_insert_only;
ALTER TABLE life_events DISABLE TRIGGER life_events_insert_only;

UPDATE work_log SET undoes = true WHERE kind IN ('tick', 'order') AND note LIKE 'taken back: %';
-- an order that stands says what of and why, as figures of its own
UPDATE work_log w SET data = jsonb_build_object('what', f.design->'ordered'->>'what', 'reason', f.design->'ordered'->>'reason')
  FROM fittings f WHERE jsonb_typeof(f.design->'ordered') = 'object' AND w.fitting_id = f.id
   AND w.id = (SELECT max(o.id) FROM work_log o WHERE o.fitting_id = f.id AND o.kind = 'order' AND NOT o.undoes);
UPDATE work_log w SET data = jsonb_build_object('about', 'taper-plug', 'decision', f.design->'taperPlug'->>'decision', 'reason', COALESCE(f.design->'taperPlug'->>'reason', ''),
    'on', jsonb_build_object('pitMm', f.design->'taperPlug'->'pitMm', 'wallMm', f.design->'taperPlug'->'wallMm', 'contactPct', f.design->'taperPlug'->'contactPct'))
  FROM fittings f WHERE f.design->'taperPlug'->>'decision' IS NOT NULL AND w.fitting_id = f.id
   AND w.id = (SELECT max(o.id) FROM work_log o WHERE o.fitting_id = f.id AND o.kind = 'decision');
-- what a design says happened and no line of the log does is written down now, under its own day and name
INSERT INTO work_log (fitting_id, kind, step, note, who, at)
  SELECT f.id, 'tick', t.key, COALESCE(t.value->>'note', ''), t.value->>'by', (t.value->>'at')::timestamptz
    FROM fittings f CROSS JOIN LATERAL jsonb_each(f.design->'ticks') t
   WHERE jsonb_typeof(f.design->'ticks') = 'object' AND t.value->>'at' <> ''
     AND NOT EXISTS (SELECT 1 FROM work_log w WHERE w.fitting_id = f.id AND w.kind = 'tick' AND w.step = t.key AND NOT w.undoes)
   ORDER BY (t.value->>'at')::timestamptz;
INSERT INTO work_log (fitting_id, kind, note, who, at, data)
  SELECT f.id, 'order', f.design->'ordered'->>'what', f.design->'ordered'->>'by', (f.design->'ordered'->>'at')::timestamptz,
         jsonb_build_object('what', f.design->'ordered'->>'what', 'reason', COALESCE(f.design->'ordered'->>'reason', ''))
    FROM fittings f WHERE jsonb_typeof(f.design->'ordered') = 'object'
     AND NOT EXISTS (SELECT 1 FROM work_log w WHERE w.fitting_id = f.id AND w.kind = 'order');
INSERT INTO work_log (fitting_id, kind, who, at, data)
  SELECT f.id, 'purchase', f.design->'bought'->>'by', CASE WHEN f.design->'bought'->>'at' ~ '^[0-9]{4}-' THEN (f.design->'bought'->>'at')::timestamptz ELSE f.updated_at END,
         jsonb_build_object('what', f.design->'bought'->>'what')
    FROM fittings f WHERE jsonb_typeof(f.design->'bought') = 'object';
INSERT INTO work_log (fitting_id, kind, note, who, at, data)
  SELECT f.id, 'decision', '', f.updated_by, f.updated_at, jsonb_build_object('about', 'taper-plug', 'decision', f.design->'taperPlug'->>'decision', 'reason', COALESCE(f.design->'taperPlug'->>'reason', ''),
         'on', jsonb_build_object('pitMm', f.design->'taperPlug'->'pitMm', 'wallMm', f.design->'taperPlug'->'wallMm', 'contactPct', f.design->'taperPlug'->'contactPct'))
    FROM fittings f WHERE f.design->'taperPlug'->>'decision' IS NOT NULL
     AND NOT EXISTS (SELECT 1 FROM work_log w WHERE w.fitting_id = f.id AND w.kind = 'decision');
UPDATE fittings SET design = (CASE WHEN jsonb_typeof(design->'taperPlug') = 'object' THEN jsonb_set(design, '{taperPlug}', (design->'taperPlug') - 'decision' - 'reason') ELSE design END - 'ticks' - 'ordered' - 'bought') || '{"schemaVersion": 2}'
  WHERE design->>'schemaVersion' = '1';

UPDATE life_events SET state = replace(state, ' ', '-') WHERE state LIKE '% %';

-- how a fitting stands to a hole, apart from which one stands in it today
CREATE TABLE hole_links (
  fitting_id uuid NOT NULL REFERENCES fittings(id),
  penetration_id integer NOT NULL REFERENCES penetrations(id),
  link text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  PRIMARY KEY (fitting_id, penetration_id)
);
CREATE INDEX hole_links_of ON hole_links (penetration_id);
INSERT INTO hole_links (fitting_id, penetration_id, link, at)
  SELECT p.fitting_id, p.id, CASE WHEN p.found THEN 'reuses' WHEN f.replaces_id IS NOT NULL AND p.part = 'bore' THEN 'replaces' ELSE 'makes' END, p.created_at
    FROM penetrations p JOIN fittings f ON f.id = p.fitting_id;

ALTER TABLE work_log ENABLE TRIGGER work_log_insert_only;
ALTER TABLE life_events ENABLE TRIGGER life_events_insert_only;
`
