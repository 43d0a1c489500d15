import type { EventBody } from '../record/event';
import { recordOf } from '../testing/demoHire';
import { endingHoldings } from './holding';
import { ledgerOf } from './ledger';

const held = (attempt: string, expiresAt?: string, answer: 'authorised' | 'released' | 'expired' = 'authorised'): EventBody => ({
  kind: 'depositAnswered',
  attempt,
  amountMinor: 250,
  answer,
  ...(expiresAt === undefined ? {} : { expiresAt }),
});
const NOW = '2026-06-13T10:00:00.000Z';
const BACK = '2026-06-27T16:00:00.000Z';
const ending = (until: string | undefined, ...bodies: EventBody[]) => endingHoldings(ledgerOf(recordOf(...bodies), 0), NOW, until);

describe('holdings that end', () => {
  it('before she is back, within a day, or already, the first to end first', () => {
    expect(
      ending(
        BACK,
        held('weeks', '2026-06-20T10:00:00.000Z'),
        held('day', '2026-06-14T09:00:00.000Z'),
        held('past', '2026-06-13T10:00:00.000Z'),
        held('long', '2026-07-01T10:00:00.000Z'),
        held('forever'),
      ).map(({ attempt, is }) => [attempt, is]),
    ).toEqual([
      ['past', 'over'],
      ['day', 'soon'],
      ['weeks', 'beforeEnd'],
    ]);
  });
  it('are only named for what of them is still held', () => {
    const at = '2026-06-14T09:00:00.000Z';
    expect(ending(BACK, held('a', at), held('a', at, 'released'), held('b', at), held('b', at, 'expired'))).toEqual([]);
    const taken: EventBody = { kind: 'paymentAnswered', payment: 'p', what: 'capture', of: 'c', amountMinor: 100, answer: 'done' };
    expect(ending(BACK, held('c', at), taken)).toMatchObject([{ attempt: 'c', amountMinor: 150 }]);
    expect(ending(BACK, held('c', at), { ...taken, amountMinor: 250 })).toEqual([]);
  });
  it('after the closing are named in their last day', () => {
    expect(ending(undefined, held('weeks', '2026-06-20T10:00:00.000Z'))).toEqual([]);
    expect(ending(undefined, held('day', '2026-06-14T09:00:00.000Z'))).toMatchObject([{ is: 'soon' }]);
  });
});
