/** An edition never changes, and stays once visitors had it; one they never had may go with its calculator. */
export const neverLive = `
  CREATE OR REPLACE TRIGGER editions_are_frozen BEFORE UPDATE ON editions
    FOR EACH ROW EXECUTE FUNCTION refuse_change();

  CREATE FUNCTION refuse_to_forget() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      IF EXISTS (SELECT 1 FROM edition_lives l WHERE l.calculator_id = OLD.calculator_id AND l.number = OLD.number) THEN
        RAISE EXCEPTION 'an edition visitors had stays';
      END IF;
      RETURN OLD;
    END $$;
  CREATE TRIGGER editions_stay BEFORE DELETE ON editions
    FOR EACH ROW EXECUTE FUNCTION refuse_to_forget();
`
