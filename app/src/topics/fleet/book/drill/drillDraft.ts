import type { DrillCase, DrillTest, DrillWhen } from '@quay/core/fleet/drills';
import { typedNumber } from '@quay/core/number/typed';

/** What a drill asks for while it is put together: cases of which any has to hold, each of tests of which all have to. */

/** One test: what a control or fact has to be, or may not; of a timer, its seconds. */
export type TestDraft = {
  name: string;
  not: boolean;
  values: readonly string[];
  atLeast: string;
  below: string;
  /** It stands as a list in the file, also where it is one. */
  listed?: true;
};
export type WhenDraft = {
  cases: readonly (readonly TestDraft[])[];
  /** They stand as a list in the file, also where it is one case. */
  listed?: true;
};
export const NO_WHEN: WhenDraft = { cases: [] };

const testOf = (name: string, test: DrillTest): TestDraft => {
  const blank = { name, not: false, values: [], atLeast: '', below: '' };
  if (typeof test === 'object' && 'atLeast' in test) return { ...blank, atLeast: String(test.atLeast) };
  if (typeof test === 'object' && 'below' in test) return { ...blank, below: String(test.below) };
  const not = typeof test === 'object' && 'not' in test;
  const plain = not ? test.not : test;
  return { ...blank, not, values: [plain].flat(), ...(Array.isArray(plain) ? { listed: true as const } : {}) };
};

export const draftOfWhen = (when: DrillWhen | undefined): WhenDraft => {
  if (when === undefined) return NO_WHEN;
  const cases = [when].flat().map((tests) => Object.entries(tests).map(([name, test]) => testOf(name, test)));
  return { cases, ...(Array.isArray(when) ? { listed: true as const } : {}) };
};

export type WhenFault = 'asksNothing' | 'number';

type ReadTest = { ok: true; test: DrillTest } | { ok: false; fault: WhenFault };

const readTest = ({ not, values, atLeast, below, listed }: TestDraft): ReadTest => {
  for (const [bound, text] of [
    ['atLeast', atLeast],
    ['below', below],
  ] as const) {
    if (text.trim() === '') continue;
    const seconds = typedNumber(text);
    if (!(seconds > 0)) return { ok: false, fault: 'number' };
    return { ok: true, test: bound === 'atLeast' ? { atLeast: seconds } : { below: seconds } };
  }
  const [only] = values;
  if (only === undefined) return { ok: false, fault: 'asksNothing' };
  const plain = values.length > 1 || listed ? [...values] : only;
  return { ok: true, test: not ? { not: plain } : plain };
};

/** What was put together; nothing where there is no case. */
export const readWhen = (draft: WhenDraft): { ok: true; value: DrillWhen | undefined } | { ok: false; fault: WhenFault } => {
  const cases: DrillCase[] = [];
  for (const tests of draft.cases) {
    const read: Record<string, DrillTest> = {};
    for (const test of tests) {
      const one = readTest(test);
      if (!one.ok) return one;
      read[test.name] = one.test;
    }
    cases.push(read);
  }
  const [only] = cases;
  if (only === undefined) return { ok: true, value: undefined };
  return { ok: true, value: cases.length > 1 || draft.listed ? cases : only };
};
