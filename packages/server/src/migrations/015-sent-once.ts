/**
 * What a browser sends again because no answer came is done once. The answer of the first is kept for a
 * while under the key that the browser gave it.
 */
export const up = `
CREATE TABLE sent_once (
  user_id integer NOT NULL REFERENCES users(id) ON DELETE CASCADE,
  key text NOT NULL CHECK (length(key) <= 80),
  asked text NOT NULL,
  at timestamptz NOT NULL DEFAULT now(),
  -- null while the first is still at it
  status integer,
  body jsonb,
  PRIMARY KEY (user_id, key)
);
CREATE INDEX sent_once_at ON sent_once (at);
`
