/** Keys of other channels, known by their hash only. */
export const channelKeys = `
  CREATE TABLE channel_keys (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    name text NOT NULL,
    start text NOT NULL,
    hash text NOT NULL UNIQUE,
    per_minute integer NOT NULL,
    made_by uuid NOT NULL REFERENCES people (id),
    made_at timestamptz NOT NULL DEFAULT now(),
    last_used timestamptz,
    withdrawn_at timestamptz
  );
`
