import fc from 'fast-check';
import {
  awayFrom,
  bearingDeg,
  compassOf,
  decimalDegrees,
  degreesMinutes,
  distanceM,
  fromNearest,
  readPosition,
  seenFrom,
} from './position';

describe('positions', () => {
  it('are as far apart as the meridian says, and as the parallel', () => {
    // A minute of latitude is a nautical mile, 1,852 m, to a part in five hundred on any great circle.
    expect(distanceM([10, 45], [10, 45 + 1 / 60]) / 1852).toBeCloseTo(1, 2);
    expect(distanceM([10, 60], [11, 60]) / (distanceM([10, 0], [11, 0]) / 2)).toBeCloseTo(1, 3);
    expect(bearingDeg([10, 45], [10, 46])).toBeCloseTo(0);
    expect(bearingDeg([10, 0], [11, 0])).toBeCloseTo(90);
    expect(bearingDeg([10, 46], [10, 45])).toBeCloseTo(180);
  });

  it('so far away in a direction are found again by distance and bearing', () => {
    const gap = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);
    fc.assert(
      fc.property(
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.double({ min: -70, max: 70, noNaN: true }),
        fc.double({ min: 0, max: 359.99, noNaN: true }),
        fc.double({ min: 20, max: 20_000, noNaN: true }),
        (lon, lat, bearing, metres) => {
          const there = awayFrom([lon, lat], bearing, metres);
          expect(Math.abs(distanceM([lon, lat], there) - metres)).toBeLessThan(0.01);
          expect(gap(bearingDeg([lon, lat], there), bearing)).toBeLessThan(0.01);
          // Whoever sees a place on that bearing, so far off, sees it from here.
          expect(distanceM(seenFrom(there, bearing, metres), [lon, lat])).toBeLessThan(metres * 0.01 + 1);
        },
      ),
    );
  });

  it('are read out in two notations, both of which mean the same place', () => {
    expect(decimalDegrees([-37.51, 47.4205])).toBe('47.4205 N, 37.5100 W');
    expect(degreesMinutes([-37.51, 47.4205])).toBe('47° 25.230′ N, 037° 30.600′ W');
    expect(degreesMinutes([7.99999999, -47.4205])).toBe('47° 25.230′ S, 008° 00.000′ E');
    const deg = (text: string) => {
      const [, d, m, s] = /^(\d+)° ([\d.]+)′ ([NSEW])$/.exec(text.trim())!;
      return (Number(d) + Number(m) / 60) * (s === 'S' || s === 'W' ? -1 : 1);
    };
    fc.assert(
      fc.property(fc.double({ min: -180, max: 180, noNaN: true }), fc.double({ min: -90, max: 90, noNaN: true }), (lon, lat) => {
        const [first = '', second = ''] = degreesMinutes([lon, lat]).split(',');
        expect(Math.abs(deg(first) - lat)).toBeLessThan(1e-5);
        expect(Math.abs(deg(second) - lon)).toBeLessThan(1e-5);
        expect(Number(/ ([\d.]+)′/.exec(first)?.[1])).toBeLessThan(60);
        const back = readPosition(decimalDegrees([lon, lat]));
        expect(back && distanceM(back, [lon, lat])).toBeLessThan(20);
      }),
    );
  });

  it.each([
    ['47.4205 -37.51', [-37.51, 47.4205]],
    ['47,4205; 37,51 W', [-37.51, 47.4205]],
    ['47.4205°N, 37.51°O', [-37.51, 47.4205]],
    ['91 10', undefined],
    ['47.4', undefined],
    ['here', undefined],
    ['', undefined],
  ])('%j is read', (text, position) => {
    expect(readPosition(text)).toEqual(position);
  });

  it('are told from the nearest named place, by the bearing from it', () => {
    const near = fromNearest(
      [-37.5, 47.5],
      [
        { name: 'Gull Rock', at: [-37.52, 47.5] },
        { name: 'Far Point', at: [-37.9, 47.5] },
      ],
    );
    expect(near?.name).toBe('Gull Rock');
    expect(compassOf(near!.bearingDeg)).toBe('E');
    expect(near!.distanceM).toBeCloseTo(distanceM([-37.52, 47.5], [-37.5, 47.5]));
    expect(fromNearest([0, 0], [])).toBeUndefined();
    expect([-1, 359, 22, 23, 202, 203].map(compassOf)).toEqual(['N', 'N', 'N', 'NE', 'S', 'SW']);
  });
});
