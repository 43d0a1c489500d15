import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Base } from './base';
import { BoatBook, type Book, ClassBook } from './book';
import { judge } from './judge';
import { mergeBooks, lineageOf } from './merge';

/** What is briefed with the demonstration's own books, where it could hurt somebody or cost them money wrongly. */

const DEMO = join(__dirname, '../../../demo');
const CLASSES = join(__dirname, '../../../starters/classes');
const json = (...path: string[]): unknown => JSON.parse(readFileSync(join(...path), 'utf8'));
const classes = new Map(
  readdirSync(CLASSES)
    .map((name) => ClassBook.parse(json(CLASSES, name)))
    .map((one) => [one.id, one]),
);
const books = new Map<string, Book>();
for (const name of readdirSync(join(DEMO, 'boats'))) {
  const boat = BoatBook.parse(json(DEMO, 'boats', name));
  const way = lineageOf(boat.class, classes);
  const resolved = way.ok ? mergeBooks(way.lineage, boat) : way;
  if (!resolved.ok) throw new Error(JSON.stringify(resolved));
  books.set(boat.class, resolved.book);
}
const book = (id: string) => books.get(id)!;
const point = (of: string, id: string) => book(of).points.find((one) => one.id === id)!;
const counted = (of: string) => book(of).fittings.map(({ id }) => id);

describe('the books of the demonstration', () => {
  it('are read, one boat of each class', () => {
    expect([...books.keys()].sort()).toEqual(['canal-12', 'cruiser-10', 'electric-5', 'houseboat-14', 'pontoon-7', 'rib-6']);
  });

  it('try the propeller in gear in open water, never in neutral and never on the slow way in', () => {
    const [screw] = book('cruiser-10').propellers;
    for (const said of [screw!.outWhen, screw!.inWhen]) {
      expect(said!.en).toMatch(/in gear/);
      expect(said!.en).not.toMatch(/neutral|full revs|straight/i);
    }
    expect(screw!.inWhen!.en).toMatch(/before you slow down/);
  });

  it('have nobody in the water while a generator runs, wherever it is', () => {
    const generator = point('houseboat-14', 'generator');
    expect(generator.caution!.en).toMatch(/Nobody is in the water.*exhaust.*intake/);
    const right = generator.questions!.find(({ id }) => id === 'gen-swim')!.answers.filter((answer) => answer.right);
    expect(right.map(({ say }) => say.en)).toEqual([expect.stringMatching(/^Nowhere: it is off before/)]);
    expect(point('houseboat-14', 'swim-engine').say.en).toMatch(/generator off/);
  });

  it('never forbid a flame where there is a hob', () => {
    for (const [id, { points }] of books) {
      const told = points.find((one) => one.id === 'no-fuel');
      if (counted(id).includes('gas-spare')) expect(told?.say.en).toMatch(/hob is the only flame/);
      else expect(told?.say.en ?? 'nothing burning').toMatch(/nothing burning/);
    }
  });

  it('count a kill cord wherever one is briefed or drilled, and its spare clip where it restarts her', () => {
    for (const [id, { points, kind }] of books) {
      const told = points.some((one) => one.id === 'kill-cord-on') && ['pontoon', 'rib', 'houseboat', 'electricLaunch'].includes(kind);
      if (told) expect([id, counted(id)]).toEqual([id, expect.arrayContaining(['kill-cord'])]);
      if (['pontoon', 'rib', 'houseboat'].includes(kind)) expect([id, counted(id)]).toEqual([id, expect.arrayContaining(['kill-clip'])]);
    }
  });

  it('say one thing about one thing', () => {
    expect(book('houseboat-14').gauges.find(({ id }) => id === 'waste-lamp')!.flushesLeft).toBe(6);
    expect(point('houseboat-14', 'toilet-electric').say.en).toMatch(/six flushes/);
    const { rounds } = book('canal-12');
    const greased = rounds.filter(({ items }) => items.some(({ id }) => id === 'greaser')).map(({ id }) => id);
    expect(greased).toEqual(['evening']);
    expect(point('canal-12', 'greaser').say.en).toMatch(/each evening/);
    for (const { gauges } of books.values())
      for (const gauge of gauges) if (gauge.reads === 'sightLine') expect(gauge.name.en).not.toMatch(/dipstick/i);
    expect(point('pontoon-7', 'leg-up').say.en).toMatch(/out of the water only with the engine off/);
    expect(point('cruiser-10', 'tide-lines').say.en).toMatch(/two and a half metres/);
    for (const one of ['houseboat-14', 'rib-6', 'cruiser-10']) expect(counted(one)).toContain('anchor-knife');
    expect(counted('houseboat-14')).not.toContain('mugs');
  });

  it('come home where nobody is: no hand takes a line or a key, and the key goes back into its box', () => {
    const [quay] = (json(DEMO, 'bases.json') as { bases: Base[] }).bases;
    const told = (handover: string, waters = 'lake-ossel') =>
      quay!.returnCard
        .filter(
          ({ when }) =>
            !when || judge(when, { 'policy.handover': handover, 'policy.batterySwitch': 'renterOff', 'waters.id': waters }) === 'yes',
        )
        .map(({ say }) => say.en)
        .join(' ');
    expect(told('staffed')).toMatch(/hand takes your line.*key to the hand/);
    for (const handover of ['unattended', 'staffedOut']) {
      expect(told(handover)).not.toMatch(/a hand|to the hand/);
      expect(told(handover)).toMatch(/back into its box, the lid shut/);
    }
    // Who comes from the canal is not led past the lake's rock, nor the other way round.
    expect(told('staffed', 'tarn-cut')).toMatch(/Cutler’s Lock/);
    expect(told('staffed', 'tarn-cut')).not.toMatch(/Gull Rock|red post|boathouse/);
    expect(told('staffed')).not.toMatch(/Cutler’s Lock|bank of the Cut/);
  });

  it('name a tank with every gauge that shows a level of one', () => {
    for (const [boat, { gauges, tanks }] of books)
      for (const { id, tank, reads, unit } of gauges) {
        const shows =
          reads === 'lamp' || reads === 'needle' || reads === 'sightLine' || reads === 'dipstick' || reads === 'sender' || unit === '/8';
        if (shows) expect([boat, id, tanks.some((one) => one.id === tank)]).toEqual([boat, id, true]);
        else if (tank !== undefined) expect([boat, id, tanks.some((one) => one.id === tank)]).toEqual([boat, id, true]);
      }
  });

  it('tell of the extinguisher where one is counted', () => {
    for (const [boat, { fittings, points }] of books)
      for (const { id, station } of points.filter(({ id: one }) => one === 'extinguisher-where'))
        expect([boat, id, fittings.filter(({ id: one }) => one.startsWith('extinguisher')).map((one) => one.station)]).toEqual([
          boat,
          id,
          expect.arrayContaining([station]) as string[],
        ]);
  });

  it('end a return alone with the switch, the lead where there is one, and the key in its shut box', () => {
    for (const { rounds, kind } of books.values()) {
      const { items } = rounds.find(({ id }) => id === 'leaving')!;
      const said = items
        .filter(({ when }) => !when || judge(when, { 'boat.kind': kind, 'policy.batterySwitch': 'renterOff' }) === 'yes')
        .map(({ id }) => id);
      expect(said.at(-1)).toBe('key');
      expect(said).toContain('switch');
      expect(said.includes('lead')).toBe(kind === 'electricLaunch');
      expect(items.at(-1)!.say.en).toMatch(/back in its box, lid shut/);
    }
  });

  it('tell of lights where the hire ends near dusk, of two ways out, of children, pets, valuables and lamps', () => {
    for (const boat of books.keys()) {
      const { when, say, weight } = point(boat, 'dusk-lights');
      const judged = (nearDusk: boolean, nights: number) => judge(when!, { 'hire.nearDusk': nearDusk, 'hire.nights': nights });
      expect([weight, judged(true, 0), judged(false, 0), judged(true, 2)]).toEqual(['must', 'yes', 'no', 'no']);
      expect(say.en).toMatch(boat === 'electric-5' ? /no lights.*before the sun is down/ : /Lights on before the sun is down/);
      for (const id of ['small-ones', 'pets', 'valuables']) expect(point(boat, id)).toBeDefined();
    }
    // Day boats that may be out at dusk have their lights counted at the helm, each seen lit.
    for (const boat of ['pontoon-7', 'rib-6'])
      expect(books.get(boat)!.fittings.find(({ id }) => id === 'lights')).toMatchObject({ station: 'helm', count: 3, safety: true });
    for (const boat of ['houseboat-14', 'cruiser-10', 'canal-12']) {
      expect(point(boat, 'exits').say.en).toMatch(/Two ways out/);
      expect(point(boat, 'lamps-off').say.en).toMatch(/Lamps off/);
    }
  });

  it('tell of locks, tunnels and anchors what keeps hands and people whole', () => {
    const locks = point('canal-12', 'locks').say.en!;
    for (const part of [
      /fenders in/i,
      /hatches shut/,
      /never made fast, never round a hand/,
      /Nobody jumps/,
      /sill/,
      /gates are fully open/,
    ])
      expect(locks).toMatch(part);
    expect(point('canal-12', 'tunnel').say.en).toMatch(/jackets on, lamp on/);
    for (const [id, policy] of [
      ['bow-anchor', ['allowed', 'knifeReady']],
      ['anchor-knife', ['knifeReady']],
      ['anchor-emergency', ['emergencyOnly']],
    ] as const)
      for (const one of ['allowed', 'knifeReady', 'emergencyOnly'])
        expect([id, one, judge(point('canal-12', id).when!, { 'policy.anchoring': one })]).toEqual([
          id,
          one,
          (policy as readonly string[]).includes(one) ? 'yes' : 'no',
        ]);
    expect(point('canal-12', 'anchor-emergency').say.en).toMatch(/emergencies only/);
    expect(point('canal-12', 'anchor-knife').say.en).toMatch(/weak link.*cut/s);
    expect(point('canal-12', 'hot-water').say.en).toMatch(/scalds/);
  });

  it('open the strainer only with the sea-cock shut, and only where there is one', () => {
    const strainers = [...books].flatMap(([id, { rounds }]) =>
      rounds.flatMap(({ items }) => items.filter((item) => item.id === 'strainer').map((item) => ({ id, item }))),
    );
    expect(strainers.length).toBeGreaterThan(0);
    for (const { item } of strainers) {
      expect(item.say.en).toMatch(/^Sea-cock shut/);
      expect(item.when).toEqual({ fact: 'boat.kind', is: 'riverCruiser' });
    }
  });

  it('name haven and danger differently', () => {
    const waters = readdirSync(join(DEMO, 'waters'))
      .map((name) => readFileSync(join(DEMO, 'waters', name), 'utf8'))
      .join('');
    expect(readFileSync(join(DEMO, 'bases.json'), 'utf8')).toMatch(/red post/);
    expect(waters).not.toMatch(/red post|poteaux rouges|roten Pf|postes rojos/i);
  });
});
