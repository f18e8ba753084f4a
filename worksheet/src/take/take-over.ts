import type { CalculatorStep } from '@vivid/core'
import type { Book } from '../book/book'
import { NotTaken, type Formula } from '../formula/formula'
import { number, type Code } from '../translate/code'
import type { LookedUp } from '../translate/table'
import { translate } from '../translate/translate'
import { cellsOfBlock } from '../understand/blocks'
import type { FormulaCell, Understood } from '../understand/understand'
import { orderOf } from './order-of'
import { workingStep } from './steps'
import { takeBlock } from './take-block'
import type { FromSheet } from './tables'
import { createTaking, LONGEST_FORMULA, stepId, type HowTaken, type Taking, type TakenOver } from './taking'

/** Takes a worksheet that was understood over, as its arithmetic stands: each formula a working, or a line of a proof. */
export function takeOver(book: Book, understood: Understood, how: HowTaken = {}): TakenOver {
  const taking = createTaking(book, understood, how)
  const { formulas, blocks } = understood
  const { order, inCircles } = orderOf(formulas)
  for (const name of inCircles) taking.leaveOut(name, 'it goes in a circle: in the end it rests on itself')
  const inBlocks = new Set(blocks.flatMap((block) => [...cellsOfBlock(block)].map(({ name }) => name)))
  const behind = new Set(inBlocks)
  for (const name of order) {
    const one = formulas.get(name)
    if (one?.uses.some((used) => behind.has(used))) behind.add(name)
    if (one && !behind.has(name)) take(name, one, taking)
  }
  const left = new Map(
    blocks
      .flatMap((block, at) => takeBlock(block, `schedule${at + 1}`, order, inBlocks, taking))
      .map(({ name, whyNot }) => [name, whyNot]),
  )
  // Cells of one block may rest on those of another that rest on its own.
  for (const name of order) {
    const [one, whyNot] = [formulas.get(name), left.get(name)]
    if (one && whyNot !== undefined) taking.takeAsLine(name, one, whyNot)
  }
  for (const name of order) {
    const one = formulas.get(name)
    if (one && behind.has(name) && !inBlocks.has(name)) take(name, one, taking)
  }
  return {
    ...taking,
    asked: [...taking.asked.values()],
    leftOut: [...taking.leftOut.values()],
    lines: taking.proofLines.lines,
    sheets: taking.tables?.sheets() ?? [],
    formulas,
  }
}

function take(name: string, one: FormulaCell, taking: Taking): void {
  const { book, naming, workings } = taking
  const id = stepId(one.cell, book)
  const parts: CalculatorStep[] = []
  const short = (code: Code): Code => {
    if (code.isShort || code.gives !== 'number') return code
    const known = parts.find((part) => part.kind === 'working' && part.formula === code.text)
    const part =
      known ?? workingStep(`${id}Part${parts.length + 1}`, naming(`${one.label} part`, 'part'), code, '')
    if (!known) parts.push(part)
    return { text: part.name, gives: 'number', isShort: true }
  }
  const instead = (part: Formula) => {
    const text = taking.toTheCent?.instead(name, part)
    return text === undefined ? undefined : number(text)
  }
  try {
    if (!one.formula) throw new NotTaken(one.why)
    const { codeOf, ofColumn, ofRows, tables } = taking
    const fromSheets: FromSheet[] = []
    const lookedUp = (looked: LookedUp) => {
      const found = tables?.lookUp(looked, id, fromSheets)
      if (found) fromSheets.push(found)
      return found?.code
    }
    const around = { book, codeOf, short, ofColumn, ofRows, instead }
    const code = translate(one.formula, tables ? { ...around, lookedUp } : around)
    if ([code.text, ...parts.map(formulaOf)].some((text) => text.length > LONGEST_FORMULA))
      throw new NotTaken('written out it is longer than a formula may be')
    if (taking.room() < parts.length + fromSheets.length + 1)
      return taking.takeAsLine(name, one, 'a calculator has no room for more workings')
    workings.push(...(tables?.keep(fromSheets) ?? []))
    const step = workingStep(
      id,
      naming(one.label, one.cell.address),
      code,
      `${name}: =${one.cell.formula ?? ''}`,
    )
    workings.push(...parts, step)
    taking.setCode(name, () => ({ ...code, text: step.name, isShort: true }))
    taking.taken.push({
      cell: one.cell,
      label: one.label,
      step: id,
      name: step.name,
      gives: code.gives,
      role: one.isResult ? 'result' : 'working',
      proven: taking.proofLines.one(step.name, one.cell.value),
    })
  } catch (error) {
    if (!(error instanceof NotTaken)) throw error
    taking.leaveOut(name, error.message)
  }
}

const formulaOf = (step: CalculatorStep): string => (step.kind === 'working' ? step.formula : '')
