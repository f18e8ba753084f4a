/** People, calculators and their editions. Editions are frozen by the database itself. */
export const firstTables = `
  CREATE TABLE settings (
    key text PRIMARY KEY,
    value text NOT NULL
  );

  CREATE TABLE people (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    email text NOT NULL,
    name text NOT NULL,
    role text NOT NULL CHECK (role IN ('author', 'approver', 'keeper')),
    password_hash text NOT NULL
  );
  CREATE UNIQUE INDEX people_email ON people (lower(email));

  CREATE TABLE sessions (
    sid text PRIMARY KEY,
    expires timestamptz,
    data text,
    "createdAt" timestamptz NOT NULL,
    "updatedAt" timestamptz NOT NULL
  );
  CREATE INDEX sessions_expires ON sessions (expires);

  CREATE TABLE calculators (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    slug text NOT NULL UNIQUE,
    draft jsonb NOT NULL,
    revision integer NOT NULL DEFAULT 1,
    last_edited_by uuid NOT NULL REFERENCES people (id),
    last_edited_at timestamptz NOT NULL DEFAULT now(),
    sent_revision integer,
    sent_by uuid REFERENCES people (id),
    live_edition integer,
    taken_down_at timestamptz
  );

  CREATE TABLE editions (
    calculator_id uuid NOT NULL REFERENCES calculators (id),
    number integer NOT NULL CHECK (number > 0),
    content text NOT NULL,
    sha256 text NOT NULL,
    draft jsonb NOT NULL,
    revision integer NOT NULL,
    edited_by uuid NOT NULL REFERENCES people (id),
    approved_by uuid NOT NULL REFERENCES people (id),
    published_at timestamptz NOT NULL DEFAULT now(),
    PRIMARY KEY (calculator_id, number),
    CHECK (approved_by <> edited_by)
  );
  ALTER TABLE calculators
    ADD FOREIGN KEY (id, live_edition) REFERENCES editions (calculator_id, number);

  CREATE FUNCTION refuse_change() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN RAISE EXCEPTION 'an edition never changes'; END $$;
  CREATE TRIGGER editions_are_frozen BEFORE UPDATE OR DELETE ON editions
    FOR EACH ROW EXECUTE FUNCTION refuse_change();
`
