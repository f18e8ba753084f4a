import type { SessionState } from '@vivid/contract'

const password = 'ebb-and-flow'

/** The invented people of the demo lender; listed with their password on the sign-in page, in demo mode only. */
export const demoPeople: SessionState['demoPeople'] = [
  { name: 'Ines Okafor', email: 'ines@larkmoor.example', role: 'author', password },
  { name: 'Rasmus Tey', email: 'rasmus@larkmoor.example', role: 'author', password },
  { name: 'Odile Marchetti', email: 'odile@larkmoor.example', role: 'approver', password },
  { name: 'Kofi Brandvold', email: 'kofi@larkmoor.example', role: 'approver', password },
  { name: 'Wren Castellan', email: 'wren@larkmoor.example', role: 'keeper', password },
]

/** The same people as the lender's own sign-in knows them, by the groups they are in there. */
const groups = { author: 'loans-web', approver: 'loans-risk', keeper: 'loans-office' } as const
export const knownThere = demoPeople.map(({ email, name, role }) => ({ email, name, roles: [groups[role]] }))
