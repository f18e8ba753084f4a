import type { Refusal, Stop, Value } from '@vivid/core/evaluate'
import type { Figures, Language } from '../language'
import { hebrewPage } from './page/hebrew'

const shareInFull = (value: Value, f: Figures): string =>
  value.unit === 'share'
    ? `${f.moneyShort(value.money)}, שהם ${f.percent(value.percent)} מהמחיר`
    : f.value(value)

export const hebrew: Language = {
  years: { one: '# שנה', other: '# שנים' },
  months: { one: '# חודש', other: '# חודשים' },
  payments: { one: '# תשלום', other: '# תשלומים' },
  every: {
    monthly: 'בכל חודש',
    semiMonthly: 'פעמיים בחודש',
    biweekly: 'בכל שבועיים',
    weekly: 'בכל שבוע',
    quarterly: 'בכל רבעון',
    halfYearly: 'בכל חצי שנה',
    yearly: 'בכל שנה',
    acceleratedBiweekly: 'בכל שבועיים, מואץ',
    acceleratedWeekly: 'בכל שבוע, מואץ',
  },
  per: {
    year: 'לשנה',
    halfYear: 'לחצי שנה',
    quarter: 'לרבעון',
    month: 'לחודש',
    week: 'לשבוע',
    payment: 'לתשלום',
  },
  yes: 'כן',
  no: 'לא',
  ratesByTerms: 'ריבית',
  examples: {
    money: (f) => `סכום, כמו ${f.moneyShort(250_000 * 10 ** f.digits)}`,
    percent: (f) => `אחוז, כמו ${f.percent('4.64')}`,
    share: (f) => `סכום או אחוז, כמו ${f.moneyShort(60_000 * 10 ** f.digits)} או ${f.percent('15')}`,
    number: () => 'מספר שלם, כמו 12',
    term: (f) => `משך זמן, כמו ${f.term({ years: 25, months: 0 })}`,
    choice: () => 'אחת האפשרויות',
    yesNo: () => 'כן או לא',
    date: () => 'תאריך, כמו 2026-11-25',
    frequency: () => 'אחת האפשרויות',
    loans: () => 'רשימת הלוואות',
  },
  bound: shareInFull,
  problems: {
    ANSWER_UNKNOWN: ({ field }) => `המחשבון אינו שואל דבר בשם „${field}”.`,
    ANSWER_MISSING: () => 'בלי זה אי אפשר לחשב את התוצאות.',
    ANSWER_UNREADABLE: ({ wanted }, f) => `יש לכתוב ${hebrew.examples[wanted](f)}.`,
    ANSWER_BELOW_LEAST: ({ least, missing }, f) =>
      `לא פחות מ־${shareInFull(least, f)}.${missing ? ` חסרים ${f.value(missing)}.` : ''}`,
    ANSWER_ABOVE_MOST: ({ most }, f) => `לא יותר מ־${shareInFull(most, f)}.`,
    ANSWER_NOT_AN_OPTION: ({ field, options }, f) =>
      `יש לבחור: ${options.map((option) => f.option(field, option)).join('; ')}.`,
    SHARE_ABOVE_WHOLE: ({ whole }, f) => `לא יותר מהמחיר עצמו, ${f.value(whole)}.`,
    LOANS_TOO_FEW: ({ count }, f) => `נדרשת כאן רשימה של ${f.count(count)} לפחות.`,
    LOANS_TOO_MANY: ({ count }, f) => `הרשימה הזו מקבלת לכל היותר ${f.count(count)} הלוואות.`,
    LOAN_NEVER_REPAID: ({ least }, f) =>
      `תשלום קטן כל כך לעולם לא יפרע את ההלוואה: עליו לעלות על הריבית שלה, לפחות ${f.value(least)}.`,
    LOAN_REFUSED: ({ refusal }, f) => refusalSentence(refusal, f),
    STEP_STOPPED: ({ stop }, f) => stopSentence(stop, f),
  },
  periodDoubted: (value, per, fits) => `נכתב ${value} ${per}. האם זה הסכום ${fits}?`,
  extrasCut: (value) => `אי אפשר לשלם ${value} מהתוספות: המגבלה השנתית נוצלה.`,
  typedYears: /^(שנה|שנים|שנתיים|ש)$/,
  typedMonths: /^(חודש|חודשים|חודשיים|ח)$/,
  typedHalf: /וחצי/g,
  page: hebrewPage,
}

function refusalSentence({ code, field, details }: Refusal, f: Figures): string {
  const { least, most, reason } = details
  if (code === 'PAYMENT_TOO_SMALL' && typeof least === 'number')
    return `בתשלום קטן כל כך ההלוואה לא תסתיים לעולם: דרושים לפחות ${f.money(least)}.`
  if (code === 'TERM_TOO_LONG') return 'התשלומים האלה יימשכו יותר ממאה שנה.'
  if (code === 'TERM_NOT_POSITIVE') return 'דרוש לפחות תשלום אחד.'
  if (code === 'AMOUNT_NEGATIVE' || code === 'AMOUNT_NOT_POSITIVE')
    return 'אין מה ללוות: ההון העצמי גדול מהמחיר.'
  if (code === 'BALLOON_TOO_LARGE') return 'מה שנשאר בסוף צריך להיות קטן מסכום ההלוואה.'
  if (code === 'LIES_BEHIND') return 'זה מתוכנן ליום שכבר עבר.'
  if (code === 'LIES_AHEAD') return 'התשלומים ששולמו אינם מתאימים למועד התשלום הראשון.'
  if (code === 'RATE_TOO_HIGH') return 'אין הלוואה שמוצעת בריבית גבוהה כל כך.'
  if (code === 'NO_ANSWER') {
    if (reason === 'REPAYS_TOO_LITTLE' && typeof least === 'number')
      return `בתשלום הזה ההלוואה לא תסתיים לעולם: דרושים לפחות ${f.money(least)}.`
    if (reason === 'REPAID_AT_ONCE' && typeof most === 'number')
      return `התשלום הזה מסלק את ההלוואה בבת אחת; אפשר לנסות עד ${f.money(most)}.`
    if (reason === 'NOTHING_AFFORDABLE') return 'מה שכבר משולם בכל חודש ממצה את מה שמלווה יאשר.'
    if (reason === 'NO_PRICE_TOO_HIGH') return 'בהכנסה הזאת אין מחיר שגבוה מהמגבלות.'
    if (reason === 'TOO_SOON') return 'אין תוספת שתסלק את ההלוואה מוקדם כל כך.'
    if (reason === 'TOO_SMALL') return 'התשלום הזה קטן מדי לכל סכום.'
    if (reason === 'ABOVE_ALL_BANDS') return `הלוואה של יותר מ־${f.percent(String(most))} מהשווי אינה מבוטחת.`
  }
  if (field.startsWith('rateChanges')) return 'שינוי הריבית אינו חל בתקופת ההלוואה.'
  return field.startsWith('extras')
    ? 'התוספת אינה מתאימה להלוואה: כדאי לבדוק את הסכום ואת המועד.'
    : 'אי אפשר לחשב הלוואה מהתשובות האלה.'
}

function stopSentence(stop: Stop, f: Figures): string {
  switch (stop.code) {
    case 'NO_ROW':
      return stop.reason === 'key'
        ? `אין לנו ריבית עבור ${stop.keys.join(', ')}.`
        : 'עדיין אין לנו ריביות ליום הזה.'
    case 'REFUSED':
      return refusalSentence(stop.refusal, f)
    case 'NO_FIGURE':
      return `המספר הזה אינו קיים כאן: ${stop.figure}.`
    case 'DIVIDED_BY_ZERO':
      return 'אי אפשר לחשב: יש כאן חלוקה באפס.'
    case 'NOT_WHOLE':
      return `דרוש כאן מספר שלם, ולא ${stop.what}.`
    case 'TOO_LARGE':
      return 'התשובות האלה מביאות למספרים גדולים מדי.'
    case 'TOO_MUCH_WORK':
      return 'השורה הזאת דורשת יותר חישובים ממה שדף יכול לבצע.'
    case 'BROKEN':
      return 'אי אפשר לחשב את זה: הטעות אצלנו.'
    case 'WAITS':
      return 'זה ממתין לתשובה אחרת.'
  }
}
