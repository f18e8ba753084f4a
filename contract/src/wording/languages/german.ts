import type { Refusal, Stop, Value } from '@vivid/core/evaluate'
import type { Figures, Language } from '../language'
import { germanPage } from './page/german'

const shareInFull = (value: Value, f: Figures): string =>
  value.unit === 'share'
    ? `${f.moneyShort(value.money)}, das sind ${f.percent(value.percent)} des Preises`
    : f.value(value)

export const german: Language = {
  years: { one: '# Jahr', other: '# Jahre' },
  months: { one: '# Monat', other: '# Monate' },
  payments: { one: '# Rate', other: '# Raten' },
  every: {
    monthly: 'jeden Monat',
    semiMonthly: 'zweimal im Monat',
    biweekly: 'alle zwei Wochen',
    weekly: 'jede Woche',
    quarterly: 'jedes Quartal',
    halfYearly: 'jedes Halbjahr',
    yearly: 'jedes Jahr',
    acceleratedBiweekly: 'alle zwei Wochen, beschleunigt',
    acceleratedWeekly: 'jede Woche, beschleunigt',
  },
  per: {
    year: 'im Jahr',
    halfYear: 'im Halbjahr',
    quarter: 'im Quartal',
    month: 'im Monat',
    week: 'in der Woche',
    payment: 'je Rate',
  },
  yes: 'ja',
  no: 'nein',
  ratesByTerms: 'Zinssatz',
  examples: {
    money: (f) => `einen Betrag ein, etwa ${f.moneyShort(250_000 * 10 ** f.digits)}`,
    percent: (f) => `einen Prozentsatz ein, etwa ${f.percent('4.64')}`,
    share: (f) =>
      `einen Betrag oder Prozentsatz ein, etwa ${f.moneyShort(60_000 * 10 ** f.digits)} oder ${f.percent('15')}`,
    number: () => 'eine ganze Zahl ein, etwa 12',
    term: (f) => `eine Dauer ein, etwa ${f.term({ years: 25, months: 0 })}`,
    choice: () => 'eine der Möglichkeiten ein',
    yesNo: () => 'ja oder nein ein',
    date: () => 'ein Datum ein, etwa 2026-11-25',
    frequency: () => 'eine der Möglichkeiten ein',
    loans: () => 'eine Liste von Krediten',
  },
  bound: shareInFull,
  problems: {
    ANSWER_UNKNOWN: ({ field }) => `Dieser Rechner fragt nichts, das „${field}“ heißt.`,
    ANSWER_MISSING: () => 'Das wird gebraucht, um Ihre Zahlen auszurechnen.',
    ANSWER_UNREADABLE: ({ wanted }, f) => `Geben Sie ${german.examples[wanted](f)}.`,
    ANSWER_BELOW_LEAST: ({ least, missing }, f) =>
      `Das Wenigste ist ${shareInFull(least, f)}.${missing ? ` Es fehlen ${f.value(missing)}.` : ''}`,
    ANSWER_ABOVE_MOST: ({ most }, f) => `Das Höchste ist ${shareInFull(most, f)}.`,
    ANSWER_NOT_AN_OPTION: ({ field, options }, f) =>
      `Wählen Sie: ${options.map((option) => f.option(field, option)).join('; ')}.`,
    SHARE_ABOVE_WHOLE: ({ whole }, f) => `Mehr als der Preis selbst, ${f.value(whole)}, geht nicht.`,
    LOANS_TOO_FEW: ({ count }, f) => `Hier wird eine Liste von mindestens ${f.count(count)} gebraucht.`,
    LOANS_TOO_MANY: ({ count }, f) => `Diese Liste nimmt höchstens ${f.count(count)} Kredite auf.`,
    LOAN_NEVER_REPAID: ({ least }, f) =>
      `Eine so kleine Rate tilgt diesen Kredit nie: Sie muss über seinen Zinsen liegen, also mindestens ${f.value(least)}.`,
    LOAN_REFUSED: ({ refusal }, f) => refusalSentence(refusal, f),
    STEP_STOPPED: ({ stop }, f) => stopSentence(stop, f),
  },
  periodDoubted: (value, per, fits) => `Sie nannten ${value} ${per}. Ist das der Betrag ${fits}?`,
  extrasCut: (value) =>
    `${value} der Sonderzahlungen können nicht gezahlt werden: Die Jahresgrenze ist erreicht.`,
  typedYears: /^j(ahre?n?)?$/,
  typedMonths: /^m(onate?n?)?$/,
  typedHalf: /\s?(und )?(ein)?halb\b/g,
  page: germanPage,
}

function refusalSentence({ code, field, details }: Refusal, f: Figures): string {
  const { least, most, reason } = details
  if (code === 'PAYMENT_TOO_SMALL' && typeof least === 'number')
    return `Mit einer so kleinen Rate endet das Darlehen nie: Es braucht mindestens ${f.money(least)}.`
  if (code === 'TERM_TOO_LONG') return 'Diese Raten würden länger als hundert Jahre laufen.'
  if (code === 'TERM_NOT_POSITIVE') return 'Das Darlehen braucht mindestens eine Rate.'
  if (code === 'AMOUNT_NEGATIVE' || code === 'AMOUNT_NOT_POSITIVE')
    return 'Es gibt nichts zu leihen: Das Eigenkapital übersteigt den Preis.'
  if (code === 'BALLOON_TOO_LARGE') return 'Was am Ende bleibt, muss weniger sein als das Geliehene.'
  if (code === 'LIES_BEHIND') return 'Das ist für einen Tag geplant, der schon vorbei ist.'
  if (code === 'LIES_AHEAD') return 'Die bisher gezahlten Raten passen nicht zum Tag der ersten Rate.'
  if (code === 'RATE_TOO_HIGH') return 'Zu einem so hohen Zinssatz wird kein Darlehen angeboten.'
  if (code === 'NO_ANSWER') {
    if (reason === 'REPAYS_TOO_LITTLE' && typeof least === 'number')
      return `Mit dieser Rate endet das Darlehen nie: Es braucht mindestens ${f.money(least)}.`
    if (reason === 'REPAID_AT_ONCE' && typeof most === 'number')
      return `Diese Rate zahlt alles auf einmal zurück; versuchen Sie höchstens ${f.money(most)}.`
    if (reason === 'NOTHING_AFFORDABLE')
      return 'Was Sie schon jeden Monat zahlen, schöpft aus, was ein Kreditgeber mitträgt.'
    if (reason === 'NO_PRICE_TOO_HIGH') return 'Mit diesem Einkommen ist kein Preis zu hoch für die Grenzen.'
    if (reason === 'TOO_SOON') return 'So früh kann keine Sonderzahlung das Darlehen tilgen.'
    if (reason === 'TOO_SMALL') return 'Diese Rate ist für jeden Betrag zu klein.'
    if (reason === 'ABOVE_ALL_BANDS')
      return `Ein Darlehen von mehr als ${f.percent(String(most))} des Wertes wird nicht versichert.`
  }
  if (field.startsWith('rateChanges')) return 'Der Zinswechsel fällt nicht in die Laufzeit dieses Darlehens.'
  return field.startsWith('extras')
    ? 'Die Sonderzahlung passt nicht zu diesem Darlehen: Prüfen Sie Betrag und Datum.'
    : 'Aus diesen Angaben lässt sich kein Darlehen berechnen.'
}

function stopSentence(stop: Stop, f: Figures): string {
  switch (stop.code) {
    case 'NO_ROW':
      return stop.reason === 'key'
        ? `Für ${stop.keys.join(', ')} haben wir keinen Zinssatz.`
        : 'Für diesen Tag haben wir noch keine Zinssätze.'
    case 'REFUSED':
      return refusalSentence(stop.refusal, f)
    case 'NO_FIGURE':
      return `Diese Zahl gibt es hier nicht: ${stop.figure}.`
    case 'DIVIDED_BY_ZERO':
      return 'Das lässt sich nicht berechnen: Es würde durch null geteilt.'
    case 'NOT_WHOLE':
      return `Hier wird eine ganze Zahl gebraucht, nicht ${stop.what}.`
    case 'TOO_LARGE':
      return 'Diese Angaben führen zu Zahlen, die zu groß sind.'
    case 'TOO_MUCH_WORK':
      return 'Diese Zeile braucht mehr Rechenarbeit, als eine Seite leisten darf.'
    case 'BROKEN':
      return 'Das lässt sich nicht berechnen: Der Fehler liegt bei uns.'
    case 'WAITS':
      return 'Dies wartet auf eine andere Angabe.'
  }
}
