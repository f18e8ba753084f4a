/**
 * The outbox of hand-overs: what visitors asked to have passed on to the lender's people. A row's body holds the only
 * personal data of visitors there is, and only until it is delivered.
 */
export const handOvers = `
  CREATE TABLE hand_overs (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    calculator text NOT NULL,
    edition integer NOT NULL,
    body jsonb,
    accepted_at timestamptz NOT NULL DEFAULT now(),
    attempts integer NOT NULL DEFAULT 0,
    next_attempt_at timestamptz NOT NULL DEFAULT now(),
    last_failure text,
    delivered_at timestamptz,
    CHECK ((body IS NULL) = (delivered_at IS NOT NULL))
  );
  CREATE INDEX hand_overs_waiting ON hand_overs (next_attempt_at) WHERE delivered_at IS NULL;
`
