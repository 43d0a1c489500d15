import { untranslated } from '../../words/languages';
import type { Wording } from '../../words/words';
import type { Book, ListName } from '../book';
import type { Drill } from '../drills';
import { judge } from '../judge';

/**
 * What a book lacks beside what the boat is and has. None of it is a fault: such a book can be kept and walked with.
 * Whoever keeps it is told, with the place.
 */
export const LACKS = [
  'gasCard',
  'gasAlarm',
  'gasShut',
  'fumesAlarm',
  'cordNotCounted',
  'gaugeWithoutTank',
  'tankUnread',
  'propellerUnjudged',
  'emptyStation',
  'noSuchPrice',
  'drillWithoutCaution',
  'cardWithoutCaution',
  'noExtinguisher',
  'jacketsTooFew',
  'twoFigures',
  'notInLanguage',
] as const;
export type LackKind = (typeof LACKS)[number];
export type Lack = {
  is: LackKind;
  /** Where it is put right, as a path a person can follow: `gauges[fuel-needle].tank`. */
  path: string;
  /** What it is about: the row’s name, a price’s code, a language. */
  about: string;
};

type Rule = (book: Book, prices: ReadonlySet<string> | undefined) => Lack[];

const lack = (is: LackKind, path: string, name: Wording | string): Lack => ({ is, path, about: typeof name === 'string' ? name : name.en });
const at = (list: ListName, id: string, field = ''): string => `${list}[${id}]${field === '' ? '' : `.${field}`}`;
const hasId = (rows: readonly { id: string }[], pattern: RegExp): boolean => rows.some(({ id }) => pattern.test(id));

/** Gas for a hob or a heater: in a tank, in bottles that are counted, or on something that is drilled or read. */
const hasGas = ({ tanks, fittings, drills, gauges }: Book): boolean =>
  tanks.some(({ holds }) => holds === 'gas') || [fittings, drills, gauges].some((rows) => hasId(rows, /^gas(-|$)/));

/** Gas sinks and does not go away by itself: somebody has to be able to shut it, to smell it, and to know what then. */
const gas: Rule = (book) => {
  if (!hasGas(book)) return [];
  const shuts = hasId(book.points, /(^|-)gas(-|$)/) || book.drills.some(({ controls }) => hasId(controls, /^(bottle|valve)$/));
  return [
    ...(hasId(book.fixCards, /(^|-)gas(-|$)/) ? [] : [lack('gasCard', 'fixCards', 'gas')]),
    ...(hasId(book.fittings, /(^|-)(gas|co)-alarm$/) ? [] : [lack('gasAlarm', 'fittings', 'gas')]),
    ...(shuts ? [] : [lack('gasShut', 'points', 'gas')]),
  ];
};

/** Where something burns inside, its fumes have to be heard. */
const fumes: Rule = (book) => {
  const burns =
    book.engine.kind === 'inboardPetrol' || book.engine.kind === 'inboardDiesel' || book.tanks.some(({ feeds }) => feeds === 'generator');
  const cabins = book.kind === 'houseboat' || book.kind === 'canalBoat' || book.kind === 'riverCruiser';
  return burns && cabins && !hasId(book.fittings, /(^|-)co-alarm$/) ? [lack('fumesAlarm', 'fittings', 'carbon monoxide')] : [];
};

const CORD = /^(kill-)?cord$/;
/** The drills that can be hers: those of other kinds of boats come from a class that several share. */
const ownDrills = ({ kind, drills, conditions }: Book): Drill[] =>
  drills.filter(({ when }) => when === undefined || judge(when, { 'boat.kind': kind }, conditions) !== 'no');

/** A cord that is clipped in a drill is a cord that can be lost. */
const cords: Rule = (book) =>
  hasId(book.fittings, /^kill-cord$/)
    ? []
    : ownDrills(book)
        .filter(({ controls }) => hasId(controls, CORD))
        .map(({ id, name }) => lack('cordNotCounted', at('drills', id, 'controls'), name));

/** Ways of reading that mean nothing but of a tank. */
const OF_TANK = new Set(['needle', 'sightLine', 'dipstick', 'sender', 'totaliser']);
const gauges: Rule = ({ gauges: rows, tanks }) => [
  ...rows
    .filter(({ reads, tank }) => OF_TANK.has(reads) && tank === undefined)
    .map(({ id, name }) => lack('gaugeWithoutTank', at('gauges', id, 'tank'), name)),
  // What is drawn from is read; what a can holds is counted with it.
  ...tanks
    .filter(
      ({ id, holds, feeds }) => (holds === 'petrol' || holds === 'diesel') && feeds !== 'nothing' && !rows.some(({ tank }) => tank === id),
    )
    .map(({ id, name }) => lack('tankUnread', at('tanks', id), name)),
  // One lamp of one tank is lit at one level.
  ...rows.flatMap(({ id, name, tank, flushesLeft }, i) =>
    flushesLeft !== undefined &&
    rows.slice(0, i).some((other) => other.tank === tank && other.flushesLeft !== undefined && other.flushesLeft !== flushesLeft)
      ? [lack('twoFigures', at('gauges', id, 'flushesLeft'), name)]
      : [],
  ),
];

const propellers: Rule = ({ propellers: rows, engine }) =>
  rows.length < (engine.count ?? 1) ? [lack('propellerUnjudged', 'propellers', engine.kind)] : [];

const stations: Rule = (book) => {
  const used = new Set(
    [book.surfaces, book.fittings, book.gauges, book.points, book.propellers, book.checks].flatMap((rows) =>
      rows.map(({ station }) => station),
    ),
  );
  return book.stations.filter(({ id }) => !used.has(id)).map(({ id, name }) => lack('emptyStation', at('stations', id), name));
};

const prices: Rule = (book, known) => {
  if (known === undefined) return [];
  const named = [
    ...book.fittings.map(({ id, price }) => [at('fittings', id, 'price'), price] as const),
    ...book.propellers.map(({ id, price }) => [at('propellers', id, 'price'), price] as const),
    ...book.points.map(({ id, price }) => [at('points', id, 'price'), price] as const),
    ...book.checks.flatMap(({ id, ways }) => ways.map((way) => [at('checks', id, `ways[${way.id}].price`), way.price] as const)),
  ];
  return named.flatMap(([path, code]) => (code === undefined || known.has(code) ? [] : [lack('noSuchPrice', path, code)]));
};

/** Controls by which something turns, burns or drives. */
const CAN_HURT = /^(key|start|stop|cord|throttle|bottle|valve|flame|blower|thruster|gear|engine|pull)/;
const canHurt = ({ controls }: Drill): boolean => hasId(controls, CAN_HURT);
const cautions: Rule = (book) => [
  ...ownDrills(book)
    .filter((drill) => canHurt(drill) && drill.caution === undefined)
    .map(({ id, name }) => lack('drillWithoutCaution', at('drills', id, 'caution'), name)),
  ...book.fixCards
    .filter(({ urgent, cautions: said }) => urgent === true && (said ?? []).length === 0)
    .map(({ id, name }) => lack('cardWithoutCaution', at('fixCards', id, 'cautions'), name)),
];

const safety: Rule = ({ fittings, plate }) => {
  const jackets = fittings.filter(({ jacket }) => jacket !== undefined).reduce((sum, { count }) => sum + count, 0);
  return [
    ...(hasId(fittings, /^extinguisher/) ? [] : [lack('noExtinguisher', 'fittings', 'extinguisher')]),
    ...(jackets < plate.people && !fittings.some(({ jacket, per }) => jacket !== undefined && per !== undefined)
      ? [lack('jacketsTooFew', 'fittings', `${jackets}/${plate.people}`)]
      : []),
  ];
};

const languages: Rule = (book) => untranslated(book).map(({ path, languages: missing }) => lack('notInLanguage', path, missing.join(', ')));

const RULES: readonly Rule[] = [gas, fumes, cords, gauges, propellers, stations, prices, cautions, safety, languages];

/**
 * What a book lacks, the gravest first.
 * @param prices codes of the operator's list; where it is not known, prices are not looked at
 */
export const lacksOf = (book: Book, prices?: ReadonlySet<string>): Lack[] =>
  RULES.flatMap((rule) => rule(book, prices)).sort((a, b) => LACKS.indexOf(a.is) - LACKS.indexOf(b.is));
