import type { Act, Line, NoPlan, Plan, Step } from '@quay/core/docking/plan';
import type { Side } from '@quay/core/docking/place';
import { useTranslation } from 'react-i18next';
import { figure } from '../../ui/format';

/** Metres as one says them on a pontoon: whole ones, halves when near. */
export const metres = (m: number): string => `${m >= 10 ? Math.round(m) : figure(Math.round(m * 2) / 2)} m`;
/** A finer figure where halves would round to nothing. */
const fine = (m: number): string => `${figure(m)} m`;
const LEAST_M = 0.5;
const FINE: readonly Step['id'][] = ['upDrift', 'slack', 'grounds', 'staysAfloat'];
const seconds = (s: number): string => (s < 90 ? `${Math.max(5, Math.round(s / 5) * 5)} s` : `${Math.round(s / 60)} min`);

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
    set: ({ set, setMs, setTo }: Plan): string =>
      t(`dock.set.${set}`, { ms: `${(Math.round(setMs * 100) / 100).toFixed(2)} m/s`, to: to(setTo) }),
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
        found: found === undefined ? '' : figure(found),
        limit: limit === undefined ? '' : figure(limit),
        figure: missing ? t(`dock.figure.${missing}`) : '',
      }),
    direction: (deg: number): string =>
      (t('dock.dirs', { returnObjects: true }) as string[])[Math.round((((deg % 360) + 360) % 360) / 45) % 8]!,
  };
};

export const ACTS: readonly Act[] = ['arrive', 'leave', 'lie'];
