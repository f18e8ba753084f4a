import type { CalculatorDocument } from '../document/document'
import {
  assumptions,
  figure,
  money,
  percent,
  readout,
  rich,
  schedule,
  section,
  sentence,
  t,
  term,
  yesNo,
} from './build'
import { calculator, proof } from './whole'

const verdict = t('Worth it?', 'Est-ce avantageux ?')

/** How long somebody means to keep what they borrow for. */
export const stay = () =>
  term('stay', 'stay', t('You mean to stay', 'Vous pensez rester'), {
    default: 7,
    least: 0.5,
    most: 40,
    step: 0.5,
  })

/** Keeping a loan against replacing it: break-even, saving over the stay, and a verdict in plain words. */
export const refinanceStarter = (): CalculatorDocument =>
  calculator({
    title: t('Refinance: is it worth it?', 'Refinancer : est-ce avantageux ?'),
    introduction: rich(
      'Your loan as it is, against a new one with its costs.',
      'Votre prêt actuel, comparé à un nouveau avec ses frais.',
    ),
    steps: [
      section('now', t('Your loan now', 'Votre prêt actuel')),
      money(
        'balance',
        'balance',
        t('What you owe', 'Ce que vous devez'),
        { default: 238_000, least: 1_000, most: 5_000_000, step: 1_000 },
        { slider: true },
      ),
      percent('oldRate', 'present rate', t('Rate now', 'Taux actuel'), {
        default: '6.35',
        least: '0',
        most: '25',
        step: '0.05',
      }),
      money(
        'oldPayment',
        'present payment',
        t('Payment now', 'Versement actuel'),
        { default: 1_712, least: 1, most: 100_000, step: 10 },
        { per: 'month' },
      ),
      money(
        'oldExtra',
        'present extra',
        t('Extra you pay besides', 'Supplément que vous payez'),
        { default: 0, least: 0, most: 100_000, step: 10 },
        { per: 'month', required: false },
      ),
      section('new', t('The new loan', 'Le nouveau prêt')),
      percent('newRate', 'new rate', t('New rate', 'Nouveau taux'), {
        default: '4.79',
        least: '0',
        most: '25',
        step: '0.05',
      }),
      term('newTerm', 'new term', t('Paid back over', 'Remboursé sur'), { default: 20, least: 1, most: 40 }),
      money(
        'costs',
        'costs',
        t('Costs of changing', 'Frais de changement'),
        { default: 3_400, least: 0, most: 200_000, step: 100 },
        { required: false },
      ),
      yesNo(
        'costsAdded',
        'costs added',
        t('Add the costs to the loan?', 'Ajouter les frais au prêt ?'),
        false,
      ),
      money(
        'newExtra',
        'new extra',
        t('Extra you would pay besides', 'Supplément que vous paieriez'),
        { default: 0, least: 0, most: 100_000, step: 10 },
        { per: 'month', required: false, shownWhen: 'not(same outlay)', whenHidden: 'nothing' },
      ),
      yesNo(
        'sameOutlay',
        'same outlay',
        t('Keep paying as much as now?', 'Continuer à payer autant ?'),
        false,
        {
          help: t(
            'What the new payment leaves over then goes on the loan.',
            'Ce que le nouveau versement libère va alors sur le prêt.',
          ),
        },
      ),
      stay(),
      {
        kind: 'refinance',
        id: 'change',
        name: 'the change',
        terms: {
          balance: 'balance',
          oldRate: 'present rate',
          oldPayment: 'present payment',
          oldExtra: 'present extra',
          newRate: 'new rate',
          newTerm: 'new term',
          newExtra: 'new extra',
          costs: 'costs',
          costsAdded: 'costs added',
          sameOutlay: 'same outlay',
          stay: 'stay',
        },
        compounding: 'perPayment',
      },
      {
        kind: 'comparison',
        id: 'both',
        name: 'both loans',
        loans: [
          { loan: 'change.old', label: t('As it is', 'Comme il est') },
          { loan: 'change.new', label: t('The new loan', 'Le nouveau prêt') },
        ],
        stay: 'stay',
      },
      figure(
        'saving',
        'saving over the stay',
        t('Saved while you stay', 'Économisé pendant votre séjour'),
        'the change.saving over the stay',
        t('After costs, over {stay}.', 'Après les frais, sur {stay}.'),
        { headline: true },
      ),
      sentence(
        'saves',
        'verdict saves',
        verdict,
        t(
          'Yes: the costs are won back after {the change.months to recover costs}, and you mean to stay {stay}.',
          'Oui : les frais sont récupérés après {the change.months to recover costs}, et vous pensez rester {stay}.',
        ),
        'the change.verdict = "saves"',
      ),
      sentence(
        'same',
        'verdict same',
        verdict,
        t('It makes no difference over your stay.', 'Cela ne fait aucune différence pendant votre séjour.'),
        'the change.verdict = "same"',
      ),
      sentence(
        'longer',
        'verdict longer',
        verdict,
        t(
          'Not for so short a stay: the costs are won back only after {the change.months to recover costs}.',
          'Pas pour un séjour aussi court : les frais ne sont récupérés qu’après {the change.months to recover costs}.',
        ),
        'the change.verdict = "stay longer"',
      ),
      sentence(
        'sooner',
        'verdict sooner',
        verdict,
        t(
          'Only if you leave within {the change.saves until}: after that the longer loan takes back what it saved.',
          'Seulement si vous partez avant {the change.saves until} : ensuite, le prêt plus long reprend ce qu’il a épargné.',
        ),
        'the change.saves at first',
      ),
      sentence(
        'never',
        'verdict never',
        verdict,
        t(
          'No: the interest saved never reaches the costs.',
          'Non : les intérêts économisés n’atteignent jamais les frais.',
        ),
        'the change.verdict = "costs" and not(the change.saves at first)',
      ),
      figure(
        'newPayment',
        'new payment',
        t('New payment', 'Nouveau versement'),
        'the change.payment',
        t('Now it is {present payment}.', 'Actuellement, c’est {present payment}.'),
      ),
      figure(
        'lifetime',
        'net saving',
        t('Saved to the end', 'Économisé jusqu’à la fin'),
        'the change.net saving',
        t(
          'Interest saved {the change.interest saved}, less costs of {costs}.',
          'Intérêts économisés {the change.interest saved}, moins {costs} de frais.',
        ),
      ),
      {
        ...readout('bothLoans', 'picture of both loans', t('What you would owe', 'Ce que vous devriez')),
        shows: 'chart',
        chart: 'refinance',
        loans: [],
        ladder: null,
        of: 'change',
      },
      {
        ...readout('besideEach', 'side by side', t('Side by side', 'Côte à côte')),
        shows: 'comparison',
        comparison: 'both',
        rows: [
          'payment',
          'payments',
          'endDate',
          'totalInterest',
          'paidUntilLeaving',
          'owedAtLeaving',
          'costUntilLeaving',
        ],
      },
      {
        ...readout(
          'parts',
          'where the payment goes',
          t('Your first new payment', 'Votre premier nouveau versement'),
        ),
        shows: 'meter',
        parts: [
          { label: t('off the loan', 'capital remboursé'), amount: 'the change.new loan.first principal' },
          { label: t('interest', 'intérêts'), amount: 'the change.new loan.first interest' },
        ],
        sentence: t('', ''),
      },
      {
        ...readout(
          'yearly',
          'picture of yearly',
          t('The new loan: where the money goes', 'Le nouveau prêt : où va l’argent'),
        ),
        shows: 'chart',
        chart: 'yearly',
        loans: [{ loan: 'change.new', label: t('The new loan', 'Le nouveau prêt') }],
        ladder: null,
      },
      schedule('change.new', { label: t('The new loan, year by year', 'Le nouveau prêt, année par année') }),
      assumptions([], []),
    ],
    proofs: [
      proof(
        'defaults',
        '6.35 % to 4.79 %',
        {},
        {
          'the change.payment': '1543.22',
          'the change.months to recover costs': '11',
          'the change.net saving': '57802.45',
          'the change.verdict': 'saves',
        },
      ),
      proof(
        'sameOutlay',
        'costs added, and as much paid as with the extra now',
        { oldExtra: 100_00, costsAdded: true, sameOutlay: true },
        {
          'the change.payment': '1565.26',
          'the change.extra': '246.74',
          'the change.old loan.payments': '226',
          'the change.new loan.payments': '191',
          'the change.old loan.total interest': '169733.14',
          'the change.new loan.total interest': '103751.30',
          'the change.months to recover costs': '12',
          'the change.saving over the stay': '22814.25',
          'the change.cost over the stay now': '93950.93',
          'the change.cost over the stay new': '71136.68',
          'cost until(the change.new loan, stay)': '71136.68',
        },
      ),
    ],
  })
