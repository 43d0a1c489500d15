import { CONDITION_RANGES, type Conditions } from '@quay/core/docking/place';
import { typedNumber } from '@quay/core/number/typed';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Field } from '../../ui/field';
import { figure } from '../../ui/format';
import { Alt, Chip, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { Small } from '../../ui/words';
import type { WindAndWater } from './useConditions';

const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
type Typed = 'windMs' | 'currentMs' | 'waterM';

/** Wind and water by hand. What is left empty is estimated, and said to be. */
export const ConditionsSheet = ({ wind, tidal, onClose }: { wind: WindAndWater; tidal: boolean; onClose: () => void }) => {
  const { t } = useTranslation();
  const text = (value: number | undefined) => (value === undefined ? '' : figure(value));
  const [windFromDeg, setWindFrom] = useState(wind.given.windFromDeg);
  const [currentToDeg, setCurrentTo] = useState(wind.given.currentToDeg);
  const [typed, setTyped] = useState<Record<Typed, string>>({
    windMs: text(wind.given.windMs),
    currentMs: text(wind.given.currentMs),
    waterM: text(wind.given.waterM),
  });
  const number = (field: Typed): number | undefined => (typed[field].trim() === '' ? undefined : typedNumber(typed[field]));
  const wrong = (field: Typed): boolean => {
    const value = number(field);
    const [from, to] = CONDITION_RANGES[field];
    return value !== undefined && !(value >= from && value <= to);
  };
  const fits = !(['windMs', 'currentMs', 'waterM'] as const).some(wrong);
  const keep = () => {
    const all: Partial<Record<keyof Conditions, number | undefined>> = {
      windFromDeg,
      currentToDeg,
      windMs: number('windMs'),
      currentMs: number('currentMs'),
      ...(tidal ? { waterM: number('waterM') } : {}),
    };
    wind.setByHand(Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)));
    onClose();
  };
  const field = (name: Typed, label: string, unit: string) => (
    <Field
      label={capital(label)}
      value={typed[name]}
      onChange={(value) => setTyped({ ...typed, [name]: value })}
      numeric
      unit={unit}
      fault={wrong(name) ? t('dock.range', { min: CONDITION_RANGES[name][0], max: CONDITION_RANGES[name][1] }) : undefined}
      testID={`set-${name}`}
    />
  );
  const rose = (label: string, at: number | undefined, set: (deg: number) => void, id: string) => (
    <View style={{ gap: 6 }} role="radiogroup" aria-label={label}>
      <Small>{capital(label)}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {(t('dock.dirs', { returnObjects: true }) as string[]).map((name, i) => (
          <View key={name} style={{ flexBasis: '22%', flexGrow: 1 }}>
            <Chip
              label={name}
              on={at !== undefined && Math.round(at / 45) % 8 === i}
              onPress={() => set(i * 45)}
              testID={`${id}-${i * 45}`}
            />
          </View>
        ))}
      </View>
    </View>
  );
  return (
    <Sheet
      title={t('dock.now')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          {wind.from.is === 'hand' ? (
            <Alt
              label={t('dock.useMast')}
              onPress={() => {
                wind.setByHand(undefined);
                onClose();
              }}
              testID="use-mast"
            />
          ) : null}
          <Go label={t('dock.keepHand')} disabled={!fits} onPress={keep} testID="keep-wind" />
        </>
      }
    >
      {rose(t('dock.figure.windFromDeg'), windFromDeg, setWindFrom, 'wind')}
      {field('windMs', t('dock.figure.windMs'), 'm/s')}
      {rose(t('dock.figure.currentToDeg'), currentToDeg, setCurrentTo, 'current')}
      {field('currentMs', t('dock.figure.currentMs'), 'm/s')}
      {tidal ? field('waterM', t('dock.figure.waterM'), 'm') : null}
    </Sheet>
  );
};
