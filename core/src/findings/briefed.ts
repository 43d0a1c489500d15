import { type HowBriefed } from './finding';
import { isEntered, currentOf, type HireRecord } from '../events/record';
import { pointBriefed } from '../briefing/events';
import type { Book } from '../fleet/book';

export const howBriefed = (book: Book, price: string | undefined, record: HireRecord): HowBriefed | undefined => {
  const points = price === undefined ? [] : book.points.filter((point) => point.price === price);
  if (points.length === 0) return undefined;
  const how = points.map(({ id }) => currentOf(record, ['out', 'point', id], pointBriefed)?.value.how);
  if (how.some((one) => one === 'said' || one === 'shown')) return 'told';
  return how.includes('read') || points.some(({ id }) => isEntered(record, ['home', id])) ? 'read' : 'no';
};
