import type { PageWords } from '../../page-words'

export const frenchPage: PageWords = {
  results: 'Vos chiffres',
  questions: 'Vos réponses',
  notYet: 'Vos chiffres apparaîtront ici dès que ceci sera corrigé :',
  startAgain: 'Recommencer',
  workOut: 'Calculer',
  outOfDate: 'Vous avez changé une réponse depuis. Recalculez pour de nouveaux chiffres.',
  inMoney: 'en montant',
  inPercent: 'en pourcentage',
  optional: 'facultatif',
  choose: 'Choisissez',
  yes: 'Oui',
  no: 'Non',
  language: 'Langue',
  copy: (what) => `Copier : ${what}`,
  copied: 'Copié',
  whatMeans: (word) => `Ce que veut dire « ${word} »`,
  nextSteps: 'Et maintenant ?',

  year: 'Année',
  number: 'Nº',
  whereItGoes: 'où va l’argent',
  asTable: 'La même chose en tableau',
  chartOf: (label) => `${label}, en graphique ; les chiffres sont dans le tableau ci-dessous`,
  openYear: (year, payments) => `${year}, ${payments}`,
  from: (least) => `au moins ${least}`,
  whichMeant: 'Que voulez-vous dire ?',
  worksOutTo: (value) => `soit ${value}`,
  slider: (label) => `${label}, au curseur`,
  columns: {
    date: 'date',
    payment: 'payé',
    principal: 'capital remboursé',
    interest: 'intérêts',
    extra: 'supplément',
    insurance: 'assurance',
    balance: 'encore dû',
    principalToDate: 'capital à ce jour',
    interestToDate: 'intérêts à ce jour',
  },
  rows: {
    payment: 'versement',
    paymentWithInsurance: 'avec assurance',
    payments: 'nombre de versements',
    endDate: 'dernier versement',
    totalInterest: 'total des intérêts',
    totalInsurance: 'total de l’assurance',
    totalFees: 'total des frais',
    balloon: 'encore dû à la fin',
    totalPaid: 'total payé',
    costOfBorrowing: 'coût d’emprunt',
    difference: 'par rapport au premier',
    paidUntilLeaving: 'payé jusqu’à votre départ',
    owedAtLeaving: 'dû à votre départ',
    costUntilLeaving: 'coût jusqu’à votre départ',
  },
  lowestPayment: (label, amount) => `Chaque versement est le plus bas avec ${label} : ${amount}.`,
  lowestCost: (label, amount) => `Emprunter coûte le moins avec ${label} : ${amount}.`,
  lowestBoth: (label) => `Chaque versement est le plus bas, et emprunter coûte le moins, avec ${label}.`,
  lowestUntilLeaving: (label, amount) =>
    `Jusqu’à votre départ, emprunter coûte le moins avec ${label} : ${amount}.`,
  staysLonger: (time, label) => `Qui reste plus de ${time} paie le moins avec ${label}.`,
  leavesSooner: (time, label) => `Qui part dans un délai de ${time} paie le moins avec ${label}.`,
  yours: 'la vôtre, telle que répondue',
  differs: 'diffère du premier',
  rate: 'taux',
  length: 'sur',
  extra: 'supplément',
  amount: 'emprunté',
  ratesFrom: (name, date) => `${name} : en vigueur depuis le ${date}.`,
  findPayment: 'Trouver le versement nº',
  find: 'Trouver',
  paymentNumber: (number, date) => (date ? `Versement ${number}, ${date}` : `Versement ${number}`),
  paymentsRange: (first, last) => `Ce prêt a les versements ${first} à ${last}.`,

  partFailed: 'Cette partie ne peut pas être affichée pour l’instant ; le reste est bon.',
  partMissing: 'Cette partie n’a pas pu être chargée.',
  tryAgain: 'Réessayer',

  print: 'Imprimer',
  csv: 'Calendrier en CSV',
  xlsx: 'Calendrier en feuille de calcul',
  pdf: 'Le tout en PDF',
  calendar: 'Versements pour votre agenda',
  fewDates: 'Seulement les jours qui comptent, pour votre agenda',
  csvComma: 'Calendrier en CSV, avec des virgules',
  share: 'Partager ces chiffres',
  link: 'Copier un lien vers ces chiffres',
  linkCopied: 'Le lien est copié. Qui l’ouvre voit ces réponses.',
  linkHere: 'Votre navigateur ne permet pas de copier. Voici le lien :',
  making: 'Préparation du fichier …',
  fileFailed:
    'Le fichier n’a pas pu être préparé. Vos chiffres sont toujours là ; réessayez dans un instant.',
  keptThen: (day, figure) =>
    `Quand ce lien a été fait, le ${day}, le chiffre était ${figure} ; ce que vous voyez ici vaut aujourd’hui.`,
  ratesSince: (names) => `Les taux ont changé depuis : ${names}.`,
  calculatorSince: 'Le calculateur a été modifié depuis.',
  linkUnreadable: 'Ce lien n’a pas pu être lu. Le calculateur commence comme d’habitude.',
  linkNotAll: (questions) =>
    `Une partie de ce lien n’a pas pu être lue. Commencent comme d’habitude : ${questions}.`,
  linkMore: 'Ce lien répond aussi à ce qui n’est plus demandé.',
  beginsAsUsual: (questions) =>
    `Cette page devait s’ouvrir sur d’autres réponses, que le calculateur n’accepte plus ; les réponses habituelles les remplacent : ${questions}.`,

  picture: {
    left: (amount) => `encore ${amount} à payer`,
    balanceSays: ({ owed, half, end, left }) =>
      `Vous devez ${owed} aujourd’hui${half && `, la moitié en ${half}`}, et ${left ? `encore ${left}` : 'plus rien après le dernier versement'} en ${end}.`,
    yearsSay: (first, last) =>
      `En ${first.year}, ${first.interest} de ce que vous payez sont des intérêts ; en ${last.year}, ${last.interest}.`,
    refinance: {
      next: 'le nouveau prêt',
      wonBack: 'frais récupérés',
      leaves: 'vous partez',
      says: ({ wonBack, stay, kept, next }) =>
        `${wonBack ? `Les frais sont récupérés après ${wonBack}.` : 'Les frais ne sont jamais récupérés.'}${stay && ` En partant après ${stay}, vous devez ${next} au lieu de ${kept}.`}`,
    },
    limits: {
      housing: 'Logement',
      debts: 'Toutes les dettes',
      of: (share, limit) => `${share} sur ${limit} au plus`,
      decides: 'c’est ce qui décide',
      share: 'part du revenu',
      limit: 'au plus',
      says: (of, share, limit, decides) =>
        `${of === 'housing' ? 'Le logement prend' : 'Toutes les dettes prennent'} ${share} du revenu, sur ${limit} au plus${decides ? ' : c’est ce qui décide' : ''}.`,
    },
  },

  whatIf: {
    gap: (time, isSooner) => `${time} plus ${isSooner ? 'tôt' : 'tard'}`,
    extraAmount: 'Supplément à chaque versement',
    lumpAmount: 'Somme d’un coup',
    lumpWhen: 'Payée',
    now: 'maintenant',
    inYears: (length) => `après ${length}`,
    newRate: 'Taux annuel',
    newPayment: 'Chaque versement',
    keep: 'Garder à côté',
    isKept: 'Gardé à côté',
    nameIt: (label) => `Un nom pour « ${label} »`,
    remove: (label) => `Retirer ${label}`,
    asItIs: 'tel quel',
    named: {
      extra: (amount) => `${amount} de plus chaque fois`,
      lumpSum: (amount, when) => `${amount} ${when}`,
      rate: (rate) => `à ${rate}`,
      payment: (amount) => `en payant ${amount}`,
    },
    says: ({ payment, time, isSooner, money, isLess, isRepaid }) => {
      if (isRepaid) return `Tout est remboursé d’un coup${money && `, et ${money} d’intérêts sont épargnés`}.`
      if (!payment && !time && !money) return 'Cela ne change rien.'
      const when = time ? `${time} plus ${isSooner ? 'tôt' : 'tard'}` : 'Remboursé au même moment'
      const interest = money
        ? `${money} d’intérêts ${isLess ? 'en moins' : 'en plus'}`
        : 'pour les mêmes intérêts'
      return `${payment && `Chaque versement serait de ${payment}. `}${when}, ${interest}.`
    },
    full: 'Quatre sont déjà côte à côte ; retirez-en un pour en garder un autre.',
  },

  loans: {
    columns: { name: 'son nom', owed: 'encore dû', rate: 'taux', payment: 'payé par mois' },
    one: (number) => `Prêt ${number}`,
    add: 'Ajouter un prêt',
    remove: (loan) => `Retirer « ${loan} » de la liste`,
    earlier: (loan) => `Monter « ${loan} »`,
    later: (loan) => `Descendre « ${loan} »`,
    orders: {
      asAgreed: 'Chacun pour soi',
      dearest: 'Taux le plus élevé d’abord',
      smallest: 'Plus petit solde d’abord',
      own: 'Dans votre ordre',
    },
    rows: {
      end: 'tout remboursé',
      interest: 'intérêts',
      saved: 'intérêts épargnés',
      paid: 'payé en tout',
    },
    endOf: (loan) => `${loan} remboursé`,
    yours: 'votre plan',
    saysBest: ({ order, saved, sooner }) =>
      `${order} épargne le plus : ${saved} d’intérêts de moins que chacun pour soi${sooner && `, et tout est fini ${sooner} plus tôt`}.`,
    saysSame: ({ saved, sooner }) =>
      `${saved} d’intérêts de moins que chacun pour soi${sooner && `, et tout est fini ${sooner} plus tôt`}, quel que soit l’ordre.`,
    saysNothing: 'Il n’y a rien à épargner ici : ajoutez un supplément, ou un deuxième prêt.',
  },

  handOver: {
    open: 'En parler avec nous',
    intro: (lender) => `Envoyez ces chiffres à ${lender} ; quelqu’un communiquera avec vous.`,
    name: 'Votre nom',
    reach: 'Courriel ou téléphone',
    reachHelp: 'Comment vous préférez être joint.',
    message: 'Ce que vous voulez ajouter',
    consent: (lender) => `${lender} peut utiliser ces coordonnées pour me parler de ces chiffres.`,
    send: 'Envoyer',
    cancel: 'Pas maintenant',
    sent: (lender) => `Envoyé. ${lender} a vos chiffres et communiquera avec vous.`,
    failed: 'L’envoi n’a pas réussi. Ce que vous avez écrit est toujours là ; réessayez dans un instant.',
    nameMissing: 'Indiquez votre nom, pour qu’on sache qui demander.',
    reachMissing: 'Indiquez un courriel, comme nom@example.org, ou un numéro de téléphone.',
    consentMissing: 'Cochez si l’on peut communiquer avec vous ; sans cela, rien n’est envoyé.',
  },
}
