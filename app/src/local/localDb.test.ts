import 'fake-indexeddb/auto';
import { localDb, readMe, StoreSilent, write } from './localDb';

const leave = () => window.dispatchEvent(new Event('pagehide'));
const comeBack = () => window.dispatchEvent(new Event('pageshow'));
const later = () => new Promise((resolve) => setTimeout(resolve, 20));

/** Another page of this phone, which knows nothing of what the first has begun. */
const nextPage = (): Promise<unknown> =>
  new Promise((resolve, reject) => {
    const request = indexedDB.open('jolly-quay');
    request.onerror = () => reject(new Error('it cannot be opened'));
    request.onsuccess = () => {
      const db = request.result;
      const tx = db.transaction(['named'], 'readwrite');
      const found = tx.objectStore('named').get('half');
      tx.oncomplete = () => {
        db.close();
        resolve(found.result);
      };
    };
  });

afterEach(async () => {
  comeBack();
  await write(['named'], (tx) => tx.objectStore('named').clear());
});

describe('a page that is left', () => {
  it('gives up what it was writing, whole, and the next page does not wait for it', async () => {
    const held: (() => void)[] = [];
    let begin = (): void => undefined;
    const begun = new Promise<void>((resolve) => (begin = resolve));
    const writing = write(['named'], async (tx) => {
      const names = tx.objectStore('named');
      await names.put({ name: 'half', value: 1 });
      begin();
      // Kept open as a page keeps it that was left in the midst of it.
      let left = false;
      held.push(() => (left = true));
      while (!left) await names.get('half');
    });
    const failed = expect(writing).rejects.toThrow();
    await begun;
    leave();
    await failed;
    expect(await nextPage()).toBeUndefined();
    for (const stop of held) stop();
  });

  it('while the store is being opened begins nothing in it, and asks for it anew once it is shown again', async () => {
    leave();
    comeBack();
    // Asked for just now, so that it is still being opened.
    let written = false;
    const writing = write(['named'], (tx) => tx.objectStore('named').put({ name: 'opening', value: 3 })).then(() => (written = true));
    leave();
    await later();
    expect(written).toBe(false);
    comeBack();
    await writing;
    expect((await (await localDb()).get('named', 'opening'))?.value).toBe(3);
  });

  it('begins nothing until it is shown again, and then does what it was asked', async () => {
    leave();
    let written = false;
    const writing = write(['named'], (tx) => tx.objectStore('named').put({ name: 'late', value: 2 })).then(() => (written = true));
    await later();
    expect(written).toBe(false);
    comeBack();
    await writing;
    expect((await (await localDb()).get('named', 'late'))?.value).toBe(2);
  });
});

it('says that the store does not answer, and does not wait for it for ever', async () => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  try {
    leave();
    const said = expect(readMe()).rejects.toThrow(StoreSilent);
    await jest.advanceTimersByTimeAsync(10_000);
    await said;
  } finally {
    jest.useRealTimers();
  }
});
