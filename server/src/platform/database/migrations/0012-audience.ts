/** Counts of what happened on pages, and of the bands answers lie in. Neither holds anything about a visitor. */
export const audience = `
  CREATE TABLE audience_counts (
    day date NOT NULL,
    calculator text NOT NULL,
    edition integer NOT NULL,
    language text NOT NULL,
    placement text NOT NULL,
    event text NOT NULL,
    count bigint NOT NULL,
    PRIMARY KEY (day, calculator, edition, language, placement, event)
  );
  CREATE TABLE audience_bands (
    day date NOT NULL,
    calculator text NOT NULL,
    question text NOT NULL,
    band text NOT NULL,
    count bigint NOT NULL,
    PRIMARY KEY (day, calculator, question, band)
  );
`
