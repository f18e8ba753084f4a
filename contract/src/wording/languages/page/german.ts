import type { PageWords } from '../../page-words'

export const germanPage: PageWords = {
  results: 'Ihre Zahlen',
  questions: 'Ihre Angaben',
  notYet: 'Ihre Zahlen erscheinen hier, sobald dies stimmt:',
  startAgain: 'Von vorn beginnen',
  workOut: 'Ausrechnen',
  outOfDate: 'Sie haben seitdem etwas geändert. Rechnen Sie für neue Zahlen noch einmal.',
  inMoney: 'als Betrag',
  inPercent: 'in Prozent',
  optional: 'freiwillig',
  choose: 'Wählen',
  yes: 'Ja',
  no: 'Nein',
  language: 'Sprache',
  copy: (what) => `Kopieren: ${what}`,
  copied: 'Kopiert',
  whatMeans: (word) => `Was „${word}“ bedeutet`,
  nextSteps: 'Wie es weitergeht',

  year: 'Jahr',
  number: 'Nr.',
  whereItGoes: 'wohin das Geld geht',
  asTable: 'Dasselbe als Tabelle',
  chartOf: (label) => `${label}, als Diagramm; die Zahlen stehen in der Tabelle darunter`,
  openYear: (year, payments) => `${year}, ${payments}`,
  from: (least) => `mindestens ${least}`,
  whichMeant: 'Was ist gemeint?',
  worksOutTo: (value) => `das sind ${value}`,
  slider: (label) => `${label}, am Regler`,
  columns: {
    date: 'Datum',
    payment: 'gezahlt',
    principal: 'Tilgung',
    interest: 'Zinsen',
    extra: 'Sondertilgung',
    insurance: 'Versicherung',
    balance: 'Restschuld',
    principalToDate: 'Tilgung bisher',
    interestToDate: 'Zinsen bisher',
  },
  rows: {
    payment: 'Rate',
    paymentWithInsurance: 'mit Versicherung',
    payments: 'Anzahl der Raten',
    endDate: 'letzte Rate',
    totalInterest: 'Zinsen insgesamt',
    totalInsurance: 'Versicherung insgesamt',
    totalFees: 'Gebühren insgesamt',
    balloon: 'am Ende noch offen',
    totalPaid: 'gezahlt insgesamt',
    costOfBorrowing: 'Kosten des Kredits',
    difference: 'gegenüber dem ersten',
    paidUntilLeaving: 'bis zum Auszug gezahlt',
    owedAtLeaving: 'beim Auszug offen',
    costUntilLeaving: 'Kosten bis zum Auszug',
  },
  lowestPayment: (label, amount) => `Jede Rate ist am niedrigsten mit ${label}: ${amount}.`,
  lowestCost: (label, amount) => `Am wenigsten kostet das Darlehen mit ${label}: ${amount}.`,
  lowestBoth: (label) => `Jede Rate ist am niedrigsten, und am wenigsten kostet das Darlehen, mit ${label}.`,
  lowestUntilLeaving: (label, amount) =>
    `Bis zum Auszug kostet das Darlehen am wenigsten mit ${label}: ${amount}.`,
  yours: 'Ihre, wie angegeben',
  differs: 'anders als beim ersten',
  rate: 'Zinssatz',
  length: 'über',
  extra: 'Sondertilgung',
  amount: 'geliehen',
  ratesFrom: (name, date) => `${name}: gültig seit ${date}.`,
  findPayment: 'Rate Nummer finden',
  find: 'Finden',
  paymentNumber: (number, date) => (date ? `Rate ${number}, ${date}` : `Rate ${number}`),
  paymentsRange: (first, last) => `Dieses Darlehen hat die Raten ${first} bis ${last}.`,

  partFailed: 'Dieser Teil kann gerade nicht gezeigt werden; alles andere stimmt.',
  partMissing: 'Dieser Teil konnte nicht geladen werden.',
  tryAgain: 'Noch einmal versuchen',

  print: 'Drucken',
  csv: 'Tilgungsplan als CSV',
  xlsx: 'Tilgungsplan als Tabellenblatt',
  pdf: 'Alles als PDF',
  calendar: 'Raten für Ihren Kalender',
  fewDates: 'Nur die wichtigen Tage für Ihren Kalender',
  csvComma: 'Tilgungsplan als CSV, mit Dezimalkomma',
  share: 'Diese Zahlen teilen',
  link: 'Link zu diesen Zahlen kopieren',
  linkCopied: 'Der Link ist kopiert. Wer ihn öffnet, sieht diese Angaben.',
  linkHere: 'Ihr Browser lässt uns nicht kopieren. Das ist der Link:',
  making: 'Die Datei entsteht …',
  fileFailed:
    'Die Datei konnte nicht erstellt werden. Ihre Zahlen sind noch da; versuchen Sie es gleich noch einmal.',
  keptThen: (day, figure) =>
    `Als dieser Link am ${day} entstand, lautete die Zahl ${figure}; was Sie hier sehen, gilt heute.`,
  ratesSince: (names) => `Die Zinssätze haben sich seitdem geändert: ${names}.`,
  calculatorSince: 'Der Rechner wurde seitdem geändert.',
  linkUnreadable: 'Dieser Link war nicht lesbar. Der Rechner beginnt wie üblich.',
  linkNotAll: (questions) => `Ein Teil dieses Links war nicht lesbar. Wie üblich beginnen: ${questions}.`,
  linkMore: 'Dieser Link beantwortet auch, was nicht mehr gefragt wird.',
  beginsAsUsual: (questions) =>
    `Diese Seite sollte mit anderen Angaben beginnen, die der Rechner nicht mehr annimmt; hier stehen die üblichen: ${questions}.`,
  balloonEntry: (amount) => `Restbetrag des Darlehens fällig: ${amount}`,
  scheduleOf: (label) => `Plan von ${label}`,
  calendarEntry: (amount) => `Darlehensrate ${amount}`,
  madeOn: (day, edition) => `Berechnet am ${day}, Ausgabe ${edition} des Rechners.`,
  pageOf: (page, pages) => `Seite ${page} von ${pages}`,
  illustration: 'Eine Beispielrechnung, kein Angebot.',

  picture: {
    left: (amount) => `noch ${amount} offen`,
    balanceSays: ({ owed, half, end, left }) =>
      `Sie schulden jetzt ${owed}${half && `, im ${half} die Hälfte`}, und ${left ? `noch ${left}` : 'nach der letzten Rate nichts mehr'} im ${end}.`,
    yearsSay: (first, last) =>
      `${first.year} sind ${first.interest} von dem, was Sie zahlen, Zinsen; ${last.year} sind es ${last.interest}.`,
    refinance: {
      next: 'das neue Darlehen',
      wonBack: 'Kosten hereingeholt',
      leaves: 'Sie ziehen aus',
      says: ({ wonBack, stay, kept, next }) =>
        `${wonBack ? `Die Kosten sind nach ${wonBack} hereingeholt.` : 'Die Kosten werden nie hereingeholt.'}${stay && ` Ziehen Sie nach ${stay} aus, schulden Sie ${next} statt ${kept}.`}`,
    },
    limits: {
      housing: 'Wohnkosten',
      debts: 'Alle Schulden',
      of: (share, limit) => `${share} von höchstens ${limit}`,
      decides: 'das entscheidet',
      share: 'Anteil am Einkommen',
      limit: 'höchstens',
      says: (of, share, limit, decides) =>
        `${of === 'housing' ? 'Die Wohnkosten' : 'Alle Schulden zusammen'} nehmen ${share} des Einkommens von höchstens ${limit}${decides ? ': Das entscheidet' : ''}.`,
    },
  },

  whatIf: {
    gap: (time, isSooner) => `${time} ${isSooner ? 'früher' : 'später'}`,
    extraAmount: 'Zusätzlich mit jeder Rate',
    lumpAmount: 'Einmalige Summe',
    lumpWhen: 'Gezahlt',
    now: 'jetzt',
    inYears: (length) => `nach ${length}`,
    newRate: 'Zinssatz im Jahr',
    newPayment: 'Jede Rate',
    keep: 'Daneben behalten',
    isKept: 'Steht daneben',
    nameIt: (label) => `Ein Name für „${label}“`,
    remove: (label) => `${label} entfernen`,
    asItIs: 'wie es ist',
    named: {
      extra: (amount) => `jedes Mal ${amount} mehr`,
      lumpSum: (amount, when) => `${amount} ${when}`,
      rate: (rate) => `zu ${rate}`,
      payment: (amount) => `mit ${amount}`,
    },
    says: ({ payment, time, isSooner, money, isLess, isRepaid }) => {
      if (isRepaid)
        return `Damit ist alles auf einmal abbezahlt${money && `, und ${money} Zinsen sind gespart`}.`
      if (!payment && !time && !money) return 'Das ändert nichts.'
      const when = time ? `${time} ${isSooner ? 'früher' : 'später'}` : 'Zur selben Zeit abbezahlt'
      const interest = money ? `${money} ${isLess ? 'weniger' : 'mehr'} Zinsen` : 'bei gleichen Zinsen'
      return `${payment && `Jede Rate wäre ${payment}. `}${when}, ${interest}.`
    },
    full: 'Vier stehen schon nebeneinander; entfernen Sie eine, um eine andere zu behalten.',
  },

  loans: {
    columns: { name: 'wie er heißt', owed: 'noch offen', rate: 'Zinssatz', payment: 'Rate im Monat' },
    one: (number) => `Kredit ${number}`,
    add: 'Kredit hinzufügen',
    remove: (loan) => `„${loan}“ von der Liste nehmen`,
    earlier: (loan) => `„${loan}“ nach oben`,
    later: (loan) => `„${loan}“ nach unten`,
    orders: {
      asAgreed: 'Jeder für sich',
      dearest: 'Höchster Zinssatz zuerst',
      smallest: 'Kleinste Restschuld zuerst',
      own: 'In Ihrer Reihenfolge',
    },
    rows: { end: 'alles getilgt', interest: 'Zinsen', saved: 'Zinsen gespart', paid: 'insgesamt gezahlt' },
    endOf: (loan) => `${loan} getilgt`,
    yours: 'Ihr Plan',
    saysBest: ({ order, saved, sooner }) =>
      `${order} spart am meisten: ${saved} weniger Zinsen als jeder für sich${sooner && `, und ${sooner} früher fertig`}.`,
    saysSame: ({ saved, sooner }) =>
      `${saved} weniger Zinsen als jeder für sich${sooner && `, und ${sooner} früher fertig`}, in welcher Reihenfolge auch immer.`,
    saysNothing: 'Hier ist nichts zu sparen: Geben Sie eine Sonderzahlung oder einen zweiten Kredit an.',
  },

  handOver: {
    open: 'Mit uns darüber sprechen',
    intro: (lender) => `Senden Sie diese Zahlen an ${lender}; jemand meldet sich bei Ihnen.`,
    name: 'Ihr Name',
    reach: 'E-Mail oder Telefon',
    reachHelp: 'Wie Sie erreicht werden möchten.',
    message: 'Was Sie noch sagen möchten',
    consent: (lender) => `${lender} darf mich mit diesen Angaben wegen dieser Zahlen ansprechen.`,
    send: 'Senden',
    cancel: 'Jetzt nicht',
    sent: (lender) => `Gesendet. ${lender} hat Ihre Zahlen und meldet sich.`,
    failed:
      'Es konnte nicht gesendet werden. Was Sie geschrieben haben, ist noch da; versuchen Sie es gleich noch einmal.',
    nameMissing: 'Nennen Sie Ihren Namen, damit klar ist, nach wem zu fragen ist.',
    reachMissing: 'Nennen Sie eine E-Mail-Adresse, etwa name@example.org, oder eine Telefonnummer.',
    consentMissing: 'Kreuzen Sie dies an, wenn man sich melden darf; ohne das wird nichts gesendet.',
  },

  notices: {
    takenDown: [
      'Dieser Rechner wird zurzeit nicht angeboten',
      'Die gezeigten Zahlen gelten vielleicht nicht mehr. Fragen Sie den Kreditgeber, was heute gilt.',
    ],
    unknown: [
      'Unter dieser Adresse gibt es keinen Rechner',
      'Der Link ist vielleicht vertippt oder veraltet. Auf der Website des Kreditgebers stehen die richtigen.',
    ],
    notStarted: (lender) =>
      `Der Rechner konnte nicht geladen werden. Laden Sie die Seite gleich noch einmal; die Leute von ${lender} rechnen auch mit Ihnen.`,
    noScript: (lender) =>
      `Dieser Rechner arbeitet im Browser und braucht dafür JavaScript. Ohne das rechnen die Leute von ${lender} mit Ihnen.`,
  },
}
