export { balancePicture, type BalanceDrawn, type BalanceOverTime } from './balance-picture'
export { loanOverTime, picturedBalance, picturedYears, type Pictured } from './pictured'
export type { Look } from './look'
export { yearsPicture, type YearsDrawn } from './years-picture'
