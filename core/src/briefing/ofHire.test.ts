import { briefingOf, factsFor, languageOf, minutesTaken, minutesThere, questionsDue, understoodBy } from './ofHire';
import { dayOfUse, fitOf, OWN_JACKET, peopleOf, racksOf } from '../party/ofHire';
import type { Policies } from '../policy/policies';
import { demoCase as of, heldBy, party, people, recordOf as record, TODAY } from '../testing/demoHire';
import { digestOf } from '../events/canonical';
import { project } from '../record/project';
import { readEvent } from '../record/readEvent';
import type { EventBody } from '../record/event';
import { holdsOf } from '../castOff/hold';
import { walkState } from '../walk/walk';

const { book } = of;
const briefed = (point: string): EventBody => ({ kind: 'pointBriefed', walk: 'out', point, how: 'said', language: 'fr' });
const answered = (question: string, right: boolean): EventBody => ({
  kind: 'understandingShown',
  point: 'bow-rails',
  by: 'driver',
  how: 'answered',
  question,
  answer: 'a',
  right,
  language: 'fr',
});

describe('who is aboard', () => {
  it('is read off the sheet that the record names, and unknown while the sheet is not here', () => {
    expect(peopleOf(record(), of.sheets)).toBeUndefined();
    expect(peopleOf(record(party), of.sheets)).toEqual(people);
    expect(peopleOf(record(party), [])).toBeUndefined();
    expect(fitOf(record(party), { ...of, sheets: [] }, TODAY)).toBeUndefined();
  });
});

describe('jackets as they are counted', () => {
  const count = (n: number, state: 'fine' | 'damaged' = 'fine'): EventBody => ({
    kind: 'counted',
    walk: 'out',
    fitting: 'jackets-child-l',
    count: n,
    state,
  });
  const children = (...bodies: EventBody[]) =>
    racksOf(record(...bodies), of, TODAY).find(({ fitting }) => fitting === 'jackets-child-l')?.count;
  it('are the book’s until somebody counts, then what is there, and none of a line that is broken', () => {
    expect([children(), children(count(1)), children(count(2, 'damaged'))]).toEqual([2, 1, 0]);
  });
  it('that are out of date are given to nobody', () => {
    const old = {
      ...book,
      fittings: book.fittings.map((fitting) => (fitting.id === 'jackets-child-l' ? { ...fitting, expiry: '2026-05' } : fitting)),
    };
    expect(racksOf(record(), { ...of, book: old }, TODAY).find(({ fitting }) => fitting === 'jackets-child-l')?.count).toBe(0);
  });
  it('come short of three children aboard, and the store helps out; without it she is held', () => {
    const fit = fitOf(record(party), of, TODAY)!;
    expect(fit.unserved).toEqual([]);
    expect(fit.given.filter(({ rack }) => rack.where === 'store').map(({ rack }) => rack.fitting)).toEqual(['store-child-l']);
    const bare = fitOf(record(party), { ...of, base: { ...of.base, store: [] } }, TODAY)!;
    expect(bare.short).toMatchObject([{ jackets: 2, missing: 1, fromKg: 20, toKg: 30 }]);
    expect(holdsOf(record(party), book, TODAY, bare)).toContainEqual({ is: 'noJacket', people: bare.unserved });
    expect(holdsOf(record(party), book, TODAY, fit).map(({ is }) => is)).not.toContain('noJacket');
  });
});

describe('a jacket that somebody brought', () => {
  const label = { kind: 'foam' as const, fromKg: 20, toKg: 30, newtons: 100 as const };
  const sheetOf = (massKg: number) => ({
    salt: 'e'.repeat(32),
    party: { people: [{ id: 'c', name: 'Kip', age: 8, massKg, swims: 'weakly' as const }] },
  });
  const fitBy = (role: 'hand' | 'renter', policy: Policies['ownJackets'], massKg = 25, jacket = label) => {
    const sheet = sheetOf(massKg);
    const given: EventBody = { kind: 'jacketGiven', person: 'c', fitting: OWN_JACKET, where: 'brought', jacket };
    const made = project([
      ...heldBy('hand', [{ kind: 'partySet', sheet: digestOf(sheet), people: 1, children: 1 }]),
      ...heldBy(role, [{ kind: 'partySet', sheet: digestOf(sheet), people: 1, children: 1 }, given]).slice(1),
    ]);
    const bare = { ...of.book, fittings: of.book.fittings.filter((fitting) => !fitting.jacket) };
    const own = {
      ...of,
      book: bare,
      base: { ...of.base, store: [] },
      sheets: [sheet],
      operator: { ...of.operator, policies: { ...of.operator.policies, ownJackets: policy } },
    };
    return fitOf(made, own, TODAY)!;
  };

  it('counts by the policy, once a hand or the renter confirmed it', () => {
    expect(fitBy('hand', 'confirmedByHand')).toMatchObject({ unserved: [], given: [{ person: 'c', rack: { where: 'brought' } }] });
    expect(fitBy('renter', 'confirmedByRenter').unserved).toEqual([]);
    expect(fitBy('renter', 'confirmedByHand')).toMatchObject({ unserved: ['c'], brought: [{ not: 'policy' }] });
    expect(fitBy('hand', 'never')).toMatchObject({ unserved: ['c'], brought: [{ not: 'policy' }] });
    expect(fitBy('hand', undefined).unserved).toEqual(['c']);
  });

  it('has to fit and to carry enough like any other', () => {
    expect(fitBy('hand', 'confirmedByHand', 34)).toMatchObject({ unserved: ['c'], brought: [{ not: 'tooSmall' }] });
    expect(fitBy('hand', 'confirmedByHand', 25, { ...label, newtons: 50 as never })).toMatchObject({
      brought: [{ not: 'tooLittleBuoyancy' }],
    });
    expect(fitBy('hand', 'confirmedByHand', 25, { ...label, kind: 'selfInflating' as never })).toMatchObject({
      brought: [{ not: 'inflatingNotForThem' }],
    });
  });

  it('says what its label says, and no other jacket does', () => {
    const read = (body: unknown) => readEvent({ ...heldBy('hand', [{ kind: 'castOff' }])[0]!.event, body }).ok;
    expect(read({ kind: 'jacketGiven', person: 'c', fitting: 'own', where: 'brought', jacket: label })).toBe(true);
    expect(read({ kind: 'jacketGiven', person: 'c', fitting: 'own', where: 'brought' })).toBe(false);
    expect(read({ kind: 'jacketGiven', person: 'c', fitting: 'jackets-adult', where: 'aboard', jacket: label })).toBe(false);
  });
});

describe('the briefing of this hire', () => {
  it('knows the party from the booking, and better once it is entered', () => {
    expect(factsFor(record(), of)).toMatchObject({
      'party.children': 3,
      'party.weakSwimmers': undefined,
      'boat.class': 'pontoon-7',
      'hire.hours': 4,
    });
    expect(factsFor(record(party), of)).toMatchObject({ 'party.youngest': 8, 'party.weakSwimmers': 3, 'policy.trees': 'never' });
    const grown = { ...of, hire: { ...of.hire, party: { adults: 2, children: 0 } } };
    const ids = (briefing: ReturnType<typeof briefingOf>) => briefing.toBrief.map(({ point }) => point.id);
    expect(ids(briefingOf(record(), grown))).not.toContain('jackets-fit');
    expect(ids(briefingOf(record(party), grown))).toContain('jackets-fit');
    // What belongs to another kind of boat is not told here.
    expect(ids(briefingOf(record(), of))).toEqual(expect.arrayContaining(['kill-cord-on', 'bow-gate']));
  });
  it('takes the minutes that are set, and is shorter for somebody who was told a month ago', () => {
    expect(minutesThere(record(), of)).toBe(of.operator.briefingMinutes);
    expect(minutesThere(record({ kind: 'briefingSet', minutes: 5 }), of)).toBe(5);
    expect(briefingOf(record({ kind: 'briefingSet', minutes: 5 }), of).overBy).toBeGreaterThan(0);
    const before = Object.fromEntries(book.points.map(({ id }) => [id, '2026-05-13T09:00:00.000Z']));
    const again = briefingOf(record(), { ...of, briefedBefore: before });
    expect(again.seconds).toBeLessThan(briefingOf(record(), of).seconds / 2);
    expect(again.toBrief.filter(({ short }) => short).every(({ briefedDaysAgo }) => briefedDaysAgo === 31)).toBe(true);
    expect(again.guide.every(({ why }) => why === 'toldBefore')).toBe(true);
  });
  it('is what the walk’s stops say and lack', () => {
    const stops = walkState(record(party), book, 'out', briefingOf(record(party), of));
    const bow = stops.find(({ station }) => station.id === 'bow')!;
    expect(bow.missing.points).toEqual(['bow-rails', 'bow-gate']);
    expect(stops.flatMap(({ points }) => points).length).toBe(briefingOf(record(party), of).toBrief.length);
  });
});

describe('whether it was understood', () => {
  const others = ['jackets-where', 'lookout-word', 'no-brakes'].map(briefed);
  it('is asked some way after the telling, comes back when the answer is wrong, and stays in the record', () => {
    const briefing = briefingOf(record(), of);
    const due = (here: string | undefined, ...bodies: EventBody[]) =>
      questionsDue(record(...bodies), briefing, { understandingBy: ['driver'] }, here)
        .filter(({ point }) => point.id === 'bow-rails')
        .map(({ state }) => state);
    expect(due('helm', briefed('bow-rails'))).toEqual([]);
    expect(due('helm', briefed('bow-rails'), ...others)).toMatchObject([{ is: 'ask', question: { id: 'rails-where' } }]);
    expect(due('bow', briefed('bow-rails'), ...others)).toEqual([]);
    const wrong = [briefed('bow-rails'), ...others, answered('rails-where', false)];
    expect(due('bow', ...wrong)).toMatchObject([{ is: 'tellAgain', question: { id: 'rails-why' } }]);
    const right = [...wrong, answered('rails-why', true)];
    expect(due(undefined, ...right)).toEqual([]);
    const point = book.points.find(({ id }) => id === 'bow-rails')!;
    expect(understoodBy(record(...right), point, 'driver')).toMatchObject({ is: 'understood', how: 'answered', tries: 2 });
    // The lookout was not asked.
    expect(understoodBy(record(...right), point, 'lookout')).toMatchObject({ is: 'ask' });
  });
  it('counts the minutes from the first telling to the last', () => {
    expect(minutesTaken(record(briefed('bow-rails')))).toBeUndefined();
    expect(minutesTaken(record(briefed('bow-rails'), ...others))).toBe(3);
  });
});

describe('the language the renter is spoken to in', () => {
  const chosen = (language: 'fr' | 'de'): EventBody => ({ kind: 'languageChosen', language });
  it('is the booking’s until somebody chooses, then the last that was chosen; that is no quarrel', () => {
    expect(languageOf(record(), { language: 'es' })).toBe('es');
    const twice = record(chosen('fr'), chosen('de'));
    expect([languageOf(twice, { language: 'es' }), twice.conflicts]).toEqual(['de', []]);
  });
});

describe('the day by which dates of expiry are judged', () => {
  it('is the day she leaves, on the clocks of the base, or today where that has passed', () => {
    const at = (from: string) => ({ hire: { from }, base: { zone: 'Pacific/Auckland' } });
    expect(dayOfUse(at('2026-06-30T13:00:00.000Z'), '2026-06-01T00:00:00.000Z')).toBe('2026-07-01');
    expect(dayOfUse(at('2026-06-01T00:00:00.000Z'), '2026-06-30T13:00:00.000Z')).toBe('2026-07-01');
  });
});
