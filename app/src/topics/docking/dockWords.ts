import type { Act, Line, NoPlan, Plan, Step } from '@quay/core/docking/plan';
import type { Side } from '@quay/core/docking/place';
import { useTranslation } from 'react-i18next';
import { figure } from '../../ui/format';
import { measures } from '../../ui/units';

/** Metres as one says them on a pontoon: whole ones, halves when near. Feet are whole at any distance. */
export const metres = (m: number): string =>
  measures().converts('m') ? measures().metres(m, 0) : `${m >= 10 ? Math.round(m) : figure(Math.round(m * 2) / 2)} m`;
/** A finer figure where halves would round to nothing. */
const fine = (m: number): string => measures().metres(m);
const LEAST_M = 0.5;
const FINE: readonly Step['id'][] = ['upDrift', 'slack', 'grounds', 'staysAfloat'];
/** What a reason speaks of; degrees and what has no figure are said as they are. */
const REASON_UNIT: Partial<Record<NoPlan['reason'], string>> = { wind: 'm/s', narrow: 'm', shallow: 'm' };
const seconds = (s: number): string => (s < 90 ? `${Math.max(5, Math.round(s / 5) * 5)} s` : `${Math.round(s / 60)} min`);

const reasoned = (reason: NoPlan['reason'], value: number | undefined): string => {
  const unit = REASON_UNIT[reason];
  return value === undefined ? '' : unit === undefined ? figure(value) : measures().said(value, unit, 1);
};

/** Sentences of a plan, filled with its figures. */
export const useDockWords = () => {
  const { t } = useTranslation();
  const on = (side: Side | undefined) => (side ? t(`dock.on.${side}`) : '');
  const to = (side: Side | undefined) => (side ? t(`dock.to.${side}`) : '');
  const step = ({ id, m = 0, deg = 0, side, seconds: s = 0, line }: Step): string =>
    t(`dock.step.${id}`, {
      // Nothing is done at no distance at all.
      m: FINE.includes(id) ? fine(m) : metres(Math.max(LEAST_M, m)),
      deg: Math.round(deg),
      on: on(side),
      to: to(side),
      s: seconds(s),
      line: line ? t(`dock.line.${line}`) : '',
    });
  return {
    step,
    line: ({ line, why }: Line): string => `${t(`dock.line.${line}`)}: ${t(`dock.why.${why}`)}`,
    set: ({ set, setMs, setTo }: Plan): string => t(`dock.set.${set}`, { ms: measures().said(setMs, 'm/s', 2), to: to(setTo) }),
    head: (plan: Plan): string => {
      if (plan.act === 'lie') return t('dock.head.lie');
      if (plan.act === 'arrive') {
        if (plan.kind === 'lockWall') return t('dock.head.lock', { side: on(plan.side) });
        return plan.side === undefined ? t('dock.head.straight') : t(`dock.head.${plan.against}`, { side: on(plan.side) });
      }
      if (plan.kind === 'bank') return t('dock.head.leavebank');
      if (plan.kind === 'lockWall') return t('dock.head.leavelock');
      return t(`dock.head.leave${plan.side === undefined ? 'across' : plan.set}`);
    },
    no: ({ reason, found, limit, figure: missing }: NoPlan): string =>
      t(`dock.reason.${reason}`, {
        found: reasoned(reason, found),
        limit: reasoned(reason, limit),
        figure: missing ? t(`dock.figure.${missing}`) : '',
      }),
    direction: (deg: number): string =>
      (t('dock.dirs', { returnObjects: true }) as string[])[Math.round((((deg % 360) + 360) % 360) / 45) % 8]!,
  };
};

export const ACTS: readonly Act[] = ['arrive', 'leave', 'lie'];
