import type { Conventions } from '../../convention-words'

export const spanishConventions: Conventions = {
  compounds: (times) =>
    ({
      0: 'El tipo se capitaliza con cada cuota.',
      1: 'El tipo se capitaliza cada año.',
      2: 'El tipo se capitaliza cada semestre.',
      4: 'El tipo se capitaliza cada trimestre.',
      12: 'El tipo se capitaliza cada mes.',
      365: 'El tipo se capitaliza cada día.',
    })[times] ?? `El tipo se capitaliza ${times} veces al año.`,
  rateStays: 'El tipo es el mismo hasta el final.',
  rateChanges: 'El tipo cambia en los días indicados.',
  days: {
    equal: () => 'Los intereses cuentan períodos iguales, tengan los días que tengan.',
    thirty: (year) => `Los intereses cuentan 30 días por mes de un año de ${year} días.`,
    actual: (year) => `Los intereses cuentan los días entre cuotas, en un año de ${year} días.`,
  },
  firstPayment: (date) => `La primera cuota es el ${date}.`,
  nextPayment: (date) => `La próxima cuota es el ${date}.`,
  atStart: 'Las cuotas son al principio de cada período.',
  rounded: {
    nearest: 'Las cuotas se redondean al céntimo más cercano; la última salda lo que queda.',
    up: 'Las cuotas se redondean hacia arriba; la última salda lo que queda.',
    down: 'Las cuotas se redondean hacia abajo; la última salda lo que queda.',
  },
  accelerated: {
    2: 'Acelerado: la mitad de una cuota mensual cada dos semanas, es decir, una cuota mensual más al año.',
    4: 'Acelerado: la cuarta parte de una cuota mensual cada semana, es decir, una cuota mensual más al año.',
  },
  grace: {
    none: (payments) => `Durante las primeras ${payments} no se paga nada ni se cobran intereses.`,
    paid: (payments) => `Durante las primeras ${payments} solo se pagan los intereses.`,
    addedSimple: (payments) => `Los intereses de las primeras ${payments} se suman al préstamo al final.`,
    addedCompound: (payments) => `Los intereses de las primeras ${payments} se suman al préstamo cada vez.`,
  },
  extras: {
    shorten:
      'Lo que se paga de más se descuenta enseguida: las cuotas siguen igual y el préstamo termina antes.',
    lower: 'Lo que se paga de más se descuenta enseguida: el final sigue igual y las cuotas bajan.',
  },
  leftOut: {
    both: 'Las cuotas del préstamo son capital e intereses: no llevan seguro ni gastos.',
    insurance: 'Las cuotas del préstamo no llevan seguro.',
    fees: 'Las cuotas del préstamo no llevan gastos.',
  },
  monthly: 'Las cuotas son mensuales.',
  rollsOn:
    'Lo que un préstamo deja libre una vez pagado va al siguiente: así se paga lo mismo cada mes hasta el final.',
}
