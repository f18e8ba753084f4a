/** What the list shows of each draft, kept with what it was worked out from: a list works nothing out itself. */
export const meters = `
  CREATE TABLE calculator_meters (
    calculator_id uuid PRIMARY KEY REFERENCES calculators (id) ON DELETE CASCADE,
    mark text NOT NULL,
    meter jsonb
  );
`
