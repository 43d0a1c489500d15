import { castOffCheck } from '../../castOff/check';
import type { CheckCase } from '../../castOff/matter';
import type { EventBody } from '../../record/event';
import { bookOfDemo, demoCase, party, recordOf, TODAY } from '../../testing/demoHire';
import { levelsOf } from './levels';

const houseboat: CheckCase = {
  ...demoCase,
  book: bookOfDemo('slow-custard', 'any-boat', 'live-aboard', 'houseboat-14'),
  hire: {
    ...demoCase.hire,
    from: `${TODAY}T12:00:00.000Z`,
    to: '2026-06-16T10:00:00.000Z',
    party: { adults: 6, children: 2 },
    depositMinor: 0,
  },
  defects: [],
  away: undefined,
};
const read = (gauge: string, shown: number): EventBody => ({ kind: 'gaugeRead', walk: 'out', gauge, shown });
const levels = (...bodies: EventBody[]) => levelsOf(recordOf(party, ...bodies), houseboat);
const matters = (...bodies: EventBody[]) =>
  castOffCheck(recordOf(party, ...bodies), houseboat, { now: `${TODAY}T11:30:00.000Z`, wind: undefined, alone: false }).matters.flatMap(
    ({ found, level, place }) =>
      found.is === 'levelShort' || found.is === 'levelTight' ? [{ is: found.is, tank: found.tank, level, place }] : [],
  );

describe('levels at departure', () => {
  it('a houseboat with an eighth of water and its waste lamp lit is not ready for three nights, and the check says so', () => {
    expect(matters(read('fresh-level', 1), read('waste-lamp', 1))).toEqual([
      { is: 'levelShort', tank: 'waste', level: 'ask', place: { page: 'walk', station: 'saloon' } },
      { is: 'levelShort', tank: 'fresh', level: 'ask', place: { page: 'walk', station: 'galley' } },
    ]);
  });

  it('says nothing of full water and an empty tank of waste, nor of what nobody read', () => {
    // Eight people, 6 to 14 L a day each: at most 313 L in 70 h of 900.
    expect(matters(read('fresh-level', 8))).toEqual([]);
    expect(matters()).toEqual([]);
    expect(levels()).toEqual([]);
  });

  it('what ends first comes first, and a dark lamp promises only the flushes under it', () => {
    const found = levels(read('fresh-level', 4), read('waste-lamp', 0), read('gas', 1));
    expect(found.map(({ tank }) => tank.id)).toEqual(['waste', 'fresh', 'gas']);
    const waste = found[0]!;
    expect(waste.inIt).toEqual({ low: 0, likely: 291, high: 600 - 6 * 3 });
    // At worst eighteen litres of room at 72 L a day; at best all of it.
    expect(waste.hours.low).toBeCloseTo((18 / (9 * 8)) * 24, 6);
    expect(waste.lasts).toBe('perhaps');
  });

  it('starts again from a pump-out or a fill on the way, from when it was entered, and not before', () => {
    const out = [read('fresh-level', 1), read('waste-lamp', 1)];
    const before = levels(...out);
    expect(before[0]!.tank.id).toBe('waste');
    const record = recordOf(
      party,
      ...out,
      { kind: 'tankServed', tank: 'waste', did: 'emptied' },
      { kind: 'tankServed', tank: 'fresh', did: 'filled' },
    );
    const [pumpedMs, filledMs] = [3, 4].map((n) => Date.parse(`${TODAY}T08:00:00.000Z`) + n * 60_000);
    const after = levelsOf(record, houseboat);
    // Eight people: 855 L of water at 40 L each a day are gone in 64 h at the earliest, 570 L of room at 9 in 190 h.
    expect(after.map(({ tank, fromMs, inIt }) => [tank.id, fromMs, inIt.low, inIt.high])).toEqual([
      ['fresh', filledMs, 855, 900],
      ['waste', pumpedMs, 0, 30],
    ]);
    for (const { tank, hours } of after) expect(hours.low).toBeGreaterThan(before.find((one) => one.tank.id === tank.id)!.hours.low);
    expect(levelsOf(record, houseboat, pumpedMs! - 1)).toEqual(before);
  });

  it('has only to last until it can be filled on the way, where the water has such places', () => {
    const canal: CheckCase = {
      ...houseboat,
      waters: {
        ...demoCase.waters!,
        features: [
          {
            type: 'Feature',
            id: 'tap',
            properties: { kind: 'water', name: 'Tap' },
            geometry: { type: 'Point', coordinates: [-38.2, 47.9] },
          },
        ],
      },
    };
    const at = levelsOf(recordOf(party, read('fresh-level', 2)), canal).find(({ tank }) => tank.id === 'fresh')!;
    expect(at.onTheWay).toBe(true);
    expect(at.untilMs - at.fromMs).toBe(36 * 3_600_000);
    expect(levels(read('fresh-level', 2)).find(({ tank }) => tank.id === 'fresh')!.untilMs).toBe(Date.parse(houseboat.hire.to));
  });
});
