import type { Sequelize } from 'sequelize'
import type {
  ChangePassword,
  ChangePerson,
  InvitePerson,
  Invited,
  Person,
  PersonListed,
  RecordAct,
} from '@vivid/contract'
import { AppError } from '../http/app-error'
import { hashOfSecret } from '../http/secret'
import type { RecordStore } from '../record/record-store'
import { newInvitation } from './invitation'
import { hashPassword, passwordMatches } from './password'
import { refuseWeak } from './password-rules'
import type { PeopleStore } from './people-store'
import type { SessionsStore } from './sessions-store'

export interface PeopleDeps {
  readonly database: Sequelize
  readonly people: PeopleStore
  readonly sessions: SessionsStore
  readonly record: RecordStore
  readonly now: () => Date
}

export type PeopleService = ReturnType<typeof createPeopleService>

/** Looking after the people at the desk. There is always somebody who can. */
export function createPeopleService({ database, people, sessions, record, now }: PeopleDeps) {
  async function listed(): Promise<PersonListed[]> {
    const [all, lastSeen] = await Promise.all([people.all(), sessions.lastSeen()])
    return all.map(({ hasPassword, invitationUntil, ...person }) => ({
      ...person,
      hasPassword,
      invitedUntil: invitationUntil && invitationUntil > now() ? invitationUntil.toISOString() : null,
      lastSeen: lastSeen(person.id),
    }))
  }

  const entry = (act: RecordAct, subject: Pick<Person, 'id' | 'name'>, person: Who, details = {}) => ({
    act,
    of: 'person' as const,
    id: subject.id,
    subject: subject.name,
    details,
    person,
  })

  return {
    listed,

    /** Adds somebody, and gives what lets them choose their password. */
    async invite({ email, name, role }: InvitePerson, person: Who): Promise<Invited> {
      if (await people.isEmailTaken(email))
        throw new AppError('EMAIL_TAKEN', { field: 'email', details: { email } })
      const { secret, hash, until } = newInvitation(now())
      await database.transaction(async (transaction) => {
        const added = await people.add(
          { email, name, role, invitationHash: hash, invitationUntil: until },
          transaction,
        )
        await record.append(entry('personInvited', added, person, { role }), transaction)
      })
      return { secret, until: until.toISOString(), people: await listed() }
    },

    /** A new invitation for somebody who lost their password or their first one. */
    async inviteAgain(id: string, person: Who): Promise<Invited> {
      const { secret, hash, until } = newInvitation(now())
      await database.transaction(async (transaction) => {
        const found = (await people.allLocked(transaction)).find((one) => one.id === id && one.active)
        if (!found) throw new AppError('PERSON_UNKNOWN')
        await people.change(id, { invitationHash: hash, invitationUntil: until }, transaction)
        await record.append(entry('personInvited', found, person, { role: found.role }), transaction)
      })
      return { secret, until: until.toISOString(), people: await listed() }
    },

    /** Another name or role, or whether they may come at all; whoever may not is signed out everywhere. */
    async change(id: string, asked: ChangePerson, person: Person): Promise<PersonListed[]> {
      await database.transaction(async (transaction) => {
        const all = await people.allLocked(transaction)
        const before = all.find((one) => one.id === id)
        if (!before) throw new AppError('PERSON_UNKNOWN')
        const keepers = all.filter(
          (one) => (one.id === id ? asked : one).role === 'keeper' && (one.id === id ? asked : one).active,
        )
        if (!keepers.some((one) => one.id === id || one.hasPassword)) throw new AppError('LAST_KEEPER')
        await people.change(id, asked, transaction)
        if (!asked.active) await sessions.endAll(id, '', transaction)
        const subject = { id, name: asked.name }
        if (before.active !== asked.active) {
          const act = asked.active ? 'personReactivated' : 'personDeactivated'
          await record.append(entry(act, subject, person), transaction)
        }
        if (before.name !== asked.name || before.role !== asked.role)
          await record.append(entry('personChanged', subject, person, { role: asked.role }), transaction)
      })
      return listed()
    },

    async invited(secret: string): Promise<Person> {
      const found = await people.invited(hashOfSecret(secret), now())
      if (!found) throw new AppError('INVITATION_OVER')
      return found
    },

    /** Whoever was invited chooses a password; the invitation is used up, and older sessions end. */
    async accept(secret: string, password: string): Promise<Person> {
      const found = await this.invited(secret)
      refuseWeak(password, found)
      const passwordHash = await hashPassword(password)
      await database.transaction(async (transaction) => {
        await people.allLocked(transaction)
        // Used by somebody else while the password was hashed.
        if (!(await people.invited(hashOfSecret(secret), now(), transaction)))
          throw new AppError('INVITATION_OVER')
        await people.change(
          found.id,
          { passwordHash, invitationHash: null, invitationUntil: null },
          transaction,
        )
        await sessions.endAll(found.id, '', transaction)
        await record.append(entry('passwordSet', found, found), transaction)
      })
      return found
    },

    /** A person's own password; every other session of theirs ends. */
    async changePassword({ present, next }: ChangePassword, person: Person, ownSid: string): Promise<void> {
      const hash = await people.passwordOf(person.id)
      if (!hash || !(await passwordMatches(present, hash)))
        throw new AppError('PASSWORD_WRONG', { field: 'present' })
      refuseWeak(next, person)
      const passwordHash = await hashPassword(next)
      await database.transaction(async (transaction) => {
        await people.change(person.id, { passwordHash }, transaction)
        await sessions.endAll(person.id, ownSid, transaction)
        await record.append(entry('passwordSet', person, person), transaction)
      })
    },
  }
}

type Who = Pick<Person, 'id' | 'name'>
