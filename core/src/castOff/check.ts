import { fuelTanks, fuelOf } from '../fuel/readings';
import { briefingOf, understoodBy } from '../briefing/ofHire';
import { type Case, dayOfUse, type Fit, fitOf, peopleOf, policiesOf, withoutTheirJacket } from '../party/ofHire';
import { isEntered, currentOf, type HireRecord } from '../events/record';
import { pointSkipped, pointBriefed } from '../briefing/events';
import { evidenceGiven } from '../condition/events';
import type { ForPlan } from '../trip/lasts';
import { isDark, nextDusk } from '../trip/light';
import type { Briefing } from '../briefing/compose';
import type { CrewFault } from '../party/aboard';
import { type Level, type Overridable, USUAL_LEVEL } from '../policy/castOff';
import { policyOf } from '../policy/policy';
import { propellersToJudge, walkState, wantsBlades, wantsGaugePicture, wantsPicture } from '../walk/walk';
import { fuelPlans } from './fuelPlan';
import { CREW_HOLDS, type Hold, keyOfHold, type Override, overrideOf, mattersOf, NEVER_OVERRIDDEN } from './hold';
import { unproven } from '../drill/ofHire';
import { type Deposit, depositOf } from '../settlement/deposit';
import type { Defect } from '../turnaround/work';

/**
 * What stands between this party and the water, under the operator's own rules, and what nobody looked at. It names
 * reasons; it never says that a boat is safe.
 */

/** Another hire that has the boat: she is out with it, and has not been said to be back. A renter is not told whose. */
export type Away = { hire: string; renter: string; castOffAt: string; due: string };

/** What the check finds beside what the record itself holds her for. */
export type Found =
  | Hold
  /** A boat is in one place: somebody else is out with her. */
  | { is: 'away'; away: Away }
  /** Something was put right after departure was signed: it is signed again. */
  | { is: 'signAgain'; entries: number }
  /** Nobody has said who is aboard. */
  | { is: 'noParty' }
  /** Nobody is named to drive, or to look out, or their age is not known. */
  | { is: 'crewOpen'; fault: CrewFault }
  /** People for whom there is a jacket that they have not been given. */
  | { is: 'jacketsOpen'; people: string[] }
  /** Musts of one stop. */
  | { is: 'notTold'; points: string[]; station: string }
  | { is: 'notUnderstood'; point: string; station: string; by: 'driver' | 'lookout' }
  | { is: 'notAsked'; points: string[] }
  /** Left by an earlier hire, and nobody has settled it. */
  | { is: 'defect'; defect: Defect }
  | { is: 'gaugesDisagree'; tank: string; station: string | undefined }
  /** Of a surface, of what a gauge reads, or of a propeller's blades. */
  | { is: 'pictureMissing'; surface: string; station: string }
  | { is: 'deposit'; deposit: Deposit }
  | { is: 'fuel'; tank: string; plan: ForPlan; hours: number; station: string | undefined }
  | { is: 'wind'; windMs: number; limitMs: number; by: WindBy }
  | { is: 'light'; dusk: string | undefined; dark: boolean; night: 'restricted' | 'forbidden' };

/** Where the wind is known from. */
export type WindBy = 'mast' | 'mastOld' | 'hand';

/** Whose rule it is: the law's or the plate's, the boat's book, the operator's, or somebody's word. */
export type Origin = 'law' | 'plate' | 'book' | 'operator' | 'somebody' | 'record';

/** Where it is settled: on the page of this name, at this stop. */
export type Place =
  | { page: 'fit' | 'sign' | 'deposit' | 'docking' | 'hire' }
  | { page: 'turnaround'; hire: string }
  /** Where another hire of the boat comes in. */
  | { page: 'comeIn'; hire: string }
  | { page: 'walk'; station: string }
  | { page: 'drill'; drill: string };

export type CastOffMatter = {
  /** Names it as it stands now; a manager's word is about this, and about nothing worse. */
  key: string;
  found: Found;
  level: Level;
  /** Whether a manager may let her go with it. */
  liftable: boolean;
  letGo: Override | undefined;
  origin: Origin;
  place: Place;
};

export type NotChecked =
  | { is: 'stop'; station: string; fittings: number; gauges: number; surfaces: number; propellers: number }
  | { is: 'propellerNotSeen'; propeller: string; station: string }
  | { is: 'fuel'; tank: string; station: string | undefined }
  | { is: 'rules' | 'wind' | 'light' };

export type CastOffCheck = { matters: CastOffMatter[]; notChecked: NotChecked[]; mayGo: boolean };

export type CheckCase = Case & { hire: { depositMinor: number }; defects: readonly Defect[]; away: Away | undefined };
export type CheckNow = {
  /** ISO instant. */
  now: string;
  /** Nothing where nobody measured or set it. */
  wind: { ms: number; by: WindBy } | undefined;
  /** The renter makes this walk by themselves. */
  alone: boolean;
};

const HOUR_MS = 3_600_000;

const keyOf = (found: Found): string => {
  switch (found.is) {
    case 'notTold':
      return `notTold/${found.station}/${found.points.length}/${found.points[0] ?? ''}`;
    case 'notUnderstood':
      return `notUnderstood/${found.point}/${found.by}`;
    case 'notAsked':
      return 'notAsked';
    case 'defect':
      return `defect/${found.defect.hire}/${found.defect.key}`.slice(0, 190);
    case 'gaugesDisagree':
      return `gaugesDisagree/${found.tank}`;
    case 'pictureMissing':
      return `pictureMissing/${found.surface}`;
    case 'deposit':
      return `deposit/${found.deposit.heldMinor}`;
    case 'fuel':
      return `fuel/${found.tank}/${Math.ceil(found.plan.needL - found.plan.mayUseL)}`;
    case 'wind':
      return `wind/${Math.ceil(found.windMs)}`;
    case 'light':
      return `light/${found.dark ? 'dark' : 'dusk'}`;
    case 'away':
    case 'noParty':
    case 'signAgain':
      return found.is;
    case 'crewOpen':
      return `crewOpen/${found.fault.is}`;
    case 'jacketsOpen':
      return `jacketsOpen/${[...found.people].sort().join(',')}`.slice(0, 190);
    default:
      return keyOfHold(found);
  }
};

const isNever = (is: Found['is']): is is (typeof NEVER_OVERRIDDEN)[number] => NEVER_OVERRIDDEN.some((one) => one === is);

const ORIGIN: Record<Found['is'], Origin> = {
  away: 'record',
  signAgain: 'record',
  noParty: 'operator',
  crewOpen: 'operator',
  jacketsOpen: 'operator',
  safetyFitting: 'book',
  propeller: 'book',
  said: 'somebody',
  defect: 'record',
  tooMany: 'plate',
  noJacket: 'law',
  crew: 'law',
  drill: 'operator',
  conflict: 'record',
  notTold: 'operator',
  notUnderstood: 'operator',
  notAsked: 'operator',
  gaugesDisagree: 'record',
  pictureMissing: 'book',
  deposit: 'operator',
  fuel: 'operator',
  wind: 'book',
  light: 'operator',
};

/** The stop at which a thing of the book is dealt with. */
const stopOf = (book: Case['book'], id: string): string | undefined =>
  [...book.fittings, ...book.gauges, ...book.surfaces, ...book.propellers].find((one) => one.id === id)?.station;

const placeOf = (found: Found, book: Case['book']): Place => {
  const at = (station: string | undefined): Place => (station === undefined ? { page: 'hire' } : { page: 'walk', station });
  switch (found.is) {
    case 'safetyFitting':
      return at(found.fault.fitting.station);
    case 'propeller':
      return at(stopOf(book, found.propeller));
    case 'conflict':
      return { page: 'hire' };
    case 'said':
      return { page: 'hire' };
    case 'defect':
      return { page: 'turnaround', hire: found.defect.hire };
    case 'away':
      return { page: 'comeIn', hire: found.away.hire };
    case 'tooMany':
    case 'noJacket':
    case 'crew':
    case 'noParty':
    case 'crewOpen':
    case 'jacketsOpen':
      return { page: 'fit' };
    case 'drill':
      return { page: 'drill', drill: found.drill };
    case 'notTold':
    case 'notUnderstood':
    case 'pictureMissing':
    case 'gaugesDisagree':
    case 'fuel':
      return at(found.station);
    case 'notAsked':
    case 'signAgain':
      return { page: 'sign' };
    case 'deposit':
      return { page: 'deposit' };
    case 'wind':
      return { page: 'docking' };
    case 'light':
      return { page: 'hire' };
  }
};

/** Where the gauges of a tank are read: at the first of them. */
const gaugeStop = (book: Case['book'], tank: string): string | undefined => book.gauges.find((gauge) => gauge.tank === tank)?.station;

const briefingMatters = (record: HireRecord, of: CheckCase, briefing: Briefing, alone: boolean): Found[] => {
  const musts = briefing.tell.map(({ point }) => point).filter(({ weight }) => weight === 'must');
  const told = (point: string) => currentOf(record, ['out', 'point', point], pointBriefed, pointSkipped)?.value;
  const unasked: string[] = [];
  const untold = new Map<string, string[]>();
  const found = musts.flatMap((point): Found[] => {
    const was = told(point.id);
    // Whoever knows the boat was told before, and somebody said so: that is no gap in the telling.
    if (was?.kind === 'pointSkipped' && was.why === 'knowsTheBoat') return [];
    // Nobody tells a renter who walks alone: what they read at home, or on the way, was told.
    const atHome = alone && was === undefined && isEntered(record, ['home', point.id]);
    if (was?.kind !== 'pointBriefed' && !atHome) {
      untold.set(point.station, [...(untold.get(point.station) ?? []), point.id]);
      return [];
    }
    return of.operator.understandingBy.flatMap((by): Found[] => {
      const state = understoodBy(record, point, by, alone);
      if (state.is === 'tellAgain') return [{ is: 'notUnderstood', point: point.id, station: point.station, by }];
      if (state.is === 'ask' && !unasked.includes(point.id)) unasked.push(point.id);
      return [];
    });
  });
  return [
    ...[...untold].map(([station, points]): Found => ({ is: 'notTold', station, points })),
    ...found,
    ...(unasked.length > 0 ? [{ is: 'notAsked' as const, points: unasked }] : []),
  ];
};

/** People who are not known, or known and not ready: no name at the wheel, no jacket on. */
const partyMatters = (record: HireRecord, of: CheckCase, fit: Fit | undefined): Found[] => {
  if (!peopleOf(record, of.sheets)) return [{ is: 'noParty' }];
  if (!fit) return [];
  const open = withoutTheirJacket(record, fit);
  return [
    ...fit.crew.filter(({ is }) => !CREW_HOLDS.includes(is)).map((fault): Found => ({ is: 'crewOpen', fault })),
    ...(open.length > 0 ? [{ is: 'jacketsOpen' as const, people: open }] : []),
  ];
};

const fuelMatters = (record: HireRecord, of: CheckCase): Found[] =>
  fuelPlans(record, of).flatMap(({ tank, fused, plan, hours }): Found[] => {
    const station = gaugeStop(of.book, tank.id);
    return [
      ...(fused.askThird ? [{ is: 'gaugesDisagree' as const, tank: tank.id, station }] : []),
      ...(plan && !plan.enough ? [{ is: 'fuel' as const, tank: tank.id, plan, hours, station }] : []),
    ];
  });

const lightMatters = (of: CheckCase, now: string): Found[] => {
  const night = policyOf(policiesOf(of), 'night');
  const { position } = of.base;
  if (night === 'allowed' || !position) return [];
  const leaves = now > of.hire.from ? now : of.hire.from;
  const dark = isDark(leaves, position);
  const dusk = nextDusk(leaves, position)?.dusk;
  // On hires of several days every evening has its dusk; what counts here is leaving, and being due, in the dark.
  const sameDay = Date.parse(of.hire.to) - Date.parse(of.hire.from) < 24 * HOUR_MS;
  return dark || (sameDay && dusk !== undefined && of.hire.to > dusk) ? [{ is: 'light', dusk, dark, night }] : [];
};

const notCheckedOf = (record: HireRecord, of: CheckCase, briefing: Briefing, { wind, alone }: CheckNow): NotChecked[] => {
  const open: NotChecked[] = [];
  if (peopleOf(record, of.sheets) && !of.rules) open.push({ is: 'rules' });
  for (const { station, missing } of walkState(record, of.book, 'out', briefing, alone)) {
    const { fittings, gauges, surfaces, propellers } = missing;
    if (fittings.length + gauges.length + surfaces.length + propellers.length === 0) continue;
    open.push({
      is: 'stop',
      station: station.id,
      fittings: fittings.length,
      gauges: gauges.length,
      surfaces: surfaces.length,
      propellers: propellers.length,
    });
  }
  for (const { id, station } of of.book.propellers)
    if (currentOf(record, ['out', 'propeller', id], evidenceGiven)?.value.state === 'notSeen')
      open.push({ is: 'propellerNotSeen', propeller: id, station });
  // Alone nobody feels for one: it is named as what nobody looked at.
  const judged = new Set(propellersToJudge(of.book, alone).map(({ id }) => id));
  for (const { id, station } of of.book.propellers)
    if (!judged.has(id) && !isEntered(record, ['out', 'propeller', id])) open.push({ is: 'propellerNotSeen', propeller: id, station });
  for (const tank of fuelTanks(of.book))
    if (!fuelOf(record, of.book, tank)) open.push({ is: 'fuel', tank: tank.id, station: gaugeStop(of.book, tank.id) });
  if (!wind && of.book.windLimitMs !== undefined) open.push({ is: 'wind' });
  if (!of.base.position && policyOf(policiesOf(of), 'night') !== 'allowed') open.push({ is: 'light' });
  return open;
};

/** Everything that stands between this party and the water now, the hardest first, and what was not looked at. */
export const castOffCheck = (record: HireRecord, of: CheckCase, given: CheckNow): CastOffCheck => {
  const { now, wind, alone } = given;
  const day = dayOfUse(of, now);
  const briefing = briefingOf(record, of);
  const { windLimitMs } = of.book;
  const deposit = depositOf(record, of.hire.depositMinor);
  const fit = fitOf(record, of, day);
  const unsigned = record.unsigned.out.length;
  const found: Found[] = [
    ...(of.away ? [{ is: 'away' as const, away: of.away }] : []),
    ...(unsigned > 0 ? [{ is: 'signAgain' as const, entries: unsigned }] : []),
    ...mattersOf(record, of.book, day, fit, unproven(record, of)),
    ...partyMatters(record, of, fit),
    ...of.defects.map((defect): Found => ({ is: 'defect', defect })),
    ...briefingMatters(record, of, briefing, alone),
    ...of.book.surfaces.flatMap((surface): Found[] =>
      wantsPicture(record, 'out', surface, alone) ? [{ is: 'pictureMissing', surface: surface.id, station: surface.station }] : [],
    ),
    ...of.book.gauges.flatMap((gauge): Found[] =>
      wantsGaugePicture(record, 'out', gauge, alone) ? [{ is: 'pictureMissing', surface: gauge.id, station: gauge.station }] : [],
    ),
    ...of.book.propellers.flatMap((propeller): Found[] =>
      wantsBlades(record, 'out', propeller) ? [{ is: 'pictureMissing', surface: propeller.id, station: propeller.station }] : [],
    ),
    ...(deposit.state === 'authorised' || deposit.state === 'notNeeded' ? [] : [{ is: 'deposit' as const, deposit }]),
    ...fuelMatters(record, of),
    ...(wind && windLimitMs !== undefined && wind.ms > windLimitMs
      ? [{ is: 'wind' as const, windMs: wind.ms, limitMs: windLimitMs, by: wind.by }]
      : []),
    ...lightMatters(of, now),
  ];
  const order: Record<Level, number> = { hold: 0, ask: 1, note: 2 };
  const matters = found
    .map((one): CastOffMatter => {
      const key = keyOf(one);
      const never = isNever(one.is);
      const level: Level = isNever(one.is) ? 'hold' : (of.operator.castOff[one.is as Overridable] ?? USUAL_LEVEL[one.is as Overridable]);
      return {
        key,
        found: one,
        level,
        liftable: !never,
        letGo: overrideOf(record, key),
        origin: ORIGIN[one.is],
        place: placeOf(one, of.book),
      };
    })
    .sort((a, b) => order[a.level] - order[b.level]);
  return {
    matters,
    notChecked: notCheckedOf(record, of, briefing, given),
    mayGo: matters.every(({ level, letGo }) => level === 'note' || letGo !== undefined),
  };
};
