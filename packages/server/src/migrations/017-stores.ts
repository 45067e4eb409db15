/** Lots that were recalled, and the sheets and offcuts that parts are cut from. */
export const up = `
ALTER TABLE lots ADD COLUMN recalled_on date, ADD COLUMN recalled_why text NOT NULL DEFAULT '';
CREATE TABLE sheets (
  id serial PRIMARY KEY,
  kind text NOT NULL CHECK (kind IN ('sheet','offcut')),
  material text NOT NULL CHECK (length(material) BETWEEN 1 AND 60),
  thickness_mm double precision NOT NULL CHECK (thickness_mm > 0),
  width_mm double precision NOT NULL CHECK (width_mm > 0),
  height_mm double precision NOT NULL CHECK (height_mm > 0),
  grain text NOT NULL DEFAULT 'none' CHECK (grain IN ('none','x','y')),
  count integer NOT NULL DEFAULT 1 CHECK (count BETWEEN 0 AND 200),
  where_it_is text NOT NULL DEFAULT '',
  version integer NOT NULL DEFAULT 1
);
`
