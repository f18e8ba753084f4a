import type { TradeWords } from '../../trade-words'

export const tradeWords: TradeWords = {
  principal: {
    words: ['Darlehensbetrag', 'Tilgung'],
    means: ({ borrowed, off }) =>
      `Was vom geliehenen Betrag zurückgezahlt wird, ohne Zinsen.${borrowed ? ` Hier sind ${borrowed} geliehen${off ? `, und die nächste Rate tilgt ${off}` : ''}.` : ''}`,
  },
  amortization: {
    words: ['Laufzeit bis zur vollen Rückzahlung', 'Gesamtlaufzeit', 'Tilgungsdauer'],
    means: ({ payments }) =>
      `Die Zeit, in der das Darlehen ganz zurückgezahlt wird.${payments ? ` Hier dauert es ${payments}.` : ''}`,
  },
  balloon: {
    words: ['Schlusszahlung', 'Schlussrate'],
    means: ({ balloon }) =>
      `Ein Teil des Darlehens, den die Raten übrig lassen und der am Ende auf einmal fällig wird.${balloon ? ` Hier sind es ${balloon}.` : ''}`,
  },
  accelerated: {
    words: ['beschleunigter', 'beschleunigten', 'beschleunigtes', 'beschleunigte', 'beschleunigt'],
    means: ({ moreAYear }) =>
      `Sie zahlen alle zwei Wochen eine halbe oder jede Woche eine Viertel-Monatsrate: Das sind dreizehn Monatsraten im Jahr statt zwölf.${moreAYear ? ` Hier zahlen Sie ${moreAYear} mehr im Jahr und sind früher schuldenfrei.` : ''}`,
  },
  compounding: {
    words: ['Zinsverrechnung', 'Zinseszinsen', 'Zinseszins', 'verzinst'],
    means: ({ rate, effective }) =>
      `Zinsen, die zur Schuld kommen, werden danach selbst verzinst; je öfter das geschieht, desto mehr kostet ein Zinssatz.${rate && effective ? ` Hier werden aus ${rate} in einem Jahr ${effective}.` : ''}`,
  },
  premium: {
    words: ['Versicherungsprämien', 'Versicherungsprämie', 'Prämien', 'Prämie'],
    means: ({ premium }) =>
      `Der Preis einer Versicherung, die dem Kreditgeber zahlt, wenn Sie es nicht können.${premium ? ` Hier kommen ${premium} zur nächsten Rate.` : ''}`,
  },
  qualifyingRate: {
    words: ['Prüfzinssatz', 'Prüfzins'],
    means: ({ atQualifying }) =>
      `Ein Zinssatz über Ihrem, mit dem der Kreditgeber prüft, ob Sie noch zahlen könnten; Sie zahlen ihn nicht.${atQualifying ? ` Damit betrüge die Rate ${atQualifying}.` : ''}`,
  },
  lumpSum: {
    words: ['Sondertilgungen', 'Sonderzahlungen', 'Sondertilgung', 'Sonderzahlung'],
    means: () => 'Ein Betrag, den Sie einmal zusätzlich zahlen; er verringert Ihre Schuld in voller Höhe.',
  },
  annualPercentageRate: {
    words: ['effektiver Jahreszins', 'effektiven Jahreszins', 'Effektivzinssatz', 'Effektivzins'],
    means: () =>
      'Was das Darlehen im Jahr mit seinen Kosten kostet, in Prozent dessen, was Sie erhalten: So lassen sich Angebote mit verschiedenen Kosten vergleichen.',
  },
  grossIncome: {
    words: ['Bruttoeinkommen'],
    means: () => 'Was Sie vor Steuern und Abzügen verdienen.',
  },
  loanToValue: {
    words: ['Beleihungsauslauf', 'Beleihung'],
    means: ({ share }) =>
      `Was Sie leihen, im Verhältnis zum Wert der Immobilie.${share ? ` Hier sind es ${share}.` : ''}`,
  },
  interestOnly: {
    words: ['tilgungsfreier', 'tilgungsfreien', 'tilgungsfreies', 'tilgungsfreie', 'tilgungsfrei'],
    means: () => 'Sie zahlen eine Zeit lang nur Zinsen: Ihre Schuld sinkt in dieser Zeit nicht.',
  },
}
