import type { ServedWords } from '../../served-words'

export const germanServed: ServedWords = {
  balloonEntry: (amount) => `Restbetrag des Darlehens fällig: ${amount}`,
  scheduleOf: (label) => `Plan von ${label}`,
  calendarEntry: (amount) => `Darlehensrate ${amount}`,
  madeOn: (day, edition) => `Berechnet am ${day}, Ausgabe ${edition} des Rechners.`,
  pageOf: (page, pages) => `Seite ${page} von ${pages}`,
  illustration: 'Eine Beispielrechnung, kein Angebot.',
  notices: {
    takenDown: {
      title: 'Dieser Rechner wird zurzeit nicht angeboten',
      text: 'Die gezeigten Zahlen gelten vielleicht nicht mehr. Fragen Sie den Kreditgeber, was heute gilt.',
    },
    unknown: {
      title: 'Unter dieser Adresse gibt es keinen Rechner',
      text: 'Der Link ist vielleicht vertippt oder veraltet. Auf der Website des Kreditgebers stehen die richtigen.',
    },
    notStarted: (lender) =>
      `Der Rechner konnte nicht geladen werden. Laden Sie die Seite gleich noch einmal; die Leute von ${lender} rechnen auch mit Ihnen.`,
    noScript: (lender) =>
      `Dieser Rechner arbeitet im Browser und braucht dafür JavaScript. Ohne das rechnen die Leute von ${lender} mit Ihnen.`,
  },
}
