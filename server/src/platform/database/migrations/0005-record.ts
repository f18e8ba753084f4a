/** The record: appended to and never changed. The database itself refuses the rest, whoever asks. */
export const record = `
  CREATE TABLE record (
    number bigint PRIMARY KEY,
    at timestamptz NOT NULL,
    person_id uuid,
    person text NOT NULL,
    act text NOT NULL,
    "of" text NOT NULL,
    id text NOT NULL,
    subject text NOT NULL,
    details jsonb NOT NULL,
    previous text NOT NULL,
    hash text NOT NULL UNIQUE
  );
  CREATE INDEX record_about ON record (id, number);

  CREATE FUNCTION refuse_record_change() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN RAISE EXCEPTION 'the record is only ever added to'; END $$;
  CREATE TRIGGER record_is_append_only BEFORE UPDATE OR DELETE ON record
    FOR EACH ROW EXECUTE FUNCTION refuse_record_change();
  CREATE TRIGGER record_is_never_emptied BEFORE TRUNCATE ON record
    FOR EACH STATEMENT EXECUTE FUNCTION refuse_record_change();
`
