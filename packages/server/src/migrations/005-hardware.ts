/** The yard's habits among the schools, and hardware of its own beside the catalogue. */
export const up = `
CREATE TABLE yard_habits (question text PRIMARY KEY, school text NOT NULL, set_by text NOT NULL, set_at timestamptz NOT NULL DEFAULT now());
CREATE TABLE hardware (
  id text PRIMARY KEY CHECK (id ~ '^[A-Za-z0-9][A-Za-z0-9._/-]{0,38}$'),
  title text NOT NULL CHECK (length(title) BETWEEN 1 AND 120),
  maker text NOT NULL DEFAULT '',
  family text NOT NULL,
  face text NOT NULL CHECK (face IN ('stainless','aluminium','bronze')),
  length_mm double precision CHECK (length_mm > 0),
  width_mm double precision CHECK (width_mm > 0),
  diameter_mm double precision CHECK (diameter_mm > 0),
  thickness_mm double precision NOT NULL CHECK (thickness_mm > 0),
  body_height_mm double precision NOT NULL CHECK (body_height_mm >= 0),
  outline_x double precision[] NOT NULL DEFAULT '{}',
  outline_y double precision[] NOT NULL DEFAULT '{}',
  holes_x double precision[] NOT NULL,
  holes_y double precision[] NOT NULL,
  sizes text[] NOT NULL,
  head text NOT NULL CHECK (head IN ('hex','countersunk')),
  rated_n double precision CHECK (rated_n > 0),
  units text NOT NULL CHECK (units IN ('metric','inch')),
  pipe_mm double precision CHECK (pipe_mm > 0),
  made_by text NOT NULL,
  CHECK ((diameter_mm IS NULL) <> (length_mm IS NULL)), CHECK ((length_mm IS NULL) = (width_mm IS NULL)),
  CHECK (cardinality(holes_x) = cardinality(holes_y) AND cardinality(holes_x) > 0), CHECK (cardinality(outline_x) = cardinality(outline_y))
);
`
