import type { Gauge, Tank } from '../fleet/rows';
import { litresShown, spokenReading } from './level';

const gauge = (more: Partial<Gauge>): Gauge => ({ id: 'g', station: 's', name: { en: 'G' }, reads: 'needle', min: 0, max: 1, ...more });
const tank: Tank = {
  id: 't',
  name: { en: 'T' },
  holds: 'petrol',
  capacityL: 100,
  needleTable: [
    [0, 0.1],
    [0.5, 0.4],
    [1, 1],
  ],
};

describe('what a gauge shows', () => {
  it('is litres by the tank’s own table for a needle, straight for a sight line', () => {
    expect(litresShown(gauge({}), tank, 0)).toBeCloseTo(10);
    expect(litresShown(gauge({}), tank, 0.5)).toBeCloseTo(40);
    expect(litresShown(gauge({ reads: 'sightLine', max: 50 }), tank, 25)).toBeCloseTo(50);
  });

  it('never falls as the needle rises, and stays within the tank', () => {
    let last = -1;
    for (let i = -2; i <= 12; i += 0.25) {
      const litres = litresShown(gauge({}), tank, i / 10);
      expect(litres).toBeGreaterThanOrEqual(last);
      expect(litres).toBeLessThanOrEqual(100);
      last = litres;
    }
  });

  it('is said in sixteenths, or as a figure with its unit', () => {
    expect(spokenReading(gauge({}), 0.5)).toBe('8/16');
    expect(spokenReading(gauge({ min: -1, max: 1 }), 0)).toBe('8/16');
    expect(spokenReading(gauge({ reads: 'figure', unit: 'V' }), 12.64)).toBe('12.6 V');
    expect(spokenReading(gauge({ reads: 'counter' }), 1240)).toBe('1240');
  });
});
