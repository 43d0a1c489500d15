import type { CancelReason } from '@quay/core/booking/events';
import type { HirePack } from '@quay/contract/hire';
import { say, type Wording } from '@quay/core/words/words';
import { spokenReading } from '@quay/core/fuel/level';
import type { EventBody } from '@quay/core/record/event';
import { numberText } from '@quay/core/number/statementNumber';
import { useTranslation } from 'react-i18next';
import { figure, whenOf } from '../../ui/format';
import { useMoney } from '../../ui/controls/money';
import { measures } from '../../ui/units';

/** An entry of the record in a few words of the reader's language. */
export const useEntryWords = ({ book, base, prices }: HirePack): ((body: EventBody) => string) => {
  const { t, i18n } = useTranslation();
  const money = useMoney(prices.currency);
  const find = (rows: readonly { id: string; name: Wording }[], id: string) => {
    const row = rows.find((one) => one.id === id);
    return row ? say(row.name, i18n.language) : id;
  };
  const reading = (id: string, shown: number) => {
    const gauge = book.gauges.find((one) => one.id === id);
    return gauge ? spokenReading(gauge, shown, measures()) : figure(shown);
  };
  /** With why, and in whose words. */
  const said = (what: string, { why, note }: { why?: CancelReason | undefined; note?: string | undefined }) =>
    [what, why === undefined ? '' : t(`log.reason.${why}`), note ?? ''].filter(Boolean).join(' · ');
  /** A round with what was told in figures, and what nobody ticked. */
  const roundWords = ({ round, figures = [], left }: Extract<EventBody, { kind: 'roundDone' }>): string => {
    const items = book.rounds.find(({ id }) => id === round)?.items ?? [];
    const nameOf = (id: string) => say(items.find((one) => one.id === id)?.say ?? { en: id }, i18n.language);
    const told = figures.map(({ item, value }) => `${nameOf(item)}: ${value} ${items.find(({ id }) => id === item)?.figure?.unit ?? ''}`);
    return [
      t('log.round', { text: find(book.rounds, round) }),
      ...told,
      left.length > 0 ? t('log.roundLeft', { names: left.map(nameOf).join('; ') }) : '',
    ]
      .filter(Boolean)
      .join(' · ');
  };
  const point = (id: string) => say(book.points.find((one) => one.id === id)?.say ?? { en: id }, i18n.language);
  return (body) => {
    switch (body.kind) {
      case 'walkStarted':
        return t(`walk.${body.walk}`);
      case 'pointBriefed':
        return `${t(`log.how.${body.how}`)}: ${point(body.point)}`;
      case 'pointSkipped':
        return `${t(`walk.skip.${body.why}`)}: ${point(body.point)}`;
      case 'counted':
        return `${find(book.fittings, body.fitting)}: ${body.count}${body.state === 'fine' ? '' : `, ${t(`walk.state.${body.state}`)}`}`;
      case 'gaugeRead':
        return `${find(book.gauges, body.gauge)}: ${reading(body.gauge, body.shown)}`;
      case 'brimmed':
        return `${find(book.tanks, body.tank)}: ${t('log.brimmed')}${body.meteredL === undefined ? '' : `, ${measures().litres(body.meteredL, 1)}`}`;
      case 'markPlaced':
        return `${t(`mark.${body.mark.kind}`)} ${measures().small(body.mark.sizeMm)}, ${find(book.surfaces, body.mark.surface)}`;
      case 'surfaceSeen':
        return `${find(book.surfaces, body.surface)}: ${t('walk.lookedAt')}`;
      case 'evidenceGiven':
        return `${find(book.propellers, body.propeller)}: ${t(`log.evidence.${body.state}`)}`;
      case 'remarked':
        return `${t(`log.remark.${body.as}`)}: ${body.text}`;
      case 'stationCompleted':
        return `${find(book.stations, body.station)}: ${t('walk.completedState')}`;
      case 'boatHeld':
        return t('log.boatHeld', { why: body.why });
      case 'fuelFilled':
        return `${t(body.by === 'renter' ? 'log.filledByRenter' : 'compare.fill')}: ${measures().litres(body.litres, 1)}`;
      case 'tankServed':
        return `${find(book.tanks, body.tank)}: ${t(`log.served.${body.did}`)}`;
      case 'signed':
        return t(body.as === 'renter' ? 'log.renterSigned' : 'log.staffSigned');
      case 'sealed':
        return t('log.sealed');
      case 'planAgreed': {
        const { plan } = body;
        if (plan.is === 'canal')
          return t('log.plan.canal', { name: plan.turn, nights: plan.days.flatMap(({ night }) => night ?? []).join(', ') });
        const time = whenOf(plan.by, base.zone, Date.parse(plan.by), i18n.language);
        const called = `${plan.aim}${plan.to === undefined ? '' : plan.aim === 'home' ? 'From' : 'At'}` as const;
        return t(`log.plan.${called as 'home'}`, { time, name: plan.to ?? '' });
      }
      case 'castOff':
        return t('log.castOff');
      case 'cameIn':
        return t('log.cameIn');
      case 'conflictResolved':
        return t('log.settled');
      case 'findingDecided':
        return t(`compare.decided.${body.decision}`);
      case 'lineDecided':
        return t(`statement.state.${body.state}`);
      case 'closed':
        return t('statement.number', { n: numberText(body.number, body.prefix) });
      case 'partySet':
        return t('log.party', { count: body.people });
      case 'jacketGiven':
        return t('log.jacket', {
          name: body.jacket
            ? t('own.own', {
                n: body.jacket.newtons,
                from: measures().figure(body.jacket.fromKg, 'kg', 0),
                to: measures().mass(body.jacket.toKg),
              })
            : find([...book.fittings, ...base.store], body.fitting),
        });
      case 'briefingSet':
        return t('log.minutes', { n: body.minutes });
      case 'understandingShown':
        return t(body.right ? 'log.understood' : 'log.notUnderstood', { text: point(body.point) });
      case 'pointRead':
        return t('log.readHome', { text: point(body.point) });
      case 'reported':
        return t('log.reported', { text: body.note });
      case 'roundDone':
        return roundWords(body);
      case 'drillDone':
        return t('log.drill', { name: find(book.drills, body.drill), how: t(`drill.how.${body.how}`) });
      case 'dockingTried':
        return t('log.docking', { name: t(`dock.task.${body.task}.name`), how: t(body.passed ? 'log.dockingDone' : 'log.dockingNot') });
      case 'languageChosen':
        return t('log.language', { language: body.language.toUpperCase() });
      case 'holdOverridden':
        return t('log.overridden', { why: body.why });
      case 'depositAnswered':
        return t(`log.deposit.${body.answer}`, { sum: money(body.amountMinor) });
      case 'depositTaken':
        return t('log.depositTaken', { sum: money(body.amountMinor) });
      case 'noteLeft':
        return `${t('log.noteLeft')}: ${body.text}`;
      case 'workDone':
        return body.note === undefined ? t('log.workDone') : `${t('log.workDone')}: ${body.note}`;
      case 'workJudged':
        return t(body.unsafe ? 'log.workUnsafe' : 'log.workSafe');
      case 'boxDismissed':
        return t('log.boxDismissed');
      case 'asFound': {
        const check = book.checks.find(({ id }) => id === body.check);
        return `${find(book.checks, body.check)}: ${check ? find(check.ways, body.way) : body.way}`;
      }
      case 'signRefused':
        return t('log.refused', { why: body.why });
      case 'extraNoted':
        return t('log.extra', { text: body.text });
      case 'receiptShown':
        return t('log.receipt', { sum: money(body.amountMinor), text: body.text });
      case 'lineAnswered':
        return body.remark === undefined ? t(`log.answered.${body.answer}`) : `${t(`log.answered.${body.answer}`)}: ${body.remark}`;
      case 'lineContested':
        return t('log.contested', { text: body.remark });
      case 'lineQuoted':
        return t('log.quoted', { sum: money(body.amountMinor), why: body.why });
      case 'waiverSet':
        return t(body.taken ? 'log.waiver' : 'log.noWaiver');
      case 'paymentAnswered':
        return t(`log.payment.${body.what}`, { sum: money(body.amountMinor), answer: t(`log.paymentIs.${body.answer}`) });
      case 'paidByHand':
        return t(`log.byHand.${body.what}`, { sum: money(body.amountMinor) });
      case 'corrected':
        return t('log.corrected', {
          n: numberText(body.number, body.prefix),
          of: numberText(body.corrects, body.prefix),
          why: body.why,
        });
      case 'bookingChanged':
        return said(t('log.booking', { what: body.changes.map(({ what }) => t(`log.field.${what}`)).join(', ') }), body);
      case 'boatSwapped':
        return said(t('log.swapped'), body);
      case 'hireCancelled':
        return said(t('log.cancelled'), body);
      case 'hireReinstated':
        return said(t('log.reinstated'), body);
      case 'keyGiven':
        return t('log.keyGiven');
      case 'undone':
        return t('walk.undone');
    }
  };
};
