import type { Facts, NamedConditions } from '../fleet/condition';
import type { FixCard, FixStep, Point } from '../fleet/telling';
import type { Wording } from '../fleet/words';
import { applies } from './compose';

/** The pocket guide: what is looked up afloat. */

/** Without accents and case, as people type in a hurry. */
const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replace(/[’‘`]/g, "'");
const wordsIn = (text: string): string[] =>
  fold(text)
    .split(/[^\p{L}\p{N}']+/u)
    .filter((word) => word.length > 1);

export type Entry = { is: 'card'; card: FixCard } | { is: 'point'; point: Point };
export type Hit = { entry: Entry; score: number };

const FIELD = { name: 10, words: 6, body: 2 } as const;
/** A word that stands there whole counts more than one that only begins so. */
const weigh = (wanted: string, texts: readonly string[]): number => {
  let best = 0;
  for (const text of texts) {
    for (const word of wordsIn(text)) {
      if (word === wanted) return 2;
      if (wanted.length > 2 && word.startsWith(wanted)) best = Math.max(best, 1);
    }
  }
  return best;
};

/**
 * Looks something up. Every word must be found somewhere, in whatever language it is there in: people type the word they
 * have. Names count most, then the other words people use, then what is written. Urgent cards come first among equals.
 */
export const search = (query: string, cards: readonly FixCard[], points: readonly Point[]): Hit[] => {
  const wanted = wordsIn(query);
  if (wanted.length === 0) return [];
  const all = (wording: Wording | undefined) => (wording ? Object.values(wording) : []);
  const fields = (entry: Entry): [number, string[]][] =>
    entry.is === 'card'
      ? [
          [FIELD.name, all(entry.card.name)],
          [FIELD.words, all(entry.card.words)],
          [FIELD.body, entry.card.steps.flatMap((step) => all(step.say))],
        ]
      : [
          [FIELD.words, all(entry.point.say)],
          [FIELD.body, [entry.point.show, entry.point.mistake, entry.point.caution].flatMap(all)],
        ];
  const entries: Entry[] = [
    ...cards.map((card) => ({ is: 'card' as const, card })),
    ...points.map((point) => ({ is: 'point' as const, point })),
  ];
  return entries
    .flatMap((entry): Hit[] => {
      let score = 0;
      for (const word of wanted) {
        const best = Math.max(...fields(entry).map(([value, texts]) => value * weigh(word, texts)));
        if (best === 0) return [];
        score += best;
      }
      return [{ entry, score: score + (entry.is === 'card' && entry.card.urgent ? 1 : 0) }];
    })
    .sort((a, b) => b.score - a.score);
};

/** The steps of a card for this boat, these schools and this party. */
export const stepsOf = (card: FixCard, facts: Facts, named?: NamedConditions): FixStep[] =>
  card.steps.filter((step) => applies(step.when, facts, named));

/** How a card ends: all is well, the operator is rung, or help is called. */
const CARD_ENDS = ['end', 'ring', 'help'] as const;
export type CardEnd = (typeof CARD_ENDS)[number];
const isEnd = (to: string | undefined): to is CardEnd => (CARD_ENDS as readonly (string | undefined)[]).includes(to);

/**
 * Where a card goes on from a step.
 * @param to where the answer, or the step itself, leads; without it, to the step after
 * @returns the next step, or that it ends well, that the operator is rung, or that help is called
 */
export const stepAfter = (card: FixCard, steps: readonly FixStep[], from: FixStep, to: string | undefined): FixStep | CardEnd => {
  const aim = to ?? from.to;
  if (isEnd(aim)) return aim;
  // A step that is not for this boat is passed over to the next that is, in the order of the card.
  const order = card.steps.map(({ id }) => id);
  const at = aim === undefined ? order.indexOf(from.id) + 1 : order.indexOf(aim);
  // A card that runs out without anybody having said that all is well ends with a call.
  return steps.find(({ id }) => order.indexOf(id) >= at) ?? 'ring';
};
