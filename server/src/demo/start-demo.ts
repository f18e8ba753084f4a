import type { Sequelize } from 'sequelize'
import type { Express, Router } from 'express'
import { announcing } from '../live/changes'
import type { PlacementsStore } from '../desk/placements/placements-store'
import { lenderSite } from './stand-ins/lender-site'

export interface RunningDemo {
  /** The made-up lender's website. */
  readonly lenderAddress: string
  /** The stand-in for the lender's own system. */
  readonly handOverUrl: string
}

/** Starts the stand-ins of the demo: on this machine only, beside the server, and gone with it. */
export async function startDemo({
  database,
  placements,
  deskAddress,
  listen,
  mailPage,
}: {
  readonly database: Sequelize
  readonly placements: PlacementsStore
  readonly deskAddress: () => string
  /** Has something listen at the port of the made-up lender; its address. */
  readonly listen: (site: Express) => Promise<string>
  /** What was sent by mail, where a stand-in takes it. */
  readonly mailPage: Router | undefined
}): Promise<RunningDemo> {
  const lenderAddress = await listen(lenderSite(deskAddress, mailPage))
  // The site is at another port each time; only there may its calculators be framed.
  if (await placements.moveStandIn(lenderAddress))
    await database.transaction((transaction) => announcing(database).placements(transaction))
  return { lenderAddress, handOverUrl: `${lenderAddress}/hand-overs` }
}
