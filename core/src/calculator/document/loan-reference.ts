/** The two loans of a refinancing, each to be used like any loan: "change.old", "change.new". */
export const refinanced = ['old', 'new'] as const
export type Refinanced = (typeof refinanced)[number]

/** Which step a loan is of; `which`: the one that is kept, or the one in its place, of a refinancing. */
export function loanReference(loan: string): {
  readonly step: string
  readonly which: Refinanced | undefined
} {
  const [step = '', which] = loan.split('.')
  return { step, which: refinanced.find((one) => one === which) }
}

/** The figure of a refinancing that is this loan. */
export const refinancedFigure = (which: Refinanced): `${Refinanced} loan` => `${which} loan`
