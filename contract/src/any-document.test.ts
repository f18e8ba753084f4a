import fc from 'fast-check'
import { expect, test } from 'vitest'
import { compile, createEvaluator, readMoment, type ReadoutStep } from '@vivid/core'
import type { WhatIf } from '@vivid/core/evaluate'
import { whatIf } from '@vivid/core/what-if'
import { anyAnswers, anyDocument, anySheets } from '../../core/src/testing/any-document'
import {
  comparedCell,
  doubtSentence,
  fetchAllLanguages,
  figuresFor,
  ladderTable,
  problemWithPlace,
  ratesSaid,
  readoutText,
  refusedSaid,
  scheduleCell,
} from './wording'

/** How many documents are tried: more in the long run (`DOCUMENT_RUNS=100000`). */
const RUNS = Number(process.env.DOCUMENT_RUNS ?? 120)
const today = readMoment('2026-11-25T12:00')
if (!today) throw new Error('that is a moment')

const tried = [
  { extra: 1_00 },
  { lumpSum: { amount: 1e13, withPayment: 0 } },
  { lumpSum: { amount: 5_000_00, withPayment: 12 }, extra: 1_00 },
  { annualRate: '7' },
  { payment: 1_00, annualRate: '0' },
] as WhatIf[]

test(`whatever an author wrote and a visitor answers is worked out and said, and no promise is broken (${RUNS} documents)`, async () => {
  await fetchAllLanguages()
  let loans = 0
  fc.assert(
    fc.property(anyDocument, fc.array(anyAnswers, { minLength: 2, maxLength: 3 }), (document, visitors) => {
      const { program } = compile(document, anySheets)
      const evaluate = createEvaluator(program)
      const figures = figuresFor(program, 'fr-CA')
      const stepOf = new Map(program.steps.map(({ step }) => [step.id, step as ReadoutStep]))
      for (const answers of visitors) {
        const evaluation = evaluate(answers, { today, sheets: anySheets })
        for (const problem of evaluation.problems) {
          if (problem.code === 'STEP_STOPPED' && problem.stop.code === 'BROKEN')
            expect({ problem, answers, steps: document.steps.slice(12) }).toBe('no broken promise')
          expect(problemWithPlace(problem, program, figures)).not.toBe('')
        }
        for (const doubt of evaluation.doubts) doubtSentence(doubt, figures)
        for (const value of Object.values(evaluation.values)) figures.value(value)
        ratesSaid(evaluation.readouts, program, anySheets, figures)
        for (const readout of evaluation.readouts) {
          readoutText(readout, figures, 'en-CA')
          const step = stepOf.get(readout.id)
          if (readout.shows === 'ladder') {
            ladderTable(readout, figures, 'en-CA')
            refusedSaid(readout, figures)
          }
          if (readout.shows === 'comparison' && step?.shows === 'comparison')
            for (const [i, column] of readout.columns.entries())
              for (const row of step.rows) comparedCell(row, column, i === 0, figures)
          const ledger = readout.shows === 'schedule' ? evaluation.ledgers.get(readout.loan) : undefined
          if (readout.shows === 'schedule' && ledger)
            for (const year of readout.years.slice(0, 2))
              for (const column of readout.columns) scheduleCell(column, year, ledger, figures)
        }
        for (const terms of evaluation.terms.values()) {
          loans++
          whatIf(terms, tried)
        }
      }
    }),
    { numRuns: RUNS },
  )
  expect(loans).toBeGreaterThan(RUNS / 4)
}, 3_600_000)
