import type { TerminalAnswer } from '@quay/contract/deposit';
import { simulatedCardTerminal } from './cardTerminal';

const ask = (attempt: string) => ({ attempt, amountMinor: 25_000, currency: 'EUR' });
/** What a promise has come to by now; `waiting` while it has not. */
const byNow = (promise: Promise<TerminalAnswer>) => Promise.race([promise, Promise.resolve({ is: 'waiting' as const })]);

describe('the simulated card terminal', () => {
  it('holds an asking once, however often it is asked, and lets go of it', async () => {
    const terminal = simulatedCardTerminal();
    const first = await terminal.hold(ask('a'), () => undefined);
    expect(first.is).toBe('authorised');
    expect(await terminal.hold(ask('a'), () => undefined)).toEqual(first);
    expect(await terminal.state('a')).toEqual(first);
    expect(await terminal.state('b')).toEqual({ is: 'neverAsked' });
    expect(await terminal.release('a')).toEqual({ is: 'released' });
    expect(await terminal.state('a')).toEqual({ is: 'released' });
  });
  it('declines, and remembers that it did', async () => {
    const terminal = simulatedCardTerminal();
    terminal.mode = 'declines';
    expect((await terminal.hold(ask('a'), () => undefined)).is).toBe('declined');
    terminal.mode = 'works';
    expect((await terminal.hold(ask('a'), () => undefined)).is).toBe('declined');
  });
  it('is silent, and later says of each asking whether it had held; some it had, some not', async () => {
    const terminal = simulatedCardTerminal();
    terminal.mode = 'silent';
    const names = Array.from({ length: 20 }, (_, i) => `ask-${i}`);
    for (const name of names) expect((await byNow(terminal.hold(ask(name), () => undefined))).is).toBe('waiting');
    expect((await byNow(terminal.state('ask-1'))).is).toBe('waiting');
    terminal.mode = 'works';
    const said = await Promise.all(names.map((name) => terminal.state(name)));
    expect(new Set(said.map(({ is }) => is))).toEqual(new Set(['authorised', 'neverAsked']));
  });
  it('answers twice, the same both times', async () => {
    const terminal = simulatedCardTerminal();
    terminal.mode = 'answersTwice';
    const heard: TerminalAnswer[] = [];
    const first = await terminal.hold(ask('a'), (answer) => heard.push(answer));
    await new Promise((done) => setImmediate(done));
    expect(heard).toEqual([first]);
  });
});
