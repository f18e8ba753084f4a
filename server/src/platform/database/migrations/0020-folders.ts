/** Where a calculator stands in the list: a folder of the lender's own naming, and whether it was put away. */
export const folders = `
  ALTER TABLE calculators
    ADD COLUMN folder text NOT NULL DEFAULT '',
    ADD COLUMN put_away boolean NOT NULL DEFAULT false;
`
