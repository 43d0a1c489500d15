import { bookOfWork } from '../testing/workBook';
import { recordOf } from '../testing/demoHire';
import { asItWas } from './asItWas';
import type { EventBody } from '../record/event';
import { project } from '../record/project';
import { walkState } from './walk';

const out: EventBody[] = bookOfWork.fittings.map(({ id }) => ({ kind: 'counted', walk: 'out', fitting: id, count: 3, state: 'fine' }));
const stops = (...bodies: EventBody[]) => {
  const record = recordOf(...bodies);
  return { record, all: walkState(record, bookOfWork, 'in') };
};

describe('as it was, in one press', () => {
  it('says of everything open at a stop what departure said, and leaves what has to be read', () => {
    const { record, all } = stops(...out);
    const said = all.flatMap((stop) => asItWas(record, stop));
    const after = stops(...out, ...said).all;
    expect(after.map(({ missing: { fittings, surfaces } }) => [...fittings, ...surfaces])).toEqual(after.map(() => []));
    expect(after.flatMap(({ missing }) => missing.gauges)).toEqual(bookOfWork.gauges.map(({ id }) => id));
    // What has to be looked for is asked by itself: nobody said that the rubbish is gone, nor could one press say it.
    expect(after.flatMap(({ missing }) => missing.checks)).toEqual(bookOfWork.checks.map(({ id }) => id));
    expect(said.filter(({ kind }) => kind === 'counted').every((one) => one.kind === 'counted' && one.count === 3 && one.asBefore)).toBe(
      true,
    );
  });

  it('leaves alone what somebody entered already, and what nobody counted at departure', () => {
    const two: EventBody = { kind: 'counted', walk: 'in', fitting: bookOfWork.fittings[0]!.id, count: 2, state: 'fine' };
    const { record, all } = stops(...out, two);
    expect(all.flatMap((stop) => asItWas(record, stop))).not.toContainEqual(expect.objectContaining({ fitting: two.fitting }));
    const bare = walkState(project([]), bookOfWork, 'in');
    expect(bare.flatMap((stop) => asItWas(project([]), stop)).some(({ kind }) => kind === 'counted')).toBe(false);
  });
});
