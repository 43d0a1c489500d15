/** How a fix card ends: all is well, the operator is rung, or help is called. No step of a card is called like one. */
export const CARD_ENDS = ['end', 'ring', 'help'] as const;
export type CardEnd = (typeof CARD_ENDS)[number];
export const isCardEnd = (to: string | undefined): to is CardEnd => (CARD_ENDS as readonly (string | undefined)[]).includes(to);
