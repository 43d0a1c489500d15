import type { Facts, NamedConditions } from '../fleet/condition';
import { type CardEnd, isCardEnd } from '../fleet/cardEnds';
import type { FixCard, FixStep, Point } from '../fleet/points';
import type { Wording } from '../words/words';
import { applies } from './compose';

/** The pocket guide: what is looked up afloat. */

/** Without accents and case, as people type in a hurry. */
const fold = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replace(/[’‘`]/g, "'");
export const wordsIn = (text: string): string[] =>
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
      // “beeps” is looked for where “beeping” stands: the last letter is often only an ending.
      else if (wanted.length > 4 && word.startsWith(wanted.slice(0, -1))) best = Math.max(best, 0.5);
    }
  }
  return best;
};

/**
 * Looks something up. Every word must be found somewhere, in whatever language it is there in: people type the word they
 * have. Names count most, then the other words people use, then what is written. Urgent cards come first among equals.
 * Where nothing has every word, as of a whole question, whatever has one of its rarer words is given, the best first.
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
  const weighed = entries.map((entry) => {
    const texts = fields(entry);
    const each = wanted.map((word) => Math.max(...texts.map(([value, said]) => value * weigh(word, said))));
    return { entry, each, urgent: entry.is === 'card' && entry.card.urgent ? 1 : 0 };
  });
  const hits = (counts: (each: readonly number[]) => boolean, of: (each: readonly number[]) => number): Hit[] =>
    weighed
      .filter(({ each }) => counts(each))
      .map(({ entry, each, urgent }) => ({ entry, score: of(each) + urgent }))
      .sort((a, b) => b.score - a.score);
  const sum = (each: readonly number[]) => each.reduce((all, one) => all + one, 0);
  const whole = hits((each) => each.every((one) => one > 0), sum);
  if (whole.length > 0) return whole;
  // Words that stand nearly everywhere (“how”, “the”) say nothing of what is looked for.
  const tells = wanted.map((word, i) => word.length > 2 && weighed.filter(({ each }) => each[i]! > 0).length <= entries.length / 4);
  const telling = (each: readonly number[]) => sum(each.filter((_, i) => tells[i]));
  return hits((each) => telling(each) > 0, telling);
};

/** The steps of a card for this boat, these policies and this party. */
export const stepsOf = (card: FixCard, facts: Facts, named?: NamedConditions): FixStep[] =>
  card.steps.filter((step) => applies(step.when, facts, named));

/**
 * Where a card goes on from a step.
 * @param to where the answer, or the step itself, leads; without it, to the step after
 * @returns the next step, or that it ends well, that the operator is rung, or that help is called
 */
export const stepAfter = (card: FixCard, steps: readonly FixStep[], from: FixStep, to: string | undefined): FixStep | CardEnd => {
  const aim = to ?? from.to;
  if (isCardEnd(aim)) return aim;
  // A step that is not for this boat is passed over to the next that is, in the order of the card.
  const order = card.steps.map(({ id }) => id);
  const at = aim === undefined ? order.indexOf(from.id) + 1 : order.indexOf(aim);
  // A card that runs out without anybody having said that all is well ends with a call.
  return steps.find(({ id }) => order.indexOf(id) >= at) ?? 'ring';
};

/** Steps that nobody comes to, whatever is answered: a card holds them in vain. @returns in the order of the card */
export const stepsInVain = (card: FixCard): FixStep[] => {
  const reached = new Set(card.steps.slice(0, 1));
  // What is added on the way is gone through, too.
  for (const from of reached) {
    for (const to of from.answers?.map((answer) => answer.to) ?? [from.to]) {
      const next = stepAfter(card, card.steps, from, to);
      if (typeof next !== 'string') reached.add(next);
    }
    // Where it is not for a boat, the one after it stands in its place.
    const after = card.steps[card.steps.indexOf(from) + 1];
    if (from.when !== undefined && after) reached.add(after);
  }
  return card.steps.filter((step) => !reached.has(step));
};
