import { simulatedKeySafe } from './keySafe';

const hire = (id: string, base = 'ossel-quay') => ({ id, base, boat: 'quiet-pickle' });

describe('the simulated key safe', () => {
  it('says that it is simulated, and gives each hire six digits of its own, again and again the same', async () => {
    const safe = simulatedKeySafe();
    expect(safe.simulated).toBe(true);
    const codes = await Promise.all(Array.from({ length: 50 }, (_, i) => safe.codeFor(hire(`h-${i}`))));
    expect(codes.every((answer) => answer.ok && /^\d{6}$/.test(answer.code))).toBe(true);
    expect(new Set(codes.map((answer) => answer.ok && answer.code)).size).toBeGreaterThan(45);
    expect(await safe.codeFor(hire('h-7'))).toEqual(codes[7]);
    // The code of one base opens nothing at another.
    expect(await safe.codeFor(hire('h-7', 'pell-slip'))).not.toEqual(codes[7]);
  });

  it('is silent when told to fail, and gives the same code when it works again', async () => {
    const safe = simulatedKeySafe();
    const before = await safe.codeFor(hire('h-1'));
    safe.mode = 'silent';
    expect(await safe.codeFor(hire('h-1'))).toEqual({ ok: false, reason: 'silent' });
    safe.mode = 'works';
    expect(await safe.codeFor(hire('h-1'))).toEqual(before);
  });
});
