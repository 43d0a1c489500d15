import { simulatedWeatherMast } from './weatherMast';

const NOON = new Date('2026-06-13T11:00:00.000Z');

describe('the simulated weather mast', () => {
  it('measures the same at the same moment, and what can be planned with', async () => {
    const mast = simulatedWeatherMast();
    for (let minutes = 0; minutes < 24 * 60; minutes += 17) {
      const now = new Date(NOON.getTime() + minutes * 60_000);
      const [one, two] = [await mast.observe({ id: 'a' }, now), await simulatedWeatherMast().observe({ id: 'a' }, now)];
      expect(one).toEqual(two);
      if (!one.ok) throw new Error('silent');
      const { windFromDeg, windMs, gustMs, currentMs, waterM } = one.observed;
      expect(windFromDeg >= 0 && windFromDeg < 360).toBe(true);
      expect(windMs).toBeGreaterThan(0);
      expect(gustMs).toBeGreaterThanOrEqual(windMs);
      expect(currentMs).toBeGreaterThanOrEqual(0);
      expect(waterM).toBeGreaterThanOrEqual(0);
    }
  });

  it('turns in the course of an hour, and is silent when it is told to fail', async () => {
    const mast = simulatedWeatherMast();
    const found = await Promise.all([0, 10, 20, 30].map((m) => mast.observe({ id: 'a' }, new Date(NOON.getTime() + m * 60_000))));
    expect(new Set(found.map((one) => one.ok && one.observed.windFromDeg)).size).toBeGreaterThan(2);
    expect(mast.simulated).toBe(true);
    mast.mode = 'silent';
    expect(await mast.observe({ id: 'a' }, NOON)).toEqual({ ok: false, reason: 'silent' });
  });
});
