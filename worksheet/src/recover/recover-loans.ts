import { minorDigitsOf, type CalculatorDocument, type StepOf } from '@vivid/core'
import { nameAt, nameOfCell } from '../book/book'
import type { Formula } from '../formula/formula'
import { partsOfFormula } from '../formula/parts-of-formula'
import { ledgerText } from '../loans/annuity'
import type { Figure } from '../loans/figure'
import { countReadings, inMoney, rateReadings } from '../loans/rate-of'
import { ask } from '../take/ask'
import { holding } from '../take/claims'
import { LANGUAGE } from '../take/questions'
import type { About } from '../take/schedule'
import type { TakenOver } from '../take/taking'
import { ideaOfCall, ideasOfLogarithm, ideasOfPower, ideasOfSchedule } from './find-ideas'
import { keyOf, restsOn, textOf } from './nodes'
import { guessesFor, type Guess } from './parts-of-loan'
import { claimsOf, isSameLoan, settledOf, stepOf, type PlacedIdea, type Settled } from './settled'

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
  const { asked, formulas, taken, naming, abouts, codeOf, sheets } = takenOver
  const cells = taken.flatMap((one) =>
    one.step !== undefined && one.gives === 'number' ? [nameOfCell(one.cell)] : [],
  )
  const targets = cells.flatMap((cell) => {
    const formula = formulas.get(cell)?.formula
    return formula && isAboutLoan(formula) ? [{ cell, formula }] : []
  })
  if (targets.length === 0 && abouts.size === 0) return NO_LOANS
  const figures = figuresOfCells()
  const ofFormulas = settle(
    targets.flatMap(({ cell, formula }) => ideasOf(cell, formula)).slice(0, MOST_IDEAS),
  )
  const ofBlocks = [...abouts].flatMap(([block, about]) => {
    const [loan] = settle(ideasOfBlock(about))
    return loan ? [{ block, loan }] : []
  })
  const found: Settled[] = []
  for (const one of [...ofFormulas, ...ofBlocks.map(({ loan }) => loan)])
    if (found.length < MOST_LOANS && !found.some((known) => isSameLoan(known, one))) found.push(one)
  const loans = withParts(withExtras(found))
  return {
    loans,
    ofBlocks: new Map(
      ofBlocks.flatMap(({ block, loan }) => {
        const own = loans[found.findIndex((one) => isSameLoan(one, loan))]
        return own ? [[block, own.step.name]] : []
      }),
    ),
  }

  /** A loan that is paid more than its level payment is that loan with an extra. */
  function withExtras(loans: readonly Settled[]): Settled[] {
    const guesses = loans.flatMap((loan) =>
      loans
        .filter(
          (level) => level !== loan && SAME_TERMS.every((term) => level.terms[term] === loan.terms[term]),
        )
        .flatMap((level) =>
          sumOf(loan).map(([side, extra]) => ({
            loan,
            level,
            extra,
            claim: { is: side.text, as: level.text.payment },
          })),
        ),
    )
    const holds = holding(
      document,
      asked,
      guesses.map(({ claim }) => claim),
      sheets,
    )
    return loans.map((loan) => {
      const found = guesses.find((one, i) => one.loan === loan && holds[i])
      if (!found) return loan
      const { terms, options } = found.level
      const amount = inMoney(found.extra.text)
      return { ...loan, terms, options, extras: [{ amount, every: 'payment', at: '', from: '', until: '' }] }
    })
  }

  /** What a loan's payment is the sum of, each way round. */
  function sumOf({ terms, paid }: Settled): (readonly [Figure, Figure])[] {
    if (terms.payment === undefined || !paid) return []
    const of = paid.of?.is === 'binary' && paid.of.how === '+' ? paid.of : undefined
    const [a, b] = paid.sum ?? [of && figures.get(keyOf(of.a)), of && figures.get(keyOf(of.b))]
    return a && b
      ? [
          [a, b],
          [b, a],
        ]
      : []
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

  function ideasOf(cell: string, formula: Formula): PlacedIdea[] {
    const near = around(cell)
    const one = formulas.get(cell)
    if (!near || !one) return []
    const itself = codeOf(cell)?.text
    return partsOfFormula(formula).flatMap((of) => {
      const figure = figures.get(keyOf(of))
      if (!figure) return []
      const ideas = of.is === 'call' ? [ideaOfCall(of, (part) => figures.get(keyOf(part)))] : []
      if (has(of, isPower)) ideas.push(...ideasOfPower(figure, near.figures))
      if (has(of, isLogarithm)) ideas.push(...ideasOfLogarithm(figure, near.figures))
      return ideas.flatMap((idea) => {
        if (!idea) return []
        const restsOn = new Set(near.cells.filter((name) => name !== cell || idea.principal.text === itself))
        return [{ ...idea, at: { label: one.label, figures: near.figures, restsOn } }]
      })
    })
  }

  function ideasOfBlock(about: About): PlacedIdea[] {
    // A column's own cells have no line that a loan could stand behind.
    const at = { label: '', figures: about.among, restsOn: new Set(cells) }
    return ideasOfSchedule(about).map((idea) => ({ ...idea, at }))
  }

  /** Loans whose rate, length and payment hold whatever is answered, each once, the likelier first. */
  function settle(ideas: readonly PlacedIdea[]): Settled[] {
    const guesses = ideas.flatMap((idea) => {
      const labels = [idea.rate, idea.count, idea.payment].map((one) => labelFor(one)).join(' ')
      const rates = rateReadings(idea.rate, idea.at.figures, `${labels} ${idea.at.label}`)
      return rates.flatMap((rate) =>
        (idea.count ? countReadings(idea.count, rate.perYear, idea.at.figures) : [undefined]).map(
          (count) => ({ idea, reading: { rate, count }, claims: claimsOf(idea, { rate, count }) }),
        ),
      )
    })
    const holds = holding(
      document,
      asked,
      guesses.flatMap(({ claims }) => claims),
      sheets,
    )
    let next = 0
    const settled = new Map<PlacedIdea, Settled>()
    for (const { idea, reading, claims } of guesses) {
      const areTrue = claims.map(() => holds[next++] ?? false).every(Boolean)
      if (areTrue && !settled.has(idea)) settled.set(idea, settledOf(idea, reading))
    }
    const once: Settled[] = []
    for (const loan of settled.values()) if (!once.some((known) => isSameLoan(known, loan))) once.push(loan)
    return once
  }

  function labelFor(figure: Figure | undefined): string {
    const of = figure?.of
    if (of?.is !== 'cell') return ''
    const cell = nameAt(of.sheet, of.row, of.column)
    return (
      asked.find((one) => nameOfCell(one.cell) === cell)?.question.label[LANGUAGE] ??
      formulas.get(cell)?.label ??
      ''
    )
  }

  /** Everything on the sheet that is a figure of these loans. */
  function withParts(loans: readonly Settled[]): RecoveredLoan[] {
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
      return { step, restsOn: loan.restsOn, parts }
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
