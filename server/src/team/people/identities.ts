import type { Request } from 'express'
import type { Sequelize } from 'sequelize'
import type { Person, Role } from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import type { RecordStore } from '../record/record-store'
import type { PeopleStore } from './people-store'
import type { Identity, Provider } from './provider'
import type { ProviderSession } from './session'

/** A provider is asked again whether somebody is still there once so long has passed; leavers are out sooner where it says so. */
const ASK_AGAIN_MS = 14 * 60_000

export interface Identities {
  /** The person an identity is here, with the role the provider says; refused where the desk is closed to them. */
  personOf(identity: Identity): Promise<Person>
  /** Whether the session at the provider that one here lives by goes on; true where it lives by none. */
  isStillIn(req: Request): Promise<boolean>
}

export function createIdentities({
  database,
  people,
  record,
  provider,
}: {
  readonly database: Sequelize
  readonly people: PeopleStore
  readonly record: RecordStore
  readonly provider: Provider | undefined
}): Identities {
  const asking = new Map<string, ReturnType<Provider['ask']>>()
  const closed = () =>
    new AppError('PROVIDER_REFUSED', {
      details: { what: 'the desk is closed to you; ask whoever looks after people' },
    })

  return {
    personOf: ({ subject, email, isEmailVerified, name, role }) =>
      database.transaction(async (transaction) => {
        const all = await people.allLocked(transaction)
        const byEmail = all.find((one) => one.email.toLowerCase() === email.toLowerCase())
        // An address alone makes nobody somebody who is here already, unless the provider vouches for it.
        const known = (await people.bySubject(subject)) ?? (isEmailVerified ? byEmail : undefined)
        if (!known && byEmail)
          throw new AppError('PROVIDER_REFUSED', {
            details: { what: 'it does not vouch for your e-mail address, which somebody here has' },
          })
        if (known && !known.active) throw closed()
        const person = known ?? (await people.add({ email, name, role, subject }, transaction))
        if (known) await people.change(known.id, { subject, role, name }, transaction)
        if (person.role !== role || !known)
          await record.append(
            roleEntry(known ? 'personChanged' : 'personInvited', { id: person.id, name }, role),
            transaction,
          )
        return { id: person.id, email: person.email, name, role }
      }),

    async isStillIn(req) {
      const { provider: session, personId } = req.session
      if (!session || !personId) return true
      if (!provider) return false
      if (isFresh(session)) return true
      const now = await askOnce(provider, session)
      // A token to ask with may work once: where another process used it, that one keeps what came of it.
      if (!now) return hasBeenAskedFor(req)
      req.session.provider = now.session
      const person = await people.byId(personId)
      if (person && person.role !== now.role)
        await database.transaction(async (transaction) => {
          await people.change(personId, { role: now.role }, transaction)
          await record.append(roleEntry('personChanged', person, now.role), transaction)
        })
      return true
    },
  }

  /** Of requests that come together one asks for all. */
  function askOnce(of: Provider, session: ProviderSession): ReturnType<Provider['ask']> {
    const key = session.refreshToken ?? ''
    const known = asking.get(key) ?? of.ask(session).finally(() => asking.delete(key))
    asking.set(key, known)
    return known
  }
}

/** What the provider says of somebody, on record as their own doing. */
const roleEntry = (
  act: 'personChanged' | 'personInvited',
  person: Pick<Person, 'id' | 'name'>,
  role: Role,
) => ({
  act,
  of: 'person' as const,
  id: person.id,
  subject: person.name,
  details: { role },
  person,
})

const isFresh = ({ askedAt }: ProviderSession): boolean => Date.now() - askedAt < ASK_AGAIN_MS

async function hasBeenAskedFor(req: Request): Promise<boolean> {
  await new Promise((done) => setTimeout(done, 300))
  await new Promise<void>((done) => req.session.reload(() => done()))
  return req.session.provider !== undefined && isFresh(req.session.provider)
}
