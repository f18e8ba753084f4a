/** A keeper may take a lost second factor off somebody. */
export const lostFactors = `
  ALTER TABLE people_requests
    DROP CONSTRAINT people_requests_kind_check,
    ADD CONSTRAINT people_requests_kind_check
      CHECK (kind IN ('role', 'reset', 'invitation', 'return', 'factors'));
`
