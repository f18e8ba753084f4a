import type { ServedWords } from '../../served-words'

export const hebrewServed: ServedWords = {
  balloonEntry: (amount) => `יתרת ההלוואה לתשלום: ${amount}`,
  scheduleOf: (label) => `לוח של ${label}`,
  calendarEntry: (amount) => `תשלום הלוואה ${amount}`,
  madeOn: (day, edition) => `חושב ב־${day}, מהדורה ${edition} של המחשבון.`,
  pageOf: (page, pages) => `עמוד ${page} מתוך ${pages}`,
  illustration: 'המחשה בלבד, לא הצעה.',
  notices: {
    takenDown: {
      title: 'המחשבון הזה אינו מוצע כרגע',
      text: 'ייתכן שהמספרים שהוצגו אינם נכונים עוד. אפשר לשאול את המלווה מה נכון להיום.',
    },
    unknown: {
      title: 'אין מחשבון בכתובת הזאת',
      text: 'ייתכן שהקישור שגוי או ישן. באתר המלווה נמצאים המחשבונים העדכניים.',
    },
    notStarted: (lender) =>
      `לא ניתן היה לטעון את המחשבון. אפשר לטעון את הדף שוב בעוד רגע; גם אנשי ${lender} יכולים לחשב יחד איתך.`,
    noScript: (lender) => `המחשבון פועל בדפדפן ודורש JavaScript. בלעדיו, אנשי ${lender} יחשבו יחד איתך.`,
  },
}
