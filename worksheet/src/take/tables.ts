import { dequal as equal } from 'dequal/lite'
import { RateSheet, type CalculatorStep } from '@vivid/core'
import { asNumber, number, type Code } from '../translate/code'
import type { LookedUp } from '../translate/table'

type LookUpStep = Extract<CalculatorStep, { kind: 'lookUp' }>

/** A figure that is looked up in a rate sheet: how it stands in formulas, and what it needs. */
export interface FromSheet {
  readonly code: Code
  readonly step: LookUpStep
  readonly sheet: RateSheet
}

/** The day a table's figures hold from: long before any day a calculator is worked out for. */
const FROM = '2000-01-01'
const MOST_ROWS = 2_000

/** Tables of a worksheet that are looked up in, as rate sheets: each once, however often it is asked for the same. */
export function createTables(naming: (label: string, otherwise: string) => string) {
  const kept: FromSheet[] = []
  return {
    sheets: (): RateSheet[] => [...new Map(kept.map(({ sheet }) => [sheet.id, sheet])).values()],
    /** Keeps what a formula was taken over with; the steps that were not there yet. */
    keep(found: readonly FromSheet[]): LookUpStep[] {
      const added = found.filter((one) => !kept.includes(one))
      kept.push(...added)
      return added.map(({ step }) => step)
    },
    /** Undefined where no rate sheet can have the table. `besides`: what the same formula looks up. */
    lookUp(looked: LookedUp, id: string, besides: readonly FromSheet[]): FromSheet | undefined {
      const sheet = sheetOf(looked)
      const formulas = looked.keys.map(keyFormula)
      if (!sheet || formulas.some((formula) => formula === undefined)) return undefined
      const keys = Object.fromEntries(sheet.keys.map((key, i) => [key.id, formulas[i] ?? '']))
      const all = [...kept, ...besides]
      const known = all.find(({ step }) => step.sheet === sheet.id && equal(step.keys, keys))
      if (known) return known
      const step: LookUpStep = {
        kind: 'lookUp',
        id: `${id}LookUp${besides.length + 1}`,
        name: naming(`from ${looked.where}`, 'looked up'),
        sheet: sheet.id,
        keys,
        on: '',
      }
      const figure = looked.isPercent ? `as number(${step.name})` : step.name
      return { code: number(within(looked, figure)), step, sheet }
    },
  }
}

/** The table as a rate sheet; its address tells its content, so that another table is never taken for it. */
function sheetOf({ where, keys, rows, isPercent }: LookedUp): RateSheet | undefined {
  if (rows.length === 0 || rows.length > MOST_ROWS) return undefined
  const content = {
    keys: keys.map(({ code, match }, i) => ({
      id: `key${i + 1}`,
      name: keys.length === 1 ? 'Key' : i === 0 ? 'Row' : 'Column',
      unit: code.gives === 'text' ? ('text' as const) : ('number' as const),
      match:
        match === 'exact' ? ('exact' as const) : match === 'notAbove' ? ('from' as const) : ('upTo' as const),
    })),
    gives: isPercent ? ('percent' as const) : ('number' as const),
    versions: [
      {
        from: FROM,
        rows: rows.map((row) => ({
          keys: row.keys.map(String),
          value: plain(isPercent ? row.value * 100 : row.value),
        })),
      },
    ],
  }
  const { data } = RateSheet.safeParse({
    id: `worksheet-${hashOf(JSON.stringify(content))}`,
    name: `From a worksheet: ${where}`,
    ...content,
  })
  return data
}

const plain = (value: number): string =>
  Number(value.toPrecision(15))
    .toFixed(12)
    .replace(/\.?0+$/, '')

/** What a key is looked for: one of the table's, and the figure is guarded; undefined where too many would have to be named. */
function keyFormula(key: LookedUp['keys'][number]): string | undefined {
  const { code, match, entries } = key
  if (match !== 'exact') {
    const bound = edge(match, entries)
    return bound && `${match === 'notAbove' ? 'max' : 'min'}(${asNumber(code)}, ${bound})`
  }
  if (isAlwaysThere(key)) return code.text
  const [first] = entries
  if (first === undefined || entries.length > MOST_NAMED) return undefined
  return `if ${isThere(key)} then ${code.text} else ${asWritten(first)}`
}

/** The figure, and none where a key is none of the table's. */
function within({ keys }: LookedUp, figure: string): string {
  const outside = keys.flatMap((key) => {
    const { code, match, entries } = key
    if (match === 'exact') return isAlwaysThere(key) ? [] : [`not(${isThere(key)})`]
    const bound = edge(match, entries)
    return bound === undefined ? [] : [`${asNumber(code)} ${match === 'notAbove' ? '<' : '>'} ${bound}`]
  })
  return outside.length === 0 ? figure : `(if ${outside.join(' or ')} then (1 / 0) else ${figure})`
}

const MOST_NAMED = 20
const asWritten = (entry: number | string): string =>
  typeof entry === 'string' ? `"${entry}"` : plain(entry)
const isThere = ({ code, entries }: LookedUp['keys'][number]): string =>
  entries.map((entry) => `${code.text} = ${asWritten(entry)}`).join(' or ')
const isAlwaysThere = ({ code, entries }: LookedUp['keys'][number]): boolean =>
  code.oneOf?.every((one) => entries.includes(one)) ?? false

/** Where the bands begin, or end. */
function edge(
  match: LookedUp['keys'][number]['match'],
  entries: readonly (number | string)[],
): string | undefined {
  const figures = entries.filter((one) => typeof one === 'number')
  if (figures.length !== entries.length || figures.length === 0) return undefined
  return plain(match === 'notAbove' ? Math.min(...figures) : Math.max(...figures))
}

/** FNV-1a, for an address; nothing secret rests on it. */
function hashOf(text: string): string {
  let hash = 0x811c9dc5
  for (const sign of text) hash = Math.imul(hash ^ (sign.codePointAt(0) ?? 0), 0x01000193) >>> 0
  return hash.toString(36)
}
