import type { Me } from '@quay/contract/session';
import { onEpoch } from '../api';
import { write } from '../localDb';
import { deliver } from './deliver';

/**
 * The quay's data was restored: what this phone had delivered may be missing there. It is all delivered again, which
 * changes nothing where it is not; and everything is fetched again.
 */
const noticeRestored = async (epoch: string): Promise<void> => {
  const restored = await write(['hires', 'events', 'photos', 'sheets', 'cursors', 'named'], async (tx) => {
    const named = tx.objectStore('named');
    const known = (await named.get('epoch'))?.value;
    if (known === epoch) return false;
    await named.put({ name: 'epoch', value: epoch });
    if (known === undefined) return false;
    const device = ((await named.get('me'))?.value as Me | undefined)?.device.id;
    const [events, photos] = [tx.objectStore('events'), tx.objectStore('photos')];
    for (const row of [...(await events.index('state').getAll('synced')), ...(await events.index('state').getAll('aside'))]) {
      // The quay's own word is its to give again.
      if (row.stored.event.device === 'quay') await events.delete(row.id);
      else if (row.stored.event.device === device) await events.put({ ...row, state: 'pending' });
    }
    for (const row of await photos.index('state').getAll('synced')) if (row.blob) await photos.put({ ...row, state: 'pending' });
    const hires = tx.objectStore('hires');
    for (const row of await hires.index('state').getAll('synced')) await hires.put({ ...row, state: 'pending' });
    const sheets = tx.objectStore('sheets');
    for (const row of await sheets.index('state').getAll('synced')) await sheets.put({ ...row, state: 'pending' });
    await tx.objectStore('cursors').clear();
    return true;
  });
  if (restored) void deliver();
};
let seenEpoch: string | undefined;
/** Listens to every answer of the quay for a sign that it was restored. */
export const watchRestored = (): void =>
  onEpoch((epoch) => {
    if (epoch === seenEpoch) return;
    seenEpoch = epoch;
    void noticeRestored(epoch);
  });
