import { currentAt } from '../events/record';
import fc from 'fast-check';
import type { EventBody } from '../record/event';
import { recordOf } from '../testing/demoHire';
import { isAtRest, ledgerOf, nextStep } from './ledger';

type Payment = Extract<EventBody, { kind: 'paymentAnswered' }>;
const held = (
  attempt: string,
  amountMinor: number,
  answer: 'authorised' | 'released' | 'expired' | 'unknown' = 'authorised',
): EventBody => ({
  kind: 'depositAnswered',
  attempt,
  amountMinor,
  answer,
});
const paid = (payment: string, what: Payment['what'], amountMinor: number, of?: string, answer: Payment['answer'] = 'done'): EventBody => ({
  kind: 'paymentAnswered',
  payment,
  what,
  amountMinor,
  answer,
  ...(of === undefined ? {} : { of }),
});

describe('the ledger', () => {
  it('knows of every holding where it went, and what is still owed', () => {
    const ledger = ledgerOf(recordOf(held('a', 250), paid('1', 'capture', 80, 'a'), paid('2', 'release', 100, 'a')), 80);
    expect(ledger.authorisations).toMatchObject([
      { heldMinor: 250, capturedMinor: 80, releasedMinor: 100, expiredMinor: 0, stillHeldMinor: 70 },
    ]);
    expect(ledger.balanceMinor).toBe(0);
    expect(ledgerOf(recordOf(held('a', 250), held('a', 250, 'expired'), paid('1', 'charge', 30)), 80)).toMatchObject({
      expiredMinor: 250,
      stillHeldMinor: 0,
      balanceMinor: 50,
    });
    expect(ledgerOf(recordOf({ kind: 'depositTaken', amountMinor: 250, how: 'cash' }), 80).balanceMinor).toBe(-170);
  });

  it('hears what the terminal says after the closing, and takes it for nobody’s proposal', () => {
    const before = held('a', 250);
    const all = [before, { kind: 'closed', number: 1, statement: 'a'.repeat(64), covers: [], root: 'b'.repeat(64) } as EventBody];
    const covered = currentAt(recordOf(...all), ['closed']);
    expect(covered).toBeDefined();
    const record = recordOf(...all, held('a', 250, 'expired'));
    expect(record.proposed).toEqual([]);
    expect(ledgerOf(record, 80)).toMatchObject({ expiredMinor: 250, stillHeldMinor: 0 });
  });

  it('counts nothing that is in doubt, and asks for nothing meanwhile', () => {
    const record = recordOf(held('a', 250), paid('1', 'capture', 80, 'a', 'unknown'));
    const ledger = ledgerOf(record, 80);
    expect(ledger).toMatchObject({ capturedMinor: 0, balanceMinor: 80, inDoubt: [{ payment: '1', what: 'capture', amountMinor: 80 }] });
    expect(nextStep(ledger, 0)).toBeUndefined();
    expect(isAtRest(ledger, 0)).toBe(false);
    // Said twice it was done once.
    const said = ledgerOf(
      recordOf(held('a', 250), paid('1', 'capture', 80, 'a', 'unknown'), paid('1', 'capture', 80, 'a'), paid('1', 'capture', 80, 'a')),
      80,
    );
    expect(said).toMatchObject({ capturedMinor: 80, balanceMinor: 0, inDoubt: [] });
  });

  it('comes to rest: takes what is owed once, keeps what is disputed, lets the rest go, whatever the terminal does', () => {
    const auths = fc.array(fc.integer({ min: 1, max: 30_000 }), { maxLength: 3 });
    const moods = fc.array(fc.constantFrom('done', 'unknown-done', 'unknown-not', 'declined'), { minLength: 40, maxLength: 40 });
    fc.assert(
      fc.property(auths, fc.integer({ min: 0, max: 60_000 }), fc.integer({ min: 0, max: 20_000 }), moods, (amounts, total, keep, mood) => {
        const bodies: EventBody[] = amounts.map((amount, i) => held(`a${i}`, amount));
        const whole = amounts.reduce((sum, amount) => sum + amount, 0);
        let turn = 0;
        for (; turn < 40; turn += 1) {
          const ledger = ledgerOf(recordOf(...bodies), total);
          for (const one of ledger.authorisations) {
            expect(one.capturedMinor + one.releasedMinor + one.expiredMinor + one.stillHeldMinor).toBe(one.heldMinor);
            expect(Math.min(one.capturedMinor, one.releasedMinor, one.expiredMinor, one.stillHeldMinor)).toBeGreaterThanOrEqual(0);
          }
          const step = nextStep(ledger, keep);
          if (!step) break;
          const how = turn < 30 ? mood[turn]! : 'done';
          const id = `p${turn}`;
          if (how.startsWith('unknown')) bodies.push(paid(id, step.what, step.amountMinor, step.of, 'unknown'));
          bodies.push(paid(id, step.what, step.amountMinor, step.of, how === 'done' || how === 'unknown-done' ? 'done' : 'declined'));
        }
        expect(turn).toBeLessThan(40);
        const last = ledgerOf(recordOf(...bodies), total);
        expect(last.capturedMinor).toBe(Math.min(total, whole));
        expect(last.balanceMinor).toBe(total - last.capturedMinor);
        expect(last.stillHeldMinor).toBe(Math.min(keep, whole - last.capturedMinor));
        // What the deposit does not cover is still to be paid; otherwise all is done.
        expect(isAtRest(last, keep)).toBe(total <= whole);
      }),
      { numRuns: 60 },
    );
  });
});
