import { METRIC } from '@quay/core/number/units';
import { distanceOf, fieldText, figure, spanOf, whenOf } from './format';
import { measures, speakIn } from './units';

it('says spans as one does on the quay', () => {
  expect([5, 59, 60, 78, 47 * 60 + 59, 52 * 60].map(spanOf)).toEqual(['5 min', '59 min', '1 h 00', '1 h 18', '47 h 59', '2 d 4 h']);
});

it('puts the day before the clock when it is not today, in the base’s own zone', () => {
  const now = Date.parse('2026-06-13T10:00:00.000Z');
  expect(whenOf('2026-06-13T11:30:00.000Z', 'Europe/Dublin', now, 'en')).toBe('12:30');
  expect(whenOf('2026-06-14T08:30:00.000Z', 'Europe/Dublin', now, 'en')).toMatch(/14.*09:30$/);
  // Still today in Dublin, though the day has turned in UTC's east.
  expect(whenOf('2026-06-13T22:30:00.000Z', 'Europe/Dublin', now, 'en')).toBe('23:30');
});

it('gives near things in millimetres', () => {
  expect([0.042, 0.9996, 1.866].map(distanceOf)).toEqual(['42 mm', '1000 mm', '1.9 m']);
});

it('keeps at most one decimal', () => {
  expect([1, 1.26, 10.04].map(figure)).toEqual(['1', '1.3', '10']);
});

describe('what stands in a field', () => {
  afterEach(() => speakIn(undefined));

  it('is a round figure of ours, and the whole of it where another unit is typed: ten gallons stay ten', () => {
    expect(fieldText(37.854118, 'L')).toBe('37.9');
    speakIn({ ...METRIC, volume: 'galUs' });
    expect(measures().shown(Number(fieldText(37.854118, 'L')), 'L')).toBe(10);
    expect(fieldText(12.64, 'V')).toBe('12.6');
  });
});
