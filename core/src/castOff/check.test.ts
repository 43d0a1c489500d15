import type { CheckCase, CheckNow } from './matter';
import { briefingOf } from '../briefing/ofHire';
import { fitOf } from '../party/ofHire';
import { LEVELS, OVERRIDABLE } from '../policy/castOff';
import { HandoverPolicy } from '../fleet/handoverPolicy';
import { keyOfHold } from './hold';
import type { EventBody } from '../record/event';
import { digestOf } from '../events/canonical';
import { demoCase, heldBy, party, people, recordOf, sheet, TODAY } from '../testing/demoHire';
import { project } from '../record/project';
import { castOffCheck } from './check';
import { plannedHours } from './fuelPlan';

const of: CheckCase = { ...demoCase, hire: { ...demoCase.hire, depositMinor: 25_000 }, defects: [], away: undefined };
// Noon on open water: light, and a breeze she may go out in.
const given: CheckNow = { now: `${TODAY}T14:30:00.000Z`, wind: { ms: 4, by: 'mast' }, alone: false };
const noonHire = { ...of.hire, from: `${TODAY}T15:00:00.000Z`, to: `${TODAY}T19:00:00.000Z` };
const day: CheckCase = { ...of, hire: noonHire };
const { book } = of;

const briefed = (bodies: readonly EventBody[]): EventBody[] =>
  briefingOf(recordOf(...bodies), day).toBrief.map(({ point }) => ({
    kind: 'pointBriefed' as const,
    walk: 'out' as const,
    point: point.id,
    how: 'said' as const,
    language: 'en',
  }));
const jackets: EventBody[] = fitOf(recordOf(party), day, TODAY)!.given.map(({ person, rack }) => ({
  kind: 'jacketGiven',
  person,
  fitting: rack.fitting,
  where: rack.where,
}));
/** Everything done that there is to do, by the book. */
const all: EventBody[] = [
  { kind: 'walkStarted', walk: 'out' },
  party,
  ...jackets,
  ...briefed([party]),
  ...book.fittings.map((fitting): EventBody => ({
    kind: 'counted',
    walk: 'out',
    fitting: fitting.id,
    count: fitting.count,
    state: 'fine',
  })),
  ...book.gauges.map((gauge): EventBody => ({ kind: 'gaugeRead', walk: 'out', gauge: gauge.id, shown: gauge.max })),
  ...book.surfaces.map((surface): EventBody => ({ kind: 'surfaceSeen', walk: 'out', surface: surface.id, photos: ['a'.repeat(64)] })),
  ...book.propellers.map((one): EventBody => ({ kind: 'evidenceGiven', walk: 'out', propeller: one.id, state: 'sound', photos: [] })),
  ...book.drills.map((drill): EventBody => ({ kind: 'drillDone', drill: drill.id, how: 'own', by: 'driver', mistakes: [], seconds: 60 })),
  { kind: 'depositTaken', amountMinor: 25_000, how: 'cash' },
];
const check = (bodies: readonly EventBody[], over: Partial<CheckNow> = {}, as: CheckCase = day) =>
  castOffCheck(recordOf(...bodies), as, { ...given, ...over });
const found = (...args: Parameters<typeof check>) => check(...args).matters.map(({ found: { is } }) => is);
const without = (match: (body: EventBody) => boolean) => all.filter((body) => !match(body));

describe('the cast-off check', () => {
  it('finds nothing but what was not asked about when everything is done, and then lets her go', () => {
    const done = check(all);
    expect(done.matters.filter(({ level }) => level !== 'note')).toEqual([]);
    expect(done.notChecked).toEqual([]);
    expect(done.mayGo).toBe(true);
  });

  it('names each thing that is left out, where it is settled and whose rule it is', () => {
    const point = briefingOf(recordOf(party), day).toBrief.find((one) => one.point.weight === 'must')!.point;
    const { matters, mayGo } = check(without((body) => body.kind === 'pointBriefed' && body.point === point.id));
    expect(matters.find(({ found: { is } }) => is === 'notTold')).toMatchObject({
      level: 'hold',
      origin: 'operator',
      place: { page: 'walk', station: point.station },
      found: { points: [point.id], station: point.station },
    });
    expect(mayGo).toBe(false);
    expect(found(without(({ kind }) => kind === 'depositTaken'))).toContain('deposit');
    expect(found([...all, { kind: 'boatHeld', why: 'fog' }])).toContain('said');
  });

  it('takes who knows the boat as told, and a lack of time not', () => {
    const skip = (why: 'knowsTheBoat' | 'noTime') =>
      all.map((body): EventBody => (body.kind === 'pointBriefed' ? { kind: 'pointSkipped', walk: 'out', point: body.point, why } : body));
    expect(found(skip('knowsTheBoat'))).not.toContain('notTold');
    expect(found(skip('noTime'))).toContain('notTold');
  });

  it('sees a wrong answer until it is put right, and only notes what nobody asked', () => {
    const point = briefingOf(recordOf(party), day).toBrief.find((one) => one.point.weight === 'must' && one.point.questions?.length)!.point;
    const answer = (right: boolean): EventBody => ({
      kind: 'understandingShown',
      point: point.id,
      by: 'driver',
      how: 'answered',
      question: point.questions![0]!.id,
      answer: 'a',
      right,
      language: 'en',
    });
    expect(found([...all, answer(false)])).toContain('notUnderstood');
    expect(found([...all, answer(false), answer(true)])).not.toContain('notUnderstood');
    expect(check(all).matters.find(({ found: { is } }) => is === 'notAsked')).toMatchObject({ level: 'note' });
  });

  it('measures wind against her limit, and says that nobody knows it where nobody does', () => {
    const limit = book.windLimitMs!;
    expect(found(all, { wind: { ms: limit, by: 'mast' } })).not.toContain('wind');
    expect(found(all, { wind: { ms: limit + 0.1, by: 'hand' } })).toContain('wind');
    const unknown = check(all, { wind: undefined });
    expect(unknown.notChecked).toContainEqual({ is: 'wind' });
    expect(unknown.mayGo).toBe(true);
  });

  it('measures light on hires of one day by the end of it, and leaving in the dark on any', () => {
    const late = { ...day, hire: { ...noonHire, to: `${TODAY}T23:55:00.000Z` } };
    expect(check(all, {}, late).matters.find(({ found: { is } }) => is === 'light')).toMatchObject({
      found: { dark: false, night: 'forbidden' },
    });
    const days = { ...day, hire: { ...noonHire, to: '2026-06-15T23:55:00.000Z' } };
    expect(found(all, {}, days)).not.toContain('light');
    expect(found(all, { now: '2026-06-14T02:00:00.000Z' }, days)).toContain('light');
    const free = { ...late, operator: { ...late.operator, policies: { ...late.operator.policies, night: 'allowed' as const } } };
    expect(found(all, {}, { ...free, base: { ...free.base, policies: {} }, waters: null })).not.toContain('light');
  });

  it('asks about people who are to be towed as the policy has it, and says who', () => {
    const towed = {
      salt: sheet.salt,
      party: { people: people.map((person) => (person.id === 'c' ? { ...person, towed: true } : person)) },
    };
    const under = (towing: 'allowed' | 'restricted' | 'forbidden', castOff: CheckCase['operator']['castOff'] = {}): CheckCase => ({
      ...day,
      sheets: [towed],
      waters: null,
      base: { ...day.base, policies: {} },
      operator: { ...day.operator, castOff, policies: { ...day.operator.policies, towing } },
    });
    const set: EventBody = { kind: 'partySet', sheet: digestOf(towed), people: 5, children: 3 };
    const matter = (as: CheckCase) =>
      check(
        all.map((body) => (body.kind === 'partySet' ? set : body)),
        {},
        as,
      ).matters.find(({ found: { is } }) => is === 'towing');
    expect(matter(under('allowed'))).toBeUndefined();
    expect(matter(under('restricted'))).toMatchObject({ level: 'ask', found: { people: ['c'] }, place: { page: 'fit' } });
    expect(matter(under('forbidden'))).toMatchObject({ level: 'hold', overridable: true });
    // What the operator says of it goes before what is usual.
    expect(matter(under('forbidden', { towing: 'note' }))).toMatchObject({ level: 'note' });
    expect(check([...all, party], {}, { ...under('forbidden'), sheets: [sheet] }).matters.map(({ found: { is } }) => is)).not.toContain(
      'towing',
    );
  });

  it('measures fuel by the plan: a third is kept, and more hours need more', () => {
    const low = all.map((body): EventBody =>
      body.kind === 'gaugeRead' && book.gauges.find(({ id }) => id === body.gauge)?.tank
        ? { ...body, shown: 0.3 * book.gauges.find(({ id }) => id === body.gauge)!.max }
        : body,
    );
    const short = check(low).matters.find(({ found: { is } }) => is === 'fuel');
    expect(short).toMatchObject({ level: 'ask', place: { page: 'walk' } });
    const few = { ...day, operator: { ...day.operator, underWayHoursADay: 0.5 } };
    expect(found(low, {}, few)).not.toContain('fuel');
    expect(plannedHours(day)).toBe(3);
    expect(plannedHours({ ...day, hire: { ...noonHire, to: `${TODAY}T16:00:00.000Z` } })).toBe(1);
  });

  it('asks for a picture of what is read where the book asks for one, once it was read', () => {
    const oil = book.gauges[0]!;
    const asked = {
      ...day,
      book: { ...book, gauges: book.gauges.map((one) => (one === oil ? { ...one, picture: 'always' as const } : one)) },
    };
    const missing = { is: 'pictureMissing', surface: oil.id };
    expect(check(all, {}, asked).matters).toContainEqual(expect.objectContaining({ found: expect.objectContaining(missing) as unknown }));
    const shown = all.map((body) => (body.kind === 'gaugeRead' && body.gauge === oil.id ? { ...body, photos: ['a'.repeat(64)] } : body));
    expect(found(shown, {}, asked)).not.toContain('pictureMissing');
    expect(
      found(
        without((body) => body.kind === 'gaugeRead' && body.gauge === oil.id),
        {},
        asked,
      ),
    ).not.toContain('pictureMissing');
  });

  it('holds her for what an earlier hire left, until a manager lets her go with that', () => {
    const defect = { hire: 'h-9', key: 'fault/x', is: 'said' as const, note: 'Steering is stiff' };
    const as = { ...day, defects: [defect] };
    const matter = check(all, {}, as).matters.find(({ found: { is } }) => is === 'defect')!;
    expect(matter).toMatchObject({ level: 'hold', overridable: true, origin: 'record', place: { page: 'turnaround', hire: 'h-9' } });
    expect(check(all, {}, as).mayGo).toBe(false);
    expect(check(all).mayGo).toBe(true);
  });

  it('lists what nobody looked at', () => {
    const { notChecked } = check([party]);
    expect(notChecked.filter(({ is }) => is === 'stop').length).toBeGreaterThan(4);
    expect(notChecked.some(({ is }) => is === 'fuel')).toBe(true);
  });

  it('holds her while nobody is named, no jacket given or no crew chosen, unless the operator softens that', () => {
    const level = (bodies: readonly EventBody[], is: string, as = day) =>
      check(bodies, {}, as).matters.find(({ found: one }) => one.is === is)?.level;
    expect(
      level(
        without(({ kind }) => kind === 'partySet'),
        'noParty',
      ),
    ).toBe('hold');
    const bare = without(({ kind }) => kind === 'jacketGiven');
    expect(check(bare).matters.find(({ found: { is } }) => is === 'jacketsOpen')).toMatchObject({
      level: 'hold',
      overridable: true,
      place: { page: 'fit' },
      found: { people: people.map(({ id }) => id) },
    });
    const nobody = { ...sheet, party: { people: people.map(({ drives: _, lookout: __, ...one }) => one) } };
    const crewless = { ...day, sheets: [nobody] };
    const entered = all.map((body): EventBody => (body.kind === 'partySet' ? { ...body, sheet: digestOf(nobody) } : body));
    expect(
      check(entered, {}, crewless)
        .matters.filter(({ found: { is } }) => is === 'crewOpen')
        .map(({ key, level: how }) => [key, how]),
    ).toEqual([
      ['crewOpen/noDriver', 'hold'],
      ['crewOpen/noLookout', 'hold'],
    ]);
    const soft = { ...day, operator: { ...day.operator, castOff: { noParty: 'note' as const, jacketsOpen: 'ask' as const } } };
    expect(
      level(
        without(({ kind }) => kind === 'partySet'),
        'noParty',
        soft,
      ),
    ).toBe('note');
    expect(level(bare, 'jacketsOpen', soft)).toBe('ask');
  });

  it('never lets a boat go that somebody else is out with, whoever waives it', () => {
    const away = { hire: 'h-8', renter: 'Piet', castOffAt: `${TODAY}T10:00:00.000Z`, due: `${TODAY}T14:00:00.000Z` };
    const seen = check(all, {}, { ...day, away });
    expect(seen.matters[0]).toMatchObject({ key: 'away', level: 'hold', overridable: false, place: { page: 'comeIn', hire: 'h-8' } });
    expect(seen.mayGo).toBe(false);
    const waived = castOffCheck(
      project([
        ...heldBy('hand', all),
        ...release('away').map((one) => ({ ...one, event: { ...one.event, id: one.event.id.replace(/^0{8}/, '00000001'), device: 'm' } })),
      ]),
      { ...day, away },
      given,
    );
    expect([waived.mayGo, waived.matters[0]!.override]).toEqual([false, undefined]);
    expect(check(all).mayGo).toBe(true);
  });

  const release = (matter: string, role: 'manager' | 'hand' = 'manager') =>
    heldBy(role, [{ kind: 'holdOverridden', matter, why: 'she knows' }]);
  const withRelease = (bodies: readonly EventBody[], matter: string, role: 'manager' | 'hand' = 'manager') =>
    castOffCheck(
      project([
        ...heldBy('hand', bodies),
        ...release(matter, role).map((one) => ({
          ...one,
          event: { ...one.event, id: one.event.id.replace(/^0{8}/, '00000001'), device: 'm' },
        })),
      ]),
      day,
      given,
    );

  it('lets her go with what a manager let go, naming who and why', () => {
    const bodies = without(({ kind }) => kind === 'depositTaken');
    const { key } = check(bodies).matters.find(({ found: { is } }) => is === 'deposit')!;
    expect(check(bodies).mayGo).toBe(false);
    expect(withRelease(bodies, key, 'hand').mayGo).toBe(false);
    const gone = withRelease(bodies, key);
    expect(gone.mayGo).toBe(true);
    expect(gone.matters.find((one) => one.key === key)?.override).toMatchObject({ why: 'she knows', by: 'manager' });
  });

  it('never lets her go over her plate, without a jacket or with a driver the law does not allow', () => {
    const tight = { ...day, book: { ...book, plate: { people: 3, loadKg: 100 } } };
    const { matters } = check(all, {}, tight);
    const heads = matters.find(({ found: { is } }) => is === 'tooMany')!;
    expect(heads).toMatchObject({ level: 'hold', overridable: false, origin: 'plate', key: keyOfHold({ is: 'tooMany' } as never) });
    const over = castOffCheck(
      project([
        ...heldBy('hand', all),
        ...release('tooMany').map((one) => ({
          ...one,
          event: { ...one.event, id: one.event.id.replace(/^0{8}/, '00000001'), device: 'm' },
        })),
      ]),
      tight,
      given,
    );
    expect(over.matters.find(({ found: { is } }) => is === 'tooMany')?.override).toBeUndefined();
    expect(over.mayGo).toBe(false);
  });

  it('takes each matter as the operator says, and refuses a rule about what cannot be lifted', () => {
    const bodies = without(({ kind }) => kind === 'depositTaken');
    for (const level of LEVELS) {
      const as = { ...day, operator: { ...day.operator, castOff: { deposit: level } } };
      const seen = check(bodies, {}, as);
      expect(seen.matters.find(({ found: { is } }) => is === 'deposit')?.level).toBe(level);
      expect(seen.mayGo).toBe(level === 'note');
    }
    expect(OVERRIDABLE).not.toContain('tooMany');
    expect(HandoverPolicy.parse({ castOff: { tooMany: 'note', wind: 'hold' } }).castOff).toEqual({ wind: 'hold' });
  });
});
