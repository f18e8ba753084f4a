export type { BalanceOverTime } from './balance-picture'
export { drawingOf, loanOverTime, type Drawing } from './pictured'
export type { Look } from './look'
