/** Approved editions that go live at a time, and who approved them. */
export const timedEditions = `
  ALTER TABLE calculators
    ADD COLUMN scheduled_edition integer,
    ADD COLUMN scheduled_at timestamptz,
    ADD COLUMN scheduled_by uuid REFERENCES people (id),
    ADD FOREIGN KEY (id, scheduled_edition) REFERENCES editions (calculator_id, number),
    ADD CHECK ((scheduled_edition IS NULL) = (scheduled_at IS NULL));
  CREATE INDEX calculators_scheduled ON calculators (scheduled_at) WHERE scheduled_at IS NOT NULL;
`
