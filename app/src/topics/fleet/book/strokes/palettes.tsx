import type { Plan, Stroke } from '@quay/core/fleet/drawing';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button } from '../../../../ui/controls/button';
import { Bold } from '../../../../ui/words';
import { HULL_FORMS, type HullForm, type Thing, THINGS } from './shapes';
import { SURFACE_VIEWS, surfaceFrom } from './surfaces';

/** What is put onto a drawing: of a boat from above outlines and things aboard, of a surface simple shapes, or all of it from the plan. */

const Row = ({ children }: { children: ReactNode }) => <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>{children}</View>;

export const BoatPalette = ({ onForm, onThing }: { onForm: (form: HullForm) => void; onThing: (thing: Thing) => void }) => {
  const { t } = useTranslation();
  return (
    <>
      <Bold>{t('fleet.draw.outline')}</Bold>
      <Row>
        {HULL_FORMS.map((form) => (
          <Button key={form} mode="outlined" label={t(`fleet.draw.form.${form}`)} onPress={() => onForm(form)} testID={`form-${form}`} />
        ))}
      </Row>
      <Bold>{t('fleet.draw.aboard')}</Bold>
      <Row>
        {THINGS.map((thing) => (
          <Button
            key={thing}
            mode="outlined"
            label={t(`fleet.draw.thing.${thing}`)}
            onPress={() => onThing(thing)}
            testID={`thing-${thing}`}
          />
        ))}
      </Row>
    </>
  );
};

const SHAPES: Readonly<Record<'box' | 'ring' | 'line', Stroke>> = {
  box: { draw: 'box', at: [0.4, 0.4], size: [0.2, 0.2], tone: 'deck' },
  ring: { draw: 'ring', at: [0.5, 0.5], radius: 0.1, tone: 'line' },
  line: {
    draw: 'path',
    points: [
      [0.1, 0.5],
      [0.9, 0.5],
    ],
    tone: 'line',
  },
};
const SHAPE_NAMES = ['box', 'ring', 'line'] as const;
const WHOLE: Stroke = { draw: 'box', at: [0, 0], size: [1, 1], tone: 'hull' };

export const SurfacePalette = ({
  plan,
  onInstead,
  onAdd,
  onUnder,
}: {
  plan: Plan | undefined;
  /** In place of everything that is drawn. */
  onInstead: (strokes: readonly Stroke[]) => void;
  onAdd: (stroke: Stroke) => void;
  /** Beneath everything that is drawn. */
  onUnder: (stroke: Stroke) => void;
}) => {
  const { t } = useTranslation();
  return (
    <>
      {plan ? (
        <>
          <Bold>{t('fleet.draw.fromPlan')}</Bold>
          <Row>
            {SURFACE_VIEWS.map((view) => (
              <Button
                key={view}
                mode="outlined"
                label={t(`fleet.draw.view.${view}`)}
                onPress={() => onInstead(surfaceFrom(view, plan))}
                testID={`view-${view}`}
              />
            ))}
          </Row>
        </>
      ) : null}
      <Row>
        {SHAPE_NAMES.map((shape) => (
          <Button
            key={shape}
            mode="outlined"
            label={t(`fleet.draw.${shape}`)}
            onPress={() => onAdd(SHAPES[shape])}
            testID={`thing-${shape}`}
          />
        ))}
        <Button mode="outlined" label={t('fleet.draw.whole')} onPress={() => onUnder(WHOLE)} testID="thing-whole" />
      </Row>
    </>
  );
};
