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

  it('rises and falls by the tide of the base, and stands still where there is none', async () => {
    const mast = simulatedWeatherMast();
    const levels = async (base: { id: string; tideM?: number }) => {
      const found = await mast.foresee(base, NOON);
      return found.ok ? found.forecast.hours.map(({ waterM }) => waterM) : [];
    };
    expect(new Set(await levels({ id: 'a' })).size).toBe(1);
    const tidal = await levels({ id: 'a', tideM: 2.4 });
    expect(Math.min(...tidal)).toBeGreaterThanOrEqual(0.1);
    expect(Math.max(...tidal)).toBeLessThanOrEqual(2.3);
    expect(Math.max(...tidal) - Math.min(...tidal)).toBeGreaterThan(2);
  });

  it('turns in the course of an hour, and is silent when it is told to fail', async () => {
    const mast = simulatedWeatherMast();
    const found = await Promise.all([0, 10, 20, 30].map((m) => mast.observe({ id: 'a' }, new Date(NOON.getTime() + m * 60_000))));
    expect(new Set(found.map((one) => one.ok && one.observed.windFromDeg)).size).toBeGreaterThan(2);
    expect(mast.simulated).toBe(true);
    mast.mode = 'silent';
    expect(await mast.observe({ id: 'a' }, NOON)).toEqual({ ok: false, reason: 'silent' });
  });

  it('forecasts what comes, wind rising in the afternoon; late and wrong when told to', async () => {
    const mast = simulatedWeatherMast();
    const foresee = async () => {
      const found = await mast.foresee({ id: 'a' }, NOON);
      if (!found.ok) throw new Error(found.reason);
      return found.forecast;
    };
    const right = await foresee();
    expect(Date.parse(right.issuedAt)).toBe(NOON.getTime());
    expect(right.hours[4]!.windMs).toBeGreaterThan(right.hours[0]!.windMs + 2);
    // What is measured then lies about what was foreseen.
    for (const hour of right.hours) {
      const then = await mast.observe({ id: 'a' }, new Date(hour.at));
      expect(then.ok && Math.abs(then.observed.windMs - hour.windMs)).toBeLessThan(1.6);
    }
    mast.mode = 'late';
    const late = await foresee();
    expect(NOON.getTime() - Date.parse(late.issuedAt)).toBe(9 * 3_600_000);
    mast.mode = 'wrong';
    const wrong = await foresee();
    expect(wrong.hours[4]!.windMs).toBeLessThan(right.hours[4]!.windMs / 2);
    mast.mode = 'silent';
    expect(await mast.foresee({ id: 'a' }, NOON)).toEqual({ ok: false, reason: 'silent' });
  });
});
