import fc from 'fast-check';
import type { Gauge } from '../fleet/rows';
import { spokenReading } from './level';
import { judgeReading, typedReading } from './typed';

const gauge = (more: Partial<Gauge>): Gauge => ({
  id: 'g',
  station: 's',
  name: { en: 'G' },
  reads: 'counter',
  min: 0,
  max: 99_999,
  ...more,
});
const needle = gauge({ reads: 'needle', min: -1, max: 1 });

describe('a reading that was typed', () => {
  it('is on the gauge’s own scale; a needle may be read in sixteenths', () => {
    expect(typedReading(gauge({}), '1 204,5')).toMatchObject({ is: 'read', shown: 1204.5 });
    expect(typedReading(needle, '8', { sixteenths: true })).toMatchObject({ is: 'read', shown: 0 });
    expect(typedReading(needle, '0,5')).toMatchObject({ is: 'read', shown: 0.5 });
  });
  it('is nothing, or out of range, and never guessed', () => {
    expect(typedReading(gauge({}), '  ')).toEqual({ is: 'nothing' });
    for (const text of ['-1', '100000', 'half', '1e3']) expect(typedReading(gauge({}), text)).toEqual({ is: 'range' });
    expect(typedReading(needle, '17', { sixteenths: true })).toEqual({ is: 'range' });
  });
  it('cannot have gone back where it only counts up, but for a totaliser that was zeroed', () => {
    const was = 120;
    expect(typedReading(gauge({}), '119', { was })).toEqual({ is: 'back', was });
    expect(typedReading(gauge({}), '120', { was })).toMatchObject({ is: 'read' });
    expect(typedReading(gauge({ reads: 'totaliser' }), '5', { was })).toEqual({ is: 'back', was });
    expect(typedReading(gauge({ reads: 'totaliser' }), '5', { was, zeroed: true })).toMatchObject({ is: 'read' });
    expect(typedReading(gauge({ reads: 'counter' }), '5', { was, zeroed: true })).toEqual({ is: 'back', was });
    expect(typedReading(gauge({ reads: 'dipstick', max: 400 }), '5', { was })).toMatchObject({ is: 'read', shown: 5 });
  });
  it('outside the usual band is taken, and said', () => {
    const warm = gauge({ reads: 'needle', max: 120, band: [70, 95] });
    expect(judgeReading(warm, 101)).toMatchObject({ is: 'read', unusual: [70, 95] });
    expect(judgeReading(warm, 70)).toMatchObject({ is: 'read', unusual: undefined });
  });
  it('in sixteenths comes back as it is spoken', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 16 }), fc.integer({ min: -5, max: 5 }), fc.integer({ min: 1, max: 500 }), (n, min, span) => {
        const one = gauge({ reads: 'needle', min, max: min + span });
        const read = typedReading(one, String(n), { sixteenths: true });
        expect(read.is === 'read' && spokenReading(one, read.shown)).toBe(`${n}/16`);
      }),
    );
  });
});
