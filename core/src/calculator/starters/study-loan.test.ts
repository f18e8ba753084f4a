import { expect, test } from 'vitest'
import { TODAY } from '../../testing/test-document'
import { compile } from '../compile/compile'
import { evaluate } from '../evaluate/evaluate'
import { studyLoan } from './study-loan'

const { program } = compile(studyLoan(), [])
const shownFor = (during: string) => evaluate(program, { during }, { today: TODAY, sheets: [] })

test.each(['added', 'paid'])(
  'with interest %s the page shows one loan: figures, schedule and what-if agree',
  (during) => {
    const { readouts, ledgers, terms } = shownFor(during)
    const schedule = readouts.find((readout) => readout.shows === 'schedule')
    const ledger = ledgers.get(schedule?.shows === 'schedule' ? schedule.loan : '')
    if (!ledger) throw new Error('no schedule')
    const figures = readouts.flatMap((readout) => (readout.shows === 'figure' ? [readout] : []))
    const headline = figures.find((figure) => figure.headline)
    expect(headline?.value).toMatchObject({ money: ledger.at(ledger.lastNumber - 1).payment })
    expect(figures.filter((figure) => figure.headline)).toHaveLength(1)
    expect(figures.find(({ id }) => id === 'totalInterest')?.value).toMatchObject({
      money: ledger.totals.interest,
    })
    expect(figures.find(({ id }) => id === 'endDate')?.value).toMatchObject({ date: ledger.endsOn })
    expect(terms.get('loan')?.grace?.interest).toBe(during === 'paid' ? 'paid' : 'addedSimple')
  },
)

test('paying the interest meanwhile lowers what is paid later', () => {
  const later = (during: string) => {
    const headline = shownFor(during).readouts.find((one) => one.shows === 'figure' && one.headline)
    return headline?.shows === 'figure' && headline.value.unit === 'money' ? headline.value.money : 0
  }
  expect([later('added'), later('paid')]).toEqual([216_16, 199_69])
})
