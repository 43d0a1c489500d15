import { unzipSync, zipSync } from 'fflate';
import fc from 'fast-check';
import { pack, unpack } from './pack';

const files = fc
  .uniqueArray(fc.tuple(fc.stringMatching(/^[a-z0-9/._é-]{1,24}$/), fc.uint8Array({ maxLength: 200 })), {
    selector: ([name]) => name,
    maxLength: 8,
  })
  .map((rows) => new Map(rows.filter(([name]) => !name.startsWith('/') && !name.endsWith('/') && name !== '__proto__')));

describe('a dossier packed', () => {
  it('is the same bytes whatever order the files came in, and opens to the same files', () => {
    fc.assert(
      fc.property(files, (some) => {
        const bytes = pack(some);
        expect(Buffer.compare(bytes, pack(new Map([...some].reverse())))).toBe(0);
        const opened = unpack(bytes);
        if (!opened.ok) throw new Error(opened.reason);
        expect([...opened.files.keys()].sort()).toEqual([...some.keys()].sort());
        for (const [name, data] of some) expect(Buffer.compare(opened.files.get(name)!, data)).toBe(0);
      }),
    );
  });

  it('has no file called what the library would take for something else', () => {
    expect(() => pack(new Map([['__proto__', new Uint8Array()]]))).toThrow('No file of a dossier can be called __proto__.');
    expect(pack(new Map([['constructor', new Uint8Array(3)]])).length).toBeGreaterThan(0);
  });

  it('of which any byte is another is no dossier, or has another file in it', () => {
    const some = new Map([
      ['manifest.json', new TextEncoder().encode('{"format":"quay-dossier/1"}')],
      ['photos/a.jpg', Uint8Array.from({ length: 90 }, (_, i) => (i * 37) % 256)],
      ['record.json', new TextEncoder().encode('{}')],
    ]);
    const bytes = pack(some);
    for (let at = 0; at < bytes.length; at += 1) {
      const turned = Uint8Array.from(bytes);
      turned[at]! ^= 1 + (at % 255);
      const opened = unpack(turned);
      const same =
        opened.ok &&
        opened.files.size === some.size &&
        [...some].every(([name, data]) => Buffer.compare(opened.files.get(name) ?? new Uint8Array(1), data) === 0);
      expect([at, same]).toEqual([at, false]);
    }
  });

  it('another way, by whatever program, is not taken', () => {
    const data = new TextEncoder().encode('{}'.repeat(40));
    const squeezed = zipSync({ 'record.json': [data, { level: 6, mtime: new Date(1980, 0, 1) }] });
    expect(Object.keys(unzipSync(squeezed))).toEqual(['record.json']);
    expect(unpack(squeezed)).toEqual({ ok: false, reason: 'notPackedSo' });
    expect(unpack(new Uint8Array([1, 2, 3]))).toEqual({ ok: false, reason: 'noZip' });
    expect(unpack(new Uint8Array(0))).toEqual({ ok: false, reason: 'noZip' });
  });
});
