import { daylightOn, isDark, nextDusk } from './light';

/**
 * Longitude, latitude, local noon, the sunset and the civil dusk after it, computed with another library (PyEphem 4.1: upper
 * limb with 34' of refraction, centre of the sun at -6 degrees).
 */
const TABLE: readonly (readonly [number, number, string, string, string])[] = [
  [-38.0386, 47.9973, '2026-01-10T14:32:09.000Z', '2026-01-10T18:59:52.000Z', '2026-01-10T19:35:22.000Z'],
  [-38.0386, 47.9973, '2026-03-20T14:32:09.000Z', '2026-03-20T20:44:53.000Z', '2026-03-20T21:15:53.000Z'],
  [-38.0386, 47.9973, '2026-06-13T14:32:09.000Z', '2026-06-13T22:32:28.000Z', '2026-06-13T23:13:36.000Z'],
  [-38.0386, 47.9973, '2026-09-30T14:32:09.000Z', '2026-09-30T20:13:26.000Z', '2026-09-30T20:44:17.000Z'],
  [-38.0386, 47.9973, '2026-12-21T14:32:09.000Z', '2026-12-21T18:41:24.000Z', '2026-12-21T19:17:50.000Z'],
  [10.0, 0.5, '2026-01-10T11:20:00.000Z', '2026-01-10T17:30:23.000Z', '2026-01-10T17:52:39.000Z'],
  [10.0, 0.5, '2026-03-20T11:20:00.000Z', '2026-03-20T17:30:41.000Z', '2026-03-20T17:51:21.000Z'],
  [10.0, 0.5, '2026-06-13T11:20:00.000Z', '2026-06-13T17:24:34.000Z', '2026-06-13T17:47:06.000Z'],
  [10.0, 0.5, '2026-09-30T11:20:00.000Z', '2026-09-30T17:13:07.000Z', '2026-09-30T17:33:49.000Z'],
  [10.0, 0.5, '2026-12-21T11:20:00.000Z', '2026-12-21T17:20:56.000Z', '2026-12-21T17:43:28.000Z'],
  [20.0, 64.0, '2026-01-10T10:40:00.000Z', '2026-01-10T13:19:20.000Z', '2026-01-10T14:29:19.000Z'],
  [20.0, 64.0, '2026-03-20T10:40:00.000Z', '2026-03-20T16:55:15.000Z', '2026-03-20T17:42:56.000Z'],
  [20.0, 64.0, '2026-09-30T10:40:00.000Z', '2026-09-30T16:13:00.000Z', '2026-09-30T17:00:06.000Z'],
  [20.0, 64.0, '2026-12-21T10:40:00.000Z', '2026-12-21T12:44:06.000Z', '2026-12-21T14:02:11.000Z'],
  [150.0, -35.0, '2026-01-10T02:00:00.000Z', '2026-01-10T09:17:33.000Z', '2026-01-10T09:46:38.000Z'],
  [150.0, -35.0, '2026-03-20T02:00:00.000Z', '2026-03-20T08:11:50.000Z', '2026-03-20T08:37:04.000Z'],
  [150.0, -35.0, '2026-06-13T02:00:00.000Z', '2026-06-13T06:54:42.000Z', '2026-06-13T07:22:51.000Z'],
  [150.0, -35.0, '2026-09-30T02:00:00.000Z', '2026-09-30T08:02:05.000Z', '2026-09-30T08:27:28.000Z'],
  [150.0, -35.0, '2026-12-21T02:00:00.000Z', '2026-12-21T09:13:22.000Z', '2026-12-21T09:43:05.000Z'],
];
const MINUTE = 60_000;

describe('the ends of the day', () => {
  it.each(TABLE)('at %d, %d after %s are within a minute of a table made otherwise', (longitude, latitude, noon, sunset, dusk) => {
    const found = nextDusk(noon, [longitude, latitude])!;
    expect(Math.abs(Date.parse(found.sunset) - Date.parse(sunset))).toBeLessThan(MINUTE);
    expect(Math.abs(Date.parse(found.dusk) - Date.parse(dusk))).toBeLessThan(MINUTE);
    // The day of that noon by the sun ends at the same sunset, and began as long before its noon as it ends after.
    const light = daylightOn(noon.slice(0, 10), [longitude, latitude])!;
    expect(Math.abs(light.toMs - Date.parse(sunset))).toBeLessThan(MINUTE);
    expect(Math.abs((light.fromMs + light.toMs) / 2 - Date.parse(noon)) / MINUTE).toBeLessThan(20);
    const at = (shift: number) => new Date(Date.parse(dusk) + shift * MINUTE).toISOString();
    expect([isDark(at(-3), [longitude, latitude]), isDark(at(3), [longitude, latitude])]).toEqual([false, true]);
  });

  it('come after the instant asked about, at any hour of the day', () => {
    for (let hour = 0; hour < 48; hour += 1) {
      const at = new Date(Date.parse('2026-06-13T00:00:00.000Z') + hour * 60 * MINUTE).toISOString();
      const { sunset, dusk } = nextDusk(at, [-38, 48])!;
      expect(dusk > at).toBe(true);
      expect(Date.parse(dusk) - Date.parse(at)).toBeLessThan(25 * 60 * MINUTE);
      expect(dusk > sunset).toBe(true);
    }
  });

  it('are none where the sun stays up', () => {
    expect(nextDusk('2026-06-13T12:00:00.000Z', [15, 78])).toBeUndefined();
    expect(daylightOn('2026-06-13', [15, 78])).toBeUndefined();
    expect(isDark('2026-06-13T00:00:00.000Z', [15, 78])).toBe(false);
    expect(isDark('2026-12-13T12:00:00.000Z', [15, 78])).toBe(true);
  });
});
