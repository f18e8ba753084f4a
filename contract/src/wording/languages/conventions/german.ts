import type { Conventions } from '../../convention-words'

export const germanConventions: Conventions = {
  compounds: (times) =>
    ({
      0: 'Zinsen werden mit jeder Rate verrechnet.',
      1: 'Zinsen werden jährlich verrechnet.',
      2: 'Zinsen werden halbjährlich verrechnet.',
      4: 'Zinsen werden vierteljährlich verrechnet.',
      12: 'Zinsen werden monatlich verrechnet.',
      365: 'Zinsen werden täglich verrechnet.',
    })[times] ?? `Zinsen werden ${times}-mal im Jahr verrechnet.`,
  rateStays: 'Der Zinssatz bleibt bis zum Ende gleich.',
  rateChanges: 'Der Zinssatz ändert sich zu den genannten Tagen.',
  days: {
    equal: () => 'Zinsen zählen gleich lange Zeiträume, wie viele Tage sie auch haben.',
    thirty: (year) => `Zinsen zählen 30 Tage für jeden Monat eines Jahres von ${year} Tagen.`,
    actual: (year) => `Zinsen zählen die Tage zwischen den Raten, in einem Jahr von ${year} Tagen.`,
  },
  firstPayment: (date) => `Die erste Rate ist am ${date} fällig.`,
  nextPayment: (date) => `Die nächste Rate ist am ${date} fällig.`,
  atStart: 'Raten sind am Anfang jedes Zeitraums fällig.',
  rounded: {
    nearest: 'Raten sind auf den nächsten Cent gerundet; die letzte gleicht den Rest aus.',
    up: 'Raten sind aufgerundet; die letzte gleicht den Rest aus.',
    down: 'Raten sind abgerundet; die letzte gleicht den Rest aus.',
  },
  accelerated: {
    2: 'Beschleunigt: alle zwei Wochen die Hälfte einer Monatsrate, also eine Monatsrate mehr im Jahr.',
    4: 'Beschleunigt: jede Woche ein Viertel einer Monatsrate, also eine Monatsrate mehr im Jahr.',
  },
  grace: {
    none: (payments) => `Für die ersten ${payments} wird nichts gezahlt und kein Zins berechnet.`,
    paid: (payments) => `Für die ersten ${payments} werden nur die Zinsen gezahlt.`,
    addedSimple: (payments) => `Zinsen der ersten ${payments} kommen am Ende zum Darlehen hinzu.`,
    addedCompound: (payments) => `Zinsen der ersten ${payments} kommen jedes Mal zum Darlehen hinzu.`,
  },
  extras: {
    shorten: 'Was zusätzlich gezahlt wird, tilgt sofort: Die Raten bleiben, und das Darlehen endet früher.',
    lower: 'Was zusätzlich gezahlt wird, tilgt sofort: Das Ende bleibt, und die Raten sinken.',
  },
  leftOut: {
    both: 'Die Raten des Darlehens sind Tilgung und Zinsen: Versicherung und Gebühren sind nicht darin.',
    insurance: 'In den Raten des Darlehens ist keine Versicherung.',
    fees: 'In den Raten des Darlehens sind keine Gebühren.',
  },
  monthly: 'Gezahlt wird monatlich.',
  rollsOn:
    'Was ein getilgter Kredit frei lässt, geht an den nächsten: So wird bis zum Schluss jeden Monat gleich viel gezahlt.',
}
