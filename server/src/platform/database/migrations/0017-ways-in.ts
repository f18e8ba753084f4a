/** How people come in: what needs a second keeper, second factors, people of a provider, and keys with bounds. */
export const waysIn = `
  CREATE TABLE people_requests (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    person_id uuid NOT NULL REFERENCES people (id),
    kind text NOT NULL CHECK (kind IN ('role', 'reset', 'invitation', 'return')),
    role text CHECK (role IN ('author', 'approver', 'keeper')),
    asked_by uuid NOT NULL REFERENCES people (id),
    asked_at timestamptz NOT NULL DEFAULT now(),
    UNIQUE (person_id, kind)
  );

  ALTER TABLE people
    ADD COLUMN totp_secret text,
    ADD COLUMN totp_last_step bigint,
    ADD COLUMN recovery_hashes jsonb NOT NULL DEFAULT '[]',
    ADD COLUMN subject text UNIQUE;
  CREATE TABLE passkeys (
    id text PRIMARY KEY,
    person_id uuid NOT NULL REFERENCES people (id),
    public_key text NOT NULL,
    counter bigint NOT NULL,
    transports jsonb NOT NULL DEFAULT '[]',
    name text NOT NULL,
    made_at timestamptz NOT NULL DEFAULT now(),
    last_used timestamptz
  );
  CREATE INDEX passkeys_person ON passkeys (person_id);

  ALTER TABLE sessions ADD COLUMN provider_session text;
  CREATE INDEX sessions_provider ON sessions (provider_session) WHERE provider_session IS NOT NULL;

  ALTER TABLE channel_keys
    ADD COLUMN calculators jsonb,
    ADD COLUMN ends_on date;
`
