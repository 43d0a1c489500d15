import { findingDecided } from '../findings/events';
import { currentAt, currentUnder } from '../events/record';
import * as z from 'zod/mini';
import { definitionOf, EVENT_KINDS, EventBody, subjectOf } from './event';
import { project } from './project';
import { heldBy } from '../testing/demoHire';
import { defineEvent } from '../events/define';
import { id, photos } from '../events/parts';

const common = { subject: () => ['noted'], merge: 'replace', addedBy: ['hand'] } as const;

describe('a kind of event', () => {
  it('that holds pictures says which of them belong to it, or does not compile', () => {
    // @ts-expect-error its photographs are not declared
    defineEvent('noted', { ...common, body: { text: id, photos } });
    // @ts-expect-error nor are those of what it holds
    defineEvent('noted', { ...common, body: { mark: z.object({ photos }) } });
    // @ts-expect-error there are none to declare
    defineEvent('noted', { ...common, body: { text: id }, photos: () => [] });
    const noted = defineEvent('noted', { ...common, body: { text: id, photos }, photos: ({ photos: taken }) => taken });
    expect(noted.photos({ kind: 'noted', text: 'a', photos: ['b'] })).toEqual(['b']);
  });

  it('is read by its own shape, and by what must hold between its fields', () => {
    const pair = defineEvent('pair', {
      ...common,
      body: { low: z.number(), high: z.number() },
      check: { holds: ({ low, high }) => low < high, says: 'low is below high' },
    });
    expect(pair.schema.safeParse({ kind: 'pair', low: 1, high: 2 }).success).toBe(true);
    expect(pair.schema.safeParse({ kind: 'pair', low: 2, high: 1 }).error?.issues[0]?.message).toBe('low is below high');
    expect(pair.schema.safeParse({ kind: 'other', low: 1, high: 2 }).success).toBe(false);
  });
});

describe('all kinds together', () => {
  it('are defined once each, and all of them are read', () => {
    expect(new Set(EVENT_KINDS).size).toBe(EVENT_KINDS.length);
    expect(EVENT_KINDS.length).toBeGreaterThanOrEqual(50);
    for (const kind of EVENT_KINDS) {
      expect(definitionOf({ kind } as EventBody).kind).toBe(kind);
      // Of its own kind and lacking the rest, or right: never a kind that nobody knows.
      const problem = EventBody.safeParse({ kind }).error?.issues[0];
      expect([kind, problem?.code]).not.toEqual([kind, 'invalid_union']);
    }
    expect(EventBody.safeParse({ kind: 'nothing' }).error?.issues[0]).toMatchObject({ code: 'invalid_union', path: ['kind'] });
  });

  it('have subjects of which none is the beginning of another part', () => {
    const decided = (finding: string): EventBody => ({ kind: 'findingDecided', finding, decision: 'wear' });
    const record = project(heldBy('hand', [decided('mark/a'), decided('mark')]));
    expect(currentAt(record, ['decided', 'mark/a'])?.value).toEqual(decided('mark/a'));
    expect(currentAt(record, ['decided', 'mark', 'a'])).toBeUndefined();
    expect(currentUnder(record, ['decided', 'mark'], findingDecided)).toHaveLength(1);
    expect(currentUnder(record, ['decided'], findingDecided)).toHaveLength(2);
    expect(subjectOf({ kind: 'undone' })).toBeUndefined();
  });
});
