import type { CalculatorDocument } from '../document/document'
import { assumptions, choice, figure, loans, money, none, readout, rich, t } from './build'
import { calculator, proof } from './whole'

/** Several loans paid off together: the same a month, in three orders beside each other. */
export const severalLoans = (): CalculatorDocument =>
  calculator({
    title: t('Paying several loans off', 'Rembourser plusieurs prêts'),
    introduction: rich(
      'Which loan an extra should go to, and when all of them would be done.',
      'À quel prêt devrait aller un supplément, et quand tous seraient remboursés.',
    ),
    steps: [
      loans('loans', 'your loans', t('Your loans', 'Vos prêts'), [
        ['Card', 6_400, '18.9', 180],
        ['Car', 3_900, '7.25', 165],
        ['Renovation', 23_000, '5.1', 320],
      ]),
      money(
        'extra',
        'extra',
        t('Extra, over all payments', 'Supplément, en plus des versements'),
        { default: 150, least: 0, most: 100_000, step: 10 },
        { per: 'month', slider: true, required: false },
      ),
      choice('order', 'order', t('It goes first to', 'Il va d’abord'), {
        gives: 'name',
        options: [
          {
            name: 'dearest',
            label: t('the loan with the highest rate', 'au prêt au taux le plus élevé'),
            value: null,
          },
          {
            name: 'smallest',
            label: t('the loan with the least owed', 'au prêt dont il reste le moins à payer'),
            value: null,
          },
          { name: 'own', label: t('the first in your list', 'au premier de votre liste'), value: null },
        ],
        default: 'dearest',
      }),
      {
        kind: 'payOff',
        id: 'plan',
        name: 'the plan',
        loans: 'loans',
        terms: { extra: 'extra', order: 'order' },
      },
      figure(
        'done',
        'all paid off',
        t('All paid off', 'Tout remboursé'),
        'the plan.end date',
        t(
          'You pay {the plan.paid a month} until then, for {the plan.length}. Each loan by itself, it would be {the plan.end date as agreed}.',
          'Vous payez {the plan.paid a month} jusque-là, pendant {the plan.length}. Chaque prêt pour soi, ce serait le {the plan.end date as agreed}.',
        ),
        { headline: true },
      ),
      figure(
        'saved',
        'interest saved',
        t('Interest saved', 'Intérêts épargnés'),
        'the plan.interest saved',
        t(
          '{the plan.total interest} of interest instead of {the plan.interest as agreed}, {the plan.time saved} sooner.',
          '{the plan.total interest} d’intérêts au lieu de {the plan.interest as agreed}, {the plan.time saved} plus tôt.',
        ),
      ),
      {
        ...readout('orders', 'orders side by side', t('In which order', 'Dans quel ordre'), '', none),
        shows: 'payOff',
        payOff: 'plan',
      },
      assumptions(
        [
          'All loans are paid on the same day; nothing new is borrowed.',
          'Each lender takes extra payments at any time without a fee.',
        ],
        [
          'Tous les prêts se paient le même jour ; rien de nouveau n’est emprunté.',
          'Chaque prêteur accepte des suppléments en tout temps et sans frais.',
        ],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        'three loans and 150 a month',
        {},
        {
          'the plan.total interest': '4576.82',
          'the plan.length': '47',
          'the plan.interest as agreed': '7882.02',
          'the plan.interest smallest first': '4899.88',
          'the plan.interest in own order': '4576.82',
          'the plan.best order': 'dearest',
          'sum(for loan in your loans return loan.owed)': '33300.00',
        },
      ),
    ],
  })
