import {
  SMALLEST_GROUP,
  type Audience,
  type AudienceEvent,
  type AudienceGroup,
  type AudienceQuery,
} from '@vivid/contract'
import { counted, createFigures } from '@vivid/contract/wording'
import {
  mainLanguage,
  bandEnd,
  type Frequency,
  mainText,
  mainTitle,
  textIn,
  unitOfQuestion,
  type CalculatorDocument,
  type Question,
} from '@vivid/core'
import type { CalculatorsStore } from '../../authoring/calculators/calculators-store'
import type { PlacementsStore } from '../placements/placements-store'
import type { AudienceStore, BandRow, CountRow } from './audience-store'

const none: Record<AudienceEvent, number> = { opened: 0, changed: 0, result: 0, kept: 0, handedOver: 0 }

export type AudienceService = ReturnType<typeof createAudienceService>

/** How calculators are used, from counts that know nobody. */
export function createAudienceService(
  audience: Pick<AudienceStore, 'counts' | 'bands'>,
  calculators: CalculatorsStore,
  placements: PlacementsStore,
) {
  return {
    counts: (query: AudienceQuery): Promise<CountRow[]> => audience.counts(query),
    async report(query: AudienceQuery): Promise<Audience> {
      const { from, to, calculator } = query
      const [rows, cards, placed, document] = await Promise.all([
        audience.counts(query),
        calculators.cards(),
        placements.placements(),
        calculator ? calculators.bySlug(calculator).then((found) => found?.draft) : undefined,
      ])
      const titles = new Map(cards.map((card) => [card.slug, mainTitle(card)]))
      const pages = new Map(placed.map(({ id, siteName, page }) => [id, `${siteName} ${page}`]))
      return {
        total: summed(rows),
        days: [...grouped(rows, ({ day }) => day)].map(([day, counted]) => ({ day, ...counted })),
        calculators: groups(
          rows,
          ({ calculator: slug }) => slug,
          (slug) => titles.get(slug) ?? slug,
        ),
        placements: groups(
          rows,
          ({ placement }) => placement,
          (id) => (id === '' ? 'Its own page' : (pages.get(id) ?? 'a placement that is gone')),
        ),
        editions: calculator
          ? groups(
              rows,
              ({ edition }) => String(edition),
              (number) => `Edition ${number}`,
            )
          : [],
        languages: groups(rows, ({ language }) => language, languageName),
        answers:
          calculator && document ? answersOf(document, await audience.bands({ from, to, calculator })) : [],
      }
    },
  }
}

const languageName = (code: string) => new Intl.DisplayNames('en', { type: 'language' }).of(code) ?? code

function summed(rows: readonly CountRow[]): Record<AudienceEvent, number> {
  const sums = { ...none }
  for (const { event, count } of rows) sums[event] += count
  return sums
}

function grouped(rows: readonly CountRow[], keyOf: (row: CountRow) => string) {
  const sets = new Map<string, CountRow[]>()
  for (const row of rows) sets.set(keyOf(row), [...(sets.get(keyOf(row)) ?? []), row])
  return new Map([...sets].map(([key, of]) => [key, summed(of)]))
}

/** The most opened first. */
const groups = (
  rows: readonly CountRow[],
  keyOf: (row: CountRow) => string,
  label: (key: string) => string,
): AudienceGroup[] =>
  [...grouped(rows, keyOf)]
    .map(([name, counted]) => ({ name, label: label(name), ...counted }))
    .sort((a, b) => b.opened - a.opened)

/** Each question's bands, without the small ones: neither they nor how many answers they hold can be told. */
function answersOf(document: CalculatorDocument, rows: readonly BandRow[]): Audience['answers'] {
  const main = mainLanguage(document)
  const figures = createFigures(main, document.currency)
  return document.steps.flatMap((step) => {
    if (step.kind !== 'question') return []
    const bands = rows.filter(({ question }) => question === step.id)
    const shown = bands.filter(({ count }) => count >= SMALLEST_GROUP)
    if (bands.length === 0) return []
    return [
      {
        question: step.id,
        label: mainText(step.label, document.languages) || step.name,
        bands: shown
          .map(({ band, count }) => ({ band, count, label: bandSaid(band, step, figures, main) }))
          .sort((a, b) => order(a.band, b.band)),
        hidden: bands.length - shown.length,
      },
    ]
  })
}

const order = (a: string, b: string): number =>
  Number.isNaN(Number(a)) || Number.isNaN(Number(b)) ? a.localeCompare(b) : Number(a) - Number(b)

function bandSaid(
  band: string,
  question: Question,
  figures: ReturnType<typeof createFigures>,
  main: string,
): string {
  if (question.asks === 'choice') {
    const option = question.options.find(({ name }) => name === band)
    return (option && textIn(option.label, main, main)) || band
  }
  if (question.asks === 'frequency') return figures.every(band as Frequency)
  if (question.asks === 'yesNo') return band
  if (question.asks === 'loans') return counted(Number(band), { one: '# loan', other: '# loans' }, main)
  const unit = question.asks === 'share' ? 'share' : unitOfQuestion(question).is
  const end = bandEnd(band, unit as Parameters<typeof bandEnd>[1])
  if (end === undefined) return band
  const range = (say: (n: number) => string) => `${say(Number(band))} to ${say(end)}`
  if (unit === 'money') return range((n) => figures.moneyShort(n * 10 ** figures.digits))
  if (unit === 'share' || unit === 'percent') return range((n) => `${n} %`)
  if (unit === 'term') return range((n) => `${n}`) + ' years'
  return range((n) => figures.count(n))
}
