import type { Language } from '@quay/core/words/words';

type Words = { operator: string; renter: string; boat: string; when: string; url: string };

/** What goes out with a renter's link, in the renter's language, whichever their staff speak. */
const MESSAGES: Readonly<Record<Language, { subject: (words: Words) => string; text: (words: Words) => string }>> = {
  en: {
    subject: ({ boat, when }) => `Your hire of ${boat}, ${when}`,
    text: ({ operator, renter, boat, when, url }) =>
      `Hello ${renter}, this is your hire of ${boat}, ${when}. Please look at it before you come: who is aboard, what to bring, how she is started. ${url} · ${operator}`,
  },
  fr: {
    subject: ({ boat, when }) => `Votre location du bateau ${boat}, ${when}`,
    text: ({ operator, renter, boat, when, url }) =>
      `Bonjour ${renter}, voici votre location du bateau ${boat}, ${when}. Merci de la regarder avant de venir : qui est à bord, quoi emporter, comment démarrer. ${url} · ${operator}`,
  },
  de: {
    subject: ({ boat, when }) => `Ihre Miete des Bootes ${boat}, ${when}`,
    text: ({ operator, renter, boat, when, url }) =>
      `Guten Tag ${renter}, das ist Ihre Miete des Bootes ${boat}, ${when}. Bitte sehen Sie sie an, bevor Sie kommen: wer an Bord ist, was mitzubringen ist, wie es gestartet wird. ${url} · ${operator}`,
  },
  es: {
    subject: ({ boat, when }) => `Su alquiler del barco ${boat}, ${when}`,
    text: ({ operator, renter, boat, when, url }) =>
      `Hola ${renter}, este es su alquiler del barco ${boat}, ${when}. Mírelo antes de venir: quién va a bordo, qué traer, cómo se arranca. ${url} · ${operator}`,
  },
};

export const linkMessage = (language: Language, words: Words): { subject: string; text: string } => ({
  subject: MESSAGES[language].subject(words),
  text: MESSAGES[language].text(words),
});
