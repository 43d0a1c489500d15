import type { Me } from '@quay/contract/session';
import type { Actor } from '@quay/core/events/stored';
import { write } from '../localDb';

/** As far as entries need to know who makes them: staff who signed in, or the renter whose link this is. */
export type Author = { staff: { id: string; name: string; role: Actor['role'] }; device: { id: string } };

/** Nobody is known to be signed in on this phone. */
export class NotSignedIn extends Error {}

/** Remembers who signed in, and the grant under which what they make can be delivered later. */
export const rememberMe = (me: Me, grant: string | undefined) =>
  write(['named'], async (tx) => {
    const named = tx.objectStore('named');
    await named.put({ name: 'me', value: me });
    if (grant !== undefined) await named.put({ name: `grant:${me.staff.id}`, value: grant });
  });

/** Entries made before this person signed in again go out under the fresh grant. */
export const renewGrants = (me: Me, grant: string): Promise<void> =>
  write(['events'], async (tx) => {
    const events = tx.objectStore('events');
    for (const row of await events.index('state').getAll('pending'))
      if (row.stored.actor.id === me.staff.id) await events.put({ ...row, grant });
  });

/** Remembers who makes entries on this phone, where nobody signs in: the renter whose link it is. */
export const rememberAuthor = (author: Author) => write(['named'], (tx) => tx.objectStore('named').put({ name: 'me', value: author }));
