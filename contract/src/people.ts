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

/** Who is signed in, if anyone; in demo mode also who could be. */
export const SessionState = z.strictObject({
  person: Person.nullable(),
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
  /** Until when an invitation holds that is not used yet. */
  invitedUntil: z.iso.datetime().nullable(),
  lastSeen: z.iso.datetime().nullable(),
})
export type PersonListed = z.infer<typeof PersonListed>

const name = z.string().trim().min(1).max(120)
const password = z.string().min(1).max(1000)

export const InvitePerson = z.strictObject({ email: z.email().max(254), name, role: Role })
export type InvitePerson = z.infer<typeof InvitePerson>

/** What is passed on to whoever was invited: the secret of their link. It is told once. */
export const Invited = z.strictObject({
  secret: z.string(),
  until: z.iso.datetime(),
  people: z.array(PersonListed),
})
export type Invited = z.infer<typeof Invited>

export const ChangePerson = z.strictObject({ name, role: Role, active: z.boolean() })
export type ChangePerson = z.infer<typeof ChangePerson>

export const InvitationSecret = z.strictObject({ secret: z.string().max(100) })
export const AcceptInvitation = z.strictObject({ ...InvitationSecret.shape, password })

/** Whom an invitation is for. */
export const InvitedPerson = z.strictObject({ name: z.string(), email: z.string() })

export const ChangePassword = z.strictObject({ present: password, next: password })
export type ChangePassword = z.infer<typeof ChangePassword>

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
