import type { Found } from '@quay/core/castOff/matter';
import { peopleOf } from '@quay/core/party/ofHire';
import type { NotChecked } from '@quay/core/castOff/check';
import { say } from '@quay/core/words/words';
import { clockOf } from '@quay/core/time/zone';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../local/hire';
import { now } from '../../platform/clock';
import { spanOf, whenOf } from '../../ui/format';
import { useMoney } from '../../ui/controls/money';
import { useFitWords } from '../party/fitWords';
import { measures } from '../../ui/units';

/** What the cast-off check found, in words that staff and a renter without staff both understand. */
export const useMatterWords = (view: HireView): { found: (found: Found) => string; notChecked: (one: NotChecked) => string } => {
  const { t, i18n } = useTranslation();
  const { book, prices, base } = view.pack;
  const money = useMoney(prices.currency);
  const fit = useFitWords(view);
  const people = peopleOf(view.record, view.sheets) ?? [];
  const one = (n: number) => new Intl.NumberFormat(i18n.language, { maximumFractionDigits: 1 }).format(n);
  const named = (id: string) => {
    const row = [
      ...book.fittings,
      ...book.gauges,
      ...book.propellers,
      ...book.surfaces,
      ...book.tanks,
      ...book.drills,
      ...book.stations,
    ].find((other) => other.id === id);
    return row ? say(row.name, i18n.language) : id;
  };
  const point = (id: string) => say(book.points.find((other) => other.id === id)?.say ?? { en: id }, i18n.language);
  const namesOf = (ids: readonly string[]) =>
    people
      .filter(({ id }) => ids.includes(id))
      .map((person) => fit.nameOf(person, people))
      .join(', ');
  const found = (what: Found): string => {
    switch (what.is) {
      case 'safetyFitting':
        return t(`matter.${what.fault.is}`, { name: say(what.fault.fitting.name, i18n.language), n: what.fault.pieces });
      case 'propeller':
        return what.sizeMm === undefined
          ? t('matter.propeller', { name: named(what.propeller) })
          : t('matter.propellerMm', { name: named(what.propeller), mm: measures().small(what.sizeMm) });
      case 'said':
        return t('matter.said', { why: what.why });
      case 'defect': {
        const { defect } = what;
        if (defect.is === 'said') return t('matter.defectSaid', { note: defect.note });
        if (defect.is === 'thing') return t('matter.defectThing', { name: named(defect.thing) });
        const { kind, sizeMm, surface } = defect.mark;
        return t('matter.defectMark', { kind: t(`mark.${kind}`), mm: measures().small(sizeMm), name: named(surface) });
      }
      case 'tooMany': {
        const { overload } = what;
        if (overload.is === 'load')
          return t('matter.load', { may: measures().mass(overload.mayKg), have: measures().mass(overload.haveKg[0]) });
        return t(overload.is === 'decks' ? 'matter.decks' : 'matter.heads', { have: overload.have, may: overload.may });
      }
      case 'away':
        return t(what.away.renter === '' ? 'matter.awayOther' : 'matter.away', {
          renter: what.away.renter,
          time: whenOf(what.away.due, base.zone, now(), i18n.language),
        });
      case 'signAgain':
        return t('matter.signAgain');
      case 'noParty':
        return t('matter.noParty');
      case 'crewOpen':
        return t(`matter.crewOpen.${what.fault.is as 'noDriver'}`);
      case 'jacketsOpen':
        return t('matter.jacketsOpen', { names: namesOf(what.people), count: what.people.length });
      case 'noJacket':
        return t('matter.noJacket', {
          names: namesOf(what.people),
        });
      case 'crew':
        return t(`matter.crew.${what.fault.is}`, { age: 'fromAge' in what.fault ? what.fault.fromAge : 0 });
      case 'drill':
        return t('matter.drill', { name: named(what.drill) });
      case 'conflict':
        return t('matter.conflict', { name: named(what.subject.at(-1) ?? '') });
      case 'notTold':
        return what.points.length === 1
          ? t('matter.notTold', { say: point(what.points[0]!) })
          : t('matter.notToldHere', { name: named(what.station), count: what.points.length });
      case 'notUnderstood':
        return t(`matter.notUnderstood.${what.by}`, { say: point(what.point) });
      case 'notAsked':
        return t('matter.notAsked', { count: what.points.length });
      case 'gaugesDisagree':
        return t('matter.gaugesDisagree', { name: named(what.tank) });
      case 'pictureMissing':
        return t('matter.pictureMissing', { name: named(what.surface) });
      case 'deposit': {
        const { state, wantedMinor, heldMinor } = what.deposit;
        const words = { want: money(wantedMinor), have: money(heldMinor) };
        return state === 'part' || state === 'declined' || state === 'unknown'
          ? t(`matter.deposit.${state}`, words)
          : t('matter.deposit.none', words);
      }
      case 'fuel': {
        const { needL, mayUseL } = what.plan;
        return t('matter.fuel', {
          name: named(what.tank),
          need: measures().litres(Math.ceil(needL)),
          may: measures().litres(Math.floor(mayUseL)),
          hours: one(what.hours),
        });
      }
      case 'levelShort':
      case 'levelTight': {
        const words = {
          name: named(what.tank),
          low: spanOf(Math.floor(what.hours.low * 60)),
          likely: spanOf(Math.floor(what.hours.likely * 60)),
          wanted: spanOf(what.wantedH * 60),
        };
        return what.holds === 'waste' ? t(`matter.${what.is}Waste`, words) : t(`matter.${what.is}`, words);
      }
      case 'wind':
        return t('matter.wind', { ms: measures().wind(what.windMs), limit: measures().wind(what.limitMs) });
      case 'towing':
        return t(`matter.towing.${what.towing}`, { names: namesOf(what.people) });
      case 'light':
        return what.dark ? t('matter.dark') : t('matter.dusk', { time: what.dusk === undefined ? '' : clockOf(what.dusk, base.zone) });
    }
  };
  const notChecked = (what: NotChecked): string => {
    if (what.is === 'stop') {
      const parts = [
        what.fittings > 0 ? t('matter.open.fittings', { count: what.fittings }) : '',
        what.propellers > 0 ? t('matter.open.propellers') : '',
        what.surfaces > 0 ? t('matter.open.surfaces', { count: what.surfaces }) : '',
        what.gauges > 0 ? t('matter.open.gauges', { count: what.gauges }) : '',
      ];
      return `${named(what.station)}: ${parts.filter(Boolean).join(', ')}`;
    }
    if (what.is === 'propellerNotSeen') return t('matter.open.propellerNotSeen', { name: named(what.propeller) });
    if (what.is === 'fuel') return t('matter.open.fuel', { name: named(what.tank) });
    return t(`matter.open.${what.is}`);
  };
  return { found, notChecked };
};
