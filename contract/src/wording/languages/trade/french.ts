import type { TradeWords } from '../../trade-words'

export const tradeWords: TradeWords = {
  principal: {
    match: 'capital(?: emprunté| remboursé)?',
    means: ({ borrowed, off }) =>
      `Ce que vous empruntez, sans les intérêts.${borrowed ? ` Ici, c’est ${borrowed}${off ? `, et le prochain versement en rembourse ${off}` : ''}.` : ''}`,
  },
  amortization: {
    match: '(?:période d’)?amortissement',
    means: ({ payments }) =>
      `Le temps qu’il faut pour rembourser le prêt au complet.${payments ? ` Ici, il y faut ${payments}.` : ''}`,
  },
  balloon: {
    match: 'versement ballon|paiement forfaitaire final',
    means: ({ balloon }) =>
      `Une partie du prêt que les versements réguliers laissent, due d’un coup à la fin.${balloon ? ` Ici, c’est ${balloon}.` : ''}`,
  },
  accelerated: {
    match: 'accéléré(?:e|s|es)?',
    means: ({ moreAYear }) =>
      `Vous payez la moitié d’un versement mensuel toutes les deux semaines, ou le quart chaque semaine : cela fait treize versements mensuels par an au lieu de douze.${moreAYear ? ` Ici, vous payez ${moreAYear} de plus par an, et finissez plus tôt.` : ''}`,
  },
  compounding: {
    match: 'capitalis(?:é|ée|és|ées|ation)|composé(?:s|e|es)?',
    means: ({ rate, effective }) =>
      `L’intérêt ajouté à ce que vous devez porte lui-même intérêt ensuite ; plus cela arrive souvent, plus un taux coûte.${rate && effective ? ` Ici, ${rate} reviennent à ${effective} sur un an.` : ''}`,
  },
  premium: {
    match: 'prime(?:s)?(?: d’assurance)?',
    means: ({ premium }) =>
      `Le prix d’une assurance qui paie le prêteur si vous ne le pouvez pas.${premium ? ` Ici, ${premium} s’ajoutent au prochain versement.` : ''}`,
  },
  qualifyingRate: {
    match: 'taux admissible|taux de qualification',
    means: ({ atQualifying }) =>
      `Un taux supérieur au vôtre, auquel le prêteur vérifie que vous pourriez encore payer ; vous ne le payez pas.${atQualifying ? ` À ce taux, le versement serait de ${atQualifying}.` : ''}`,
  },
  lumpSum: {
    match: 'somme forfaitaire|remboursement unique|montant forfaitaire',
    means: () =>
      'Un montant payé une seule fois en plus des versements ; il réduit en entier ce que vous devez.',
  },
  annualPercentageRate: {
    match: 'taux annuel effectif global|TAEG|taux annuel du coût d’emprunt',
    means: () =>
      'Ce que le prêt coûte en un an avec ses frais, en pour cent de ce que vous recevez : il rend comparables des offres aux frais différents.',
  },
  grossIncome: {
    match: 'revenu brut',
    means: () => 'Ce que vous gagnez avant impôts et retenues.',
  },
  loanToValue: {
    match: 'rapport prêt-valeur|ratio prêt-valeur',
    means: ({ share }) =>
      `Ce que vous empruntez, en part de la valeur de la maison.${share ? ` Ici, c’est ${share}.` : ''}`,
  },
  interestOnly: {
    match: 'intérêts seulement|intérêts seuls',
    means: () =>
      'Vous ne payez pendant un temps que les intérêts : ce que vous devez ne baisse pas pendant ce temps.',
  },
}
