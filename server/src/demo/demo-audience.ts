import type { Sequelize, Transaction } from 'sequelize'
import {
  bandOf,
  evaluate,
  minor,
  minorDigitsOf,
  type PlainDate,
  type Program,
  type RateSheet,
  type Value,
} from '@vivid/core'
import { isoDaysBefore, sameEachTime } from './demo-days'
import { demoPlacements } from './demo-placements'

const DAYS = 92

/** Of those who open a calculator, how many do what: made-up shares that look like an ordinary week. */
const shares = { opened: 1, changed: 0.61, result: 0.58, kept: 0.09, handedOver: 0.014 } as const

/** A calculator as the audience of the demo used it. */
export interface UsedCalculator {
  readonly slug: string
  /** ISO dates on which its editions went live, the first first. */
  readonly liveFrom: readonly string[]
  /** ISO date on which it was taken down. */
  readonly until?: string
  readonly program: Program
}

/** Three months of an audience that never was: more on weekdays, a little more each month. */
export async function loadAudience(
  database: Sequelize,
  transaction: Transaction,
  calculators: readonly UsedCalculator[],
  sheets: readonly RateSheet[],
  today: PlainDate,
): Promise<void> {
  const random = sameEachTime(2_026)
  const counts: object[] = []
  const bands = new Map<
    string,
    { day: string; calculator: string; question: string; band: string; count: number }
  >()
  for (const { slug, liveFrom, until, program } of calculators) {
    const placements = ['', ...demoPlacements.filter((one) => one.slug === slug).map(({ id }) => id)]
    const { values: begun } = evaluate(program, {}, { today: { ...today, time: '12:00' }, sheets })
    const liking = (slug === 'floating-home-mortgage' ? 70 : 6) + Math.floor(random() * 34)
    for (let ago = DAYS; ago >= 1; ago--) {
      const day = isoDaysBefore(today, ago)
      const edition = liveFrom.filter((from) => from <= day).length
      if (edition === 0 || (until !== undefined && day >= until)) continue
      const weekday = new Date(`${day}T12:00:00Z`).getUTCDay()
      const crowd =
        liking * (weekday % 6 === 0 ? 0.45 : 1) * (1.25 - (0.4 * ago) / DAYS) * (0.75 + random() / 2)
      for (const [i, placement] of placements.entries()) {
        for (const [j, language] of program.languages.entries()) {
          const opened = Math.round(crowd * (i === 0 ? 0.2 : 1) * (j === 0 ? 0.78 : 0.22))
          for (const [event, share] of Object.entries(shares)) {
            const count = Math.floor(opened * share * (0.85 + random() * 0.3) + random())
            if (count > 0) counts.push({ day, calculator: slug, edition, language, placement, event, count })
          }
        }
      }
      for (let n = 0; n < Math.round(crowd * 0.5); n++) {
        for (const [question, band] of answersOf(program, begun, random)) {
          const key = `${day} ${slug} ${question} ${band}`
          const count = (bands.get(key)?.count ?? 0) + 1
          bands.set(key, { day, calculator: slug, question, band, count })
        }
      }
    }
  }
  const fill = (table: string, columns: string, types: string, rows: readonly object[]) =>
    database.query(
      `INSERT INTO ${table} (${columns}) SELECT ${columns} FROM json_to_recordset(:rows) AS r (${types})`,
      { replacements: { rows: JSON.stringify(rows) }, transaction },
    )
  await fill(
    'audience_counts',
    'day, calculator, edition, language, placement, event, count',
    'day date, calculator text, edition integer, language text, placement text, event text, count bigint',
    counts,
  )
  await fill(
    'audience_bands',
    'day, calculator, question, band, count',
    'day date, calculator text, question text, band text, count bigint',
    [...bands.values()],
  )
}

/** The bands of one made-up visitor: around what each question begins with. */
function answersOf({ steps, currency }: Program, begun: Values, random: () => number): [string, string][] {
  return steps.flatMap(({ step }): [string, string][] => {
    const value = begun[step.id]
    if (step.kind !== 'question' || !value) return []
    const answer =
      step.asks === 'choice'
        ? step.options[Math.floor(random() * step.options.length)]?.name
        : bandOf(varied(value, 0.55 + random() * 0.9), minorDigitsOf[currency])
    return answer === undefined ? [] : [[step.id, answer]]
  })
}
type Values = ReturnType<typeof evaluate>['values']

/** The same kind of answer, so much more or less. */
function varied(value: Value, around: number): Value {
  switch (value.unit) {
    case 'money':
      return { ...value, money: minor(Math.round(value.money * around)) }
    case 'share':
      return { ...value, percent: String(Number(value.percent) * (around + 0.2)) }
    case 'percent':
      return { ...value, percent: String(Number(value.percent) * (0.8 + around / 4)) }
    case 'term':
      return { ...value, years: Math.max(1, Math.round(value.years * (0.5 + around / 2))) }
    default:
      return value
  }
}
