/** What has to be ticked before an edition goes live: one list, empty until the lender writes it. */
export const checklist = `
  CREATE TABLE checklists (
    id text PRIMARY KEY CHECK (id = 'live'),
    items jsonb NOT NULL,
    revision integer NOT NULL DEFAULT 1,
    last_edited_by uuid REFERENCES people (id),
    last_edited_at timestamptz NOT NULL DEFAULT now()
  );
  INSERT INTO checklists (id, items) VALUES ('live', '[]');
`
