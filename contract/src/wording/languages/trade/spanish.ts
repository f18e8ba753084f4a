import type { TradeWords } from '../../trade-words'

export const tradeWords: TradeWords = {
  principal: {
    words: ['capital amortizado', 'capital prestado', 'capital'],
    means: ({ borrowed, off }) =>
      `Lo que usted toma prestado, sin intereses.${borrowed ? ` Aquí son ${borrowed}${off ? `, y el próximo pago devuelve ${off}` : ''}.` : ''}`,
  },
  amortization: {
    words: ['plazo de amortización', 'amortización'],
    means: ({ payments }) =>
      `El tiempo en que el préstamo se devuelve por completo.${payments ? ` Aquí son ${payments}.` : ''}`,
  },
  balloon: {
    words: ['cuota final', 'pago final'],
    means: ({ balloon }) =>
      `Una parte del préstamo que los pagos dejan y que vence de una vez al final.${balloon ? ` Aquí son ${balloon}.` : ''}`,
  },
  accelerated: {
    words: ['acelerados', 'aceleradas', 'acelerado', 'acelerada'],
    means: ({ moreAYear }) =>
      `Usted paga media mensualidad cada dos semanas, o un cuarto cada semana: son trece mensualidades al año en vez de doce.${moreAYear ? ` Aquí paga ${moreAYear} más al año y termina antes.` : ''}`,
  },
  compounding: {
    words: [
      'interés compuesto',
      'capitalización',
      'capitalizan',
      'capitaliza',
      'compuestos',
      'compuestas',
      'compuesto',
      'compuesta',
    ],
    means: ({ rate, effective }) =>
      `Los intereses que se suman a la deuda dan intereses después; cuanto más a menudo ocurre, más cuesta un tipo.${rate && effective ? ` Aquí ${rate} equivalen a ${effective} en un año.` : ''}`,
  },
  premium: {
    words: ['primas del seguro', 'prima del seguro', 'primas', 'prima'],
    means: ({ premium }) =>
      `El precio de un seguro que paga al prestamista si usted no puede.${premium ? ` Aquí se suman ${premium} al próximo pago.` : ''}`,
  },
  qualifyingRate: {
    words: ['tasa de calificación', 'tipo de prueba'],
    means: ({ atQualifying }) =>
      `Un tipo por encima del suyo con el que el prestamista comprueba si aún podría pagar; usted no lo paga.${atQualifying ? ` Con él, el pago sería de ${atQualifying}.` : ''}`,
  },
  lumpSum: {
    words: ['pago extraordinario', 'pago único', 'suma única'],
    means: () => 'Una cantidad que se paga una vez además de los pagos; reduce entera lo que usted debe.',
  },
  annualPercentageRate: {
    words: ['tasa anual equivalente', 'TAE'],
    means: () =>
      'Lo que cuesta el préstamo en un año con sus gastos, en por ciento de lo que usted recibe: hace comparables ofertas con gastos distintos.',
  },
  grossIncome: {
    words: ['ingresos brutos'],
    means: () => 'Lo que usted gana antes de impuestos y deducciones.',
  },
  loanToValue: {
    words: ['relación préstamo-valor', 'préstamo sobre valor'],
    means: ({ share }) =>
      `Lo que usted toma prestado como parte del valor de la vivienda.${share ? ` Aquí es ${share}.` : ''}`,
  },
  interestOnly: {
    words: ['solo intereses', 'sólo intereses'],
    means: () => 'Durante un tiempo usted paga solo los intereses: lo que debe no baja mientras tanto.',
  },
}
