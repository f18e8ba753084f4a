import type { ServedWords } from '../../served-words'

export const frenchServed: ServedWords = {
  balloonEntry: (amount) => `Solde du prêt à payer : ${amount}`,
  scheduleOf: (label) => `Calendrier de ${label}`,
  calendarEntry: (amount) => `Versement du prêt ${amount}`,
  madeOn: (day, edition) => `Calculé le ${day}, édition ${edition} du calculateur.`,
  pageOf: (page, pages) => `Page ${page} sur ${pages}`,
  illustration: 'Une illustration, et non une offre.',
  notices: {
    takenDown: {
      title: 'Ce calculateur n’est pas offert en ce moment',
      text: 'Les chiffres qu’il montrait ne valent peut-être plus. Demandez au prêteur ce qui s’applique aujourd’hui.',
    },
    unknown: {
      title: 'Il n’y a pas de calculateur à cette adresse',
      text: 'Le lien est peut-être mal tapé ou périmé. Le site du prêteur a les bons.',
    },
    notStarted: (lender) =>
      `Le calculateur n’a pas pu être chargé. Rechargez la page dans un moment ; les gens de ${lender} peuvent aussi faire les calculs avec vous.`,
    noScript: (lender) =>
      `Ce calculateur fait ses calculs dans le navigateur et a besoin de JavaScript. Sans cela, les gens de ${lender} les feront avec vous.`,
  },
}
