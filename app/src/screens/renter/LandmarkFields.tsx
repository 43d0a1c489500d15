import { type Position, seenFrom } from '@quay/core/waters/position';
import type { Landmark } from '@quay/core/waters/landmarks';
import { typedNumber } from '@quay/core/number/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Field } from '../../ui/field';
import { Chip } from '../../ui/press';
import { Small } from '../../ui/words';

export type Sighting = { landmark: Landmark; bearing: number; metres: number };

const number = (text: string): number | undefined => {
  const read = typedNumber(text);
  return Number.isNaN(read) ? undefined : read;
};

/** Where we are by a landmark that is seen: which one, on what bearing, how far. */
export const useSighting = (landmarks: readonly Landmark[]) => {
  const [id, setId] = useState<string>();
  const [bearing, setBearing] = useState('');
  const [metres, setMetres] = useState('');
  const landmark = landmarks.find((one) => one.id === id);
  const [deg, far] = [number(bearing), number(metres)];
  const badBearing = bearing.trim() !== '' && (deg === undefined || deg < 0 || deg > 360);
  const badMetres = metres.trim() !== '' && (far === undefined || far < 10 || far > 20_000);
  const sighting: Sighting | undefined =
    landmark && deg !== undefined && far !== undefined && !badBearing && !badMetres ? { landmark, bearing: deg, metres: far } : undefined;
  const at: Position | undefined = sighting && seenFrom(sighting.landmark.at, sighting.bearing, sighting.metres);
  return { landmarks, id, setId, bearing, setBearing, badBearing, metres, setMetres, badMetres, sighting, at };
};

export const LandmarkFields = ({ of }: { of: ReturnType<typeof useSighting> }) => {
  const { t } = useTranslation();
  if (of.landmarks.length === 0) return null;
  return (
    <View style={{ gap: 8 }}>
      <Small>{t('r.orLandmark')}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }} role="radiogroup" aria-label={t('r.orLandmark')}>
        {of.landmarks.map(({ id, name }) => (
          <Chip key={id} label={name} on={of.id === id} onPress={() => of.setId(of.id === id ? undefined : id)} testID={`landmark-${id}`} />
        ))}
      </View>
      {of.id === undefined ? null : (
        <View style={{ flexDirection: 'row', gap: 10 }}>
          <View style={{ flex: 1 }}>
            <Field
              label={t('r.bearingTo')}
              value={of.bearing}
              numeric
              unit="°"
              onChange={of.setBearing}
              fault={of.badBearing ? t('r.badBearing') : undefined}
              testID="bearing"
            />
          </View>
          <View style={{ flex: 1 }}>
            <Field
              label={t('r.distanceTo')}
              value={of.metres}
              numeric
              unit="m"
              onChange={of.setMetres}
              fault={of.badMetres ? t('r.badDistance') : undefined}
              testID="distance"
            />
          </View>
        </View>
      )}
    </View>
  );
};
