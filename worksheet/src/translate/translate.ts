import { dateOf } from '../book/days'
import { isDateFormat, nameAt, nameOfCell, type Cell } from '../book/book'
import { NotTaken, type Formula } from '../formula/formula'
import { FINDING } from '../understand/references'
import type { Around } from './around'
import { asNumber, either, figure, joined, NONE, number, text, yesNo, ZERO, type Code } from './code'
import { written } from './dates'
import { conditional } from './conditional'
import { functions, whyNot } from './functions'
import { createOverRanges, OF_ALL } from './over-ranges'
import { createLookUp } from './look-up'

/** A worksheet's formula as one of ours. Throws `NotTaken`, saying why. */
export function translate(formula: Formula, around: Around): Code {
  const cells = new Map(around.book.sheets.map((sheet) => [sheet.name, sheet.cells]))
  const reading = { around, go, cellAt, cellCode }
  const { lookUp, byTwoKeys } = createLookUp({ ...reading, orElse })
  const { overRanges, figuresOf } = createOverRanges(reading, call)
  return go(formula)

  function go(of: Formula): Code {
    const other = around.instead?.(of)
    if (other) return other
    switch (of.is) {
      case 'number':
        return number(of.text, true)
      case 'text':
        return text(of.text)
      case 'yesNo':
        return yesNo(String(of.yes))
      case 'nothing':
        return ZERO
      case 'fault':
        throw new NotTaken(`it has the error ${of.text} in it`)
      case 'name':
        throw new NotTaken(`nothing is called “${of.name}”`)
      case 'cell':
        return cellCode(nameAt(of.sheet, of.row, of.column))
      case 'range':
      case 'list':
        throw new NotTaken('it takes several figures where one is needed')
      case 'minus':
        return number(`-(${asNumber(go(of.of))})`)
      case 'percent':
        return number(`(${asNumber(go(of.of))} / 100)`)
      case 'binary':
        return binary(of.how, go(of.a), go(of.b))
      case 'call':
        return call(of)
    }
  }

  function cellCode(name: string): Code {
    return around.codeOf(name) ?? constant(cellAt(name))
  }

  function cellAt(name: string): Cell | undefined {
    const [sheet, address] = splitName(name)
    return cells.get(sheet)?.get(address)
  }

  function call({ function: name, args }: Extract<Formula, { is: 'call' }>): Code {
    const looked = lookUp(name, args)
    if (looked) return looked
    if (name === 'IFERROR' || name === 'IFNA') return orElse(args)
    if (name === 'ISBLANK') return isBlank(args)
    const some = overRanges(name, args) ?? conditional(name, args, reading)
    if (some) return some
    const found = Object.hasOwn(functions, name) ? functions[name] : undefined
    if (!found) throw new NotTaken(whyNot[name] ?? `${name} has no meaning here`)
    const isJoining = name === 'AND' || name === 'OR'
    return found({
      args: OF_ALL.has(name) ? args.flatMap(figuresOf) : (isJoining ? args.flatMap(eachOf) : args).map(go),
      short: around.short,
      nothing: around.nothing,
    })
  }

  /** A lookup among whose places or keys are lookups of their own: what those do not find is nowhere for it. */
  function found({ function: name, args }: Extract<Formula, { is: 'call' }>): Code {
    const sheet = name === 'INDEX' ? byTwoKeys(args[0], args[1], args[2]) : undefined
    if (sheet) return sheet
    const within = args.map((arg): Formula => {
      if (arg.is === 'range' || arg.is === 'list') return arg
      if (arg.is === 'call' && FINDING.has(arg.function))
        return { is: 'call', function: 'IFERROR', args: [arg, NOWHERE] }
      if (Object.values(NONE).some(({ text }) => go(arg).text.includes(text)))
        throw new NotTaken('it hides an error within what it looks for')
      return arg
    })
    return call({ is: 'call', function: name, args: within })
  }

  /** What is worked out instead where there would be an error: where something is divided by nothing, or not found. */
  function orElse([of, instead]: readonly Formula[]): Code {
    if (!of) throw new NotTaken('an argument is missing')
    const first = of.is === 'call' && FINDING.has(of.function) ? found(of) : go(of)
    const second = instead ? go(instead) : ZERO
    // Where nothing is to be shown, there is no figure either way.
    if (second.text === '""') return first
    const fails = whereItFails(of)
    if (fails) return either(yesNo(`${fails} = 0`), second, first, around.nothing)
    if (of.is === 'call' && FINDING.has(of.function) && second.gives === first.gives)
      return { ...first, text: first.text.replaceAll(NONE[first.gives].text, second.text) }
    throw new NotTaken(
      'it hides an error whose reason is not known; a condition says when there is no figure',
    )
  }

  /** What has to be nothing for a formula to be an error, where that is one thing. */
  function whereItFails(of: Formula): string | undefined {
    if (of.is === 'binary' && of.how === '/') return asNumber(around.short(go(of.b)))
    const [, count] = of.is === 'call' && of.function === 'PMT' ? of.args : []
    return count && asNumber(around.short(go(count)))
  }

  /** What is asked has an answer. */
  function isBlank([of]: readonly Formula[]): Code {
    if (of?.is !== 'cell') throw new NotTaken('it asks of what is no cell whether anything stands there')
    return yesNo(String(cellAt(nameAt(of.sheet, of.row, of.column)) === undefined))
  }
}

/** A comparison with a list is one with each of it. */
function eachOf(of: Formula): Formula[] {
  if (of.is !== 'binary') return [of]
  const { a, b } = of
  if (b.is === 'list') return b.rows.flat().map((one) => ({ ...of, b: one }))
  return a.is === 'list' ? a.rows.flat().map((one) => ({ ...of, a: one })) : [of]
}

/** No place of a table, no key, and below all keys. */
const NOWHERE: Formula = { is: 'number', text: '-999999999999999' }

const SIGNS: Readonly<Record<string, string>> = { '^': '**', '<>': '!=' }

function binary(how: string, a: Code, b: Code): Code {
  const sign = SIGNS[how] ?? how
  switch (how) {
    case '&':
      return joined(a, b)
    case '=':
    case '<>':
      if (a.gives !== b.gives) return yesNo(how === '=' ? 'false' : 'true')
      return yesNo(`(${a.text} ${sign} ${b.text})`)
    case '<':
    case '>':
    case '<=':
    case '>=':
      return yesNo(`(${asNumber(a)} ${sign} ${asNumber(b)})`)
    default:
      return number(`(${asNumber(a)} ${sign} ${asNumber(b)})`)
  }
}

/** A cell that stands as it is in the file; an empty one counts as nothing. */
function constant(cell: Cell | undefined): Code {
  const value = cell?.value
  if (value === undefined) return ZERO
  if (typeof value === 'number') {
    const date = isDateFormat(cell?.format ?? '') ? dateOf(value) : undefined
    return date === undefined ? figure(value) : { ...figure(value), date: written(date) }
  }
  if (typeof value === 'string') return text(value)
  if (typeof value === 'boolean') return yesNo(String(value))
  throw new NotTaken(`${nameOfCell(cell ?? { sheet: '', address: '' })} has the error ${value.error}`)
}

/** "Loan!B7" as its sheet and address; a sheet's name may have the mark in it. */
export function splitName(name: string): [sheet: string, address: string] {
  const mark = name.lastIndexOf('!')
  return [name.slice(0, mark), name.slice(mark + 1)]
}
