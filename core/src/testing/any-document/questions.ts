import type { Question } from '../../calculator/document/questions'
import { frequencyNames } from '../../rates/frequency'

export const label = { 'en-CA': 'Label', 'fr-CA': 'Étiquette' }
export const none = {}
const asked = (id: string, name: string) => ({
  kind: 'question' as const,
  id,
  name,
  label,
  help: none,
  required: true,
  shownWhen: '',
})
const most = 1e13

/** One question of each kind, wide open. */
export const questions: readonly Question[] = [
  {
    ...asked('price', 'price'),
    asks: 'money',
    per: null,
    default: 400_000_00,
    least: 0,
    most,
    step: 1,
    slider: false,
    usual: null,
  },
  {
    ...asked('income', 'income'),
    asks: 'money',
    per: 'year',
    default: 90_000_00,
    least: 0,
    most,
    step: 1,
    slider: false,
    usual: { least: 1, most: 1e9 },
  },
  {
    ...asked('debts', 'debts'),
    asks: 'money',
    per: 'month',
    default: 100_00,
    least: 0,
    most,
    step: 1,
    slider: false,
    usual: null,
  },
  {
    ...asked('rate', 'rate'),
    asks: 'percent',
    default: '5',
    least: '0',
    most: '1000',
    step: '0.01',
    slider: false,
  },
  {
    ...asked('down', 'down'),
    asks: 'share',
    of: 'price',
    default: { percent: '20' },
    least: { percent: '0' },
    most: { percent: '100' },
    step: { percent: '1' },
  },
  {
    ...asked('k', 'number'),
    asks: 'number',
    counts: 'payments',
    default: 60,
    least: 0,
    most: 1_000_000,
    step: 1,
    slider: false,
  },
  {
    ...asked('things', 'things'),
    asks: 'number',
    counts: 'things',
    default: 2,
    least: -1000,
    most: 1000,
    step: 1,
    slider: false,
  },
  {
    ...asked('term', 'term'),
    asks: 'term',
    default: { years: 20, months: 0 },
    least: { years: 0, months: 0 },
    most: { years: 100, months: 0 },
    step: { years: 1, months: 0 },
  },
  { ...asked('often', 'often'), asks: 'frequency', options: [...frequencyNames], default: 'monthly' },
  { ...asked('day', 'day'), asks: 'date', precision: 'day', default: 'today', least: null, most: null },
  { ...asked('sure', 'sure'), asks: 'yesNo', default: true },
  {
    ...asked('band', 'band'),
    asks: 'choice',
    gives: 'name',
    options: ['good', 'fair'].map((name) => ({ name, label, value: null })),
    default: 'good',
  },
]
