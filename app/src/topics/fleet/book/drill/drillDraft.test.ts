import type { DrillWhen } from '@quay/core/fleet/drills';
import fc from 'fast-check';
import { draftOfWhen, readWhen } from './drillDraft';

const name = fc.stringMatching(/^[a-z][a-z0-9-]{0,9}$/);
const values = fc.oneof(name, fc.uniqueArray(name, { minLength: 1, maxLength: 3 }));
const seconds = fc.integer({ min: 1, max: 600 });
const test = fc.oneof(
  values,
  values.map((not) => ({ not })),
  seconds.map((atLeast) => ({ atLeast })),
  seconds.map((below) => ({ below })),
);
const oneCase = fc.dictionary(name, test, { minKeys: 1, maxKeys: 3 });

describe('what a drill asks for, put together in a form', () => {
  it('is read as it was written, whatever a position is called', () => {
    fc.assert(
      fc.property(fc.oneof(oneCase, fc.array(oneCase, { minLength: 1, maxLength: 3 })), (when) => {
        expect(readWhen(draftOfWhen(when as DrillWhen))).toEqual({ ok: true, value: when });
      }),
    );
    const awkward: DrillWhen = { lever: 'number', key: { not: 'asksNothing' } };
    expect(readWhen(draftOfWhen(awkward))).toEqual({ ok: true, value: awkward });
  });

  it('is refused while it asks nothing, or where its seconds are no number', () => {
    const blank = { name: 'key', not: false, values: [], atLeast: '', below: '' };
    expect(readWhen({ cases: [[blank]] })).toEqual({ ok: false, fault: 'asksNothing' });
    for (const atLeast of ['soon', '0', '-3', 'NaN'])
      expect(readWhen({ cases: [[{ ...blank, atLeast }]] })).toEqual({ ok: false, fault: 'number' });
  });
});
