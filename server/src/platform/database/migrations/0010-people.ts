/** People are invited, leave, and see their own sessions. An invitation is known by its hash only. */
export const people = `
  ALTER TABLE people
    ALTER COLUMN password_hash DROP NOT NULL,
    ADD COLUMN active boolean NOT NULL DEFAULT TRUE,
    ADD COLUMN invitation_hash text UNIQUE,
    ADD COLUMN invitation_until timestamptz;
  ALTER TABLE sessions
    ADD COLUMN "personId" uuid REFERENCES people (id),
    ADD COLUMN agent text NOT NULL DEFAULT '';
  DELETE FROM sessions;
  CREATE INDEX sessions_person ON sessions ("personId");
`
