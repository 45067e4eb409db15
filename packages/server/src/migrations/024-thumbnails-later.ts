/** A picture's two smaller ones are made by the queue after it came in: until then there are none. */
export const up = `
ALTER TABLE photos ALTER COLUMN large DROP NOT NULL;
ALTER TABLE photos ALTER COLUMN small DROP NOT NULL;
CREATE INDEX photos_without_small ON photos (id) WHERE small IS NULL;
`
