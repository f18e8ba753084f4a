import type { CalculatorDocument } from '../document/document'
import { assumptions, extra, figure, loan, money, number, readout, rich, schedule, section, t } from './build'
import { calculator, proof } from './whole'
import { loanTerm, rate } from './mortgage-payment'

/** A loan that runs, from its first terms and the payments made: what is owed today, and what a lump sum today would change. */
export const runningLoan = (): CalculatorDocument =>
  calculator({
    title: t('Where your loan stands today', 'Où en est votre prêt aujourd’hui'),
    introduction: rich(
      'From the terms you agreed on and the payments you have made.',
      'D’après les conditions convenues et les versements que vous avez faits.',
    ),
    steps: [
      section('begun', t('As it began', 'À l’origine')),
      money(
        'amount',
        'amount borrowed',
        t('You borrowed', 'Vous avez emprunté'),
        { default: 240_000, least: 1_000, most: 5_000_000, step: 1_000 },
        { slider: true },
      ),
      rate('4.2'),
      loanTerm(25, 40),
      section('sinceThen', t('Since then', 'Depuis')),
      number(
        'made',
        'payments so far',
        t('Monthly payments made so far', 'Versements mensuels faits jusqu’ici'),
        { default: 66, least: 0, most: 479, step: 1 },
        { slider: false, counts: 'payments' },
      ),
      money(
        'lump',
        'lump sum',
        t('A lump sum today', 'Une somme forfaitaire aujourd’hui'),
        { default: 15_000, least: 0, most: 5_000_000, step: 500 },
        { required: false },
      ),
      loan('agreed', 'as agreed', {
        principal: 'amount borrowed',
        annualRate: 'rate',
        frequency: '"monthly"',
        term: 'term',
        alreadyPaid: 'payments so far',
      }),
      loan('sooner', 'with the lump sum', {}, { as: 'agreed', extras: [extra('lump sum', 'once', '0')] }),
      figure(
        'owed',
        'owed today',
        t('You still owe', 'Vous devez encore'),
        'as agreed.balance today',
        t(
          'You have repaid {as agreed.principal so far} and paid {as agreed.interest so far} of interest. {as agreed.payments} payments of {as agreed.payment} are left.',
          'Vous avez remboursé {as agreed.principal so far} et payé {as agreed.interest so far} d’intérêts. Il reste {as agreed.payments} versements de {as agreed.payment}.',
        ),
        { headline: true },
      ),
      figure(
        'saved',
        'interest saved',
        t('A lump sum today would save', 'Une somme aujourd’hui ferait économiser'),
        'as agreed.total interest - with the lump sum.total interest',
        t(
          'Paid off in {with the lump sum.length} instead of {as agreed.length}.',
          'Remboursé en {with the lump sum.length} au lieu de {as agreed.length}.',
        ),
        { shownWhen: 'lump sum > 0' },
      ),
      {
        ...readout(
          'balances',
          'balance over time',
          t('What you owe from today', 'Ce que vous devez dès aujourd’hui'),
          'lump sum > 0',
        ),
        shows: 'chart',
        chart: 'balance',
        loans: [
          { loan: 'agreed', label: t('as agreed', 'comme convenu') },
          { loan: 'sooner', label: t('with the lump sum', 'avec la somme') },
        ],
        ladder: null,
      },
      schedule('sooner', { columns: ['principal', 'extra', 'interest', 'balance'] }),
      assumptions(
        ['Every payment so far was made in full, and nothing was paid besides.'],
        ['Tous les versements ont été faits en entier, et rien d’autre n’a été payé.'],
      ),
    ],
    proofs: [
      proof(
        'defaults',
        '66 payments made, 15,000 today',
        {},
        {
          'as agreed.payment': '1293.46',
          'as agreed.balance today': '206398.47',
          'as agreed.interest so far': '51766.83',
          'as agreed.principal so far': '33601.53',
          'as agreed.payments': '234',
          'with the lump sum.payments': '209',
          'as agreed.total interest': '96272.12',
          'with the lump sum.total interest': '78712.73',
        },
      ),
    ],
  })
