import type { Sequelize } from 'sequelize'

/** Which of the house styles a calculator wears; an edition keeps the one it was made with. */
export const houseStyleOfCalculators = (database: Sequelize): Promise<unknown> =>
  database.query(`ALTER TABLE calculators ADD COLUMN house_style text NOT NULL DEFAULT 'larkmoor'`)
