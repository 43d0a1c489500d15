import { demoCase, recordOf } from '../testing/demoHire';
import type { EventBody } from '../record/event';
import { gaugeSamples } from './fills';

const { book } = demoCase;
const read = (gauge: string, shown: number, askew = false): EventBody => ({
  kind: 'gaugeRead',
  walk: 'in',
  gauge,
  shown,
  ...(askew ? { askew } : {}),
});
const fill = (litres: number, brim = true): EventBody => ({ kind: 'fuelFilled', tank: 'petrol', litres, brim, by: 'operator' });
const of = (...bodies: EventBody[]) => gaugeSamples(recordOf(...bodies), book);

describe('what a metered fill proves of a gauge', () => {
  it('is what was in the tank: what it holds less what went in', () => {
    const [sight] = of(read('fuel-sight', 60), fill(38)).filter(({ gauge }) => gauge === 'fuel-sight');
    expect(sight).toMatchObject({ method: 'sightLine', sample: { truth: 0.6 } });
    expect(
      of(read('fuel-sight', 60), read('fuel-needle', 0.5), fill(38))
        .map(({ gauge }) => gauge)
        .sort(),
    ).toEqual(['fuel-needle', 'fuel-sight']);
  });
  it('is nothing when it was not to the brim, in several goes, or more than she holds', () => {
    expect(of(read('fuel-sight', 60), fill(38, false))).toEqual([]);
    expect(of(read('fuel-sight', 60), fill(20), fill(18))).toEqual([]);
    expect(of(read('fuel-sight', 60), fill(500))).toEqual([]);
    expect(of(read('fuel-sight', 60))).toEqual([]);
  });
  it('leaves out a needle that was read askew', () => {
    expect(of(read('fuel-needle', 0.5, true), fill(38))).toEqual([]);
  });
});
