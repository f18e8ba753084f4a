/** Limits that all processes count together, and which people belong to the demo: they stay out when it is off. */
export const closedDoors = `
  CREATE TABLE rate_limits (
    key varchar(255) PRIMARY KEY,
    points integer NOT NULL DEFAULT 0,
    expire bigint
  );
  CREATE INDEX rate_limits_expire ON rate_limits (expire);

  ALTER TABLE people ADD COLUMN demo boolean NOT NULL DEFAULT FALSE;
  UPDATE people SET demo = TRUE
   WHERE email LIKE '%@larkmoor.example' AND EXISTS (SELECT 1 FROM settings WHERE key = 'demo-loaded');

  ALTER TABLE sightings ADD COLUMN first_seen timestamptz NOT NULL DEFAULT now();
  UPDATE sightings SET first_seen = last_seen;
  CREATE INDEX sightings_first ON sightings (first_seen);

  CREATE INDEX hand_overs_delivered ON hand_overs (delivered_at) WHERE delivered_at IS NOT NULL;
`
