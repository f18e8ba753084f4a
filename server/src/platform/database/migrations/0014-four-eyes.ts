/**
 * Who contributed to a draft since something of it was approved stands with the draft, kept by the database itself: whoever
 * did cannot approve it. What is sent is kept as it was sent. Which editions were ever live is known, and only those are public.
 */
export const fourEyes = `
  ALTER TABLE calculators
    ADD COLUMN contributors uuid[],
    ADD COLUMN sent_content text,
    ADD COLUMN sent_sheets jsonb;
  ALTER TABLE rate_sheets ADD COLUMN contributors uuid[];
  ALTER TABLE editions
    ADD COLUMN contributors uuid[] NOT NULL DEFAULT '{}',
    ADD CHECK (approved_by <> ALL (contributors));
  ALTER TABLE sheet_editions
    ADD COLUMN contributors uuid[] NOT NULL DEFAULT '{}',
    ADD CHECK (approved_by <> ALL (contributors));

  UPDATE calculators c SET contributors = ARRAY(
    SELECT DISTINCT person_id FROM (
      SELECT r.person_id FROM record r
       WHERE r.id = c.id::text AND r.act IN ('calculatorMade', 'draftChanged', 'proofChanged', 'styleChosen')
         AND r.person_id IN (SELECT id FROM people)
         AND r.number > (SELECT coalesce(max(number), 0) FROM record
                          WHERE id = c.id::text AND act IN ('published', 'scheduled') AND NOT details ? 'timed')
      UNION
      SELECT c.last_edited_by
       WHERE c.revision > (SELECT coalesce(max(revision), 0) FROM editions WHERE calculator_id = c.id)
    ) AS since
  );
  UPDATE rate_sheets s SET contributors = ARRAY(
    SELECT DISTINCT person_id FROM (
      SELECT r.person_id FROM record r
       WHERE r.id = s.id AND r.of = 'rateSheet' AND r.act IN ('sheetAdded', 'sheetChanged')
         AND r.person_id IN (SELECT id FROM people)
         AND r.number > (SELECT coalesce(max(number), 0) FROM record
                          WHERE id = s.id AND "of" = 'rateSheet' AND act = 'sheetApproved')
      UNION
      SELECT s.last_edited_by
    ) AS since
  ) WHERE s.live_revision IS DISTINCT FROM s.revision;
  UPDATE rate_sheets SET contributors = '{}' WHERE contributors IS NULL;

  CREATE FUNCTION note_contributor() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      IF NEW.contributors IS NULL THEN
        NEW.contributors := ARRAY[NEW.last_edited_by];
      ELSIF NEW.last_edited_by <> ALL (NEW.contributors) THEN
        NEW.contributors := NEW.contributors || NEW.last_edited_by;
      END IF;
      RETURN NEW;
    END $$;
  CREATE TRIGGER calculators_maker BEFORE INSERT ON calculators
    FOR EACH ROW WHEN (NEW.contributors IS NULL) EXECUTE FUNCTION note_contributor();
  CREATE TRIGGER calculators_contributor BEFORE UPDATE ON calculators
    FOR EACH ROW WHEN (OLD.draft IS DISTINCT FROM NEW.draft OR OLD.house_style IS DISTINCT FROM NEW.house_style)
    EXECUTE FUNCTION note_contributor();
  CREATE TRIGGER rate_sheets_maker BEFORE INSERT ON rate_sheets
    FOR EACH ROW WHEN (NEW.contributors IS NULL) EXECUTE FUNCTION note_contributor();
  CREATE TRIGGER rate_sheets_contributor BEFORE UPDATE ON rate_sheets
    FOR EACH ROW WHEN (OLD.draft IS DISTINCT FROM NEW.draft) EXECUTE FUNCTION note_contributor();

  CREATE TABLE edition_lives (
    calculator_id uuid NOT NULL,
    number integer NOT NULL,
    PRIMARY KEY (calculator_id, number),
    FOREIGN KEY (calculator_id, number) REFERENCES editions (calculator_id, number)
  );
  CREATE FUNCTION note_live_edition() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN
      INSERT INTO edition_lives (calculator_id, number) VALUES (NEW.id, NEW.live_edition) ON CONFLICT DO NOTHING;
      RETURN NULL;
    END $$;
  CREATE TRIGGER calculators_live AFTER INSERT OR UPDATE ON calculators
    FOR EACH ROW WHEN (NEW.live_edition IS NOT NULL) EXECUTE FUNCTION note_live_edition();

  CREATE FUNCTION note_lives_on_record() RETURNS void LANGUAGE sql AS $$
    INSERT INTO edition_lives (calculator_id, number)
      SELECT e.calculator_id, e.number
        FROM record r JOIN editions e ON e.calculator_id::text = r.id AND e.number::text = r.details ->> 'edition'
       WHERE r.act IN ('published', 'broughtBack')
      UNION
      SELECT id, live_edition FROM calculators WHERE live_edition IS NOT NULL
    ON CONFLICT DO NOTHING
  $$;
  SELECT note_lives_on_record();
`
