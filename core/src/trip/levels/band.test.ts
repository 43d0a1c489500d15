import { bandOf } from './band';

describe('the line a tank lasts along', () => {
  it('says how far it surely and perhaps does, and where days begin: hand-worked', () => {
    // Noon to noon two days later: midnights at a quarter and at three quarters.
    const [fromMs, untilMs] = [Date.parse('2026-06-13T11:00:00Z'), Date.parse('2026-06-15T11:00:00Z')];
    expect(bandOf({ hours: { low: 12, high: 36 }, fromMs, untilMs }, 'Europe/Dublin')).toEqual({
      sure: 0.25,
      may: 0.75,
      days: [
        { at: 0.25, day: '2026-06-14' },
        { at: 0.75, day: '2026-06-15' },
      ],
    });
    expect(bandOf({ hours: { low: 90, high: Infinity }, fromMs, untilMs }, 'Europe/Dublin')).toMatchObject({ sure: 1, may: 1 });
  });

  it('days are those of the base, of 25 hours when clocks go back', () => {
    const [fromMs, untilMs] = [Date.parse('2026-10-24T23:00:00Z'), Date.parse('2026-10-27T00:00:00Z')];
    expect(bandOf({ hours: { low: 1, high: 2 }, fromMs, untilMs }, 'Europe/Dublin').days).toEqual([{ at: 25 / 49, day: '2026-10-26' }]);
  });
});
