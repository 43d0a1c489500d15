import type { StoredEvent } from '@quay/core/events/stored';
import { notifyManager, QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act } from '@testing-library/react';
import { type Walk } from '@quay/core/events/parts';
import { type EventBody, type StoredHireEvent } from '@quay/core/record/event';
import type { Actor } from '@quay/core/events/stored';
import { project, replacedBy } from '@quay/core/record/project';
import { type ReactElement, useReducer } from 'react';
import type { Entry } from '../local/outbox/save';
import type { WalkView } from '../local/useWalk';
import { heldOf, type Made, viewOf } from './view';
import { render } from './render';

// What a query answers is drawn as React wants it in a test.
notifyManager.setNotifyFunction((tell) => act(() => tell()));

/** Around what asks the quay; no timer of it outlives a test, and what is refused is not asked again. */
export const asked = (children: ReactElement): ReactElement => (
  <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { gcTime: Infinity, retry: false } } })}>
    {children}
  </QueryClientProvider>
);

/** The screen as it is drawn, what was entered in it, and the record as it stands now. */
export type Living = { entered: EventBody[]; stored: () => StoredHireEvent[]; view: () => WalkView };

/**
 * Draws a screen over a record that grows by what is entered in it, as on a phone: what stood is replaced, undoing undoes.
 * @param role who enters it
 */
export const living = (
  rows: readonly Made[],
  walk: Walk,
  station: string,
  draw: (view: WalkView) => ReactElement,
  role: Actor['role'] = 'hand',
): Living => {
  const made = [...rows];
  const entered: EventBody[] = [];
  let drawn: WalkView | undefined;
  let again = (): void => undefined;
  const add = (entries: readonly (EventBody | Entry)[]): Promise<StoredHireEvent[]> => {
    const drawn = { record: project(heldOf(made)), events: heldOf(made) };
    for (const entry of entries) {
      const body = 'body' in entry ? entry.body : entry;
      made.push({ body, role, replaces: ('body' in entry ? entry.replaces : undefined) ?? replacedBy(body, drawn, []) });
      entered.push(body);
    }
    again();
    return Promise.resolve(heldOf(made).slice(-entries.length));
  };
  const undo = (what: readonly StoredEvent[]) => add([{ body: { kind: 'undone' }, replaces: what.map(({ event }) => event.id) }]);
  const Drawn = () => {
    const [, next] = useReducer((n: number) => n + 1, 0);
    again = next;
    drawn = { ...viewOf(heldOf(made), walk, station).view, add, enter: add, undo };
    return draw(drawn);
  };
  render(asked(<Drawn />));
  return { entered, stored: () => heldOf(made), view: () => drawn! };
};
