import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { Condition, FACTS } from '@quay/core/fleet/condition';
import { ASKED, draftOfCondition, factKind, factOptions, type PartDraft, readCondition } from './conditionDraft';

/** Every condition that stands in a file somewhere. */
const conditionsIn = (value: unknown): Condition[] => {
  if (Array.isArray(value)) return value.flatMap(conditionsIn);
  if (typeof value !== 'object' || value === null) return [];
  return Object.entries(value).flatMap(([key, inner]) => {
    const read = key === 'when' ? Condition.safeParse(inner) : undefined;
    return [...(read?.success ? [read.data] : []), ...conditionsIn(inner)];
  });
};
const ROOT = join(__dirname, '../../../../../..');
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
/** Parts within parts, as deep as anybody writes them. */
const { deep } = fc.letrec<{ deep: Condition }>((tie) => ({
  deep: fc.oneof(
    { maxDepth: 4, withCrossShrink: true },
    part,
    fc.array(tie('deep'), { minLength: 1, maxLength: 3 }).map((all): Condition => ({ all })),
    fc.array(tie('deep'), { minLength: 1, maxLength: 3 }).map((any): Condition => ({ any })),
    tie('deep').map((not): Condition => ({ not })),
  ),
}));
const conditions = fc.oneof(
  part,
  deep,
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

  it('is made of sentences, for every one that is shipped', () => {
    expect(shipped.length).toBeGreaterThan(80);
    const odd = (parts: readonly PartDraft[]): boolean => parts.some((part) => 'odd' in part || ('parts' in part && odd(part.parts)));
    expect(shipped.filter((condition) => odd(draftOfCondition(condition).parts))).toEqual([]);
    for (const condition of shipped) expect(readCondition(draftOfCondition(condition))).toEqual({ ok: true, value: condition });
  });

  it('keeps what no sentence says as it is', () => {
    const odd: Condition = {
      any: [{ not: { fact: 'boat.kind', is: 'rib', in: ['rib', 'launch'] } }, { fact: 'party.people', atLeast: 2 }],
    };
    expect(readCondition(draftOfCondition(odd))).toEqual({ ok: true, value: odd });
    expect(draftOfCondition({ fact: 'party.people', is: 4 }).parts).toMatchObject([{ atLeast: '4', atMost: '4' }]);
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
    expect(read({ mode: 'all', parts: [{ not: true, mode: 'any', parts: [] }] })).toEqual({ ok: false, fault: 'asksNothing' });
  });
});
