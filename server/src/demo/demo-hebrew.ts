import { paragraphs } from '@vivid/core'

const inHebrew = (text: string) => ({ 'en-CA': text })

/** The words of the mortgage in Hebrew, by step: they take the place of the English, and the language is renamed. */
export const hebrewTexts = {
  homePrice: {
    label: 'מחיר הבית',
    help: 'מה שהמוכר מבקש, או מה שבכוונתך להציע.',
    default: 1_850_000_00,
    least: 300_000_00,
    most: 9_000_000_00,
    step: 10_000_00,
  },
  downPayment: {
    label: 'הון עצמי',
    help: 'מה שמשולם מכיסך, כסכום או כחלק מהמחיר.',
    default: { percent: '30' },
    least: { percent: '25' },
  },
  term: { label: 'תקופת ההחזר', help: 'תקופה ארוכה יותר מקטינה כל תשלום ומגדילה את סך הריבית.' },
  rate: { label: 'ריבית שנתית', help: 'הריבית השנתית שהוצעה לך.', default: '4.9' },
  frequency: {
    label: 'התשלום',
    help: 'בחודש או ברבעון.',
    options: ['monthly', 'quarterly'],
    default: 'monthly',
  },
  loan: { options: { compounding: 12 } },
  payment: {
    label: 'התשלום שלך',
    sentence:
      '{the loan.payments} תשלומים, האחרון {the loan.last payment}. הראשון מקטין את ההלוואה ב־{the loan.first principal}, ו־{the loan.first interest} מתוכו ריבית.',
    parts: [
      { label: inHebrew('קרן'), amount: 'the loan.first principal' },
      { label: inHebrew('ריבית'), amount: 'the loan.first interest' },
    ],
  },
  totalInterest: {
    label: 'סך הריבית',
    sentence: 'הלוואה של {the loan.principal} תעלה בסך הכול {the loan.total paid}.',
  },
  endDate: { label: 'סיום', sentence: 'אחרי {the loan.payments} תשלומים.' },
  nothingToBorrow: { label: 'אין מה ללוות', sentence: 'ההון העצמי מכסה את כל המחיר.' },
  balancePicture: { label: 'מה עוד חייבים' },
  yearlyPicture: { label: 'לאן הולך הכסף' },
  whatIf: { label: 'ומה אם' },
  propertyTax: { label: 'ארנונה' },
  homeInsurance: { label: 'ביטוח דירה' },
  withCosts: {
    label: 'עם ארנונה וביטוח',
    sentence: 'מה שכדאי לשים בצד עם כל תשלום בשביל הארנונה והביטוח של שנה.',
    parts: [
      { label: inHebrew('קרן'), amount: 'the loan.first principal' },
      { label: inHebrew('ריבית'), amount: 'the loan.first interest' },
      { label: inHebrew('ארנונה'), amount: 'per payment(property tax, payment frequency)' },
      { label: inHebrew('ביטוח דירה'), amount: 'per payment(home insurance, payment frequency)' },
    ],
  },
  borrowed: { label: 'ההלוואה' },
  ratePerPayment: { label: 'הריבית לכל תשלום' },
  paymentsInAll: { label: 'מספר התשלומים' },
  paidBack: { label: 'סך הכול מוחזר' },
  howWorkedOut: { label: 'איך זה חושב' },
  schedule: { label: 'שנה אחר שנה' },
  assumptions: {
    label: 'מה החישוב מניח',
    text: { 'en-CA': paragraphs('ארנונה וביטוח דירה נכללים רק אם ציינתם אותם.') },
  },
  keeping: { label: 'לשמור את התוצאות' },
}
