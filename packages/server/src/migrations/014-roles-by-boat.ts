/**
 * Roles by boat: an owner and a surveyor are named for boats, and may be for several. A row of fittings is a
 * group, its members are fittings. An oval hole lies some way, stores are counted, a boat has a day of
 * launch.
 */
export const up = `
CREATE TABLE boat_roles (
  user_id integer NOT NULL REFERENCES users(id),
  boat_id text NOT NULL REFERENCES boats(id) ON DELETE CASCADE,
  role text NOT NULL,
  PRIMARY KEY (user_id, boat_id)
);
CREATE INDEX boat_roles_boat ON boat_roles (boat_id);
INSERT INTO boat_roles (user_id, boat_id, role) SELECT id, boat_id, role FROM users WHERE boat_id IS NOT NULL;
ALTER TABLE users DROP COLUMN boat_id;

ALTER TABLE fittings ADD COLUMN group_id uuid REFERENCES fittings(id), ADD CONSTRAINT fittings_not_its_own_group CHECK (group_id <> id);
CREATE INDEX fittings_group ON fittings (group_id) WHERE group_id IS NOT NULL;

-- her rig, by which a mast step's first load is guessed; null: nobody has said
ALTER TABLE boats ADD COLUMN launch_on date, ADD COLUMN rig text;

-- 0 fore and aft, positive turning to starboard, of the longer way
ALTER TABLE penetrations ADD COLUMN direction_deg double precision CHECK (direction_deg >= -90 AND direction_deg <= 90),
  ADD CONSTRAINT penetrations_round_has_no_direction CHECK (direction_deg IS NULL OR across_mm IS NOT NULL);

ALTER TABLE lots ADD COLUMN quantity double precision CHECK (quantity >= 0), ADD COLUMN unit text NOT NULL DEFAULT '';
UPDATE lots SET quantity = NULLIF(substring(on_hand from '^\\s*([0-9]+(?:\\.[0-9]+)?)'), '')::double precision,
  unit = btrim(regexp_replace(on_hand, '^\\s*[0-9]+(?:\\.[0-9]+)?', ''));
ALTER TABLE lots DROP COLUMN on_hand;
`
