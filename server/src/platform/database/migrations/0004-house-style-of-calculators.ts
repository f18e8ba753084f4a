/** Which of the house styles a calculator wears; an edition keeps the one it was made with. */
export const houseStyleOfCalculators = `ALTER TABLE calculators ADD COLUMN house_style text NOT NULL DEFAULT 'larkmoor'`
