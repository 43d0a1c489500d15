import { briefingOf } from '../briefing/ofHire';
import { fitOf } from '../party/ofHire';
import fc from 'fast-check';
import { bookOfDemo, demoCase, heldBy, party, recordOf, sheet, TODAY } from '../testing/demoHire';
import { keyFor, picturesWanted, stepsAlone, unreadMusts } from './alone';
import type { EventBody } from '../record/event';
import { mayAdd } from '../record/mayAdd';
import { project } from '../record/project';
import { holdsOf } from './hold';
import { walkState } from '../walk/walk';

const of = { ...demoCase, hire: { ...demoCase.hire, handover: 'unattended' as const } };
const { book } = of;
const briefing = briefingOf(recordOf(party), of);
const musts = briefing.toBrief.filter(({ point }) => point.weight === 'must').map(({ point }) => point.id);
const readAtHome = (point: string): EventBody => ({ kind: 'pointRead', point, how: 'read', language: 'fr' });
const AT = `${TODAY}T08:45:00.000Z`;
const free = { holds: [], away: false, now: AT };
const ask = (bodies: EventBody[], with_: Partial<typeof free> = {}) => {
  const record = recordOf(...bodies);
  return keyFor(record, of, briefingOf(record, of), { ...free, ...with_ });
};
const ready = [party, ...musts.map(readAtHome)];

describe('the key', () => {
  it('is kept back until the party is named, the musts are read and its hour has come', () => {
    expect(ask([])).toEqual({ is: 'partyFirst' });
    expect(ask([party])).toEqual({ is: 'briefFirst', left: musts.length });
    expect(ask(ready.slice(0, -1))).toEqual({ is: 'briefFirst', left: 1 });
    expect(ask(ready, { now: `${TODAY}T08:29:59.999Z` })).toEqual({ is: 'tooEarly', opensAt: `${TODAY}T08:30:00.000Z` });
    expect(ask(ready, { now: `${TODAY}T08:30:00.000Z` })).toEqual({ is: 'open' });
  });

  it('stays where it is while she is out with somebody else, and while anything holds her', () => {
    expect(ask(ready, { away: true })).toEqual({ is: 'notBack' });
    const held = recordOf(...ready, { kind: 'boatHeld', why: 'Fog on the lake' });
    const holds = holdsOf(held, book, TODAY, fitOf(held, of, TODAY));
    expect(keyFor(held, of, briefing, { ...free, holds })).toEqual({ is: 'boatHeld' });
  });

  it('opens again for the way home, and for nobody once the hire is closed', () => {
    expect(ask([{ kind: 'castOff' }], { now: `${TODAY}T20:00:00.000Z`, away: true })).toEqual({ is: 'open' });
    expect(ask([{ kind: 'castOff' }, { kind: 'closed', number: 1, statement: 'a'.repeat(64), covers: [], root: 'b'.repeat(64) }])).toEqual({
      is: 'over',
    });
  });

  it('is nobody’s business where staff hand over; where only the return is unattended, it is given out afloat', () => {
    const asked = (handover: 'staffed' | 'staffedOut' | 'engineRunning', ...bodies: EventBody[]) =>
      keyFor(recordOf(...bodies), { ...of, hire: { ...of.hire, handover } }, briefing, free).is;
    expect([asked('staffed', ...ready), asked('engineRunning', ...ready), asked('staffedOut', ...ready)]).toEqual([
      'attended',
      'attended',
      'attended',
    ]);
    expect(asked('staffedOut', { kind: 'castOff' })).toBe('open');
  });

  it('is never given out before everything that is asked is true, whatever the order of entries', () => {
    const bodies: EventBody[] = [...ready, { kind: 'boatHeld', why: 'Fog' }];
    fc.assert(
      fc.property(fc.shuffledSubarray(bodies), fc.boolean(), fc.integer({ min: -120, max: 120 }), (some, away, minutes) => {
        const record = project(heldBy('renter', some));
        const now = new Date(Date.parse(of.hire.from) + minutes * 60_000).toISOString();
        const holds = holdsOf(record, book, TODAY);
        const all = some.includes(party) && ready.every((one) => some.includes(one)) && !some.some(({ kind }) => kind === 'boatHeld');
        const open = keyFor(record, of, briefingOf(record, of), { holds, away, now }).is === 'open';
        expect(open).toBe(all && !away && minutes >= -30);
      }),
    );
  });
});

describe('what has to be read', () => {
  it('counts reading at home and reading aboard alike', () => {
    const briefed: EventBody = { kind: 'pointBriefed', walk: 'out', point: musts[0]!, how: 'read', language: 'fr' };
    expect(unreadMusts(recordOf(briefed, readAtHome(musts[1]!)), briefing)).toEqual(musts.slice(2));
  });
});

describe('pictures that are asked for', () => {
  const electric = bookOfDemo('quiet-pickle', 'any-boat', 'electric-5');
  const looked = (surface: string, ...photos: string[]): EventBody => ({ kind: 'surfaceSeen', walk: 'out', surface, photos });
  it('are missing until there is one of the whole, on a walk alone and not on one with staff', () => {
    const sides = ['port-side', 'starboard-side'];
    expect(picturesWanted(recordOf(), electric, 'out')).toEqual(sides);
    const record = recordOf(looked('port-side'), looked('starboard-side', 'c'.repeat(64)));
    expect(picturesWanted(record, electric, 'out')).toEqual(['port-side']);
    // The way home asks for its own.
    expect(picturesWanted(record, electric, 'in')).toEqual(sides);
    const open = (alone: boolean) => walkState(record, electric, 'out', undefined, alone).flatMap(({ missing }) => missing.pictures);
    expect([open(true).includes('port-side'), open(false).includes('port-side')]).toEqual([true, false]);
  });

  it('asked for always, they are asked of staff as well', () => {
    const always = { ...electric, surfaces: electric.surfaces.map((one) => ({ ...one, picture: 'always' as const })) };
    const missing = walkState(recordOf(looked('port-side')), always, 'out').flatMap((stop) => stop.missing.pictures);
    // Looked at is looked at: what is open is the picture, once.
    expect(missing).toEqual(['port-side']);
  });
});

describe('the steps', () => {
  const stepsOf = (walk: 'out' | 'in', ...bodies: EventBody[]) => {
    const record = recordOf(...bodies);
    return stepsAlone(record, of, briefing, fitOf(record, of, TODAY), walk);
  };
  const doneOf = (steps: ReturnType<typeof stepsOf>) => steps.filter(({ done }) => done).map(({ step }) => step);

  it('are done one by one, from the party to casting off', () => {
    expect(doneOf(stepsOf('out'))).toEqual([]);
    expect(doneOf(stepsOf('out', ...ready))).toEqual(['party', 'briefing']);
    const record = recordOf(...ready, { kind: 'keyGiven' });
    const given = fitOf(record, of, TODAY)!.given.map(({ person, rack }): EventBody => ({
      kind: 'jacketGiven',
      person,
      fitting: rack.fitting,
      where: rack.where,
    }));
    expect(given.length).toBeGreaterThan(2);
    expect(doneOf(stepsOf('out', ...ready, { kind: 'keyGiven' }, ...given.slice(1)))).toEqual(['party', 'briefing', 'key']);
    const completed = book.stations.map(({ id }): EventBody => ({ kind: 'stationCompleted', walk: 'out', station: id }));
    const before: EventBody[] = [...ready, { kind: 'keyGiven' }, ...given];
    // Every stop is completed, but pictures are missing.
    expect(doneOf(stepsOf('out', ...before, ...completed))).toEqual(['party', 'briefing', 'key', 'jackets']);
    const pictures = book.surfaces.map(({ id }): EventBody => ({
      kind: 'surfaceSeen',
      walk: 'out',
      surface: id,
      photos: ['d'.repeat(64)],
    }));
    expect(doneOf(stepsOf('out', ...before, ...completed, ...pictures))).toEqual(['party', 'briefing', 'key', 'jackets', 'walk']);
  });

  it('ask nobody who is alone to feel a propeller through a hatch; staff do', () => {
    const canal = bookOfDemo('copper-kettle', 'any-boat', 'live-aboard', 'canal-12');
    expect(canal.propellers.map(({ evidence }) => evidence)).toEqual(['feltThroughHatch']);
    const asked = (alone: boolean) =>
      walkState(recordOf(), canal, 'in', undefined, alone).flatMap(({ propellers, missing }) => [...propellers, ...missing.propellers]);
    expect([asked(true).length, asked(false).length]).toEqual([0, 2]);
    expect(walkState(recordOf(), book, 'in', undefined, true).flatMap(({ propellers }) => propellers)).toHaveLength(book.propellers.length);
  });

  it('of the way home begin with the moment she came in', () => {
    expect(stepsOf('in').map(({ step }) => step)).toEqual(['cameIn', 'walk', 'sign', 'leave']);
    expect(doneOf(stepsOf('in', { kind: 'cameIn' }))).toEqual(['cameIn']);
    const left: EventBody = { kind: 'roundDone', round: 'leaving', done: ['key'], left: [] };
    expect(doneOf(stepsOf('in', { kind: 'cameIn' }, left))).toEqual(['cameIn', 'leave']);
  });

  it('ask nobody for jackets where nobody is fitted', () => {
    const steps = stepsAlone(recordOf(party), { book, sheets: [sheet] }, briefing, undefined, 'out');
    expect(steps.find(({ step }) => step === 'jackets')?.done).toBe(true);
  });
});

describe('who may add what', () => {
  it('only the quay says that a key was given, and the quay says nothing else but that and closing', () => {
    const given: EventBody = { kind: 'keyGiven' };
    expect((['hand', 'manager', 'renter', 'quay'] as const).map((role) => mayAdd(role, given, { out: true, in: true }))).toEqual([
      false,
      false,
      false,
      true,
    ]);
    expect(mayAdd('quay', { kind: 'castOff' })).toBe(false);
  });
});
