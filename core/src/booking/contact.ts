/** How somebody can be reached, out of what was typed as one line: numbers and mails in any order. */
export type Contact = { numbers: string[]; mails: string[] };

const MAIL = /[^\s,;<>()]+@[^\s,;<>()]+\.[^\s,;<>()]+/g;
/** Figures with what people put between them; five at least, or it is no number that anybody can ring. */
const NUMBER = /[+(]?\d(?:[\s./()-]*\d){4,}/g;

export const contactOf = (text: string): Contact => {
  const mails = text.match(MAIL) ?? [];
  const rest = mails.reduce((left, mail) => left.replace(mail, ' '), text);
  return { numbers: (rest.match(NUMBER) ?? []).map((number) => number.trim()), mails };
};

/** As a telephone takes it. */
export const dialled = (number: string): string => number.replace(/[^+\d]/g, '');
