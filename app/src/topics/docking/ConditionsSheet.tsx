import { CONDITION_RANGES, type Conditions } from '@quay/core/docking/place';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import * as z from 'zod/mini';
import { FormField, useSchemaForm } from '../../ui/controls/form';
import { fieldText } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import * as typed from '../../ui/controls/typed';
import { measures } from '../../ui/units';
import { Small } from '../../ui/words';
import type { WindAndWater } from '../trip/useConditions';

const capital = (words: string): string => `${words.charAt(0).toUpperCase()}${words.slice(1)}`;
type Typed = 'windMs' | 'currentMs' | 'waterM';
/** What each is kept in. */
const UNIT: Readonly<Record<Typed, string>> = { windMs: 'm/s', currentMs: 'm/s', waterM: 'm' };

/** Wind and water by hand. What is left empty is estimated, and said to be. */
export const ConditionsSheet = ({ wind, tidal, onClose }: { wind: WindAndWater; tidal: boolean; onClose: () => void }) => {
  const { t } = useTranslation();
  const text = (name: Typed) => {
    const value = wind.given[name];
    return value === undefined ? '' : fieldText(value, UNIT[name]);
  };
  const schema = useMemo(() => {
    const within = (name: Typed) => {
      const [from, to] = CONDITION_RANGES[name];
      return typed.maybeNumber(
        { from, to },
        t('dock.range', { min: measures().figure(from, UNIT[name], 1), max: measures().figure(to, UNIT[name], 1) }),
      );
    };
    return z.object({
      windFromDeg: z.optional(z.number()),
      currentToDeg: z.optional(z.number()),
      windMs: within('windMs'),
      currentMs: within('currentMs'),
      waterM: within('waterM'),
    });
  }, [t]);
  const form = useSchemaForm(
    schema,
    {
      windFromDeg: wind.given.windFromDeg,
      currentToDeg: wind.given.currentToDeg,
      windMs: text('windMs'),
      currentMs: text('currentMs'),
      waterM: text('waterM'),
    },
    'whileTyped',
  );
  const [windFromDeg, currentToDeg] = form.watch(['windFromDeg', 'currentToDeg']);
  const keep = form.handleSubmit(({ waterM, ...entered }) => {
    const all: Partial<Record<keyof Conditions, number | undefined>> = { ...entered, ...(tidal ? { waterM } : {}) };
    wind.setByHand(Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)));
    onClose();
  });
  const field = (name: Typed, label: string) => (
    <FormField form={form} name={name} label={capital(label)} numeric unit={UNIT[name]} most={8} testID={`set-${name}`} />
  );
  const rose = (label: string, at: number | undefined, set: (deg: number) => void, id: string) => (
    <View style={{ gap: 6 }} role="radiogroup" aria-label={label}>
      <Small>{capital(label)}</Small>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
        {(t('dock.dirs', { returnObjects: true }) as string[]).map((name, i) => (
          <View key={name} style={{ flexBasis: '22%', flexGrow: 1 }}>
            <ChoiceChip
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
    <ModalSheet
      title={t('dock.now')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          {wind.from.is === 'hand' ? (
            <Button
              mode="outlined"
              label={t('dock.useMast')}
              onPress={() => {
                wind.setByHand(undefined);
                onClose();
              }}
              testID="use-mast"
            />
          ) : null}
          <Button mode="contained" label={t('dock.keepHand')} onPress={() => void keep()} testID="keep-wind" />
        </>
      }
    >
      {rose(t('dock.figure.windFromDeg'), windFromDeg, (deg) => form.setValue('windFromDeg', deg), 'wind')}
      {field('windMs', t('dock.figure.windMs'))}
      {rose(t('dock.figure.currentToDeg'), currentToDeg, (deg) => form.setValue('currentToDeg', deg), 'current')}
      {field('currentMs', t('dock.figure.currentMs'))}
      {tidal ? field('waterM', t('dock.figure.waterM')) : null}
    </ModalSheet>
  );
};
