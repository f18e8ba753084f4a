import { createProvider, type Provider } from '../team/people/provider'
import { knownThere } from './demo-people'

export interface StandInProvider {
  readonly provider: Provider
  close(): Promise<void>
}

const NAME = 'Larkmoor’s own sign-in'

/** The demo's provider of identities, started when somebody first comes by it. `deskOrigin`: where the desk is. */
export function standInProvider(deskOrigin: string, now: () => Date): StandInProvider {
  let started: Promise<{ readonly provider: Provider; readonly close: () => Promise<void> }> | undefined
  const start = async () => {
    const { startIdentityProvider } = await import('./stand-ins/identity-provider')
    const { settings, close } = await startIdentityProvider(knownThere, deskOrigin)
    return { provider: createProvider({ ...settings, name: NAME }, now), close }
  }
  const there = async () => (await (started ??= start())).provider
  return {
    provider: {
      name: NAME,
      leave: async (...asked) => (await there()).leave(...asked),
      arrive: async (...asked) => (await there()).arrive(...asked),
      ask: async (...asked) => (await there()).ask(...asked),
      loggedOut: async (...asked) => (await there()).loggedOut(...asked),
    },
    close: async () => (await started)?.close(),
  }
}
