import { SUPPOSED_HEAD_MS, weatherAhead } from './weatherAhead';

const NOW = Date.parse('2026-06-13T12:20:00Z');
const at = (hours: number) => new Date(NOW + hours * 3_600_000).toISOString();
const wind = (hours: number, windMs: number) => ({
  at: at(hours),
  windFromDeg: 250,
  windMs,
  currentToDeg: 60,
  currentMs: 0.1,
  waterM: 1 - hours / 10,
});
const forecast = (issued: number, ...hours: [number, number][]) => ({ issuedAt: at(issued), hours: hours.map(([h, ms]) => wind(h, ms)) });

describe('the weather to plan with', () => {
  it('is the forecast from the hour that runs, in order', () => {
    const { weather, trust, leastWaterM } = weatherAhead(NOW, forecast(-0.3, [1, 5], [-2, 1], [-0.3, 4], [2, 7]), wind(0, 4.2));
    expect(weather.map(({ windMs }) => windMs)).toEqual([4, 5, 7]);
    expect(trust).toEqual({ from: 'forecast', at: at(-0.3), raised: 1, harderThanForeseen: false });
    expect(leastWaterM).toBeCloseTo(0.8);
  });

  it('is raised when it blows harder than was foreseen, and when the forecast is old', () => {
    const harder = weatherAhead(NOW, forecast(-0.3, [-0.3, 4], [1, 5]), wind(0, 8));
    expect(harder.weather.map(({ windMs }) => windMs)).toEqual([8, 10]);
    expect(harder.trust).toMatchObject({ raised: 2, harderThanForeseen: true });
    const old = weatherAhead(NOW, forecast(-9, [-1, 4], [1, 5]), undefined);
    expect(old.trust).toMatchObject({ from: 'oldForecast', raised: 1.3 });
    expect(old.weather[1]!.windMs).toBeCloseTo(6.5);
    // Never made weaker by a lull, nor raised out of all measure.
    expect(weatherAhead(NOW, forecast(0, [0, 6]), wind(0, 1)).trust.raised).toBe(1);
    expect(weatherAhead(NOW, forecast(0, [0, 0.1]), wind(0, 20)).trust.raised).toBe(2.5);
  });

  it('is what is measured and more where nobody foresees, and a wind from ahead where nobody knows', () => {
    const measured = weatherAhead(NOW, undefined, wind(-0.1, 6));
    expect(measured.weather.map(({ windMs }) => windMs)).toEqual([6, 9]);
    expect(measured.trust.from).toBe('observed');
    for (const nothing of [weatherAhead(NOW, undefined, undefined), weatherAhead(NOW, forecast(-60, [-50, 3]), wind(-8, 3))]) {
      expect(nothing.trust.from).toBe('none');
      expect(nothing.weather).toEqual([{ atMs: NOW, windFromDeg: 'ahead', windMs: SUPPOSED_HEAD_MS, currentToDeg: 0, currentMs: 0 }]);
    }
  });
});
