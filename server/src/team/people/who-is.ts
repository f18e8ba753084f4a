import type { Person } from '@vivid/contract'

/** The person behind a request that `http/access` admitted. */
export const whoIs = (res: { locals: Record<string, unknown> }): Person => res.locals.person as Person
