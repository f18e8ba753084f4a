import type { Sequelize } from 'sequelize'
import { shippedStyles } from '../../house-styles/shipped-styles'

/** House styles that can be changed; those that ship are there from the start. */
export async function houseStyles(database: Sequelize): Promise<void> {
  await database.query(`
    CREATE TABLE house_styles (
      id text PRIMARY KEY,
      name text NOT NULL,
      choices jsonb NOT NULL,
      revision integer NOT NULL DEFAULT 1,
      last_edited_by uuid REFERENCES people (id),
      last_edited_at timestamptz NOT NULL DEFAULT now()
    );`)
  for (const [id, { name, choices }] of Object.entries(shippedStyles)) {
    await database.query(
      'INSERT INTO house_styles (id, name, choices) VALUES (:id, :name, CAST(:choices AS jsonb))',
      { replacements: { id, name, choices: JSON.stringify(choices) } },
    )
  }
}
