import type { ServedWords } from '../../served-words'

export const spanishServed: ServedWords = {
  balloonEntry: (amount) => `Saldo del préstamo que vence: ${amount}`,
  scheduleOf: (label) => `Calendario de ${label}`,
  calendarEntry: (amount) => `Cuota del préstamo ${amount}`,
  madeOn: (day, edition) => `Calculado el ${day}, edición ${edition} de la calculadora.`,
  pageOf: (page, pages) => `Página ${page} de ${pages}`,
  illustration: 'Una ilustración, no una oferta.',
  notices: {
    takenDown: {
      title: 'Esta calculadora no se ofrece en este momento',
      text: 'Puede que las cifras que mostraba ya no valgan. Pregunte a la entidad qué se aplica hoy.',
    },
    unknown: {
      title: 'No hay ninguna calculadora en esta dirección',
      text: 'Puede que el enlace esté mal escrito o anticuado. En el sitio de la entidad están las actuales.',
    },
    notStarted: (lender) =>
      `No se pudo cargar la calculadora. Vuelva a cargar la página en un momento; las personas de ${lender} también pueden hacer el cálculo con usted.`,
    noScript: (lender) =>
      `Esta calculadora trabaja en el navegador y necesita JavaScript. Sin él, las personas de ${lender} harán el cálculo con usted.`,
  },
}
