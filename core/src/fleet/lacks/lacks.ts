import { untranslated } from '../../words/languages';
import { LANGUAGES, type Wording } from '../../words/words';
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
  'conditionUnused',
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

/** What a book is held against beside itself. */
export type Known = {
  /** Codes of the operator’s list; where it is not known, prices are not looked at. */
  prices?: ReadonlySet<string> | undefined;
  /** Languages that renters are spoken to in; all that there are, where nobody said. */
  languages?: readonly string[] | undefined;
};

type Rule = (book: Book, known: Known) => Lack[];

const lack = (is: LackKind, path: string, name: Wording | string): Lack => ({ is, path, about: typeof name === 'string' ? name : name.en });
const at = (list: ListName, id: string, field = ''): string => `${list}[${id}]${field === '' ? '' : `.${field}`}`;
const hasId = (rows: readonly { id: string }[], pattern: RegExp): boolean => rows.some(({ id }) => pattern.test(id));
/** What a row is called: an operator’s own rows have ids of their own, so their English names are read as well. */
type Called = { id: string; name: Wording };
const called = ({ id, name }: Called): string => `${id.replace(/-/g, ' ')}, ${name.en}`.toLowerCase();
const named = (rows: readonly Called[], ...all: readonly RegExp[]): boolean =>
  rows.some((row) => all.every((pattern) => pattern.test(called(row))));
const GAS = /\bgas\b/;
const ALARM = /\balarm|\bdetector/;
const FUMES = /\bco\b|carbon monoxide/;

/** Gas for a hob or a heater: in a tank, in bottles that are counted, or on something that is drilled or read. */
const hasGas = ({ tanks, fittings, drills, gauges }: Book): boolean =>
  tanks.some(({ holds }) => holds === 'gas') ||
  [fittings, drills, gauges].some((rows) => rows.some((row) => GAS.test(called(row)) && !ALARM.test(called(row))));

/** Gas sinks and does not go away by itself: somebody has to be able to shut it, to smell it, and to know what then. */
const gas: Rule = (book) => {
  if (!hasGas(book)) return [];
  const shuts =
    book.points.some(
      ({ id, say }) => GAS.test(id.replace(/-/g, ' ')) || (GAS.test(say.en.toLowerCase()) && /\b(shut|clos|valve|tap)/i.test(say.en)),
    ) || book.drills.some((drill) => GAS.test(called(drill)) && named(drill.controls, /\b(bottle|valve|tap)\b/));
  return [
    ...(named(book.fixCards, GAS) ? [] : [lack('gasCard', 'fixCards', 'gas')]),
    ...(named(book.fittings, ALARM, new RegExp(`${GAS.source}|${FUMES.source}`)) ? [] : [lack('gasAlarm', 'fittings', 'gas')]),
    ...(shuts ? [] : [lack('gasShut', 'points', 'gas')]),
  ];
};

/** Where something burns inside, its fumes have to be heard. */
const fumes: Rule = (book) => {
  const burns =
    book.engine.kind === 'inboardPetrol' || book.engine.kind === 'inboardDiesel' || book.tanks.some(({ feeds }) => feeds === 'generator');
  const cabins = book.kind === 'houseboat' || book.kind === 'canalBoat' || book.kind === 'riverCruiser';
  return burns && cabins && !named(book.fittings, ALARM, FUMES) ? [lack('fumesAlarm', 'fittings', 'carbon monoxide')] : [];
};

const CORD = /^cord\b|\bkill[ -]?cord\b|\blanyard\b/;
/** The drills that can be hers: those of other kinds of boats come from a class that several share. */
const ownDrills = ({ kind, drills, conditions }: Book): Drill[] =>
  drills.filter(({ when }) => when === undefined || judge(when, { 'boat.kind': kind }, conditions) !== 'no');

/** A cord that is clipped in a drill is a cord that can be lost. */
const cords: Rule = (book) =>
  // A spare clip is none of it.
  named(
    book.fittings.filter((row) => !/\b(spare|clip)\b/.test(called(row))),
    CORD,
  )
    ? []
    : ownDrills(book)
        .filter(({ controls }) => named(controls, CORD))
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

const prices: Rule = (book, { prices: list }) => {
  if (list === undefined) return [];
  const named = [
    ...book.fittings.map(({ id, price }) => [at('fittings', id, 'price'), price] as const),
    ...book.propellers.map(({ id, price }) => [at('propellers', id, 'price'), price] as const),
    ...book.points.map(({ id, price }) => [at('points', id, 'price'), price] as const),
    ...book.checks.flatMap(({ id, ways }) => ways.map((way) => [at('checks', id, `ways[${way.id}].price`), way.price] as const)),
  ];
  return named.flatMap(([path, code]) => (code === undefined || list.has(code) ? [] : [lack('noSuchPrice', path, code)]));
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
    ...(named(fittings, /\bextinguisher/) ? [] : [lack('noExtinguisher', 'fittings', 'extinguisher')]),
    ...(jackets < plate.people && !fittings.some(({ jacket, per }) => jacket !== undefined && per !== undefined)
      ? [lack('jacketsTooFew', 'fittings', `${jackets}/${plate.people}`)]
      : []),
  ];
};

/** A condition that nothing asks for: whatever it was written for is said always, or is gone. */
const conditions: Rule = ({ conditions: rows, ...rest }) => {
  const ids = Object.keys(rows ?? {});
  if (ids.length === 0) return [];
  const text = JSON.stringify([rest, rows]);
  return ids.flatMap((id) => (text.includes(`"named":"${id}"`) ? [] : [lack('conditionUnused', `conditions[${id}]`, id)]));
};

const languages: Rule = (book, { languages: wanted }) =>
  untranslated(book, '', wanted ?? LANGUAGES).map(({ path, languages: missing }) => lack('notInLanguage', path, missing.join(', ')));

const RULES: readonly Rule[] = [gas, fumes, cords, gauges, propellers, stations, prices, cautions, safety, conditions, languages];

/** What a book lacks, the gravest first. */
export const lacksOf = (book: Book, known: Known = {}): Lack[] =>
  RULES.flatMap((rule) => rule(book, known)).sort((a, b) => LACKS.indexOf(a.is) - LACKS.indexOf(b.is));

/** A list of a book, and a row of it where one is named, out of a path: `gauges[fuel-needle].tank`. */
export const rowAt = (path: string): { list: string; id?: string } => {
  const [, list = path, id] = /^([^.[]+)(?:\[([^\]]+)\])?/.exec(path) ?? [];
  return id === undefined ? { list } : { list, id };
};
