import { readEvents } from '@quay/contract/record';
import { trustEvent } from '@quay/core/record/upcast';
import { call } from '../api';
import { now as present } from '../../platform/clock';
import { localDb, write } from '../localDb';

/** What a manager has set aside, or taken back, since this phone looked last. */
const noteAside = async (hire: string, aside: readonly string[]): Promise<void> => {
  const rows = await (await localDb()).getAllFromIndex('events', 'hire', hire);
  const changed = rows.filter(({ id, state }) => (state === 'synced' || state === 'aside') && (state === 'aside') !== aside.includes(id));
  if (changed.length === 0) return;
  await write(['events'], async (tx) => {
    for (const row of changed) await tx.objectStore('events').put({ ...row, state: row.state === 'aside' ? 'synced' : 'aside' });
  });
};

/** Fetches what others added to a hire, by cursor. @throws Refused, NoAnswer */
export const fetchEvents = async (hire: string): Promise<void> => {
  for (;;) {
    const after = (await (await localDb()).get('cursors', hire))?.cursor;
    const page = await call(readEvents, { params: { hireId: hire }, query: after === undefined ? {} : { after } });
    await noteAside(hire, page.aside);
    if (page.events.length === 0) return;
    await write(['events', 'cursors'], async (tx) => {
      const events = tx.objectStore('events');
      for (const { event, ...meta } of page.events) {
        const read = trustEvent(event);
        // Written by a newer version of this program: the page is left, and fetched again after the update.
        if (!read.ok) throw new Error(`event of the quay cannot be read: ${read.reason}`);
        const own = await events.get(read.event.id);
        await events.put({
          id: read.event.id,
          hire,
          state: page.aside.includes(read.event.id) ? 'aside' : 'synced',
          stored: { event: read.event, ...meta },
          grant: own?.grant,
          addedAt: own?.addedAt ?? present(),
        });
      }
      await tx.objectStore('cursors').put({ hire, cursor: page.cursor });
    });
    if (!page.more) return;
  }
};
