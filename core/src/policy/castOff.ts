/**
 * What the cast-off check looks at, and how an operator takes what it finds: a hold has to be settled, or a manager has to
 * be asked, or it is only noted. These stand apart from the shapes of files, which no browser needs to check.
 */
export const LEVELS = ['hold', 'ask', 'note'] as const;
export type Level = (typeof LEVELS)[number];

/** As matters are usually taken; each operator may take each of them otherwise. */
export const USUAL_LEVEL = {
  safetyFitting: 'hold',
  propeller: 'ask',
  said: 'hold',
  defect: 'hold',
  drill: 'hold',
  conflict: 'hold',
  noParty: 'hold',
  crewOpen: 'hold',
  jacketsOpen: 'hold',
  notTold: 'hold',
  notUnderstood: 'ask',
  notAsked: 'note',
  gaugesDisagree: 'ask',
  pictureMissing: 'hold',
  deposit: 'ask',
  fuel: 'ask',
  wind: 'ask',
  light: 'ask',
} as const satisfies Record<string, Level>;
export type Overridable = keyof typeof USUAL_LEVEL;
export const OVERRIDABLE = Object.keys(USUAL_LEVEL) as Overridable[];
