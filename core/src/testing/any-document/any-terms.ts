import fc from 'fast-check'

export const texts = (...formulas: string[]) => fc.constantFrom(...formulas)
/** Four in five as an author would write it, one as nobody should. */
export const mostly = <T>(usual: fc.Arbitrary<T>, wild: fc.Arbitrary<T>) =>
  fc.oneof({ arbitrary: usual, weight: 4 }, { arbitrary: wild, weight: 1 })
export const once = mostly(
  texts('price', 'down', 'price - down', '250000', 'min(price, 90000)', 'price / 2', '$60,000'),
  texts(
    '0',
    '1',
    '0.01',
    '1000',
    'price * things',
    'once(debts)',
    '-5',
    'price * 400',
    'round down(price / 3 * 3)',
  ),
)
export const monthly = mostly(
  texts('debts', 'monthly(1500)', 'per month(income)'),
  texts('monthly(0)', 'monthly(0.01)'),
)
export const yearly = mostly(texts('income'), texts('per year(debts)', 'yearly(0)', 'yearly(0.01)'))
export const recurring = mostly(
  texts('debts', '1500', 'per month(income)', '2500'),
  texts('0.01', '0', 'price', 'income'),
)
export const percents = mostly(
  texts('rate', '5', '20', '4.5%', '4,5', 'rate / 2', '4.64', 'percent of(down, price)'),
  texts('0', '100', '1000', 'looked up', '-1', 'rate * 3'),
)
export const counts = mostly(
  texts('number', '60', '300', 'payments in(term)'),
  texts('0', '1', '20000', 'number + number', '1000000', 'number - 70'),
)
export const lengths = mostly(
  texts('term', '25', 'years(15)', '18 years', '7 years 6 months'),
  texts('0', '100', 'years(things)', 'months(things)', 'time until(today(), day)'),
)
export const dates = mostly(
  texts('day', 'today()', 'date("2030-01-31")'),
  texts('today() + term', 'date("1999-12-31")'),
)
export const oftens = texts(
  'often',
  'monthly',
  'every two weeks',
  '"monthly"',
  '"weekly"',
  '"acceleratedBiweekly"',
  '"semiMonthly"',
  '"yearly"',
)
export const flags = mostly(texts('sure', 'true', 'price > 1000'), texts('rate > 3', 'not(sure)', 'false'))
export const when = fc.oneof(counts, dates, texts(''))

export const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined, freq: 2 })
export const rarely = <T>(arbitrary: fc.Arbitrary<T>) =>
  fc.oneof({ arbitrary: fc.constant<T | undefined>(undefined), weight: 5 }, { arbitrary, weight: 1 })
export const present = <T extends object>(terms: T) =>
  Object.fromEntries(Object.entries(terms).filter(([, value]) => value !== undefined)) as never
