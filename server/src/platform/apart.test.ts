import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { doneApart, TookTooLong } from './apart';

describe('a thread of its own', () => {
  const room = mkdtempSync(join(tmpdir(), 'quay-apart-'));
  afterAll(() => rmSync(room, { recursive: true, force: true }));
  const thread = (name: string, body: string): string => {
    const file = join(room, `${name}.mjs`);
    writeFileSync(file, `export default (task) => { ${body} };\n`);
    return file;
  };

  it('gives what it did, or its own error', async () => {
    expect(await doneApart(thread('twice', 'return task * 2'), 21, 20_000)).toBe(42);
    await expect(doneApart(thread('no', 'throw new RangeError("too far")'), 1, 20_000)).rejects.toThrow('too far');
  });

  it('is broken off when it never ends, and the next one is as good as before', async () => {
    await expect(doneApart(thread('ever', 'for (;;);'), 1, 400)).rejects.toBeInstanceOf(TookTooLong);
    expect(await doneApart(join(room, 'twice.mjs'), 4, 20_000)).toBe(8);
  });
});
