import type { EventBody } from '../record/event';
import { recordOf } from '../testing/demoHire';
import { depositOf } from './deposit';

const answer = (attempt: string, said: 'authorised' | 'declined' | 'unknown' | 'released', amountMinor = 250): EventBody => ({
  kind: 'depositAnswered',
  attempt,
  amountMinor,
  answer: said,
  ...(said === 'declined' ? { why: 'no cover' } : {}),
});
const of = (...bodies: EventBody[]) => depositOf(recordOf(...bodies), 250);

describe('what is held of a deposit', () => {
  it('is what the terminal said last of each asking, and never guessed', () => {
    expect(of()).toMatchObject({ state: 'none', heldMinor: 0 });
    expect(of(answer('a', 'declined'))).toMatchObject({ state: 'declined', why: 'no cover' });
    expect(of(answer('a', 'unknown'))).toMatchObject({ state: 'unknown', heldMinor: 0, open: 'a' });
    expect(of(answer('a', 'unknown'), answer('a', 'authorised'))).toMatchObject({ state: 'authorised', heldMinor: 250, open: undefined });
    expect(of(answer('a', 'authorised'), answer('a', 'released'))).toMatchObject({ state: 'none', heldMinor: 0 });
  });
  it('answered twice is held once; two askings are two', () => {
    expect(of(answer('a', 'authorised'), answer('a', 'authorised')).heldMinor).toBe(250);
    expect(of(answer('a', 'authorised', 100), answer('b', 'authorised', 150))).toMatchObject({ state: 'authorised', heldMinor: 250 });
    expect(of(answer('a', 'authorised', 100))).toMatchObject({ state: 'part' });
  });
  it('may be taken by hand, also where the terminal stays silent, and is not needed where none is asked', () => {
    expect(of(answer('a', 'unknown'), { kind: 'depositTaken', amountMinor: 250, how: 'cash' })).toMatchObject({
      state: 'authorised',
      open: 'a',
    });
    expect(depositOf(recordOf(), 0).state).toBe('notNeeded');
  });
});
