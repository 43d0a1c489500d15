import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { Condition, FACTS } from '@quay/core/fleet/condition';
import { ASKED, draftOfCondition, factKind, factOptions, readCondition } from './conditionDraft';

/** Every condition that stands in a file somewhere. */
const conditionsIn = (value: unknown): Condition[] => {
  if (Array.isArray(value)) return value.flatMap(conditionsIn);
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => {
    const read = key === 'when' ? Condition.safeParse(inner) : undefined;
    return [...(read?.success ? [read.data] : []), ...conditionsIn(inner)];
  });
};
const ROOT = join(__dirname, '../../../../..');
const files = ['starters/classes', 'demo', 'demo/boats', 'demo/waters'].flatMap((folder) =>
  readdirSync(join(ROOT, folder))
    .filter((file) => /\.(geo)?json$/.test(file))
    .map((file) => JSON.parse(readFileSync(join(ROOT, folder, file), 'utf8')) as unknown),
);
const shipped = files.flatMap(conditionsIn);

const leaf = fc.constantFrom(...ASKED).chain((fact): fc.Arbitrary<Condition> => {
  const kind = factKind(fact)!;
  if (kind === 'number')
    return fc.record({ fact: fc.constant(fact), atLeast: fc.integer(), atMost: fc.integer() }, { requiredKeys: ['fact', 'atLeast'] });
  if (kind === 'flag') return fc.boolean().map((is) => ({ fact, is }));
  if (kind === 'name') return fc.constantFrom('a', 'b-2').map((is) => ({ fact, is }));
  const options = factOptions(fact).map((one) => (fact === 'hire.month' ? Number(one) : one));
  return fc.oneof(
    fc.constantFrom(...options).map((is) => ({ fact, is })),
    fc.subarray([...options], { minLength: 1 }).map((all) => ({ fact, in: all })),
  );
});
const part = fc.oneof(
  leaf,
  fc.constant<Condition>({ named: 'outboard' }),
  leaf.map((not): Condition => ({ not })),
);
const conditions = fc.oneof(
  part,
  fc.array(part, { minLength: 1, maxLength: 4 }).map((all): Condition => ({ all })),
  fc.array(part, { minLength: 1, maxLength: 4 }).map((any): Condition => ({ any })),
  fc.array(part, { minLength: 1, maxLength: 2 }).map((any): Condition => ({ all: [{ any }, { not: { not: any[0]! } }] })),
);

describe('a condition that is put together', () => {
  it('says what it said, whatever it is', () => {
    fc.assert(
      fc.property(conditions, (condition) => {
        expect(readCondition(draftOfCondition(condition))).toEqual({ ok: true, value: condition });
      }),
    );
    expect(readCondition(draftOfCondition(undefined))).toEqual({ ok: true, value: undefined });
  });

  it('is one that everybody can read, for nearly every one that is shipped', () => {
    expect(shipped.length).toBeGreaterThan(80);
    const raw = shipped.filter((condition) => 'text' in draftOfCondition(condition));
    expect(raw.length / shipped.length).toBeLessThan(0.02);
  });

  it('has an answer to choose for every fact that is one of several', () => {
    for (const fact of ASKED) expect([fact, factKind(fact) !== 'choice' || factOptions(fact).length > 1]).toEqual([fact, true]);
    expect(ASKED).toEqual(expect.arrayContaining(Object.keys(FACTS)));
  });

  it('says what is wrong with one that asks nothing, or for a number that is none', () => {
    const number = { fact: 'party.children', not: false, values: [], atLeast: '', atMost: '' };
    const read = (parts: Parameters<typeof readCondition>[0]) => readCondition(parts);
    expect(read({ mode: 'all', parts: [number] })).toEqual({ ok: false, fault: 'asksNothing' });
    expect(read({ mode: 'all', parts: [{ ...number, atLeast: 'few' }] })).toEqual({ ok: false, fault: 'number' });
    expect(read({ mode: 'all', parts: [{ ...number, atLeast: '1,5' }] })).toEqual({
      ok: true,
      value: { fact: 'party.children', atLeast: 1.5 },
    });
    expect(read({ mode: 'any', parts: [{ fact: 'boat.kind', not: false, values: [], atLeast: '', atMost: '' }] })).toEqual({
      ok: false,
      fault: 'asksNothing',
    });
    expect(read({ text: '{' })).toEqual({ ok: false, fault: 'noJson' });
    expect(read({ text: ' ' })).toEqual({ ok: true, value: undefined });
  });
});
