import Papa from 'papaparse'
import { freeId, plainName, type CalculatorDocument, type Proof, type Question } from '@vivid/core'
import { isUnreadable, readTyped, textOfAnswer, createFigures } from '@vivid/contract/wording'
import { minorDigitsOf } from '@vivid/core'

/** A fault in a table that was pasted or loaded; rows and columns are counted as people count them, the heading is row 1. */
export interface CsvFault {
  readonly row: number
  readonly column: string
  readonly what: string
}
export type ProofsRead =
  { readonly ok: true; readonly proofs: Proof[] } | { readonly ok: false; readonly faults: CsvFault[] }

const NAME = 'proof'
const DAY = 'day'
/** Before the heading of a column with an expected figure, and of one with its tolerance. */
const EXPECTED = '='
const TOLERANCE = '±'

/**
 * Reads proofs from CSV: a column `proof` with the name, one `day` (2026-11-25), one for each answered question by its
 * name in formulas, `= formula` for each expected figure and `± formula` for how far it may differ. All or nothing.
 */
export function readProofs(text: string, document: CalculatorDocument, today: string): ProofsRead {
  const parsed = Papa.parse<string[]>(text.replace(/^\ufeff/, '').trim(), { skipEmptyLines: 'greedy' })
  const [head = [], ...rows] = parsed.data
  const faults: CsvFault[] = []
  const questions = new Map(
    document.steps.flatMap((step) =>
      step.kind === 'question' ? [[plainName(step.name), step] as const] : [],
    ),
  )
  const headings = head.map((cell) => cell.trim())
  if (!headings.includes(NAME))
    faults.push({ row: 1, column: NAME, what: `a column “${NAME}” with the name of each proof is needed` })
  if (!headings.some((heading) => heading.startsWith(EXPECTED)))
    faults.push({
      row: 1,
      column: EXPECTED,
      what: 'at least one column with an expected figure is needed, headed like “= the loan.payment”',
    })
  for (const heading of headings) {
    const isKnown =
      heading === NAME || heading === DAY || heading.startsWith(EXPECTED) || heading.startsWith(TOLERANCE)
    if (!isKnown && !questions.has(plainName(heading)))
      faults.push({ row: 1, column: heading, what: 'no question has this name' })
  }
  if (rows.length === 0 && faults.length === 0)
    faults.push({ row: 2, column: NAME, what: 'there are no proofs below the heading' })
  if (rows.length + document.proofs.length > 200)
    faults.push({ row: 202, column: NAME, what: 'a calculator may have 200 proofs' })
  if (faults.length > 0) return { ok: false, faults }

  const taken = [...document.proofs.map(({ id }) => ({ id }))]
  const proofs = rows.map((row, at) => proofOf(row, at + 2))
  return faults.length > 0 ? { ok: false, faults } : { ok: true, proofs }

  function proofOf(row: readonly string[], number: number): Proof {
    const cell = (heading: string) => (row[headings.indexOf(heading)] ?? '').trim()
    const fault = (column: string, what: string) => faults.push({ row: number, column, what })
    const name = cell(NAME)
    if (name === '') fault(NAME, 'the proof needs a name')
    const on = cell(DAY) || today
    if (!/^\d{4}-\d{2}-\d{2}$/.test(on)) fault(DAY, `“${on}” is not a day like 2026-11-25`)
    const answers: Proof['answers'] = {}
    for (const heading of headings) {
      const question = questions.get(plainName(heading))
      const typed = cell(heading)
      if (!question || typed === '') continue
      const answer = answerOf(question, typed)
      if (answer === undefined) fault(heading, `“${typed}” cannot be read as an answer`)
      else answers[question.id] = answer
    }
    const expected = headings.flatMap((heading) => {
      if (!heading.startsWith(EXPECTED) || cell(heading) === '') return []
      const of = heading.slice(1).trim()
      const tolerance = headings.find((one) => one.startsWith(TOLERANCE) && one.slice(1).trim() === of)
      const figure = plainFigure(cell(heading))
      const allowed = plainFigure((tolerance && cell(tolerance)) || '0')
      if (!/^\d+(\.\d+)?$/.test(allowed))
        fault(tolerance ?? heading, `“${allowed}” is no tolerance, like 0.01`)
      return [{ of, figure, tolerance: allowed }]
    })
    if (expected.length === 0) fault(EXPECTED, 'the proof expects no figure')
    const id = freeId(taken, name || 'proof')
    taken.push({ id })
    return { id, name: name || 'proof', answers, on, expected }
  }

  function answerOf(question: Question, typed: string): Proof['answers'][string] | undefined {
    if (question.asks === 'choice')
      return question.options.find((one) => one.name.toLowerCase() === typed.toLowerCase())?.name
    const locale = document.languages[0] ?? 'en-CA'
    const answer = readTyped(question, typed, 'percent', {
      locale,
      minorDigits: minorDigitsOf[document.currency],
    })
    if (answer === null || answer === undefined || isUnreadable(answer)) return undefined
    return answer as Proof['answers'][string]
  }
}

/** "1,968.47 $" as "1968.47"; texts and dates as they are. */
const plainFigure = (cell: string) => {
  const bare = cell.replace(/[\s,$%]/g, '')
  return /^-?\d+(\.\d+)?$/.test(bare) ? bare : cell
}

/** The proofs as the same table, to be kept or filled in elsewhere. */
export function writeProofs({ proofs, steps, languages, currency }: CalculatorDocument): string {
  const questions = steps.filter((step) => step.kind === 'question')
  const formulas = [...new Set(proofs.flatMap(({ expected }) => expected.map(({ of }) => of)))]
  const figures = createFigures(languages[0] ?? 'en-CA', currency)
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
      question.id in answers ? textOfAnswer(question, answers[question.id], figures) : '',
    ),
    ...formulas.flatMap((of) => {
      const line = expected.find((one) => one.of === of)
      return line ? [line.figure, line.tolerance] : ['', '']
    }),
  ])
  // A cell that a spreadsheet would take for a formula is written with a mark before it; our own headings begin with "=".
  return Papa.unparse([head, ...rows])
}
