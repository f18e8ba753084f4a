import type { Question, QuestionOf } from '../document/questions'
import type { LoanOptions, ReadoutOf, StepOf } from '../document/steps'
import type { RichText, RichTexts, Texts } from '../document/texts'
import { paragraphs } from '../document/version-1'

/** The words of starters, English and French, and the steps they are made of. */
export const t = (english: string, french: string): Texts => ({ 'en-CA': english, 'fr-CA': french })
export const none: Texts = {}
export const rich = (english: string, french: string): RichTexts => ({
  'en-CA': paragraphs(english),
  'fr-CA': paragraphs(french),
})

/** A list as rich text, one item a line. */
export const list = (english: readonly string[], french: readonly string[]): RichTexts =>
  english.length > 0 ? { 'en-CA': bullets(english), 'fr-CA': bullets(french) } : {}
const bullets = (items: readonly string[]): RichText => ({
  type: 'doc',
  content: [
    {
      type: 'bulletList',
      content: items.map((text) => ({
        type: 'listItem',
        content: [{ type: 'paragraph', content: [{ type: 'text', text }] }],
      })),
    },
  ],
})

type Common = 'kind' | 'asks' | 'id' | 'name' | 'label' | 'help' | 'required' | 'shownWhen'
type Asked<Asks extends Question['asks']> = Omit<QuestionOf<Asks>, Common>
interface More {
  readonly help?: Texts
  readonly required?: boolean
  readonly shownWhen?: string
  readonly whenHidden?: 'default' | 'nothing'
}

const common = (
  id: string,
  name: string,
  label: Texts,
  { help = none, required = true, shownWhen = '', whenHidden }: More,
) => ({
  kind: 'question' as const,
  id,
  name,
  label,
  help,
  required,
  shownWhen,
  ...(whenHidden ? { whenHidden } : {}),
})

const DOLLAR = 100

/** Amounts of starters are written in whole dollars. */
export const money = (
  id: string,
  name: string,
  label: Texts,
  amounts: {
    default: number | null
    least: number
    most: number
    step: number
    usual?: [least: number, most: number]
  },
  more: More & { slider?: boolean; per?: QuestionOf<'money'>['per'] } = {},
): QuestionOf<'money'> => ({
  ...common(id, name, label, more),
  asks: 'money',
  per: more.per ?? null,
  default: amounts.default === null ? null : amounts.default * DOLLAR,
  least: amounts.least * DOLLAR,
  most: amounts.most * DOLLAR,
  step: amounts.step * DOLLAR,
  slider: more.slider ?? false,
  usual: amounts.usual ? { least: amounts.usual[0] * DOLLAR, most: amounts.usual[1] * DOLLAR } : null,
})

export const percent = (
  id: string,
  name: string,
  label: Texts,
  asked: Omit<Asked<'percent'>, 'slider'>,
  more: More & { slider?: boolean } = {},
): QuestionOf<'percent'> => ({
  ...common(id, name, label, more),
  asks: 'percent',
  ...asked,
  slider: more.slider ?? false,
})

export const share = (
  id: string,
  name: string,
  label: Texts,
  asked: Asked<'share'>,
  more: More = {},
): QuestionOf<'share'> => ({
  ...common(id, name, label, more),
  asks: 'share',
  ...asked,
})

export const number = (
  id: string,
  name: string,
  label: Texts,
  asked: Omit<Asked<'number'>, 'slider' | 'counts'>,
  more: More & { slider?: boolean; counts?: 'things' | 'payments' } = {},
): QuestionOf<'number'> => ({
  ...common(id, name, label, more),
  asks: 'number',
  counts: more.counts ?? 'things',
  ...asked,
  slider: more.slider ?? false,
})

/** Lengths of starters are written in years; a part of one is months. */
export const term = (
  id: string,
  name: string,
  label: Texts,
  years: { default: number | null; least: number; most: number; step?: number },
  more: More = {},
): QuestionOf<'term'> => ({
  ...common(id, name, label, more),
  asks: 'term',
  default: years.default === null ? null : length(years.default),
  least: length(years.least),
  most: length(years.most),
  step: length(years.step ?? 1),
})
export const length = (years: number) => ({ years: Math.floor(years), months: Math.round((years % 1) * 12) })

export const choice = (
  id: string,
  name: string,
  label: Texts,
  asked: Asked<'choice'>,
  more: More = {},
): QuestionOf<'choice'> => ({ ...common(id, name, label, more), asks: 'choice', ...asked })

export const yesNo = (
  id: string,
  name: string,
  label: Texts,
  byDefault: boolean,
  more: More = {},
): QuestionOf<'yesNo'> => ({
  ...common(id, name, label, more),
  asks: 'yesNo',
  default: byDefault,
})

export const date = (
  id: string,
  name: string,
  label: Texts,
  asked: Asked<'date'>,
  more: More = {},
): QuestionOf<'date'> => ({
  ...common(id, name, label, more),
  asks: 'date',
  ...asked,
})

export const frequency = (
  options: QuestionOf<'frequency'>['options'] = [
    'monthly',
    'semiMonthly',
    'biweekly',
    'weekly',
    'acceleratedBiweekly',
    'acceleratedWeekly',
  ],
): QuestionOf<'frequency'> => ({
  ...common('frequency', 'payment frequency', t('You pay', 'Vous payez'), {
    help: t(
      'The accelerated choices pay a half or a quarter of a monthly payment, and so finish sooner.',
      'Les choix accélérés paient la moitié ou le quart d’un versement mensuel, et finissent donc plus tôt.',
    ),
  }),
  asks: 'frequency',
  options,
  default: 'monthly',
})

/** Several loans; amounts in whole dollars. */
export const loans = (
  id: string,
  name: string,
  label: Texts,
  listed: readonly (readonly [name: string, owed: number, rate: string, payment: number])[],
  more: More = {},
): QuestionOf<'loans'> => ({
  ...common(id, name, label, more),
  asks: 'loans',
  default: listed.map(([called, owed, rate, payment]) => ({
    name: called,
    owed: owed * DOLLAR,
    rate,
    payment: payment * DOLLAR,
  })),
  fewestLoans: 1,
  mostLoans: 12,
  mostOwed: 5_000_000 * DOLLAR,
  mostRate: '60',
})

export const section = (id: string, label: Texts): StepOf<'section'> => ({
  kind: 'section',
  id,
  name: label['en-CA'] ?? id,
  label,
  help: none,
})

export const working = (
  id: string,
  name: string,
  formula: string,
  more: Partial<Pick<StepOf<'working'>, 'unit' | 'rounding' | 'note'>> & { shown?: Texts } = {},
): StepOf<'working'> => ({
  kind: 'working',
  id,
  name,
  formula,
  unit: more.unit ?? 'any',
  rounding: more.rounding ?? null,
  note: more.note ?? '',
  shown: more.shown !== undefined,
  label: more.shown ?? none,
})
export const CENT = { how: 'nearest', to: '0.01' } as const

export const loan = (
  id: string,
  name: string,
  terms: StepOf<'loan'>['terms'],
  more: { as?: string; options?: LoanOptions } & Partial<Pick<StepOf<'loan'>, 'extras' | 'rateChanges'>> = {},
): StepOf<'loan'> => ({
  kind: 'loan',
  id,
  name,
  as: more.as ?? null,
  terms,
  options: more.options ?? {},
  extras: more.extras ?? null,
  rateChanges: more.rateChanges ?? null,
})
export const extra = (
  amount: string,
  every: 'payment' | 'year' | 'once' = 'payment',
  at = '',
): NonNullable<StepOf<'loan'>['extras']>[number] => ({ amount, every, at, from: '', until: '' })

/** The schedule every borrower expects, year by year. */
export const schedule = (
  loanId: string,
  more: { label?: Texts; shownWhen?: string; columns?: ReadoutOf<'schedule'>['columns'] } = {},
): ReadoutOf<'schedule'> => ({
  ...readout('schedule', 'schedule', more.label ?? t('Year by year', 'Année par année'), more.shownWhen),
  shows: 'schedule',
  loan: loanId,
  by: 'year',
  columns: more.columns ?? ['principal', 'interest', 'balance'],
})

export const readout = (id: string, name: string, label: Texts, shownWhen = '', help: Texts = none) => ({
  kind: 'readout' as const,
  id,
  name,
  label,
  help,
  shownWhen,
})

export const figure = (
  id: string,
  name: string,
  label: Texts,
  value: string,
  sentence: Texts,
  more: { headline?: boolean; parts?: ReadoutOf<'figure'>['parts']; shownWhen?: string; help?: Texts } = {},
): ReadoutOf<'figure'> => ({
  ...readout(id, name, label, more.shownWhen, more.help),
  shows: 'figure',
  value,
  headline: more.headline ?? false,
  parts: more.parts ?? [],
  sentence,
})

export const sentence = (
  id: string,
  name: string,
  label: Texts,
  words: Texts,
  shownWhen = '',
): ReadoutOf<'sentence'> => ({
  ...readout(id, name, label, shownWhen),
  shows: 'sentence',
  sentence: words,
})

/** What one payment of a loan is made of. */
export const partsOfPayment = (name: string): ReadoutOf<'figure'>['parts'] => [
  { label: t('off the loan', 'capital remboursé'), amount: `${name}.first principal` },
  { label: t('interest', 'intérêts'), amount: `${name}.first interest` },
]

/** The large figure of a loan: its payment, taken apart, with a sentence. */
export const paymentFigure = (
  name: string,
  label: Texts = t('You would pay', 'Vous paieriez'),
): ReadoutOf<'figure'> =>
  figure(
    'payment',
    'payment figure',
    label,
    `${name}.payment`,
    t(
      `{${name}.payments} payments, the last of {${name}.last payment}. The first takes {${name}.first principal} off the loan; {${name}.first interest} of it is interest.`,
      `{${name}.payments} versements, le dernier de {${name}.last payment}. Le premier rembourse {${name}.first principal} du prêt ; {${name}.first interest} sont des intérêts.`,
    ),
    { headline: true, parts: partsOfPayment(name) },
  )

export const interestFigure = (name: string): ReadoutOf<'figure'> =>
  figure(
    'totalInterest',
    'interest in all',
    t('Interest in all', 'Total des intérêts'),
    `${name}.total interest`,
    t(
      `Borrowing {${name}.principal} would mean paying back {${name}.total paid} in all.`,
      `Emprunter {${name}.principal} voudrait dire rembourser {${name}.total paid} en tout.`,
    ),
  )

export const endFigure = (name: string): ReadoutOf<'figure'> =>
  figure(
    'endDate',
    'paid off on',
    t('Last payment', 'Dernier versement'),
    `${name}.end date`,
    t(`After {${name}.payments} payments.`, `Après {${name}.payments} versements.`),
  )

export const assumptions = (
  english: readonly string[],
  french: readonly string[],
): ReadoutOf<'assumptions'> => ({
  ...readout('assumptions', 'assumptions', t('What this assumes', 'Ce que ce calcul suppose')),
  shows: 'assumptions',
  text: list(english, french),
})
