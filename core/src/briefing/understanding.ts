import type { Point, Question } from '../fleet/points';

/** How it was shown that a point was understood: by the right answer, or by doing it on the boat. */
export type Shown = { how: 'answered'; question: string; right: boolean; at: number } | { how: 'demonstrated'; at: number };

export type Understanding =
  | { is: 'noQuestion' | 'notTold' }
  /** Asked some way after it was told. */
  | { is: 'ask'; question: Question }
  /** The answer was wrong: the point is told again, then this is asked. */
  | { is: 'tellAgain'; question: Question }
  | { is: 'understood'; how: Shown['how']; at: number; tries: number };

/**
 * Where one person stands with one point.
 * @param briefedAt when it was last told, ms @param shown what they answered or did, in any order
 */
export const understandingOf = (
  { questions = [], handsOn = false }: Pick<Point, 'questions' | 'handsOn'>,
  briefedAt: number | undefined,
  shown: readonly Shown[],
): Understanding => {
  // What cannot be tried on a boat was not shown on one, whoever says so.
  const inOrder = shown.filter(({ how }) => how === 'answered' || handsOn).sort((a, b) => a.at - b.at);
  const last = inOrder[inOrder.length - 1];
  if (last && (last.how === 'demonstrated' || last.right)) return { is: 'understood', how: last.how, at: last.at, tries: inOrder.length };
  if (questions.length === 0) return { is: 'noQuestion' };
  if (briefedAt === undefined) return { is: 'notTold' };
  // A different question each time; when all have been asked, the one asked longest ago.
  const lastAsked = (id: string) => inOrder.reduce((at, one, i) => (one.how === 'answered' && one.question === id ? i : at), -1);
  const question = [...questions].sort((a, b) => lastAsked(a.id) - lastAsked(b.id))[0]!;
  return last && last.at >= briefedAt ? { is: 'tellAgain', question } : { is: 'ask', question };
};

/** How many other points come between telling and asking. */
const GAP = 3;

/** What is known of a told point when it is decided whether to ask about it now. */
export type Briefed = { point: Point; station: string; briefedAt: number | undefined; shown: readonly Shown[] };

/**
 * Which points are to be asked about at this stop: told some way back, with a question still open. A point whose answer
 * was wrong comes back at once, to be told again.
 * @param here the stop in hand; undefined at the end of the walk, when everything open is asked
 */
export const dueQuestions = (briefed: readonly Briefed[], here: string | undefined): { point: Point; state: Understanding }[] =>
  briefed.flatMap(({ point, station, briefedAt, shown }): { point: Point; state: Understanding }[] => {
    const state = understandingOf(point, briefedAt, shown);
    if (state.is === 'tellAgain') return [{ point, state }];
    if (state.is !== 'ask' || briefedAt === undefined) return [];
    const since = briefed.filter((other) => other.briefedAt !== undefined && other.briefedAt > briefedAt).length;
    return here === undefined || (station !== here && since >= GAP) ? [{ point, state }] : [];
  });
