import type { Refusal, Stop, Value } from '@vivid/core/evaluate'
import type { Figures, Language } from '../language'
import { frenchPage } from './page/french'

const shareInFull = (value: Value, f: Figures): string =>
  value.unit === 'share'
    ? `${f.moneyShort(value.money)}, soit ${f.percent(value.percent)} du prix`
    : f.value(value)

export const french: Language = {
  years: { one: '# an', other: '# ans' },
  months: { other: '# mois' },
  payments: { one: '# versement', other: '# versements' },
  every: {
    monthly: 'chaque mois',
    semiMonthly: 'deux fois par mois',
    biweekly: 'toutes les deux semaines',
    weekly: 'chaque semaine',
    quarterly: 'chaque trimestre',
    halfYearly: 'chaque semestre',
    yearly: 'chaque année',
    acceleratedBiweekly: 'toutes les deux semaines, accéléré',
    acceleratedWeekly: 'chaque semaine, accéléré',
  },
  per: {
    year: 'par an',
    halfYear: 'par semestre',
    quarter: 'par trimestre',
    month: 'par mois',
    week: 'par semaine',
    payment: 'par versement',
  },
  yes: 'oui',
  no: 'non',
  ratesByTerms: 'taux',
  examples: {
    money: (f) => `un montant, comme ${f.moneyShort(250_000 * 10 ** f.digits)}`,
    percent: (f) => `un pourcentage, comme ${f.percent('4.64')}`,
    share: (f) =>
      `un montant ou un pourcentage, comme ${f.moneyShort(60_000 * 10 ** f.digits)} ou ${f.percent('15')}`,
    number: () => 'un nombre entier, comme 12',
    term: (f) => `une durée, comme ${f.term({ years: 25, months: 0 })}`,
    choice: () => 'un des choix',
    yesNo: () => 'oui ou non',
    date: () => 'une date, comme 2026-11-25',
    frequency: () => 'un des choix',
    loans: () => 'une liste de prêts',
  },
  bound: shareInFull,
  problems: {
    ANSWER_UNKNOWN: ({ field }) => `Ce calculateur ne demande rien qui s’appelle « ${field} ».`,
    ANSWER_MISSING: () => 'Il faut cette réponse pour calculer vos chiffres.',
    ANSWER_UNREADABLE: ({ wanted }, f) => `Indiquez ${french.examples[wanted](f)}.`,
    ANSWER_BELOW_LEAST: ({ least, missing }, f) =>
      `Le minimum est ${shareInFull(least, f)}.${missing ? ` Il manque ${f.value(missing)}.` : ''}`,
    ANSWER_ABOVE_MOST: ({ most }, f) => `Le maximum est ${shareInFull(most, f)}.`,
    ANSWER_NOT_AN_OPTION: ({ field, options }, f) =>
      `Choisissez : ${options.map((option) => f.option(field, option)).join(' ; ')}.`,
    SHARE_ABOVE_WHOLE: ({ whole }, f) => `Le maximum est le prix lui-même, ${f.value(whole)}.`,
    LOANS_TOO_FEW: ({ count }, f) => `Il faut ici une liste d’au moins ${f.count(count)}.`,
    LOANS_TOO_MANY: ({ count }, f) => `Cette liste ne prend pas plus de ${f.count(count)} prêts.`,
    LOAN_NEVER_REPAID: ({ least }, f) =>
      `Un versement aussi petit ne rembourse jamais ce prêt : il doit dépasser ses intérêts, donc au moins ${f.value(least)}.`,
    LOAN_REFUSED: ({ refusal }, f) => refusalSentence(refusal, f),
    STEP_STOPPED: ({ stop }, f) => stopSentence(stop, f),
  },
  periodDoubted: (value, per, fits) => `Vous avez indiqué ${value} ${per}. Est-ce plutôt ${fits} ?`,
  extrasCut: (value) => `${value} des suppléments ne peuvent être versés : la limite annuelle est atteinte.`,
  typedYears: /^a(ns?|nnées?)?$/,
  typedMonths: /^m(ois)?$/,
  typedHalf: /\bet demie?\b/g,
  page: frenchPage,
}

function refusalSentence({ code, field, details }: Refusal, f: Figures): string {
  const { least, most, reason } = details
  if (code === 'PAYMENT_TOO_SMALL' && typeof least === 'number')
    return `Un versement aussi petit ne rembourse jamais le prêt : il faut au moins ${f.money(least)}.`
  if (code === 'TERM_TOO_LONG') return 'Ces versements dureraient plus de cent ans.'
  if (code === 'TERM_NOT_POSITIVE') return 'Il faut au moins un versement.'
  if (code === 'AMOUNT_NEGATIVE' || code === 'AMOUNT_NOT_POSITIVE')
    return 'Il n’y a rien à emprunter : la mise de fonds dépasse le prix.'
  if (code === 'BALLOON_TOO_LARGE') return 'Le solde à la fin doit être inférieur au montant emprunté.'
  if (code === 'LIES_BEHIND') return 'C’est prévu pour un jour déjà passé.'
  if (code === 'LIES_AHEAD')
    return 'Les versements déjà faits ne concordent pas avec la date du premier versement.'
  if (code === 'RATE_TOO_HIGH') return 'Aucun prêt n’est offert à un taux aussi élevé.'
  if (code === 'NO_ANSWER') {
    if (reason === 'REPAYS_TOO_LITTLE' && typeof least === 'number')
      return `Ce versement ne rembourse jamais le prêt : il faut au moins ${f.money(least)}.`
    if (reason === 'REPAID_AT_ONCE' && typeof most === 'number')
      return `Ce versement rembourse le prêt d’un coup ; essayez au plus ${f.money(most)}.`
    if (reason === 'NOTHING_AFFORDABLE')
      return 'Ce que vous payez déjà chaque mois prend tout ce qu’un prêteur accepterait.'
    if (reason === 'NO_PRICE_TOO_HIGH') return 'Avec ce revenu, aucun prix ne dépasse les limites.'
    if (reason === 'TOO_SOON') return 'Aucun supplément ne rembourse le prêt aussi vite.'
    if (reason === 'TOO_SMALL') return 'Ce versement est trop petit pour tout montant.'
    if (reason === 'ABOVE_ALL_BANDS')
      return `Un prêt de plus de ${f.percent(String(most))} de la valeur n’est pas assuré.`
  }
  if (field.startsWith('rateChanges')) return 'Le changement de taux ne tombe pas pendant ce prêt.'
  return field.startsWith('extras')
    ? 'Le supplément ne convient pas à ce prêt : vérifiez son montant et sa date.'
    : 'Aucun prêt ne peut être calculé à partir de ces réponses.'
}

function stopSentence(stop: Stop, f: Figures): string {
  switch (stop.code) {
    case 'NO_ROW':
      return stop.reason === 'key'
        ? `Nous n’avons pas de taux pour ${stop.keys.join(', ')}.`
        : 'Nous n’avons pas encore de taux pour ce jour.'
    case 'REFUSED':
      return refusalSentence(stop.refusal, f)
    case 'NO_FIGURE':
      return `Ce chiffre n’existe pas ici : ${stop.figure}.`
    case 'DIVIDED_BY_ZERO':
      return 'Ce calcul est impossible : une division par zéro.'
    case 'NOT_WHOLE':
      return `Il faut un nombre entier, et non ${stop.what}.`
    case 'TOO_LARGE':
      return 'Ces réponses mènent à des chiffres trop grands.'
    case 'TOO_MUCH_WORK':
      return 'Cette ligne demande plus de calculs qu’une page ne peut en faire.'
    case 'BROKEN':
      return 'Ce calcul est impossible : l’erreur est de notre côté.'
    case 'WAITS':
      return 'Ceci attend une autre réponse.'
  }
}
