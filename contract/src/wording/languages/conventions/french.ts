import type { Conventions } from '../../convention-words'

export const frenchConventions: Conventions = {
  compounds: (times) =>
    ({
      0: 'Le taux se capitalise à chaque versement.',
      1: 'Le taux se capitalise chaque année.',
      2: 'Le taux se capitalise chaque semestre.',
      4: 'Le taux se capitalise chaque trimestre.',
      12: 'Le taux se capitalise chaque mois.',
      365: 'Le taux se capitalise chaque jour.',
    })[times] ?? `Le taux se capitalise ${times} fois par an.`,
  rateStays: 'Le taux reste le même jusqu’à la fin.',
  rateChanges: 'Le taux change aux dates indiquées.',
  days: {
    equal: () => 'Les intérêts comptent des périodes égales, quel que soit leur nombre de jours.',
    thirty: (year) => `Les intérêts comptent 30 jours par mois d’une année de ${year} jours.`,
    actual: (year) => `Les intérêts comptent les jours entre les versements, sur une année de ${year} jours.`,
  },
  firstPayment: (date) => `Le premier versement tombe le ${date}.`,
  nextPayment: (date) => `Le prochain versement tombe le ${date}.`,
  atStart: 'Les versements tombent au début de chaque période.',
  rounded: {
    nearest: 'Les versements sont arrondis au cent le plus proche ; le dernier règle ce qui reste.',
    up: 'Les versements sont arrondis vers le haut ; le dernier règle ce qui reste.',
    down: 'Les versements sont arrondis vers le bas ; le dernier règle ce qui reste.',
  },
  accelerated: {
    2: 'Accéléré : la moitié d’un versement mensuel toutes les deux semaines, soit un versement mensuel de plus par an.',
    4: 'Accéléré : le quart d’un versement mensuel chaque semaine, soit un versement mensuel de plus par an.',
  },
  grace: {
    none: (payments) => `Pendant les premiers ${payments}, rien n’est payé et aucun intérêt n’est compté.`,
    paid: (payments) => `Pendant les premiers ${payments}, seuls les intérêts sont payés.`,
    addedSimple: (payments) => `Les intérêts des premiers ${payments} s’ajoutent au prêt à la fin.`,
    addedCompound: (payments) => `Les intérêts des premiers ${payments} s’ajoutent au prêt chaque fois.`,
  },
  extras: {
    shorten:
      'Ce qui est payé en plus est déduit aussitôt : les versements restent les mêmes et le prêt se termine plus tôt.',
    lower: 'Ce qui est payé en plus est déduit aussitôt : la fin reste la même et les versements baissent.',
  },
  leftOut: {
    both: 'Les versements du prêt sont du capital et des intérêts : ni assurance ni frais n’y entrent.',
    insurance: 'Aucune assurance n’entre dans les versements du prêt.',
    fees: 'Aucuns frais n’entrent dans les versements du prêt.',
  },
  monthly: 'Les versements sont mensuels.',
  rollsOn:
    'Ce qu’un prêt laisse libre une fois remboursé va au suivant : on paie donc autant chaque mois jusqu’à la fin.',
}
