import type { Sequelize, Transaction } from 'sequelize'
import type {
  ChangePassword,
  ChangePerson,
  InvitePerson,
  PeopleChanged,
  PeopleRequest,
  Person,
  PersonListed,
  RecordAct,
  Role,
} from '@vivid/contract'
import { AppError } from '../../platform/http/app-error'
import { hashOfSecret } from '../../platform/http/secret'
import { doorChanged, wayIn } from '../../platform/mail/letters'
import type { Mailer } from '../../platform/mail/mailer'
import type { RecordStore } from '../record/record-store'
import { newInvitation } from './invitation'
import { hashPassword, passwordMatches } from './password'
import { refuseWeak } from './password-rules'
import type { PeopleStore, PersonData } from './people-store'
import type { RequestsStore } from './requests-store'
import type { SessionsStore } from './sessions-store'

export interface PeopleDeps {
  readonly database: Sequelize
  readonly people: PeopleStore
  readonly requests: RequestsStore
  readonly sessions: SessionsStore
  readonly record: RecordStore
  readonly now: () => Date
  readonly lender: string
  /** Undefined: no mail can be sent from here. */
  readonly mail: Mailer | undefined
  /** What a way in begins with: `https://calculators.example/desk`. */
  readonly deskUrl: () => string
}

export type PeopleService = ReturnType<typeof createPeopleService>

/** Whose role lets them put something live, or decide who may: giving it needs two keepers where there are two. */
const needsTwo = (role: Role): boolean => role !== 'author'

/** Looking after the people at the desk. There is always somebody who can, and nobody can become somebody else. */
export function createPeopleService(deps: PeopleDeps) {
  const { database, people, requests, sessions, record, now, lender, mail, deskUrl } = deps

  async function listed(): Promise<PersonListed[]> {
    const [all, lastSeen] = await Promise.all([people.all(), sessions.lastSeen()])
    return all.map(({ hasPassword, hasSecondFactor, invitationUntil, id, name, email, role, active }) => ({
      id,
      name,
      email,
      role,
      active,
      hasPassword,
      hasSecondFactor,
      invitedUntil: invitationUntil && invitationUntil > now() ? invitationUntil.toISOString() : null,
      lastSeen: lastSeen(id),
    }))
  }

  async function asked(): Promise<PeopleRequest[]> {
    const [all, nameOf] = await Promise.all([requests.all(), people.names()])
    return all.map(({ id, personId, kind, role, askedBy, askedAt }) => ({
      id,
      kind,
      person: nameOf(personId),
      role,
      askedBy: nameOf(askedBy),
      askedById: askedBy,
      askedAt: askedAt.toISOString(),
    }))
  }

  const changed = async (waits: boolean): Promise<PeopleChanged> => ({ people: await listed(), waits })

  const entry = (act: RecordAct, subject: Pick<Person, 'id' | 'name'>, person: Who, details = {}) => ({
    act,
    of: 'person' as const,
    id: subject.id,
    subject: subject.name,
    details,
    person,
  })

  /** Whether another keeper is there to confirm. */
  const hasSecondKeeper = (all: readonly PersonData[], person: Who): boolean =>
    all.some(
      ({ id, role, active, hasPassword }) => role === 'keeper' && active && hasPassword && id !== person.id,
    )

  /** It is done, whether or not the letter leaves. */
  const tellThem = async (person: Pick<Person, 'name' | 'email'>, what: string): Promise<void> =>
    mail?.(doorChanged(person, what, lender)).catch(() => undefined)

  function refuseWithoutMail(): Mailer {
    if (!mail) throw new AppError('MAIL_OFF')
    return mail
  }

  /** Gives somebody a way in: the secret goes to them and to nobody else. */
  async function sendWayIn(
    { id, name, email, hasPassword }: PersonData,
    by: Who,
    transaction: Transaction,
  ): Promise<() => Promise<void>> {
    const send = refuseWithoutMail()
    const { secret, hash, until } = newInvitation(now())
    await people.change(id, { invitationHash: hash, invitationUntil: until }, transaction)
    await record.append(entry('personInvited', { id, name }, by), transaction)
    const link = `${deskUrl()}/welcome#${secret}`
    return () => send(wayIn({ name, email }, { link, until, lender, isNew: !hasPassword }))
  }

  const askSecond = async (
    { id, name }: PersonData,
    kind: PeopleRequest['kind'],
    role: Role | null,
    by: Who,
    transaction: Transaction,
  ): Promise<void> => {
    await requests.add({ personId: id, kind, role, askedBy: by.id }, transaction)
    await record.append(entry('changeAsked', { id, name }, by, { kind, ...(role && { role }) }), transaction)
  }

  async function existing(id: string, transaction: Transaction) {
    const all = await people.allLocked(transaction)
    const found = all.find((one) => one.id === id)
    if (!found) throw new AppError('PERSON_UNKNOWN')
    return { all, found }
  }

  return {
    listed,
    asked,

    /** Adds somebody, and sends them a way in; as an approver or keeper only once a second keeper agrees, where there is one. */
    async invite({ email, name, role }: InvitePerson, by: Who): Promise<PeopleChanged> {
      refuseWithoutMail()
      if (await people.isEmailTaken(email))
        throw new AppError('EMAIL_TAKEN', { field: 'email', details: { email } })
      let send: (() => Promise<void>) | undefined
      await database.transaction(async (transaction) => {
        const all = await people.allLocked(transaction)
        const waits = needsTwo(role) && hasSecondKeeper(all, by)
        const added = await people.add({ email, name, role: waits ? 'author' : role }, transaction)
        if (waits) await askSecond(added, 'invitation', role, by, transaction)
        else send = await sendWayIn(added, by, transaction)
      })
      await send?.()
      return changed(send === undefined)
    },

    /** Sends somebody a new way in; to an approver or keeper only once a second keeper agrees, where there is one. */
    async inviteAgain(id: string, by: Who): Promise<PeopleChanged> {
      refuseWithoutMail()
      let send: (() => Promise<void>) | undefined
      await database.transaction(async (transaction) => {
        const { all, found } = await existing(id, transaction)
        if (!found.active) throw new AppError('PERSON_UNKNOWN')
        if (needsTwo(found.role) && hasSecondKeeper(all, by))
          await askSecond(found, 'reset', null, by, transaction)
        else send = await sendWayIn(found, by, transaction)
      })
      await send?.()
      return changed(send === undefined)
    },

    /** For somebody who lost their second factor and every code: it is asked for no more. Of an approver or keeper only with a second keeper. */
    async removeFactors(id: string, by: Who): Promise<PeopleChanged> {
      let tell: (() => Promise<void>) | undefined
      await database.transaction(async (transaction) => {
        const { all, found } = await existing(id, transaction)
        if (needsTwo(found.role) && hasSecondKeeper(all, by))
          await askSecond(found, 'factors', null, by, transaction)
        else tell = await withoutFactors(found, by, transaction)
      })
      await tell?.()
      return changed(tell === undefined)
    },

    /** Another name or role, or whether they may come at all; whoever may not is signed out everywhere. */
    async change(id: string, wanted: ChangePerson, by: Person): Promise<PeopleChanged> {
      const waits = await database.transaction(async (transaction) => {
        const { all, found } = await existing(id, transaction)
        const [isOtherRole, returns] = [found.role !== wanted.role, !found.active && wanted.active]
        const isGrave =
          (isOtherRole && (needsTwo(found.role) || needsTwo(wanted.role))) ||
          (returns && needsTwo(wanted.role))
        const needsSecond = isGrave && hasSecondKeeper(all, by)
        const now_ = needsSecond
          ? { name: wanted.name, role: found.role, active: wanted.active && found.active }
          : wanted
        refuseLastKeeper(all, id, now_)
        await apply(found, now_, by, transaction)
        if (!needsSecond) return false
        await askSecond(found, returns ? 'return' : 'role', wanted.role, by, transaction)
        return true
      })
      return changed(waits)
    },

    /** Does what another keeper asked for. */
    async confirm(requestId: string, by: Person): Promise<PeopleChanged> {
      let send: (() => Promise<void>) | undefined
      await database.transaction(async (transaction) => {
        const request = await requests.take(requestId, transaction)
        if (!request) throw new AppError('REQUEST_GONE')
        if (request.askedBy === by.id || request.personId === by.id)
          throw new AppError('SECOND_KEEPER_NEEDED')
        const { all, found } = await existing(request.personId, transaction)
        const role = request.role ?? found.role
        const wanted = { name: found.name, role, active: found.active || request.kind === 'return' }
        refuseLastKeeper(all, found.id, wanted)
        await apply(found, wanted, by, transaction)
        await record.append(entry('changeConfirmed', found, by, { kind: request.kind }), transaction)
        if (request.kind === 'factors') send = await withoutFactors(found, by, transaction)
        if (request.kind === 'reset' || request.kind === 'invitation')
          send = await sendWayIn({ ...found, role }, by, transaction)
      })
      await send?.()
      return changed(false)
    },

    /** Says no to what was asked for, or takes it back. */
    async decline(requestId: string, by: Person): Promise<PeopleChanged> {
      await database.transaction(async (transaction) => {
        const request = await requests.take(requestId, transaction)
        if (!request) throw new AppError('REQUEST_GONE')
        const { found } = await existing(request.personId, transaction)
        await record.append(entry('changeDeclined', found, by, { kind: request.kind }), transaction)
      })
      return changed(false)
    },

    /** Signs somebody out everywhere. */
    async endSessions(id: string, by: Person): Promise<PersonListed[]> {
      await database.transaction(async (transaction) => {
        const { found } = await existing(id, transaction)
        await sessions.endAll(id, '', transaction)
        await record.append(entry('sessionEnded', found, by, { which: 'all' }), transaction)
      })
      return listed()
    },

    /** A way in for whoever runs the server to pass on: from a command line, where no mail is sent. */
    async linkByHand({ email, name, role }: InvitePerson, by: Who): Promise<string> {
      const { secret, hash, until } = newInvitation(now())
      const invitation = { invitationHash: hash, invitationUntil: until }
      await database.transaction(async (transaction) => {
        const all = await people.allLocked(transaction)
        const known = all.find((one) => one.email.toLowerCase() === email.toLowerCase())
        if (known) await people.change(known.id, invitation, transaction)
        const person = known ?? (await people.add({ email, name, role, ...invitation }, transaction))
        await record.append(entry('personInvited', person, by, { role: person.role }), transaction)
      })
      return secret
    },

    async invited(secret: string): Promise<Person> {
      const found = await people.invited(hashOfSecret(secret), now())
      if (!found) throw new AppError('INVITATION_OVER')
      return found
    },

    /** Whoever was invited chooses a password; the way in is used up, and older sessions end. */
    async accept(secret: string, password: string): Promise<Person> {
      const found = await this.invited(secret)
      await refuseWeak(password, found, lender)
      const passwordHash = await hashPassword(password)
      await database.transaction(async (transaction) => {
        await people.allLocked(transaction)
        // Used by somebody else while the password was hashed.
        if (!(await people.invited(hashOfSecret(secret), now(), transaction)))
          throw new AppError('INVITATION_OVER')
        await people.change(found.id, { passwordHash, ...noInvitation }, transaction)
        await sessions.endAll(found.id, '', transaction)
        await record.append(entry('passwordSet', found, found), transaction)
      })
      return found
    },

    /** A person's own password; every other session of theirs ends, and so does any other way in. */
    async changePassword({ present, next }: ChangePassword, person: Person, ownSid: string): Promise<void> {
      const hash = await people.passwordOf(person.id)
      if (!hash || !(await passwordMatches(present, hash)))
        throw new AppError('PASSWORD_WRONG', { field: 'present' })
      await refuseWeak(next, person, lender)
      const passwordHash = await hashPassword(next)
      await database.transaction(async (transaction) => {
        await people.change(person.id, { passwordHash, ...noInvitation }, transaction)
        await sessions.endAll(person.id, ownSid, transaction)
        await record.append(entry('passwordSet', person, person), transaction)
      })
      await tellThem(person, 'Your password was changed.')
    },
  }

  async function withoutFactors(
    person: PersonData,
    by: Who,
    transaction: Transaction,
  ): Promise<() => Promise<void>> {
    await people.removeFactors(person.id, transaction)
    await sessions.endAll(person.id, '', transaction)
    await record.append(entry('secondFactorRemoved', person, by, { what: 'all of them' }), transaction)
    return () => tellThem(person, 'Your second factor was removed; a password alone lets you in.')
  }

  async function apply(
    before: PersonData,
    wanted: ChangePerson,
    by: Who,
    transaction: Transaction,
  ): Promise<void> {
    const { id } = before
    await people.change(id, { ...wanted, ...(!wanted.active && noInvitation) }, transaction)
    if (!wanted.active) {
      await sessions.endAll(id, '', transaction)
      await requests.ofPersonGone(id, transaction)
    }
    const subject = { id, name: wanted.name }
    if (before.active !== wanted.active)
      await record.append(
        entry(wanted.active ? 'personReactivated' : 'personDeactivated', subject, by),
        transaction,
      )
    if (before.name !== wanted.name || before.role !== wanted.role)
      await record.append(entry('personChanged', subject, by, { role: wanted.role }), transaction)
  }

  function refuseLastKeeper(all: readonly PersonData[], id: string, wanted: ChangePerson): void {
    const keepers = all.filter((one) => {
      const { role, active } = one.id === id ? wanted : one
      return role === 'keeper' && active
    })
    if (!keepers.some((one) => one.id === id || one.hasPassword)) throw new AppError('LAST_KEEPER')
  }
}

const noInvitation = { invitationHash: null, invitationUntil: null }

type Who = Pick<Person, 'id' | 'name'>
