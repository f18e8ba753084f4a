import { fetchedPart } from '../pieces/fetched-part'

export const loansPart = fetchedPart(() => import('./LoansField.vue'))
