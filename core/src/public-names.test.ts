import { expect, test } from 'vitest'
import * as core from './index'
import * as light from './evaluate'

test('the public names of the core', () => {
  expect(Object.keys(core).sort()).toEqual([
    'AnswerShape',
    'CalculatorDocument',
    'Decimal',
    'affordablePrice',
    'aim',
    'amortize',
    'amountFor',
    'amountToBorrow',
    'annualPercentageRate',
    'annualPercentageRateOfCharge',
    'balanceAfterExact',
    'changesBetween',
    'compareLoans',
    'compile',
    'costUntil',
    'countDays',
    'currencies',
    'dayCounts',
    'effectiveAnnualRate',
    'equity',
    'evaluate',
    'frequencies',
    'frequencyNames',
    'incomeNeeded',
    'initialRepaymentPayment',
    'insuranceFor',
    'isoDate',
    'ladder',
    'levelPayment',
    'levelPaymentExact',
    'loansTogether',
    'mergeDocuments',
    'minimumDownPayment',
    'minor',
    'minorDigitsOf',
    'partsOfPayment',
    'paymentsToRepay',
    'periodicRate',
    'premiumsByCredit',
    'readIsoDate',
    'readoutKinds',
    'refinance',
    'shareOf',
    'starters',
    'unitPeriodsBetween',
  ])
})

test('the light door for visitors', () => {
  expect(Object.keys(light).sort()).toEqual([
    'evaluate',
    'frequencies',
    'minorDigitsOf',
    'readIsoDate',
    'shareOf',
  ])
})
