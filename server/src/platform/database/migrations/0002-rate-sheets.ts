/** Rate sheets: tables of rates, premiums and fees that calculators look values up in. */
export const rateSheets = `
  CREATE TABLE rate_sheets (
    id text PRIMARY KEY,
    sheet jsonb NOT NULL,
    revision integer NOT NULL DEFAULT 1,
    last_edited_by uuid NOT NULL REFERENCES people (id),
    last_edited_at timestamptz NOT NULL DEFAULT now()
  );
`
