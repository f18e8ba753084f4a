import { RateSheet, type CalculatorStep } from '@vivid/core'
import { asNumber, number, type Code } from '../translate/code'
import type { LookedUp } from '../translate/lookups'

/** A table of a worksheet that is looked up in, as a rate sheet, and the steps that look values up in it. */
export interface Tables {
  readonly sheets: RateSheet[]
  /** The figure that is looked up; undefined where no rate sheet can have the table. */
  readonly lookUp: (looked: LookedUp, id: string) => Code | undefined
}

/** The day a table's figures hold from: long before any day a calculator is worked out for. */
const FROM = '2000-01-01'
const MOST_ROWS = 2_000

/** `add`: puts a step behind those that are there. */
export function createTables(
  add: (step: CalculatorStep) => void,
  naming: (label: string, otherwise: string) => string,
): Tables {
  const sheets: RateSheet[] = []
  const steps: { step: Extract<CalculatorStep, { kind: 'lookUp' }>; code: Code }[] = []
  return {
    sheets,
    lookUp(looked, id) {
      const sheet = sheetOf(looked)
      const formulas = looked.keys.map(keyFormula)
      if (!sheet || formulas.some((formula) => formula === undefined)) return undefined
      if (!sheets.some((one) => one.id === sheet.id)) sheets.push(sheet)
      const keys = Object.fromEntries(sheet.keys.map((key, i) => [key.id, formulas[i] ?? '']))
      const known = steps.find(
        ({ step }) => step.sheet === sheet.id && JSON.stringify(step.keys) === JSON.stringify(keys),
      )
      if (known) return known.code
      const step = {
        kind: 'lookUp' as const,
        id: `${id}LookUp${steps.length + 1}`,
        name: naming(`from ${looked.where}`, 'looked up'),
        sheet: sheet.id,
        keys,
        on: '',
      }
      add(step)
      const figure = looked.isPercent ? `as number(${step.name})` : step.name
      const code = number(within(looked, figure))
      steps.push({ step, code })
      return code
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

/** What a key is looked for: outside its bands it is the nearest, and the figure is guarded; undefined where it may not be found. */
function keyFormula({ code, match, entries }: LookedUp['keys'][number]): string | undefined {
  if (match !== 'exact') {
    const bound = edge(match, entries)
    return bound === undefined
      ? undefined
      : `${match === 'notAbove' ? 'max' : 'min'}(${asNumber(code)}, ${bound})`
  }
  const isAlwaysThere = code.oneOf?.every((one) => entries.includes(one)) ?? false
  return isAlwaysThere ? code.text : undefined
}

/** The figure, and none where a key lies outside its bands. */
function within({ keys }: LookedUp, figure: string): string {
  const outside = keys.flatMap(({ code, match, entries }) => {
    const bound = edge(match, entries)
    return match === 'exact' || bound === undefined
      ? []
      : [`${asNumber(code)} ${match === 'notAbove' ? '<' : '>'} ${bound}`]
  })
  return outside.length === 0 ? figure : `(if ${outside.join(' or ')} then (1 / 0) else ${figure})`
}

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
