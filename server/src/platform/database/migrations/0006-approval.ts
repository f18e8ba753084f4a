/** What is said on the way to visitors: by whoever sends, whoever sends back, and whoever takes down. */
export const approval = `
  ALTER TABLE calculators
    ADD COLUMN sent_note text NOT NULL DEFAULT '',
    ADD COLUMN sent_back jsonb,
    ADD COLUMN taken_down_message text NOT NULL DEFAULT '';
  ALTER TABLE editions ADD COLUMN note text NOT NULL DEFAULT '';
`
