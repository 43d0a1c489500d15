import { say } from '@quay/core/words/words';
import { type ReactElement, useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { Plan } from '../../ui/drawn/plan';
import { Rope } from '../../ui/drawn/rope';
import type { WalkView } from '../../local/useWalk';

/** How the stops stand, as a text: what is drawn of them is drawn anew only when this changes. */
const progressOf = ({ stops, at }: WalkView) => `${at}:${stops.map(({ completed }) => (completed ? 1 : 0)).join('')}`;

/** The boat from above with the stops of a walk on her. */
export const WalkPlan = ({
  view,
  width,
  height,
  bowUp = false,
  onJump,
}: {
  view: WalkView;
  width: number;
  height: number;
  bowUp?: boolean;
  onJump: (index: number) => void;
}) => {
  const { stops, at, language, pack } = view;
  return useAsItStands(
    () => (
      <Plan
        plan={pack.book.plan}
        stations={pack.book.stations}
        stops={stops.map((one, i) => ({
          id: one.station.id,
          name: say(one.station.name, language),
          label: String(i + 1),
          state: i === at ? ('now' as const) : one.completed ? ('completed' as const) : ('open' as const),
        }))}
        width={width}
        height={height}
        bowUp={bowUp}
        onStop={(id) => onJump(stops.findIndex((one) => one.station.id === id))}
      />
    ),
    [progressOf(view), pack.book, language, width, height, bowUp, onJump],
  );
};

/** How far a walk is, and the way to jump. */
export const WalkRope = ({ view, width, onJump }: { view: WalkView; width: number; onJump: (index: number) => void }) => {
  const { t } = useTranslation();
  const { stops, at, language } = view;
  return useAsItStands(
    () => (
      <Rope
        knots={stops.map((one) => ({ id: one.station.id, name: say(one.station.name, language), completed: one.completed }))}
        at={at}
        onJump={onJump}
        width={width}
        spoken={(one, i) =>
          t('walk.stopState', { i: i + 1, name: one.name, state: one.completed ? t('walk.completedState') : t('walk.looseState') })
        }
      />
    ),
    [progressOf(view), language, width, onJump, t],
  );
};

/** What is drawn stays as it is until one of these changes, however often the walk is drawn. */
const useAsItStands = (draw: () => ReactElement, changesWith: readonly unknown[]): ReactElement =>
  // The caller names what the drawing depends on; the walk itself is another with each entry.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  useMemo(draw, changesWith);
