import { spelt } from './spelling';

/** What has happened, as somebody says it who calls for help. */
export const NATURES = ['sinking', 'fire', 'injured', 'overboard', 'aground', 'drifting', 'lost'] as const;
export type Nature = (typeof NATURES)[number];

/** Where life is in danger at once, unless whoever is there says otherwise. */
const DISTRESS: readonly Nature[] = ['sinking', 'fire', 'injured', 'overboard'];
export const isDistress = (nature: Nature): boolean => DISTRESS.includes(nature);

/**
 * The parts of a call by radio, in the order in which they are said everywhere: the signal, who calls (three times, that it
 * is heard), once more with the call sign, where, what, how many, and the end of it. Procedure words of the international
 * radio regulations; each language has its own sentence for the rest.
 */
export type RadioPart =
  | { is: 'mayday' | 'panPan' }
  | { is: 'thisIs'; boat: string }
  | { is: 'again'; signal: 'Mayday' | 'Pan-pan'; boat: string; callSign: string | undefined }
  | { is: 'at'; position: string }
  | { is: 'near' }
  | { is: 'nature'; nature: Nature }
  | { is: 'need' | 'needSoon' | 'over' }
  | { is: 'people'; people: number };

export const radioCall = (of: {
  distress: boolean;
  boat: string;
  callSign: string | undefined;
  /** As it is said; none where nobody knows it. */
  position: string | undefined;
  nature: Nature | undefined;
  people: number;
}): RadioPart[] => [
  { is: of.distress ? 'mayday' : 'panPan' },
  { is: 'thisIs', boat: of.boat },
  {
    is: 'again',
    signal: of.distress ? 'Mayday' : 'Pan-pan',
    boat: of.boat,
    callSign: of.callSign === undefined ? undefined : spelt(of.callSign).join(' '),
  },
  of.position === undefined ? { is: 'near' } : { is: 'at', position: of.position },
  ...(of.nature ? [{ is: 'nature' as const, nature: of.nature }] : []),
  { is: of.distress ? 'need' : 'needSoon' },
  { is: 'people', people: of.people },
  { is: 'over' },
];
