import type { CalculatorDocument, Proof } from '../document/document'
import type { CalculatorStep, ReadoutOf } from '../document/steps'
import type { RichTexts, Texts } from '../document/texts'
import { readout, rich, t, working } from './build'

/** What every starter ends with: ways to keep the figures, and to hand them over. */
const keeping: ReadoutOf<'actions'> = {
  ...readout('keeping', 'keeping', t('Keep your figures', 'Garder vos chiffres')),
  shows: 'actions',
  actions: ['link', 'pdf', 'xlsx', 'csv', 'calendar', 'print', 'handOver'],
}

/** Before a schedule: what would come of changing one thing about its loan. */
const whatIfAbout = ({ loan, shownWhen }: ReadoutOf<'schedule'>): ReadoutOf<'whatIf'> => ({
  ...readout('whatIf', 'what if', t('What if', 'Et si')),
  shows: 'whatIf',
  loan,
  offers: ['extra', 'lumpSum', 'rate', 'payment'],
  shownWhen,
})

/** Pictures of a scheduled loan: what is still owed, and where the money of each year goes. */
const picturesOf = ({ loan, shownWhen }: ReadoutOf<'schedule'>): ReadoutOf<'chart'>[] =>
  (
    [
      ['balance', t('What is still owed', 'Ce qui reste dû')],
      ['yearly', t('Where the money goes', 'Où va l’argent')],
    ] as const
  ).map(([chart, label]) => ({
    ...readout(`${chart}Picture`, `picture of ${chart}`, label),
    shows: 'chart',
    chart,
    loans: [{ loan, label: t('', '') }],
    ladder: null,
    shownWhen,
  }))

/** How the figures of a scheduled loan come about, with the visitor's own: before the schedule. */
function workedOut(
  { loan: id, shownWhen }: ReadoutOf<'schedule'>,
  steps: readonly CalculatorStep[],
): CalculatorStep[] {
  const found = steps.find((step) => step.id === id)
  if (found?.kind !== 'loan' || steps.some((step) => step.kind === 'readout' && step.shows === 'explanation'))
    return []
  const { name, options } = found
  const compounds = typeof options.compounding === 'number' ? `, ${options.compounding}` : ''
  return [
    working('borrowed', 'borrowed', `${name}.principal`, {
      unit: 'money',
      shown: t('You borrow', 'Vous empruntez'),
    }),
    working(
      'ratePerPayment',
      'rate per period',
      `rate per payment(${name}.rate, ${name}.frequency${compounds})`,
      { unit: 'percent', shown: t('Rate for each payment', 'Taux par versement') },
    ),
    working('paymentsInAll', 'payment count', `${name}.payments`, {
      unit: 'count',
      shown: t('Number of payments', 'Nombre de versements'),
    }),
    working('paidBack', 'paid back', `${name}.total paid`, {
      unit: 'money',
      shown: t('Paid back in all', 'Remboursé en tout'),
    }),
    {
      ...readout(
        'howWorkedOut',
        'how it was worked out',
        t('How this was worked out', 'Comment on y arrive'),
        shownWhen,
      ),
      shows: 'explanation',
    },
  ]
}

const withKeeping = (steps: readonly CalculatorStep[]): CalculatorStep[] => {
  const drawn = new Set<ReadoutOf<'chart'>['chart']>(
    steps.flatMap((step) =>
      step.kind === 'readout' && step.shows === 'chart'
        ? [step.chart === 'refinance' ? 'balance' : step.chart]
        : [],
    ),
  )
  return [
    ...steps.flatMap((step): CalculatorStep[] =>
      step.kind === 'readout' && step.shows === 'schedule'
        ? [
            ...picturesOf(step).filter(({ chart }) => !drawn.has(chart)),
            whatIfAbout(step),
            ...workedOut(step, steps),
            step,
          ]
        : [step],
    ),
    keeping,
  ]
}

export const proof = (
  id: string,
  name: string,
  answers: Proof['answers'],
  expected: Readonly<Record<string, string>>,
): Proof => ({
  id,
  name,
  answers,
  on: '2026-11-25',
  expected: Object.entries(expected).map(([of, figure]) => ({ of, figure, tolerance: '0' })),
})

export const ILLUSTRATION = rich(
  'This is an illustration, not an offer. Rates and fees can change until an agreement is signed.',
  'Ceci est une illustration, pas une offre. Les taux et les frais peuvent changer jusqu’à la signature d’une convention.',
)

const NEXT_STEPS = rich(
  'Keep these figures, as a link or as a PDF. Then talk to our people: they check what holds for you, and put it in writing. Nothing is agreed before you have signed.',
  'Gardez ces chiffres, par un lien ou en PDF. Parlez ensuite à nos gens : ils vérifient ce qui vaut pour vous et l’écrivent noir sur blanc. Rien n’est convenu avant votre signature.',
)

const defaultsOf = (steps: readonly CalculatorStep[]): Proof['answers'] =>
  Object.fromEntries(
    steps.flatMap((step) =>
      step.kind === 'question' && step.default !== null && step.default !== 'today'
        ? [[step.id, step.default] as const]
        : [],
    ),
  )

export const calculator = (made: {
  title: Texts
  introduction: RichTexts
  disclosure?: RichTexts
  steps: readonly CalculatorStep[]
  proofs: readonly Proof[]
  samples?: CalculatorDocument['samples']
}): CalculatorDocument => ({
  version: 2,
  title: made.title,
  currency: 'CAD',
  languages: ['en-CA', 'fr-CA'],
  lender: 'Larkmoor Mutual',
  results: 'live',
  introduction: made.introduction,
  disclosure: made.disclosure ?? ILLUSTRATION,
  nextSteps: NEXT_STEPS,
  steps: withKeeping(made.steps),
  // Answers nothing of its own: every question takes its default, so that a default shows at once what it does.
  samples: made.samples ?? [{ id: 'sample', name: 'a visitor who changes nothing', answers: {} }],
  // Answers everything, so that a default can be changed without a proof being about something else.
  proofs: made.proofs.map((one) => ({ ...one, answers: { ...defaultsOf(made.steps), ...one.answers } })),
})
