import type { Case } from '../party/ofHire';
import { bookOfDemo, demoCase, recordOf } from '../testing/demoHire';
import { drillsOf, unproven } from './ofHire';
import type { EventBody } from '../record/event';
import { mayAdd } from '../record/mayAdd';
import { pageOf } from '../walk/readback';

const kettle: Case = { ...demoCase, book: bookOfDemo('copper-kettle', 'any-boat', 'live-aboard', 'canal-12') };
const begun: EventBody = { kind: 'walkStarted', walk: 'out' };
const done = (how: 'shown' | 'hints' | 'own' | 'onBoat', mistakes: string[] = [], drill = 'canal-diesel'): EventBody => ({
  kind: 'drillDone',
  drill,
  how,
  by: 'driver',
  mistakes,
  seconds: 90,
});

describe('drills of a hire', () => {
  it('are those of her kind and of the operator’s policies', () => {
    const ids = (of: Case) => drillsOf(recordOf(), of).map(({ drill }) => drill.id);
    expect(ids(kettle)).toEqual(expect.arrayContaining(['canal-diesel', 'weed-hatch', 'gas-flame', 'toilet-hand']));
    expect(ids(kettle)).not.toContain('gas-spark');
    expect(ids(kettle)).not.toContain('outboard-start');
    const spark = { ...kettle, operator: { ...kettle.operator, policies: { ...kettle.operator.policies, hob: 'sparkBuiltIn' as const } } };
    expect(ids(spark)).toContain('gas-spark');
    expect(ids(spark)).not.toContain('gas-flame');
  });

  it('that are needed hold her from the walk on, until one is passed; looking on is no passing', () => {
    expect(unproven(recordOf(), kettle)).toEqual([]);
    expect(unproven(recordOf(begun), kettle)).toEqual(['canal-diesel']);
    expect(unproven(recordOf(begun, done('shown')), kettle)).toEqual(['canal-diesel']);
    for (const how of ['hints', 'own', 'onBoat'] as const) expect(unproven(recordOf(begun, done(how)), kettle)).toEqual([]);
    const strict = { ...kettle, operator: { ...kettle.operator, demonstrationCounts: false } };
    expect(unproven(recordOf(begun, done('onBoat')), strict)).toEqual(['canal-diesel']);
  });

  it('keep every try, and none of them contradicts another', () => {
    const record = recordOf(begun, done('hints', ['clutch-in', 'not-preheated']), done('own', ['clutch-in']), done('own'));
    expect(record.conflicts).toEqual([]);
    expect(drillsOf(record, kettle).find(({ drill }) => drill.id === 'canal-diesel')!.tried).toHaveLength(3);
    // What is read back is the best of them.
    expect(pageOf(record, kettle.book, 'out', 'Copper Kettle', 'de').drills).toEqual([
      { name: 'Den Diesel starten und abstellen', how: 'own', mistakes: 0 },
    ]);
    expect(pageOf(recordOf(begun), kettle.book, 'out', 'Copper Kettle', 'de')).not.toHaveProperty('drills');
  });

  it('are the renter’s to pass, but that something was shown on the boat is somebody else’s word', () => {
    expect(mayAdd('renter', done('own'))).toBe(true);
    expect(mayAdd('renter', done('onBoat'))).toBe(false);
    expect(mayAdd('hand', done('onBoat'))).toBe(true);
  });
});
