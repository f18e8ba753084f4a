import { z } from 'zod'

export const roles = ['author', 'approver', 'keeper'] as const
export const Role = z.enum(roles)
export type Role = z.infer<typeof Role>

/** What each role may do; the server asks here, and the desk hides what would be refused. */
export const permissions = {
  /** Change drafts of calculators and rate sheets, and send them. */
  edit: ['author', 'approver'],
  /** Put drafts of others live, or send them back. */
  approve: ['approver'],
  takeDown: ['approver', 'keeper'],
  /** House styles: they reach visitors only with an edition somebody approved. */
  style: ['author', 'keeper'],
  /** Which pages of which sites show what. */
  place: ['approver', 'keeper'],
  /** People, keys of other channels, and everything in one archive. */
  keep: ['keeper'],
} as const satisfies Record<string, readonly Role[]>
export type Permission = keyof typeof permissions

export const may = (role: Role, permission: Permission): boolean =>
  (permissions[permission] as readonly Role[]).includes(role)

export const SignIn = z.strictObject({
  email: z.string().trim().min(1).max(254),
  password: z.string().min(1).max(1000),
})
export type SignIn = z.infer<typeof SignIn>

export const Person = z.strictObject({ id: z.uuid(), name: z.string(), email: z.string(), role: Role })
export type Person = z.infer<typeof Person>

/** A way to prove who one is besides a password. */
export const factorKinds = ['totp', 'passkey'] as const

/** Who is signed in, if anyone; in demo mode also who could be. */
export const SessionState = z.strictObject({
  person: Person.nullable(),
  /** After a right password: what has to be given besides, one of them. Empty: nothing. */
  second: z.array(z.enum(factorKinds)),
  /** Whether they have to set up a second factor before anything else. */
  mustSetUp: z.boolean(),
  /** What the way in by the lender's own provider of identities is called; null: there is none. */
  provider: z.string().nullable(),
  /** Why coming in by it was refused; told once. */
  problem: z.string().nullable(),
  /** The lender whose desk this is. */
  lender: z.string(),
  demoPeople: z.array(
    z.strictObject({ name: z.string(), email: z.string(), role: Role, password: z.string() }),
  ),
})
export type SessionState = z.infer<typeof SessionState>

/** Somebody who works at the desk, as whoever looks after people sees them. */
export const PersonListed = z.strictObject({
  ...Person.shape,
  active: z.boolean(),
  hasPassword: z.boolean(),
  hasSecondFactor: z.boolean(),
  /** Until when an invitation holds that is not used yet. */
  invitedUntil: z.iso.datetime().nullable(),
  lastSeen: z.iso.datetime().nullable(),
})
export type PersonListed = z.infer<typeof PersonListed>

const name = z.string().trim().min(1).max(120)
const password = z.string().min(1).max(1000)

export const InvitePerson = z.strictObject({ email: z.email().max(254), name, role: Role })
export type InvitePerson = z.infer<typeof InvitePerson>

/** What came of a change: everybody as they are now, and whether it waits for a second keeper. */
export const PeopleChanged = z.strictObject({ people: z.array(PersonListed), waits: z.boolean() })
export type PeopleChanged = z.infer<typeof PeopleChanged>

/** Something a keeper asked for that a second one has to confirm. */
export const PeopleRequest = z.strictObject({
  id: z.uuid(),
  kind: z.enum(['role', 'reset', 'invitation', 'return', 'factors']),
  person: z.string(),
  /** The role asked for; null where none is. */
  role: Role.nullable(),
  askedBy: z.string(),
  askedById: z.uuid(),
  askedAt: z.iso.datetime(),
})
export type PeopleRequest = z.infer<typeof PeopleRequest>

export const ChangePerson = z.strictObject({ name, role: Role, active: z.boolean() })
export type ChangePerson = z.infer<typeof ChangePerson>

export const InvitationSecret = z.strictObject({ secret: z.string().max(100) })
export const AcceptInvitation = z.strictObject({ ...InvitationSecret.shape, password })

/** Whom an invitation is for. */
export const InvitedPerson = z.strictObject({ name: z.string(), email: z.string() })

export const ChangePassword = z.strictObject({ present: password, next: password })
export type ChangePassword = z.infer<typeof ChangePassword>

/** A code: of now, or one for when all else is lost. */
export const SecondCode = z.strictObject({ code: z.string().trim().min(1).max(40) })

/** Proves again who somebody is: by their password, a code, or a passkey. */
export const Proof = z.union([
  z.strictObject({ password }),
  SecondCode,
  z.strictObject({ passkey: z.unknown() }),
])

/** A secret for an application that makes codes by time (RFC 6238), and the address it takes it over by. */
export const TotpBegun = z.strictObject({ secret: z.string(), uri: z.string() })
export type TotpBegun = z.infer<typeof TotpBegun>
export const ConfirmTotp = z.strictObject({
  secret: z.string().min(16).max(64),
  code: z.string().trim().max(12),
})
/** Codes for when all else is lost; told once, each works once. */
export const RecoveryCodes = z.strictObject({ codes: z.array(z.string()) })
export const AddPasskey = z.strictObject({ name: z.string().trim().min(1).max(60), response: z.unknown() })
export const UsePasskey = z.strictObject({ response: z.unknown() })

/** What a person has besides a password. */
export const FactorsState = z.strictObject({
  totp: z.boolean(),
  recoveryLeft: z.int(),
  passkeys: z.array(
    z.strictObject({
      id: z.string(),
      name: z.string(),
      madeAt: z.iso.datetime(),
      lastUsed: z.iso.datetime().nullable(),
    }),
  ),
})
export type FactorsState = z.infer<typeof FactorsState>

/** One of a person's own sessions. */
export const SessionListed = z.strictObject({
  name: z.string(),
  /** "Firefox on Linux" */
  browser: z.string(),
  began: z.iso.datetime(),
  lastUsed: z.iso.datetime(),
  isThis: z.boolean(),
})
export type SessionListed = z.infer<typeof SessionListed>
