import type { Express } from 'express'
import type { Live } from './live/live'
import type { Seal } from './platform/database/seal'
import { sharedSecret } from './platform/database/secrets'
import { createLimits, type Limits } from './platform/http/limits'
import { createSessionSecrets, type SessionSecrets } from './team/people/session-secrets'
import { demoPeople } from './demo/demo-people'
import { startDelivering, type Receiver } from './visitors/hand-overs/deliver'
import { createHandOversStore } from './visitors/hand-overs/hand-overs-store'
import { startCounting, type AudienceCounter } from './visitors/counting/counter'
import { createDrawing, type Draw } from './visitors/pages/drawing'
import { buildApp, type AppDeps } from './app'
import { createLiveOn, createServices, type Services, type ServicesDeps } from './services'
import type { Work } from './tasks'

/** What is made here for the rest. */
type Made =
  | 'services'
  | 'live'
  | 'handOvers'
  | 'limits'
  | 'sessionSecrets'
  | 'work'
  | 'counter'
  | 'hurry'
  | 'draw'
  | 'demoPeople'

export interface AssembleDeps extends Omit<AppDeps, Made>, Omit<ServicesDeps, 'work'> {
  readonly databaseUrl: string
  readonly seal: Seal
  readonly work: Work
  readonly receiver: Receiver
  /** The built module that draws visitors' pages. */
  readonly drawer: string
  /** Others than the database's, for tests. */
  readonly limits?: Limits
}

export interface Assembled {
  readonly app: Express
  readonly services: Services
  readonly live: Live
  readonly counter: AudienceCounter
  readonly sessionSecrets: SessionSecrets
  readonly draw: Draw
  /** Ends what goes on behind it. */
  stop(): Promise<void>
}

/** The application on a database that is migrated, with what goes on behind it; not listening yet. */
export async function assemble(given: AssembleDeps): Promise<Assembled> {
  const { database, databaseUrl, seal, work, log, demo } = given
  const services = createServices(given)
  const live = createLiveOn(database, databaseUrl, log)
  const behind: { stop(): Promise<void> }[] = [{ stop: live.close }]
  const stop = async () => {
    for (const one of [...behind].reverse()) await one.stop()
  }
  try {
    // Editions whose time came while nobody served go live before the first visitor is answered.
    while (await services.editions.goLiveIfDue());
    await live.open()
    const handOvers = createHandOversStore(database)
    const delivering = startDelivering(handOvers, given.receiver, log)
    const counter = startCounting(services.keepTally, log)
    behind.push(delivering, counter)
    const sessionSecrets = await createSessionSecrets(database, seal)
    const draw = createDrawing(work.do.draw, given.drawer)
    const app = await buildApp({
      ...given,
      services,
      live,
      handOvers,
      limits: given.limits ?? createLimits(database, await sharedSecret(database, seal, 'limits-secret')),
      sessionSecrets,
      work: work.do,
      counter,
      hurry: () => void delivering.hurry(),
      draw,
      demoPeople: demo ? demoPeople : [],
    })
    return { app, services, live, counter, sessionSecrets, draw, stop }
  } catch (err) {
    await stop().catch(() => undefined)
    throw err
  }
}
