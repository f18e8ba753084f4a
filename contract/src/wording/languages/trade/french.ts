import type { TradeWords } from '../../trade-words'

export const tradeWords: TradeWords = {
  principal: {
    words: ['capital remboursé', 'capital emprunté', 'capital'],
    means: ({ borrowed, off }) =>
      `Ce que vous empruntez, sans les intérêts.${borrowed ? ` Ici, c’est ${borrowed}${off ? `, et le prochain versement en rembourse ${off}` : ''}.` : ''}`,
  },
  amortization: {
    words: ['période d’amortissement', 'amortissement'],
    means: ({ payments }) =>
      `Le temps qu’il faut pour rembourser le prêt au complet.${payments ? ` Ici, il y faut ${payments}.` : ''}`,
  },
  balloon: {
    words: ['paiement forfaitaire final', 'versement ballon'],
    means: ({ balloon }) =>
      `Une partie du prêt que les versements réguliers laissent, due d’un coup à la fin.${balloon ? ` Ici, c’est ${balloon}.` : ''}`,
  },
  accelerated: {
    words: ['accélérées', 'accélérée', 'accélérés', 'accéléré'],
    means: ({ moreAYear }) =>
      `Vous payez la moitié d’un versement mensuel toutes les deux semaines, ou le quart chaque semaine : cela fait treize versements mensuels par an au lieu de douze.${moreAYear ? ` Ici, vous payez ${moreAYear} de plus par an, et finissez plus tôt.` : ''}`,
  },
  compounding: {
    words: [
      'capitalisation',
      'capitalisées',
      'capitalisée',
      'capitalisés',
      'capitalisé',
      'composées',
      'composés',
      'composée',
      'composé',
    ],
    means: ({ rate, effective }) =>
      `L’intérêt ajouté à ce que vous devez porte lui-même intérêt ensuite ; plus cela arrive souvent, plus un taux coûte.${rate && effective ? ` Ici, ${rate} reviennent à ${effective} sur un an.` : ''}`,
  },
  premium: {
    words: ['primes d’assurance', 'prime d’assurance', 'primes', 'prime'],
    means: ({ premium }) =>
      `Le prix d’une assurance qui paie le prêteur si vous ne le pouvez pas.${premium ? ` Ici, ${premium} s’ajoutent au prochain versement.` : ''}`,
  },
  qualifyingRate: {
    words: ['taux de qualification', 'taux admissible'],
    means: ({ atQualifying }) =>
      `Un taux supérieur au vôtre, auquel le prêteur vérifie que vous pourriez encore payer ; vous ne le payez pas.${atQualifying ? ` À ce taux, le versement serait de ${atQualifying}.` : ''}`,
  },
  lumpSum: {
    words: ['remboursement unique', 'montant forfaitaire', 'somme forfaitaire'],
    means: () =>
      'Un montant payé une seule fois en plus des versements ; il réduit en entier ce que vous devez.',
  },
  annualPercentageRate: {
    words: ['taux annuel du coût d’emprunt', 'taux annuel effectif global', 'TAEG'],
    means: () =>
      'Ce que le prêt coûte en un an avec ses frais, en pour cent de ce que vous recevez : il rend comparables des offres aux frais différents.',
  },
  grossIncome: {
    words: ['revenu brut'],
    means: () => 'Ce que vous gagnez avant impôts et retenues.',
  },
  loanToValue: {
    words: ['rapport prêt-valeur', 'ratio prêt-valeur'],
    means: ({ share }) =>
      `Ce que vous empruntez, en part de la valeur de la maison.${share ? ` Ici, c’est ${share}.` : ''}`,
  },
  interestOnly: {
    words: ['intérêts seulement', 'intérêts seuls'],
    means: () =>
      'Vous ne payez pendant un temps que les intérêts : ce que vous devez ne baisse pas pendant ce temps.',
  },
}
