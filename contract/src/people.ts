import { z } from 'zod'

export const roles = ['author', 'approver', 'keeper'] as const
export const Role = z.enum(roles)
export type Role = z.infer<typeof Role>

/** What each role may do with calculators; the server asks here, and the desk hides what would be refused. */
export const permissions = {
  edit: ['author', 'approver'],
  approve: ['approver'],
  takeDown: ['approver', 'keeper'],
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
