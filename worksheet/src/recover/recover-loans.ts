import { minorDigitsOf, type CalculatorDocument, type StepOf } from '@vivid/core'
import { nameOfCell } from '../book/book'
import type { Formula } from '../formula/parse-formula'
import { ledgerText, type Paid } from '../loans/annuity'
import type { Figure } from '../loans/figure'
import { countReadings, inMoney, rateReadings } from '../loans/rate-of'
import { ask, isNear } from '../take/ask'
import { holding } from '../take/claims'
import type { TakenOver } from '../take/taking'
import { ideaOfCall, ideasOfLogarithm, ideasOfPower, type Idea } from './find-ideas'
import { keyOf, partsOfFormula, restsOn, textOf } from './nodes'
import { guessesFor, type Guess } from './parts-of-loan'
import { claimsOf, isSameLoan, settledOf, stepOf, type Settled, type Target } from './settled'

/** A loan that formulas of the worksheet are about, and the parts of formulas that are figures of it. */
export interface RecoveredLoan {
  readonly step: StepOf<'loan'>
  /** The cells its terms rest on. */
  readonly restsOn: ReadonlySet<string>
  /** By cell and part of its formula, the ledger's own figure in its place. */
  readonly parts: ReadonlyMap<string, ReadonlyMap<string, string>>
}

/** The loans of a worksheet, and whose ledger its unrounded schedules are, by their own names. */
export interface Recovered {
  readonly loans: readonly RecoveredLoan[]
  readonly ofBlocks: ReadonlyMap<string, string>
}
export const NO_LOANS: Recovered = { loans: [], ofBlocks: new Map() }

/** A calculator gets no more loans than these from formulas: a list of a hundred rates has a hundred. */
const MOST_LOANS = 6
const MOST_IDEAS = 40

/** Finds the loans that formulas are about, proven by other answers: see `holding`. */
export function recoverLoans(takenOver: TakenOver, document: CalculatorDocument): Recovered {
  const { asked, formulas, taken, naming, abouts, sheets } = takenOver
  const cells = taken.flatMap((one) =>
    one.step !== undefined && one.gives === 'number' ? [nameOfCell(one.cell)] : [],
  )
  const nameOf = new Map(
    taken.flatMap((one) => (one.step !== undefined ? [[nameOfCell(one.cell), one.name]] : [])),
  )
  const targets = cells.flatMap((cell) => {
    const formula = formulas.get(cell)?.formula
    return formula && isAboutLoan(formula) ? [{ cell, formula }] : []
  })
  if (targets.length === 0) return withBlocks([])
  const figures = figuresOfCells()
  const settled = settle(targets.flatMap(({ cell, formula }) => ideasOf(cell, formula)).slice(0, MOST_IDEAS))
  return withBlocks(withParts(withExtras(settled.slice(0, MOST_LOANS))))

  /** The loans of schedules too, each once. */
  function withBlocks(loans: readonly (RecoveredLoan & { value?: Paid<number> })[]): Recovered {
    const all = [...loans]
    const ofBlocks = new Map<string, string>()
    for (const [block, { principal, rate, payment, terms }] of abouts) {
      const isIt = ({ value }: (typeof loans)[number]) =>
        value !== undefined &&
        isNear(value.principal, principal) &&
        isNear(value.rate, rate) &&
        isNear(value.payment, payment)
      const known = all.find(isIt)
      if (!known && !terms) continue
      const step =
        known?.step ?? stepOf({ terms: terms ?? {}, options: {}, extras: null }, all.length, naming)
      if (!known) all.push({ step, restsOn: new Set(cells), parts: new Map() })
      ofBlocks.set(block, step.name)
    }
    return { loans: all, ofBlocks }
  }

  /** A loan that is paid more than its level payment is that loan with an extra. */
  function withExtras(loans: readonly Settled[]): Settled[] {
    return loans.map((loan) => {
      const of = loan.paid.of
      if (loan.terms.payment === undefined || of?.is !== 'binary' || of.how !== '+') return loan
      const sides = [of.a, of.b].map((side) => figures.get(keyOf(side)))
      const level = loans.find(
        (one) =>
          one !== loan &&
          SAME_TERMS.every((term) => one.terms[term] === loan.terms[term]) &&
          sides.some((side) => side && isNear(side.value, one.value.payment)),
      )
      const extra = sides.find((side) => side && level && !isNear(side.value, level.value.payment))
      if (!level || !extra) return loan
      const extras = [{ amount: inMoney(extra.text), every: 'payment' as const, at: '', from: '', until: '' }]
      return { ...loan, terms: level.terms, options: level.options, extras }
    })
  }

  /** All parts of all formulas with what they come to. */
  function figuresOfCells(): Map<string, Figure> {
    const texts = new Map<string, { text: string; of: Formula }>()
    for (const one of taken) {
      const of = formulas.get(nameOfCell(one.cell))?.formula
      if (of && one.step !== undefined && one.gives === 'number') texts.set(keyOf(of), { text: one.name, of })
    }
    for (const cell of cells)
      for (const of of partsOfFormula(formulas.get(cell)?.formula ?? NOTHING)) {
        const text = texts.has(keyOf(of)) ? undefined : textOf(of, takenOver)
        if (text !== undefined) texts.set(keyOf(of), { text, of })
      }
    const all = [...texts]
    const [values = []] = ask(
      document,
      all.map(([, { text }]) => text),
      [{}],
      sheets,
    )
    return new Map(
      all.flatMap(([key, { text, of }], i) => {
        const value = values[i]
        return value === undefined ? [] : [[key, { text, value, of }]]
      }),
    )
  }

  /** What a cell rests on, the asked first, then cells, then parts of formulas. */
  function around(cell: string): { figures: Figure[]; cells: string[] } | undefined {
    const reached = restsOn(cell, takenOver)
    if (!reached) return undefined
    const seen = new Map<string, Figure>()
    for (const name of reached)
      for (const of of partsOfFormula(formulas.get(name)?.formula ?? NOTHING)) {
        const figure = figures.get(keyOf(of))
        if (figure && !seen.has(figure.text)) seen.set(figure.text, figure)
      }
    const askedTexts = new Set(asked.map(({ code }) => code.text))
    const rank = ({ text, of }: Figure) => (askedTexts.has(text) ? 0 : of?.is === 'cell' ? 1 : 2)
    return { figures: [...seen.values()].sort((a, b) => rank(a) - rank(b)), cells: reached }
  }

  function ideasOf(cell: string, formula: Formula): (Idea & { at: Target })[] {
    const near = around(cell)
    const one = formulas.get(cell)
    if (!near || !one) return []
    return partsOfFormula(formula).flatMap((of) => {
      const figure = figures.get(keyOf(of))
      if (!figure) return []
      const at = { cell, name: nameOf.get(cell) ?? '', one, figure, ...near }
      const ideas = of.is === 'call' ? [ideaOfCall(of, (part) => figures.get(keyOf(part)))] : []
      if (has(of, isPower)) ideas.push(...ideasOfPower(figure, near.figures))
      if (has(of, isLogarithm)) ideas.push(...ideasOfLogarithm(figure, near.figures))
      return ideas.flatMap((idea) => (idea ? [{ ...idea, at }] : []))
    })
  }

  /** Ideas whose rate, length and payment hold whatever is answered, each loan once. */
  function settle(ideas: readonly (Idea & { at: Target })[]): Settled[] {
    const readings = ideas.map((idea) => {
      const labels = [idea.rate, idea.count, idea.payment].map((one) => labelFor(one)).join(' ')
      const rates = rateReadings(idea.rate, idea.at.figures, `${labels} ${idea.at.one.label}`)
      return rates.flatMap((rate) =>
        (idea.count ? countReadings(idea.count, rate.perYear, idea.at.figures) : [undefined]).map(
          (count) => ({ rate, count }),
        ),
      )
    })
    const claims = readings.map((all, i) => all.map((reading) => claimsOf(ideas[i] as Idea, reading)))
    const holds = holding(document, asked, claims.flat(2), sheets)
    let next = 0
    const areTrue = claims.map((all) =>
      all.map((some) => some.map(() => holds[next++] ?? false).every(Boolean)),
    )
    const found = new Map<string, Settled>()
    ideas.forEach((idea, i) => {
      const reading = readings[i]?.[areTrue[i]?.indexOf(true) ?? -1]
      if (!reading) return
      const settled = settledOf(idea, reading)
      const key = JSON.stringify([settled.terms, settled.options])
      const known = found.get(key)
      if (!known) found.set(key, settled)
    })
    return [...found.values()]
  }

  function labelFor(figure: Figure | undefined): string {
    const of = figure?.of
    if (of?.is !== 'cell') return ''
    const name = [...asked, ...formulas.values()].find(
      ({ cell }) => cell.sheet === of.sheet && cell.row === of.row && cell.column === of.column,
    )
    return name && 'label' in name ? name.label : (name?.question.label['en-CA'] ?? '')
  }

  /** Everything on the sheet that is a figure of these loans. */
  function withParts(loans: readonly Settled[]): (RecoveredLoan & { value: Paid<number> })[] {
    const guesses = loans.map((loan) => cells.flatMap((cell) => guessesIn(cell, loan)))
    const holds = holding(
      document,
      asked,
      guesses.flat().map(({ claim }) => claim),
      sheets,
    )
    let next = 0
    return loans.map((loan, i) => {
      const step = takenOver.loans.find((one) => isSameLoan(one, loan)) ?? stepOf(loan, i, naming)
      const parts = new Map<string, Map<string, string>>()
      for (const guess of guesses[i] ?? []) {
        const isTrue = holds[next++]
        const known = parts.get(guess.cell) ?? new Map<string, string>()
        if (!isTrue || known.has(guess.key)) continue
        const text = ledgerText(guess.part, step.name, guess.k)
        parts.set(guess.cell, known.set(guess.key, guess.isNegative ? `(-(${text}))` : text))
      }
      return { step, restsOn: loan.restsOn, parts, value: loan.value }
    })
  }

  function guessesIn(cell: string, loan: Settled): GuessIn[] {
    // What a loan rests on cannot be one of its figures.
    if (loan.restsOn.has(cell)) return []
    const formula = formulas.get(cell)?.formula
    const near = formula && around(cell)
    if (!formula || !near) return []
    return partsOfFormula(formula).flatMap((of): GuessIn[] => {
      const figure = figures.get(keyOf(of))
      if (!figure || of.is === 'cell' || of.is === 'number') return []
      return guessesFor(figure, loan, near.figures, minorDigitsOf[document.currency]).map((guess) => ({
        ...guess,
        cell,
        key: keyOf(of),
      }))
    })
  }
}

interface GuessIn extends Guess {
  readonly cell: string
  readonly key: string
}

const NOTHING: Formula = { is: 'nothing' }
const SAME_TERMS = ['principal', 'annualRate', 'frequency', 'balloon'] as const

const isPower = (of: Formula) =>
  (of.is === 'binary' && of.how === '^') || (of.is === 'call' && of.function === 'POWER')
const isLogarithm = (of: Formula) => of.is === 'call' && ['LN', 'LOG', 'LOG10'].includes(of.function)
const isLoanCall = (of: Formula) =>
  of.is === 'call' && ['PMT', 'PV', 'NPER', 'IPMT', 'PPMT', 'CUMIPMT', 'CUMPRINC'].includes(of.function)
const has = (of: Formula, is: (one: Formula) => boolean) => partsOfFormula(of).some(is)
const isAboutLoan = (of: Formula) => has(of, (one) => isPower(one) || isLogarithm(one) || isLoanCall(one))
