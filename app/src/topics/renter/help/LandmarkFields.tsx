import { type Position, readPosition, seenFrom } from '@quay/core/waters/position';
import type { Landmark } from '@quay/core/waters/landmarks';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { type Form, FormField, useSchemaForm } from '../../../ui/controls/form';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import * as typed from '../../../ui/controls/typed';
import { Small } from '../../../ui/words';

export type Sighting = { landmark: Landmark; bearing: number; metres: number };

/** Where we are, as somebody types it who sees a landmark or reads a map; each may stay empty. */
const WhereForm = z.object({
  typed: z.string().check(z.refine((text) => text.trim() === '' || readPosition(text) !== undefined, 'r.badPosition')),
  landmark: z.string(),
  bearing: typed.maybeNumber({ from: 0, to: 360 }, 'r.badBearing'),
  metres: typed.maybeNumber({ from: 10, to: 20_000 }, 'r.badDistance'),
});
type Where = Form<z.input<typeof WhereForm>, z.output<typeof WhereForm>>;

/** Where we are by what is typed, or by a landmark that is seen: which one, on what bearing, how far. */
export const useWhere = (landmarks: readonly Landmark[]) => {
  // What is typed is read out at once: whoever calls for help presses nothing more.
  const form: Where = useSchemaForm(WhereForm, { typed: '', landmark: '', bearing: '', metres: '' }, 'whileTyped');
  const entered = form.watch();
  const bearing = WhereForm.shape.bearing.safeParse(entered.bearing).data;
  const metres = WhereForm.shape.metres.safeParse(entered.metres).data;
  const landmark = landmarks.find((one) => one.id === entered.landmark);
  const sighting: Sighting | undefined =
    landmark && bearing !== undefined && metres !== undefined ? { landmark, bearing, metres } : undefined;
  const seen: Position | undefined = sighting && seenFrom(sighting.landmark.at, sighting.bearing, sighting.metres);
  const nothingTyped = entered.typed.trim() === '';
  return {
    form,
    landmarks,
    id: entered.landmark,
    sighting: nothingTyped ? sighting : undefined,
    seen,
    typed: nothingTyped ? undefined : (readPosition(entered.typed) ?? 'unread'),
  } as const;
};

export const LandmarkFields = ({ of }: { of: ReturnType<typeof useWhere> }) => {
  const { t } = useTranslation();
  if (of.landmarks.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <Small>{t('r.orLandmark')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('r.orLandmark')}>
        {of.landmarks.map(({ id, name }) => (
          <ChoiceChip
            key={id}
            label={name}
            on={of.id === id}
            onPress={() => of.form.setValue('landmark', of.id === id ? '' : id)}
            testID={`landmark-${id}`}
          />
        ))}
      </View>
      {of.id === '' ? null : (
        <View style={{ flexDirection: 'row', gap: 10 }}>
          <View style={{ flex: 1 }}>
            <FormField form={of.form} name="bearing" label={t('r.bearingTo')} numeric unit="°" most={8} testID="bearing" />
          </View>
          <View style={{ flex: 1 }}>
            <FormField form={of.form} name="metres" label={t('r.distanceTo')} numeric unit="m" most={8} testID="distance" />
          </View>
        </View>
      )}
    </View>
  );
};
