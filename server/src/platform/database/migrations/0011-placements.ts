/** Sites of the lender's, what is placed on their pages, and where snippets were seen. */
export const placements = `
  CREATE TABLE sites (
    id uuid PRIMARY KEY DEFAULT gen_random_uuid(),
    name text NOT NULL,
    origins jsonb NOT NULL,
    stand_in boolean NOT NULL DEFAULT FALSE
  );
  CREATE TABLE placements (
    id text PRIMARY KEY,
    site_id uuid NOT NULL REFERENCES sites (id),
    page text NOT NULL,
    calculator_id uuid NOT NULL REFERENCES calculators (id),
    language text NOT NULL DEFAULT '',
    answers jsonb NOT NULL DEFAULT '{}',
    width integer,
    made_at timestamptz NOT NULL DEFAULT now()
  );
  CREATE INDEX placements_site ON placements (site_id);
  CREATE INDEX placements_calculator ON placements (calculator_id);
  CREATE TABLE sightings (
    placement text NOT NULL,
    slug text NOT NULL,
    origin text NOT NULL,
    page text NOT NULL,
    verdict text NOT NULL,
    last_seen timestamptz NOT NULL,
    PRIMARY KEY (placement, slug, origin, page)
  );
  CREATE INDEX sightings_last ON sightings (last_seen);
`
