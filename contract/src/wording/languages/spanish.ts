import type { Refusal, Stop, Value } from '@vivid/core/evaluate'
import type { Figures, Language } from '../language'
import { spanishPage } from './page/spanish'

const shareInFull = (value: Value, f: Figures): string =>
  value.unit === 'share'
    ? `${f.moneyShort(value.money)}, es decir, ${f.percent(value.percent)} del precio`
    : f.value(value)

export const spanish: Language = {
  years: { one: '# año', other: '# años' },
  months: { one: '# mes', other: '# meses' },
  payments: { one: '# cuota', other: '# cuotas' },
  every: {
    monthly: 'cada mes',
    semiMonthly: 'dos veces al mes',
    biweekly: 'cada dos semanas',
    weekly: 'cada semana',
    quarterly: 'cada trimestre',
    halfYearly: 'cada semestre',
    yearly: 'cada año',
    acceleratedBiweekly: 'cada dos semanas, acelerado',
    acceleratedWeekly: 'cada semana, acelerado',
  },
  per: {
    year: 'al año',
    halfYear: 'al semestre',
    quarter: 'al trimestre',
    month: 'al mes',
    week: 'a la semana',
    payment: 'por cuota',
  },
  yes: 'sí',
  no: 'no',
  ratesByTerms: 'tipo de interés',
  examples: {
    money: (f) => `un importe, como ${f.moneyShort(250_000 * 10 ** f.digits)}`,
    percent: (f) => `un porcentaje, como ${f.percent('4.64')}`,
    share: (f) =>
      `un importe o un porcentaje, como ${f.moneyShort(60_000 * 10 ** f.digits)} o ${f.percent('15')}`,
    number: () => 'un número entero, como 12',
    term: (f) => `un plazo, como ${f.term({ years: 25, months: 0 })}`,
    choice: () => 'una de las opciones',
    yesNo: () => 'sí o no',
    date: () => 'una fecha, como 2026-11-25',
    frequency: () => 'una de las opciones',
    loans: () => 'una lista de préstamos',
  },
  bound: shareInFull,
  problems: {
    ANSWER_UNKNOWN: ({ field }) => `Esta calculadora no pregunta nada que se llame «${field}».`,
    ANSWER_MISSING: () => 'Hace falta para calcular sus cifras.',
    ANSWER_UNREADABLE: ({ wanted }, f) => `Escriba ${spanish.examples[wanted](f)}.`,
    ANSWER_BELOW_LEAST: ({ least, missing }, f) =>
      `Lo mínimo es ${shareInFull(least, f)}.${missing ? ` Faltan ${f.value(missing)}.` : ''}`,
    ANSWER_ABOVE_MOST: ({ most }, f) => `Lo máximo es ${shareInFull(most, f)}.`,
    ANSWER_NOT_AN_OPTION: ({ field, options }, f) =>
      `Elija: ${options.map((option) => f.option(field, option)).join('; ')}.`,
    SHARE_ABOVE_WHOLE: ({ whole }, f) => `No puede ser más que el propio precio, ${f.value(whole)}.`,
    LOANS_TOO_FEW: ({ count }, f) => `Aquí hace falta una lista de al menos ${f.count(count)}.`,
    LOANS_TOO_MANY: ({ count }, f) => `Esta lista no admite más de ${f.count(count)} préstamos.`,
    LOAN_NEVER_REPAID: ({ least }, f) =>
      `Una cuota tan pequeña nunca paga este préstamo: tiene que superar sus intereses, al menos ${f.value(least)}.`,
    LOAN_REFUSED: ({ refusal }, f) => refusalSentence(refusal, f),
    STEP_STOPPED: ({ stop }, f) => stopSentence(stop, f),
  },
  periodDoubted: (value, per, fits) => `Ha dicho ${value} ${per}. ¿Es lo que sale ${fits}?`,
  extrasCut: (value) => `${value} de los pagos extra no se pueden hacer: se alcanza el límite anual.`,
  typedYears: /^(a|años?|anos?)$/,
  typedMonths: /^m(es|eses)?$/,
  typedHalf: /\by medi[oa]\b/g,
  page: spanishPage,
}

function refusalSentence({ code, field, details }: Refusal, f: Figures): string {
  const { least, most, reason } = details
  if (code === 'PAYMENT_TOO_SMALL' && typeof least === 'number')
    return `Con una cuota tan pequeña el préstamo no acaba nunca: hacen falta al menos ${f.money(least)}.`
  if (code === 'TERM_TOO_LONG') return 'Estas cuotas durarían más de cien años.'
  if (code === 'TERM_NOT_POSITIVE') return 'El préstamo necesita al menos una cuota.'
  if (code === 'AMOUNT_NEGATIVE' || code === 'AMOUNT_NOT_POSITIVE')
    return 'No hay nada que pedir prestado: la entrada supera el precio.'
  if (code === 'BALLOON_TOO_LARGE') return 'Lo que queda al final tiene que ser menos que lo prestado.'
  if (code === 'LIES_BEHIND') return 'Está previsto para un día que ya ha pasado.'
  if (code === 'LIES_AHEAD') return 'Las cuotas ya pagadas no encajan con la fecha de la primera.'
  if (code === 'RATE_TOO_HIGH') return 'Ningún préstamo se ofrece a un tipo tan alto.'
  if (code === 'NO_ANSWER') {
    if (reason === 'REPAYS_TOO_LITTLE' && typeof least === 'number')
      return `Con esa cuota el préstamo no acaba nunca: hacen falta al menos ${f.money(least)}.`
    if (reason === 'REPAID_AT_ONCE' && typeof most === 'number')
      return `Esa cuota devuelve el préstamo de una vez; pruebe como mucho ${f.money(most)}.`
    if (reason === 'NOTHING_AFFORDABLE')
      return 'Lo que ya paga cada mes agota todo lo que una entidad aceptaría.'
    if (reason === 'NO_PRICE_TOO_HIGH') return 'Con estos ingresos ningún precio supera los límites.'
    if (reason === 'TOO_SOON') return 'Ningún pago extra puede acabar el préstamo tan pronto.'
    if (reason === 'TOO_SMALL') return 'Esa cuota es demasiado pequeña para cualquier importe.'
    if (reason === 'ABOVE_ALL_BANDS')
      return `Un préstamo de más de ${f.percent(String(most))} del valor no se asegura.`
  }
  if (field.startsWith('rateChanges')) return 'El cambio de tipo no cae dentro de este préstamo.'
  return field.startsWith('extras')
    ? 'El pago extra no encaja con este préstamo: revise su importe y su fecha.'
    : 'Con estas respuestas no se puede calcular ningún préstamo.'
}

function stopSentence(stop: Stop, f: Figures): string {
  switch (stop.code) {
    case 'NO_ROW':
      return stop.reason === 'key'
        ? `No tenemos ningún tipo para ${stop.keys.join(', ')}.`
        : 'Aún no tenemos tipos para este día.'
    case 'REFUSED':
      return refusalSentence(stop.refusal, f)
    case 'NO_FIGURE':
      return `Esta cifra no existe aquí: ${stop.figure}.`
    case 'DIVIDED_BY_ZERO':
      return 'No se puede calcular: habría que dividir por cero.'
    case 'NOT_WHOLE':
      return `Aquí hace falta un número entero, no ${stop.what}.`
    case 'TOO_LARGE':
      return 'Estas respuestas llevan a cifras demasiado grandes.'
    case 'TOO_MUCH_WORK':
      return 'Esta línea exige más cálculo del que una página puede hacer.'
    case 'BROKEN':
      return 'Esto no se puede calcular: el error es nuestro.'
    case 'WAITS':
      return 'Esto espera otra respuesta.'
  }
}
