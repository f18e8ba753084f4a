import {
  mainLanguage,
  freeId,
  minorDigitsOf,
  plainName,
  readMoment,
  type CalculatorDocument,
  type Proof,
  type Question,
} from '@vivid/core'
import { writeCsv } from '@vivid/contract/formats'
import {
  createFigures,
  hasGaps,
  isUnreadable,
  plainAnswer,
  readingsOf,
  readTyped,
  type DecimalMark,
  type NumberKind,
} from '@vivid/contract/wording'
import { markWord, readNumbers } from '../../shared/text-tables/read-numbers'
import { readTable, separatorWords, type TableFault } from '../../shared/text-tables/read-table'

export type ProofsRead =
  | { readonly ok: true; readonly proofs: Proof[]; readonly how: string }
  | { readonly ok: false; readonly faults: readonly TableFault[]; readonly isAmbiguous: boolean }

const NAME = 'proof'
const DAY = 'day'
/** Before the heading of a column with an expected figure, and of one with its tolerance. */
const EXPECTED = '='
const TOLERANCE = '±'

/**
 * Reads proofs from CSV: a column `proof` with the name, one `day` (2026-11-25, or a minute of it), one for each answered
 * question by its name in formulas, `= formula` for each expected figure and `± formula` for how far it may differ; between
 * commas, semicolons or tabs, with a decimal point or comma. All or nothing: what has two readings is refused with both,
 * unless `decimal` says which mark stands before decimals.
 */
export function readProofs(
  text: string,
  document: CalculatorDocument,
  today: string,
  decimal?: DecimalMark,
): ProofsRead {
  const questions = new Map(
    document.steps.flatMap((step) =>
      step.kind === 'question' ? [[plainName(step.name), step] as const] : [],
    ),
  )
  const isFigure = (heading: string) => heading.startsWith(EXPECTED) || heading.startsWith(TOLERANCE)
  const isKnown = (heading: string) =>
    heading === NAME || heading === DAY || isFigure(heading) || questions.has(plainName(heading))
  const table = readTable(text, isKnown)
  const { head: headings, lines } = table
  const faults = [...table.faults]
  if (!headings.includes(NAME))
    faults.push({ row: 1, column: NAME, what: `a column “${NAME}” with the name of each proof is needed` })
  if (!headings.some((heading) => heading.startsWith(EXPECTED)))
    faults.push({
      row: 1,
      column: EXPECTED,
      what: 'at least one column with an expected figure is needed, headed like “= the loan.payment”',
    })
  for (const heading of headings)
    if (!isKnown(heading)) faults.push({ row: 1, column: heading, what: 'no question has this name' })
  if (lines.length === 0 && faults.length === 0)
    faults.push({ row: 2, column: NAME, what: 'there are no proofs below the heading' })
  if (lines.length + document.proofs.length > 200)
    faults.push({ row: 202, column: NAME, what: 'a calculator may have 200 proofs' })
  if (faults.length > 0) return { ok: false, faults, isAmbiguous: false }

  const minorDigits = minorDigitsOf[document.currency]
  const kindOf = (heading: string): NumberKind | undefined => {
    if (isFigure(heading)) return 'number'
    const question = questions.get(plainName(heading))
    return question && kindOfAnswer(question, minorDigits)
  }
  const cells = lines.flatMap((line, i) =>
    headings.flatMap((column, j) => {
      const [kind, cell] = [kindOf(column), line[j] ?? '']
      return kind !== undefined && readingsOf(cell, kind).length > 0
        ? [{ row: i + 2, column, text: cell, kind }]
        : []
    }),
  )
  const numbers = readNumbers(cells, decimal)
  faults.push(...numbers.faults)
  const plainAt = new Map(cells.map(({ row, column }, i) => [`${row} ${column}`, numbers.plain[i]]))

  const taken = [...document.proofs.map(({ id }) => ({ id }))]
  const proofs = lines.map((line, at) => proofOf(line, at + 2))
  if (faults.length > 0) return { ok: false, faults, isAmbiguous: numbers.isAmbiguous }
  const mark = numbers.decimal ? `a decimal ${markWord(numbers.decimal)}` : 'no decimals'
  return { ok: true, proofs, how: `Read as lines between ${separatorWords[table.separator]}, with ${mark}.` }

  function proofOf(line: readonly string[], number: number): Proof {
    const cell = (heading: string) => line[headings.indexOf(heading)] ?? ''
    const plain = (heading: string) => plainAt.get(`${number} ${heading}`)
    const fault = (column: string, what: string) => faults.push({ row: number, column, what })
    const name = cell(NAME)
    if (name === '') fault(NAME, 'the proof needs a name')
    const on = cell(DAY) || today
    if (!readMoment(on)) fault(DAY, `“${on}” is not a day like 2026-11-25`)
    const answers: Proof['answers'] = {}
    for (const heading of headings) {
      const question = questions.get(plainName(heading))
      const typed = cell(heading)
      if (!question || typed === '') continue
      const answer = answerOf(question, typed, plain(heading))
      if (answer === undefined) fault(heading, `“${typed}” cannot be read as an answer`)
      else answers[question.id] = answer
    }
    const expected = headings.flatMap((heading) => {
      if (!heading.startsWith(EXPECTED) || cell(heading) === '') return []
      const of = heading.slice(1).trim()
      const tolerance = headings.find((one) => one.startsWith(TOLERANCE) && one.slice(1).trim() === of)
      const [written, inPlain] = [cell(heading), plain(heading)]
      const figure =
        listIn(written) ?? (inPlain === undefined || Number(written) === Number(inPlain) ? written : inPlain)
      const allowed = tolerance && cell(tolerance) !== '' ? (plain(tolerance) ?? cell(tolerance)) : '0'
      if (!/^\d+(\.\d+)?$/.test(allowed))
        fault(tolerance ?? heading, `“${allowed}” is no tolerance, like 0.01`)
      return [{ of, figure, tolerance: allowed }]
    })
    if (expected.length === 0) fault(EXPECTED, 'the proof expects no figure')
    const id = freeId(taken, name || 'proof')
    taken.push({ id })
    return { id, name: name || 'proof', answers, on, expected }
  }

  /** `plain`: the number in it, if it is one, with a decimal point. */
  function answerOf(
    question: Question,
    typed: string,
    plain: string | undefined,
  ): Proof['answers'][string] | undefined {
    if (question.asks === 'choice')
      return question.options.find((one) => one.name.toLowerCase() === typed.toLowerCase())?.name
    const isAmount = /\p{Sc}|[A-Z]{3}/u.test(typed)
    const text = plain === undefined ? typed : `${isAmount ? `${document.currency} ` : ''}${plain}`
    const locale = plain === undefined ? mainLanguage(document) : 'en-CA'
    const answer = readTyped(question, text, 'percent', { locale, currency: document.currency })
    if (answer === null || answer === undefined || isUnreadable(answer) || hasGaps(answer)) return undefined
    return answer as Proof['answers'][string]
  }
}

/** Several figures of a list in one cell. */
const BETWEEN = '; '
function listIn(cell: string): string[] | undefined {
  const figures = cell.split(BETWEEN)
  return figures.length > 1 && figures.every((one) => /^-?\d+(\.\d+)?$/.test(one)) ? figures : undefined
}

/** What an answer's number can be; a length of time has words of its own. */
function kindOfAnswer(question: Question, minorDigits: number): NumberKind | undefined {
  switch (question.asks) {
    case 'money':
      return { minorDigits }
    case 'percent':
      return 'percent'
    case 'share':
      return 'number'
    case 'number':
      return 'whole'
    case 'term':
    case 'date':
    case 'yesNo':
    case 'choice':
    case 'frequency':
    case 'loans':
      return undefined
  }
}

/** The proofs as the same table, to be kept or filled in elsewhere. */
export function writeProofs({ proofs, steps, languages, currency }: CalculatorDocument): string {
  const questions = steps.filter((step) => step.kind === 'question')
  const formulas = [...new Set(proofs.flatMap(({ expected }) => expected.map(({ of }) => of)))]
  const figures = createFigures(mainLanguage({ languages }), currency)
  const head = [
    NAME,
    DAY,
    ...questions.map(({ name }) => name),
    ...formulas.flatMap((of) => [`${EXPECTED} ${of}`, `${TOLERANCE} ${of}`]),
  ]
  const rows = proofs.map(({ name, on, answers, expected }) => [
    name,
    on,
    ...questions.map((question) =>
      question.id in answers ? plainAnswer(question, answers[question.id], figures) : '',
    ),
    ...formulas.flatMap((of) => {
      const line = expected.find((one) => one.of === of)
      return line
        ? [Array.isArray(line.figure) ? line.figure.join(BETWEEN) : line.figure, line.tolerance]
        : ['', '']
    }),
  ])
  return writeCsv([head, ...rows])
}
