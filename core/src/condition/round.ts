import { currentUnder, type HireRecord } from '../events/record';
import type { Round, RoundUnit } from '../fleet/points';
import { roundDone } from './events';

/** Rounds of a day told in figures: what is more or less than usual, and what was left, is for the quay to see. */

type Item = Round['items'][number];
export type RoundFigure = { item: string; value: number };
/** A figure beyond what is usual. */
export type Unusual = RoundFigure & { is: 'more' | 'less'; usual: number; unit: RoundUnit };

/** Whether a figure of an item is beyond what is usual for it; the bounds themselves are usual. */
export const unusualOf = ({ id, figure }: Pick<Item, 'id' | 'figure'>, value: number): Unusual | undefined => {
  if (!figure) return undefined;
  const { unit, least, most } = figure;
  if (most !== undefined && value > most) return { item: id, value, is: 'more', usual: most, unit };
  return least !== undefined && value < least ? { item: id, value, is: 'less', usual: least, unit } : undefined;
};

/** Rounds by which a boat is left for the night: what is not ticked there nobody did. */
const LEFT_ALONE: readonly Round['id'][] = ['evening', 'lay-up'];

export type RoundMatter = { event: string; round: string; unusual: Unusual[]; left: string[] };

/** What of a hire's rounds the quay looks at, round by round as they were done; those in which all is as usual are none of it. */
export const roundMatters = (record: HireRecord, { rounds }: { rounds: readonly Round[] }): RoundMatter[] =>
  currentUnder(record, ['round'], roundDone)
    .flatMap(({ currentEvents }) => currentEvents)
    .flatMap(({ event: { id, body } }): RoundMatter[] => {
      const round = rounds.find((one) => one.id === body.round);
      const unusual = (body.figures ?? []).flatMap(({ item, value }) => {
        const of = round?.items.find((one) => one.id === item);
        return (of && unusualOf(of, value)) ?? [];
      });
      const left = LEFT_ALONE.some((one) => one === body.round) ? body.left : [];
      return unusual.length > 0 || left.length > 0 ? [{ event: id, round: body.round, unusual, left }] : [];
    });
