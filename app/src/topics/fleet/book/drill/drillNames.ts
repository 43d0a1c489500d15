import type { Wording } from '@quay/core/words/words';
import { createContext } from 'react';
import { type Draft, type ItemDraft, type Texts, typedIn } from '../draft';

/** What the parts of a drill are called while it is written: its rules are about its own controls, facts and timers. */
type Named = { id: string; name: string };
export type DrillNames = {
  controls: readonly (Named & { values: readonly Named[] })[];
  facts: readonly (Named & { values: readonly Named[] })[];
  timers: readonly (Named & { marks: readonly string[] })[];
  lessons: readonly Named[];
};
const NONE: DrillNames = { controls: [], facts: [], timers: [], lessons: [] };
export const DrillNamesNow = createContext<DrillNames>(NONE);

const called = (words: unknown, id: string): string => {
  const text = (words as Texts | Wording | undefined)?.en?.trim();
  return text === undefined || text === '' ? id : text;
};
const itemsIn = (draft: Draft, field: string): readonly ItemDraft[] => (draft[field] ?? []) as readonly ItemDraft[];
const wordsIn = (text: unknown): string[] =>
  typedIn(text)
    .split(',')
    .map((one) => one.trim())
    .filter(Boolean);

/** The names of a drill as it is typed now; none of any other row. */
export const drillNamesIn = (draft: Draft): DrillNames => {
  if (!Array.isArray(draft.controls)) return NONE;
  return {
    controls: itemsIn(draft, 'controls').map((control) => ({
      id: control.id,
      name: called(control.name, control.id),
      values: itemsIn(control, 'positions').map((position) => ({ id: position.id, name: called(position.say, position.id) })),
    })),
    facts: itemsIn(draft, 'facts').map((fact) => {
      const id = typedIn(fact.called).trim();
      return { id, name: id, values: wordsIn(fact.values).map((value) => ({ id: value, name: value })) };
    }),
    timers: itemsIn(draft, 'timers').map((timer) => ({ id: timer.id, name: called(timer.name, timer.id), marks: wordsIn(timer.marks) })),
    lessons: itemsIn(draft, 'lessons').map((lesson) => ({ id: lesson.id, name: called(lesson.say, lesson.id) })),
  };
};
