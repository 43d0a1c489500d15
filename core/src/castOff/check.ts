import { keyOf, isNever, ORIGIN, placeOf } from './places';
import { type Found, type CastOffMatter, type CheckCase, type CheckNow } from './matter';
import { fuelTanks, fuelOf } from '../fuel/readings';
import { briefingOf, understoodBy } from '../briefing/ofHire';
import { type Case, dayOfUse, type Fit, fitOf, peopleOf, policiesOf, withoutTheirJacket } from '../party/ofHire';
import { isEntered, currentOf, type HireRecord } from '../events/record';
import { pointSkipped, pointBriefed } from '../briefing/events';
import { evidenceGiven } from '../condition/events';
import { levelsOf } from '../trip/levels/levels';
import { isDark, nextDusk } from '../trip/light';
import type { Briefing } from '../briefing/compose';
import { type Level, type Overridable, usualLevel } from '../policy/castOff';
import { policyOf } from '../policy/policy';
import { propellersToJudge, walkState, wantsBlades, wantsGaugePicture, wantsPicture } from '../walk/walk';
import { fuelPlans } from './fuelPlan';
import { CREW_HOLDS, overrideOf, mattersOf } from './hold';
import { unproven } from '../drill/ofHire';
import { depositOf } from '../settlement/deposit';

/**
 * What stands between this party and the water, under the operator's own rules, and what nobody looked at. It names
 * reasons; it never says that a boat is safe.
 */

export type NotChecked =
  | { is: 'stop'; station: string; fittings: number; gauges: number; surfaces: number; propellers: number }
  | { is: 'propellerNotSeen'; propeller: string; station: string }
  | { is: 'fuel'; tank: string; station: string | undefined }
  | { is: 'rules' | 'wind' | 'light' };

export type CastOffCheck = { matters: CastOffMatter[]; notChecked: NotChecked[]; mayGo: boolean };

const HOUR_MS = 3_600_000;

/** Where the gauges of a tank are read: at the first of them. */
const gaugeStop = (book: Case['book'], tank: string): string | undefined => book.gauges.find((gauge) => gauge.tank === tank)?.station;

const briefingMatters = (record: HireRecord, of: CheckCase, briefing: Briefing, alone: boolean): Found[] => {
  const musts = briefing.toBrief.map(({ point }) => point).filter(({ weight }) => weight === 'must');
  const briefed = (point: string) => currentOf(record, ['out', 'point', point], pointBriefed, pointSkipped)?.value;
  const unasked: string[] = [];
  const untold = new Map<string, string[]>();
  const found = musts.flatMap((point): Found[] => {
    const was = briefed(point.id);
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

/** Tanks the party lives by that will not do, or may not. */
const levelMatters = (record: HireRecord, of: CheckCase): Found[] =>
  levelsOf(record, of).flatMap(({ tank, hours, lasts, fromMs, untilMs, onTheWay }): Found[] =>
    lasts === 'yes'
      ? []
      : [
          {
            is: lasts === 'no' ? 'levelShort' : 'levelTight',
            tank: tank.id,
            holds: tank.holds,
            hours,
            wantedH: (untilMs - fromMs) / HOUR_MS,
            onTheWay,
            station: gaugeStop(of.book, tank.id),
          },
        ],
  );

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

/** Towing follows the policy: where it is allowed, nobody is asked. */
const towingMatters = (record: HireRecord, of: CheckCase): Found[] => {
  const towing = policyOf(policiesOf(of), 'towing');
  const towed = (peopleOf(record, of.sheets) ?? []).filter((person) => person.towed).map(({ id }) => id);
  return towing === 'allowed' || towed.length === 0 ? [] : [{ is: 'towing', people: towed, towing }];
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
    ...levelMatters(record, of),
    ...(wind && windLimitMs !== undefined && wind.ms > windLimitMs
      ? [{ is: 'wind' as const, windMs: wind.ms, limitMs: windLimitMs, by: wind.by }]
      : []),
    ...lightMatters(of, now),
    ...towingMatters(record, of),
  ];
  const policies = policiesOf(of);
  const order: Record<Level, number> = { hold: 0, ask: 1, note: 2 };
  const matters = found
    .map((one): CastOffMatter => {
      const key = keyOf(one);
      const never = isNever(one.is);
      const level: Level = isNever(one.is)
        ? 'hold'
        : (of.operator.castOff[one.is as Overridable] ?? usualLevel(one.is as Overridable, policies));
      return {
        key,
        found: one,
        level,
        overridable: !never,
        override: overrideOf(record, key),
        origin: ORIGIN[one.is],
        place: placeOf(one, of.book),
      };
    })
    .sort((a, b) => order[a.level] - order[b.level]);
  return {
    matters,
    notChecked: notCheckedOf(record, of, briefing, given),
    mayGo: matters.every(({ level, override }) => level === 'note' || override !== undefined),
  };
};
