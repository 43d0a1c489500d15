import { type ChildProcess, execFile, spawn } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { DEMO } from './testing/quay';

const DIST = join(__dirname, '../dist');
let folder: string;
beforeEach(() => {
  if (!existsSync(join(DIST, 'tool.mjs'))) throw new Error('server/dist is not built; run ./quay test, which builds it');
  folder = mkdtempSync(join(tmpdir(), 'quay-tool-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

type Ended = { code: number; out: string; err: string };
const run = (program: string, args: string[], env: Record<string, string> = {}): Promise<Ended> =>
  new Promise((resolve) => {
    const child = execFile(process.execPath, [join(DIST, program), ...args], { env: { ...process.env, ...env } }, (error, out, err) =>
      resolve({ code: error ? (typeof error.code === 'number' ? error.code : 1) : 0, out, err }),
    );
    child.stdin?.end();
  });
const tool = (...args: string[]) => run('tool.mjs', args);
const data = () => join(folder, 'data');
const rows = (table: string, where = data()): unknown[] => {
  const db = new Database(join(where, 'quay.sqlite'), { readonly: true });
  try {
    return db.prepare(`select * from ${table}`).all();
  } finally {
    db.close();
  }
};
const SETUP = { QUAY_OPERATOR: 'Tarn Boats', QUAY_CURRENCY: 'EUR', QUAY_MANAGER: 'Odda Penn', QUAY_PASSWORD: 'a long enough word' };

describe('help', () => {
  const quay = (...args: string[]): Promise<Ended> =>
    new Promise((resolve) =>
      execFile('bash', [join(__dirname, '../../quay'), ...args], (error, out, err) =>
        resolve({ code: error ? (typeof error.code === 'number' ? error.code : 1) : 0, out, err }),
      ),
    );

  it('is said of every command there is, and nothing is done', async () => {
    const { out: all } = await quay('help');
    const commands = [...all.matchAll(/^\.\/quay (\w+)/gm)].map(([, command]) => command!);
    expect(commands.length).toBeGreaterThanOrEqual(15);
    for (const command of commands) {
      const said = await quay(command, '--help');
      expect([command, said.code, said.out.split('\n')[0]]).toEqual([
        command,
        0,
        expect.stringMatching(new RegExp(`^\\./quay ${command} `)),
      ]);
      expect(said.out.match(/^\.\/quay /gm)).toHaveLength(1);
    }
    expect((await quay('erase', '--data', folder, '-h')).out).toContain('a day');
    expect(await quay('nothing', '--help')).toMatchObject({ code: 1, out: '' });
    expect(existsSync(data())).toBe(false);
  });
});

describe('setting up', () => {
  it('makes an empty installation with its operator and first manager, once', async () => {
    const first = await run('tool.mjs', ['setup', '--data', data()], SETUP);
    expect([first.code, first.out]).toEqual([0, 'Tarn Boats is set up; Odda Penn can sign in.\n']);
    expect(rows('staff')).toMatchObject([{ name: 'Odda Penn', role: 'manager' }]);
    expect(JSON.stringify(rows('staff'))).not.toContain('a long enough word');
    expect(await run('tool.mjs', ['setup', '--data', data()], SETUP)).toMatchObject({ code: 0, out: '' });
    expect([rows('boat'), rows('hire')]).toEqual([[], []]);
  });

  it('says what is wrong with an answer, and which is missing', async () => {
    const weak = await run('tool.mjs', ['setup', '--data', data()], { ...SETUP, QUAY_PASSWORD: 'short' });
    expect([weak.code, weak.err]).toEqual([1, 'A manager’s password has ten characters or more.\n']);
    const half = await run('tool.mjs', ['setup', '--data', data()], { QUAY_OPERATOR: 'Tarn Boats', QUAY_CURRENCY: 'EUR' });
    expect([half.code, half.err]).toEqual([1, 'To set up without a browser, set QUAY_MANAGER, QUAY_PASSWORD as well.\n']);
    const odd = await run('tool.mjs', ['setup', '--data', data()], { ...SETUP, QUAY_CURRENCY: 'euro' });
    expect([odd.code, odd.err]).toEqual([1, 'QUAY_CURRENCY is three capital letters, such as EUR.\n']);
    // Where nothing is said it is done in the browser.
    expect(await tool('setup', '--data', data())).toMatchObject({ code: 0, out: '' });
    expect(rows('staff')).toEqual([]);
  });

  it('lets a manager back in who lost the password, and takes on another', async () => {
    const manager = (name: string) => tool('manager', '--data', data(), '--name', name);
    expect((await manager('Odda Penn')).err).toContain('Nobody is set up here yet');
    await run('tool.mjs', ['setup', '--data', data()], SETUP);
    const [before] = rows('staff') as { id: string; secret: string }[];
    const done = await manager('odda penn');
    expect([done.code, done.out]).toEqual([0, expect.stringMatching(/^Odda Penn can sign in with the password \S{20}\./)]);
    const after = rows('staff') as { id: string; secret: string }[];
    expect(after.map(({ id }) => id)).toEqual([before!.id]);
    expect(after[0]!.secret).not.toBe(before!.secret);
    expect((await manager('Nils Berg')).code).toBe(0);
    expect(rows('staff')).toHaveLength(2);
  });
});

describe('importing', () => {
  it('loads the demo, and says what is missing when the folder is none', async () => {
    expect(await tool('import', '--data', data(), '--from', DEMO)).toMatchObject({ code: 0, out: 'imported 2 bases, 6 boats, 19 hires\n' });
    const empty = join(folder, 'empty');
    mkdirSync(empty);
    const none = await tool('import', '--data', data(), '--from', empty);
    expect(none.code).toBe(1);
    expect(none.err).toMatch(/^Nothing was imported\. \d+ things are wrong:\n {2}operator\.json, \(whole\): this file is missing/);
    expect((await tool('import', '--data', data())).err).toBe('--from is missing.\n');
    expect((await tool('dance')).err).toBe('Unknown command: dance\n');
  });
});

describe('a folder on which a quay runs', () => {
  const started = async (...more: string[]): Promise<{ child: ChildProcess; said: string }> => {
    const child = spawn(process.execPath, [join(DIST, 'quay.mjs'), '--data', data(), '--port', '0', '--host', '127.0.0.1', ...more], {
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    await new Promise<void>((resolve) => {
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (text: Buffer) => {
          said += text.toString();
          if (said.includes('listening')) resolve();
        });
      child.once('exit', () => resolve());
    });
    return { child, said };
  };
  const ended = (child: ChildProcess, signal: 'SIGTERM' | 'SIGKILL') =>
    new Promise<void>((resolve) => {
      child.once('exit', () => resolve());
      child.kill(signal);
    });

  it('is no second one’s, nor a restore’s that does not know of it; one that was killed holds nothing', async () => {
    await tool('import', '--data', data(), '--from', DEMO);
    const to = join(folder, 'backup');
    await tool('backup', '--data', data(), '--to', to);
    const first = await started();
    const second = await started();
    expect(second.said).toBe(`Another quay runs on ${data()} (process ${first.child.pid}). Stop it first, or start with another --data.\n`);
    expect(second.child.exitCode).toBe(1);
    expect(readFileSync(join(data(), 'quay.pid'), 'utf8')).toBe(String(first.child.pid));
    // Its number is lost: the folder is not swapped under it all the same.
    rmSync(join(data(), 'quay.pid'));
    expect(await tool('restore', '--data', data(), '--from', to)).toMatchObject({
      code: 1,
      err: expect.stringContaining('A quay runs on') as string,
    });
    await ended(first.child, 'SIGKILL');
    const third = await started();
    expect(third.said).toContain('listening');
    await ended(third.child, 'SIGTERM');
    expect(existsSync(join(data(), 'quay.pid'))).toBe(false);
    expect((await tool('restore', '--data', data(), '--from', to)).code).toBe(0);
  });

  it('behind a proxy wants addresses', async () => {
    await tool('import', '--data', data(), '--from', DEMO);
    expect((await started('--behind-proxy', 'proxy.example')).said).toContain('wants addresses such as 10.0.0.2');
  });
});

describe('backup and restore', () => {
  it('go round: what was there is set aside, and the restored run of the data has another name', async () => {
    await tool('import', '--data', data(), '--from', DEMO);
    const to = join(folder, 'backup');
    expect((await tool('backup', '--data', data(), '--to', to)).out).toBe(`backed up to ${to}\n`);
    expect(await tool('backup', '--data', data(), '--to', to)).toMatchObject({ code: 1, err: `${to} is not empty.\n` });
    const db = new Database(join(data(), 'quay.sqlite'));
    db.exec("update hire set notes = 'changed since'");
    db.close();
    const restored = await tool('restore', '--data', data(), '--from', to);
    expect(restored.code).toBe(0);
    const aside = readdirSync(folder).find((name) => name.startsWith('data.before-'))!;
    expect(rows('hire', join(folder, aside))).toMatchObject(rows('hire').map(() => ({ notes: 'changed since' })));
    expect((rows('hire') as { notes: string }[]).some(({ notes }) => notes === 'changed since')).toBe(false);
    const epochs = [to, data()].map(
      (where) => (rows('setting', where) as { key: string; value: string }[]).find(({ key }) => key === 'epoch')?.value,
    );
    expect(epochs[1]).toBeDefined();
    expect(epochs[1]).not.toBe(epochs[0]);
  });

  it('leave a program in peace that has got the number of a quay that was killed', async () => {
    await tool('import', '--data', data(), '--from', DEMO);
    const to = join(folder, 'backup');
    await tool('backup', '--data', data(), '--to', to);
    const bystander = spawn('sleep', ['60']);
    writeFileSync(join(data(), 'quay.pid'), String(bystander.pid));
    expect((await tool('restore', '--data', data(), '--from', to)).code).toBe(0);
    expect([bystander.exitCode, bystander.signalCode]).toEqual([null, null]);
    bystander.kill();
  });

  it('refuse what is no installation and what is damaged, and leave everything as it was', async () => {
    expect((await tool('backup', '--data', data(), '--to', join(folder, 'b'))).err).toBe(`There is no installation in ${data()}.\n`);
    expect((await tool('restore', '--data', data(), '--from', join(folder, 'b'))).err).toBe(
      `There is no backup in ${join(folder, 'b')}.\n`,
    );
    await tool('import', '--data', data(), '--from', DEMO);
    const damaged = join(folder, 'damaged');
    mkdirSync(damaged);
    writeFileSync(join(damaged, 'quay.sqlite'), 'this is no database, however long it is '.repeat(100));
    const refused = await tool('restore', '--data', data(), '--from', damaged);
    expect([refused.code, refused.err]).toEqual([1, expect.stringMatching(/^The backup in .* is damaged: /)]);
    expect(rows('boat')).toHaveLength(6);
    expect(readdirSync(folder).filter((name) => name.includes('before'))).toEqual([]);
  });
});

describe('the server', () => {
  const started: ChildProcess[] = [];
  afterEach(() => {
    for (const child of started.splice(0)) child.kill('SIGKILL');
  });
  const start = (...args: string[]): Promise<{ child: ChildProcess; port: number }> =>
    new Promise((resolve, reject) => {
      const child = spawn(process.execPath, [join(DIST, 'quay.mjs'), '--data', data(), '--port', '0', '--host', '127.0.0.1', ...args]);
      started.push(child);
      child.stdout.on('data', (text: Buffer) => {
        const port = /port (\d+)/.exec(text.toString())?.[1];
        if (port) resolve({ child, port: Number(port) });
      });
      child.once('exit', (code) => reject(new Error(`ended with ${code}`)));
    });

  it('says so when the port is taken, the data folder cannot be one, the certificate is none', async () => {
    const other = createServer().listen(0, '127.0.0.1');
    await new Promise((resolve) => other.once('listening', resolve));
    const { port } = other.address() as AddressInfo;
    const taken = await run('quay.mjs', ['--data', data(), '--port', String(port), '--host', '127.0.0.1']);
    expect([taken.code, taken.err]).toEqual([1, `Port ${port} is taken. Stop what is using it, or choose another with --port.\n`]);
    await new Promise((resolve) => other.close(resolve));

    writeFileSync(join(folder, 'file'), 'in the way');
    const inTheWay = await run('quay.mjs', ['--data', join(folder, 'file'), '--port', '0']);
    expect([inTheWay.code, inTheWay.err]).toEqual([1, expect.stringMatching(/^The data folder .*file cannot be written: /)]);

    const cert = join(folder, 'cert.pem');
    writeFileSync(cert, 'no certificate');
    const badCert = await run('quay.mjs', ['--data', data(), '--port', '0', '--tls-cert', cert, '--tls-key', cert]);
    expect([badCert.code, badCert.err]).toEqual([1, expect.stringMatching(/^The certificate or key cannot be used: /)]);

    expect((await run('quay.mjs', ['--data', data(), '--port', 'many'])).err).toMatch(/^--port wants a number/);
  });

  it('stops cleanly on SIGTERM, with code 0 and nothing left behind', async () => {
    const { child, port } = await start();
    expect(readFileSync(join(data(), 'quay.pid'), 'utf8')).toBe(String(child.pid));
    expect((await fetch(`http://127.0.0.1:${port}/api/health`)).status).toBe(200);
    const code = await new Promise((resolve) => {
      child.once('exit', resolve);
      child.kill('SIGTERM');
    });
    expect(code).toBe(0);
    expect(existsSync(join(data(), 'quay.pid'))).toBe(false);
    // The write-ahead log was folded in.
    expect(existsSync(join(data(), 'quay.sqlite-wal'))).toBe(false);
  });

  it('takes a restored backup in between two requests, and tells its phones by another epoch', async () => {
    await tool('import', '--data', data(), '--from', DEMO);
    const to = join(folder, 'backup');
    const { port } = await start();
    expect((await tool('backup', '--data', data(), '--to', to)).code).toBe(0);
    const ask = () => fetch(`http://127.0.0.1:${port}/api/health`);
    const before = (await ask()).headers.get('x-quay-epoch');
    const statuses = new Set<number>();
    let asking = true;
    const busy = (async () => {
      while (asking) statuses.add((await ask()).status);
    })();
    expect((await tool('restore', '--data', data(), '--from', to)).code).toBe(0);
    asking = false;
    await busy;
    expect([...statuses].filter((status) => status !== 200 && status !== 503)).toEqual([]);
    const after = await ask();
    expect(after.status).toBe(200);
    expect(after.headers.get('x-quay-epoch')).not.toBe(before);
  });
});
