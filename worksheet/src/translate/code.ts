import { NotTaken } from '../formula/formula'

/** A piece of a FEEL formula, and what it gives. Numbers are plain: the unit of a cell is put back where it is shown. */
export interface Code {
  readonly text: string
  readonly gives: 'number' | 'text' | 'yesNo'
  /** Whether it may stand beside any operator, or as an argument, as often as is needed. */
  readonly isShort: boolean
  /** A text that is known to be one of a few. */
  readonly oneOf?: readonly string[]
  /** Of a number of days that is a date: the date. */
  readonly date?: string
}

const LONG = 24
const code = (gives: Code['gives'], text: string, isShort = text.length <= LONG): Code => ({
  text,
  gives,
  isShort,
})

export const number = (text: string, isShort?: boolean): Code => code('number', text, isShort)
export const yesNo = (text: string): Code => code('yesNo', text)
export function text(said: string): Code {
  if (/["\\\n\r]/.test(said)) throw new NotTaken('it has a text with quotation marks or lines in it')
  return { ...code('text', `"${said}"`, true), oneOf: [said] }
}
export const ZERO = number('0')

/** A figure in plain digits. */
export const figure = (value: number): Code => {
  const plain = Number.isInteger(value) ? value.toFixed(0) : plainDigits(value)
  return number(plain.startsWith('-') ? `(${plain})` : plain, true)
}
/** Without an exponent, to twenty places. */
const plainDigits = (value: number): string => {
  const short = String(value)
  return short.includes('e') ? value.toFixed(20).replace(/\.?0+$/, '') : short
}

/** A number that is written, below nothing too; not a number where it is worked out. */
export const writtenNumber = ({ text: said }: Pick<Code, 'text'>): number =>
  Number(said.replace(/[()\s]/g, '') || NaN)

/** What a worksheet has an error for, we have no figure for. */
export const NONE: Readonly<Record<Code['gives'], Code>> = {
  number: number('(1 / 0)'),
  text: code('text', '(if 1 / 0 = 0 then "" else "")'),
  yesNo: yesNo('(1 / 0 = 0)'),
}

export const asNumber = (of: Code): string => wanted(of, 'number')
export function asYesNo(of: Code): string {
  return of.gives === 'number' ? `(${of.text} != 0)` : wanted(of, 'yesNo')
}
function wanted(of: Code, gives: Code['gives']): string {
  if (of.gives === gives) return of.text
  const words = { number: 'a figure', text: 'a text', yesNo: 'yes or no' }
  throw new NotTaken(`${words[of.gives]} stands where ${words[gives]} is needed`)
}

/** Whether something is the empty text, which worksheets show where there is no figure. */
const isEmpty = ({ gives, text: said }: Code): boolean => gives === 'text' && said === '""'

/** `nothing`: what stands for the empty text where the other outcome is a figure. */
export const either = (condition: Code, first: Code, second: Code, nothing = NONE.number): Code => {
  const then = isEmpty(first) && second.gives === 'number' ? nothing : first
  const otherwise = isEmpty(second) && first.gives === 'number' ? nothing : second
  if (then.gives !== otherwise.gives) throw new NotTaken('its two outcomes are of different kinds')
  return code(then.gives, `(if ${asYesNo(condition)} then ${then.text} else ${otherwise.text})`)
}

/** Asks one thing after the other; the first that holds decides. */
export const firstThat = (
  cases: readonly (readonly [condition: string, then: Code])[],
  otherwise: Code,
): Code => cases.reduceRight((rest, [condition, then]) => either(yesNo(condition), then, rest), otherwise)

/** The most texts a few may be. */
const FEW = 60

/** Two texts behind each other, where both are known to be one of a few. */
export function joined(a: Code, b: Code): Code {
  const [first, second] = [a.oneOf, b.oneOf]
  if (!first || !second || first.length * second.length > FEW)
    throw new NotTaken('figures and texts are put together by a sentence')
  const cases = first.flatMap((x) =>
    second.map((y) => ({
      said: `${x}${y}`,
      holds: `${a.text} = ${text(x).text} and ${b.text} = ${text(y).text}`,
    })),
  )
  const [only, ...others] = cases
  if (only && others.length === 0) return text(only.said)
  const all = firstThat(
    cases.map(({ said, holds }) => [holds, text(said)]),
    NONE.text,
  )
  return { ...all, oneOf: cases.map(({ said }) => said) }
}
