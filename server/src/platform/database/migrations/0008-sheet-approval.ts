/**
 * Rate sheets have a draft, and every state of one that was approved is kept for good. Sheets that were there before
 * become their own first edition, approved by nobody.
 */
export const sheetApproval = `
  ALTER TABLE rate_sheets
    ALTER COLUMN sheet DROP NOT NULL,
    ADD COLUMN draft jsonb,
    ADD COLUMN live_revision integer,
    ADD COLUMN sent_revision integer,
    ADD COLUMN sent_by uuid REFERENCES people (id),
    ADD COLUMN sent_note text NOT NULL DEFAULT '',
    ADD COLUMN sent_back jsonb;
  UPDATE rate_sheets SET draft = sheet, live_revision = revision;
  ALTER TABLE rate_sheets ALTER COLUMN draft SET NOT NULL;

  CREATE TABLE sheet_editions (
    sheet_id text NOT NULL REFERENCES rate_sheets (id),
    number integer NOT NULL CHECK (number > 0),
    sheet jsonb NOT NULL,
    revision integer NOT NULL,
    edited_by uuid NOT NULL REFERENCES people (id),
    approved_by uuid REFERENCES people (id),
    approved_at timestamptz NOT NULL,
    note text NOT NULL DEFAULT '',
    PRIMARY KEY (sheet_id, number),
    CHECK (approved_by <> edited_by)
  );
  INSERT INTO sheet_editions (sheet_id, number, sheet, revision, edited_by, approved_at)
    SELECT id, 1, sheet, revision, last_edited_by, last_edited_at FROM rate_sheets;
  CREATE TRIGGER sheet_editions_are_frozen BEFORE UPDATE OR DELETE ON sheet_editions
    FOR EACH ROW EXECUTE FUNCTION refuse_change();
`
