import { describe, expect, test } from 'vitest'
import { TODAY } from '../../testing/test-document'
import { compile } from '../compile/compile'
import { textsOf } from '../compile/text-problems'
import { CalculatorDocument } from '../document/document'
import { sheetFaults } from '../sheets/sheet-faults'
import { RateSheet } from '../document/sheets'
import { evaluate } from '../evaluate/evaluate'
import { runProofs } from '../proving/proofs'
import { starters } from './index'

describe.each(starters)('the starter "$id"', ({ make, sheets }) => {
  const document = make()
  const compiled = compile(document, sheets)

  test('is a valid document with sound sheets, and nothing to mend or to ask', () => {
    expect(CalculatorDocument.parse(document)).toEqual(document)
    for (const sheet of sheets) expect(sheetFaults(RateSheet.parse(sheet))).toEqual([])
    expect(compiled.problems).toEqual([])
  })

  test('works out for a visitor who changes nothing: every readout that is not hidden', () => {
    const { problems, readouts, hidden } = evaluate(compiled.program, {}, { today: TODAY, sheets })
    expect(problems).toEqual([])
    const shown = document.steps.filter(({ kind, id }) => kind === 'readout' && !hidden.has(id))
    expect(readouts.map(({ id }) => id)).toEqual(shown.map(({ id }) => id))
    expect(shown.length).toBeGreaterThan(2)
  })

  test('says of nothing that it is part of something: no sentence of its own has an amount of 0', () => {
    const { readouts } = evaluate(compiled.program, {}, { today: TODAY, sheets })
    const empty = readouts.flatMap((readout) =>
      'sentence' in readout
        ? (readout.sentence['en-CA'] ?? []).flatMap((piece) =>
            typeof piece === 'object' && piece.unit === 'money' && piece.money === 0 ? [readout.id] : [],
          )
        : [],
    )
    expect(empty).toEqual([])
  })

  // The figures were worked out by an independent program in decimal arithmetic, not by this core.
  test('gives the figures of its own proofs, to the cent', () => {
    const results = [...runProofs(compiled, sheets)]
    expect(results.length).toBeGreaterThan(0)
    for (const { lines, problems } of results) {
      expect(problems).toEqual([])
      expect(lines.map(({ of, got, difference }) => [of, got, difference])).toEqual(
        lines.map(({ of, expected }) => [of, expected, /^-?[\d.]+$/.test(expected) ? '0' : undefined]),
      )
    }
  })

  test('says everything in English and in French', () => {
    const texts = document.steps.flatMap((step) =>
      textsOf(step).map(([field, said]) => ({ at: `${step.id}.${field}`, said })),
    )
    for (const { at, said } of texts) {
      const languages = Object.keys(said).filter((language) => said[language] !== '')
      expect([at, languages.length === 0 || languages.length === 2]).toEqual([at, true])
    }
  })
})

test('the starters cover every purpose there is, each under its own address', () => {
  expect(new Set(starters.map(({ id }) => id)).size).toBe(20)
})
