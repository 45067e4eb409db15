/**
 * What the plate solver said of a fitting, with the question it answered; a fitting whose question has
 * changed since is due to be asked again.
 */
export const up = `
ALTER TABLE fittings ADD COLUMN solver jsonb, ADD COLUMN solver_due boolean NOT NULL DEFAULT true;
ALTER TABLE rejudge_jobs ADD COLUMN solver_left int NOT NULL DEFAULT 0;
`
