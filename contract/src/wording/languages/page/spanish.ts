import type { PageWords } from '../../page-words'

export const spanishPage: PageWords = {
  results: 'Sus cifras',
  questions: 'Sus respuestas',
  notYet: 'Sus cifras aparecerán aquí cuando esto esté bien:',
  startAgain: 'Empezar de nuevo',
  workOut: 'Calcular',
  outOfDate: 'Ha cambiado algo desde entonces. Calcule otra vez para ver las cifras nuevas.',
  inMoney: 'como importe',
  inPercent: 'como porcentaje',
  optional: 'opcional',
  choose: 'Elija',
  yes: 'Sí',
  no: 'No',
  language: 'Idioma',
  copy: (what) => `Copiar: ${what}`,
  copied: 'Copiado',
  whatMeans: (word) => `Qué significa «${word}»`,
  nextSteps: 'Qué pasa después',

  year: 'Año',
  number: 'N.º',
  whereItGoes: 'adónde va el dinero',
  asTable: 'Lo mismo en una tabla',
  chartOf: (label) => `${label}, en un gráfico; las cifras están en la tabla de abajo`,
  openYear: (year, payments) => `${year}, ${payments}`,
  from: (least) => `al menos ${least}`,
  whichMeant: '¿Qué quiere decir?',
  worksOutTo: (value) => `es decir, ${value}`,
  slider: (label) => `${label}, con el control deslizante`,
  columns: {
    date: 'fecha',
    payment: 'pagado',
    principal: 'capital devuelto',
    interest: 'intereses',
    extra: 'pago extra',
    insurance: 'seguro',
    balance: 'aún se debe',
    principalToDate: 'capital hasta la fecha',
    interestToDate: 'intereses hasta la fecha',
  },
  rows: {
    payment: 'cuota',
    paymentWithInsurance: 'con seguro',
    payments: 'número de cuotas',
    endDate: 'última cuota',
    totalInterest: 'intereses en total',
    totalInsurance: 'seguro en total',
    totalFees: 'comisiones en total',
    balloon: 'pendiente al final',
    totalPaid: 'pagado en total',
    costOfBorrowing: 'coste del préstamo',
    difference: 'respecto al primero',
    paidUntilLeaving: 'pagado hasta irse',
    owedAtLeaving: 'debido al irse',
    costUntilLeaving: 'coste hasta irse',
  },
  lowestPayment: (label, amount) => `Cada cuota es la más baja con ${label}: ${amount}.`,
  lowestCost: (label, amount) => `Lo que menos cuesta es ${label}: ${amount}.`,
  lowestBoth: (label) => `La cuota más baja y el menor coste son los de ${label}.`,
  lowestUntilLeaving: (label, amount) => `Hasta que se vaya, lo que menos cuesta es ${label}: ${amount}.`,
  yours: 'la suya, según sus respuestas',
  differs: 'distinto del primero',
  rate: 'tipo de interés',
  length: 'en',
  extra: 'pago extra',
  amount: 'prestado',
  ratesFrom: (name, date) => `${name}: en vigor desde el ${date}.`,
  findPayment: 'Buscar la cuota número',
  find: 'Buscar',
  paymentNumber: (number, date) => (date ? `Cuota ${number}, ${date}` : `Cuota ${number}`),
  paymentsRange: (first, last) => `Este préstamo tiene las cuotas ${first} a ${last}.`,

  partFailed: 'Esta parte no se puede mostrar ahora; el resto es correcto.',
  partMissing: 'Esta parte no se pudo cargar.',
  tryAgain: 'Intentar de nuevo',

  print: 'Imprimir',
  csv: 'Calendario en CSV',
  xlsx: 'Calendario en hoja de cálculo',
  pdf: 'Todo en PDF',
  calendar: 'Cuotas para su agenda',
  fewDates: 'Solo los días importantes, para su agenda',
  csvComma: 'Calendario en CSV, con coma decimal',
  share: 'Compartir estas cifras',
  link: 'Copiar un enlace a estas cifras',
  linkCopied: 'El enlace está copiado. Quien lo abra verá estas respuestas.',
  linkHere: 'Su navegador no permite copiar. Este es el enlace:',
  making: 'Preparando el archivo …',
  fileFailed: 'No se pudo preparar el archivo. Sus cifras siguen aquí; inténtelo otra vez en un momento.',
  keptThen: (day, figure) =>
    `Cuando se hizo este enlace, el ${day}, la cifra era ${figure}; lo que ve aquí vale hoy.`,
  ratesSince: (names) => `Los tipos han cambiado desde entonces: ${names}.`,
  calculatorSince: 'La calculadora ha cambiado desde entonces.',
  linkUnreadable: 'Este enlace no se pudo leer. La calculadora empieza como siempre.',
  linkNotAll: (questions) => `Una parte de este enlace no se pudo leer. Empiezan como siempre: ${questions}.`,
  linkMore: 'Este enlace responde también a lo que ya no se pregunta.',
  beginsAsUsual: (questions) =>
    `Esta página debía empezar con otras respuestas, que la calculadora ya no admite; empieza con las habituales: ${questions}.`,
  balloonEntry: (amount) => `Saldo del préstamo que vence: ${amount}`,
  scheduleOf: (label) => `Calendario de ${label}`,
  calendarEntry: (amount) => `Cuota del préstamo ${amount}`,
  madeOn: (day, edition) => `Calculado el ${day}, edición ${edition} de la calculadora.`,
  pageOf: (page, pages) => `Página ${page} de ${pages}`,
  illustration: 'Una ilustración, no una oferta.',

  picture: {
    left: (amount) => `quedan ${amount}`,
    balanceSays: ({ owed, half, end, left }) =>
      `Ahora debe ${owed}${half && `, la mitad en ${half}`}, y ${left ? `todavía ${left}` : 'nada después de la última cuota'} en ${end}.`,
    yearsSay: (first, last) =>
      `En ${first.year}, ${first.interest} de lo que paga son intereses; en ${last.year}, ${last.interest}.`,
    refinance: {
      next: 'el préstamo nuevo',
      wonBack: 'gastos recuperados',
      leaves: 'usted se va',
      says: ({ wonBack, stay, kept, next }) =>
        `${wonBack ? `Los gastos se recuperan después de ${wonBack}.` : 'Los gastos no se recuperan nunca.'}${stay && ` Si se va después de ${stay}, debe ${next} en lugar de ${kept}.`}`,
    },
    limits: {
      housing: 'Vivienda',
      debts: 'Todas las deudas',
      of: (share, limit) => `${share} de ${limit} como máximo`,
      decides: 'esto decide',
      share: 'parte de los ingresos',
      limit: 'como máximo',
      says: (of, share, limit, decides) =>
        `${of === 'housing' ? 'La vivienda toma' : 'Todas las deudas toman'} ${share} de los ingresos, de ${limit} como máximo${decides ? ': esto decide' : ''}.`,
    },
  },

  whatIf: {
    gap: (time, isSooner) => `${time} ${isSooner ? 'antes' : 'después'}`,
    extraAmount: 'Extra con cada cuota',
    lumpAmount: 'Suma de una vez',
    lumpWhen: 'Pagada',
    now: 'ahora',
    inYears: (length) => `después de ${length}`,
    newRate: 'Tipo anual',
    newPayment: 'Cada cuota',
    keep: 'Guardar al lado',
    isKept: 'Guardado al lado',
    nameIt: (label) => `Un nombre para «${label}»`,
    remove: (label) => `Quitar ${label}`,
    asItIs: 'tal como está',
    named: {
      extra: (amount) => `${amount} más cada vez`,
      lumpSum: (amount, when) => `${amount} ${when}`,
      rate: (rate) => `al ${rate}`,
      payment: (amount) => `pagando ${amount}`,
    },
    says: ({ payment, time, isSooner, money, isLess, isRepaid }) => {
      if (isRepaid)
        return `Así queda todo pagado de una vez${money && `, y se ahorran ${money} de intereses`}.`
      if (!payment && !time && !money) return 'Eso no cambia nada.'
      const when = time ? `${time} ${isSooner ? 'antes' : 'después'}` : 'Pagado al mismo tiempo'
      const interest = money
        ? `${money} ${isLess ? 'menos' : 'más'} de intereses`
        : 'con los mismos intereses'
      return `${payment && `Cada cuota sería de ${payment}. `}${when}, ${interest}.`
    },
    full: 'Ya hay cuatro uno junto a otro; quite uno para guardar otro.',
  },

  loans: {
    columns: { name: 'cómo se llama', owed: 'aún se debe', rate: 'tipo', payment: 'cuota al mes' },
    one: (number) => `Préstamo ${number}`,
    add: 'Añadir un préstamo',
    remove: (loan) => `Quitar «${loan}» de la lista`,
    earlier: (loan) => `Subir «${loan}»`,
    later: (loan) => `Bajar «${loan}»`,
    orders: {
      asAgreed: 'Cada uno por su lado',
      dearest: 'Primero el tipo más alto',
      smallest: 'Primero el saldo más pequeño',
      own: 'En su orden',
    },
    rows: {
      end: 'todo pagado',
      interest: 'intereses',
      saved: 'intereses ahorrados',
      paid: 'pagado en total',
    },
    endOf: (loan) => `${loan} pagado`,
    yours: 'su plan',
    saysBest: ({ order, saved, sooner }) =>
      `${order} ahorra más: ${saved} menos de intereses que cada uno por su lado${sooner && `, y se termina ${sooner} antes`}.`,
    saysSame: ({ saved, sooner }) =>
      `${saved} menos de intereses que cada uno por su lado${sooner && `, y se termina ${sooner} antes`}, en cualquier orden.`,
    saysNothing: 'Aquí no hay nada que ahorrar: añada un pago extra o un segundo préstamo.',
  },

  handOver: {
    open: 'Hablar con nosotros de esto',
    intro: (lender) => `Envíe estas cifras a ${lender}; alguien se pondrá en contacto con usted.`,
    name: 'Su nombre',
    reach: 'Correo electrónico o teléfono',
    reachHelp: 'Cómo prefiere que le contacten.',
    message: 'Algo que quiera añadir',
    consent: (lender) => `${lender} puede usar estos datos para hablarme de estas cifras.`,
    send: 'Enviar',
    cancel: 'Ahora no',
    sent: (lender) => `Enviado. ${lender} tiene sus cifras y se pondrá en contacto.`,
    failed: 'No se pudo enviar. Lo que ha escrito sigue aquí; inténtelo otra vez en un momento.',
    nameMissing: 'Escriba su nombre, para saber por quién preguntar.',
    reachMissing: 'Escriba un correo, como nombre@example.org, o un número de teléfono.',
    consentMissing: 'Márquelo si pueden contactarle; sin esto no se envía nada.',
  },

  notices: {
    takenDown: [
      'Esta calculadora no se ofrece en este momento',
      'Puede que las cifras que mostraba ya no valgan. Pregunte a la entidad qué se aplica hoy.',
    ],
    unknown: [
      'No hay ninguna calculadora en esta dirección',
      'Puede que el enlace esté mal escrito o anticuado. En el sitio de la entidad están las actuales.',
    ],
    notStarted: (lender) =>
      `No se pudo cargar la calculadora. Vuelva a cargar la página en un momento; las personas de ${lender} también pueden hacer el cálculo con usted.`,
    noScript: (lender) =>
      `Esta calculadora trabaja en el navegador y necesita JavaScript. Sin él, las personas de ${lender} harán el cálculo con usted.`,
  },
}
