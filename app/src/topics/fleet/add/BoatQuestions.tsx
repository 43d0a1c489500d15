import type { Starter } from '@quay/contract/newBoat';
import { FUEL_SHOWN, STEERING_NAMES, TOILET_KINDS } from '@quay/core/fleet/starter/systems';
import { say } from '@quay/core/words/words';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TitledCard } from '../../../ui/board';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { CountStepper } from '../../../ui/controls/countStepper';
import { FormField } from '../../../ui/controls/form';
import { Small } from '../../../ui/words';
import { AboardRows } from './AboardRows';
import { type Asked, AskedDrawing, ToiletDrawing } from './asked';
import { Shown, Steered } from './drawings';
import { type FigureName, type NewBoatForm, RANGE_UNITS } from './newBoatForm';
import { SYSTEM_ICONS } from './systemIcons';

/** Everything that differs from hull to hull, in the order in which one finds it out; each with what is usual filled in. */
export const BoatQuestions = ({
  form,
  starter,
  bases,
  base,
  onBase,
}: {
  form: NewBoatForm;
  starter: Starter;
  bases: readonly { id: string; name: string }[];
  base: string | undefined;
  onBase: (id: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  const [fuelShown, steering, toilet, has, places] = form.watch(['fuelShown', 'steering', 'toilet', 'has', 'places']);
  const toggled = <T,>(all: readonly T[], one: T): T[] => (all.includes(one) ? all.filter((other) => other !== one) : [...all, one]);
  const figure = (name: FigureName, label: string) => (
    <Beside of={name}>
      <FormField form={form} name={name} label={label} numeric unit={RANGE_UNITS[name]} most={8} testID={`boat-${name}`} />
    </Beside>
  );
  return (
    <>
      <TitledCard title={t('newBoat.who')}>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          <Beside of="name">
            <FormField form={form} name="name" label={t('newBoat.name')} most={80} autoFocus testID="boat-name" />
          </Beside>
          <Beside of="hullNumber">
            <FormField form={form} name="hullNumber" label={t('newBoat.hullNumber')} most={20} testID="boat-hullNumber" />
          </Beside>
        </View>
        {bases.length > 1 ? (
          <Chips label={t('newBoat.base')}>
            {bases.map(({ id, name }) => (
              <ChoiceChip key={id} label={name} on={id === base} onPress={() => onBase(id)} testID={`boat-base-${id}`} />
            ))}
          </Chips>
        ) : null}
      </TitledCard>
      <TitledCard title={t('newBoat.size')}>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
          {figure('lengthM', t('newBoat.length'))}
          {figure('beamM', t('newBoat.beam'))}
          {figure('people', t('newBoat.people'))}
          {figure('loadKg', t('newBoat.load'))}
        </View>
      </TitledCard>
      {starter.tank ? (
        <TitledCard title={t('newBoat.fuel')}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 10 }}>
            {figure('fuelL', t('newBoat.fuelL'))}
            {figure('burnLPerHour', t('newBoat.burn'))}
          </View>
          <Chips label={t('newBoat.shown')} several>
            {FUEL_SHOWN.map((one) => (
              <View key={one} style={{ alignItems: 'center', gap: 4 }}>
                <Shown how={one} on={fuelShown.includes(one)} />
                <ChoiceChip
                  label={t(`newBoat.shows.${one}`)}
                  on={fuelShown.includes(one)}
                  onPress={() => form.setValue('fuelShown', toggled(fuelShown, one), { shouldDirty: true })}
                  several
                  testID={`shows-${one}`}
                />
              </View>
            ))}
          </Chips>
        </TitledCard>
      ) : null}
      <TitledCard title={t('newBoat.steering')}>
        <Chips label={t('newBoat.steering')} plain>
          {STEERING_NAMES.map((one) => (
            <View key={one} style={{ alignItems: 'center', gap: 4 }}>
              <Steered by={one} on={steering === one} />
              <ChoiceChip
                label={t(`newBoat.steers.${one}`)}
                on={steering === one}
                onPress={() => form.setValue('steering', one, { shouldDirty: true })}
                testID={`steers-${one}`}
              />
            </View>
          ))}
        </Chips>
      </TitledCard>
      {toilet === undefined ? null : (
        <TitledCard title={t('newBoat.toilet')}>
          <Chips label={t('newBoat.toilet')} plain>
            {[...TOILET_KINDS, 'none' as const].map((one) => (
              <View key={one} style={{ alignItems: 'center', gap: 4 }}>
                <ToiletDrawing kind={one} on={toilet === one} />
                <ChoiceChip
                  label={t(`newBoat.toilets.${one}`)}
                  on={toilet === one}
                  onPress={() => form.setValue('toilet', one, { shouldDirty: true })}
                  testID={`toilet-${one}`}
                />
              </View>
            ))}
          </Chips>
        </TitledCard>
      )}
      {starter.systems.length > 0 ? (
        <TitledCard title={t('newBoat.has')}>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
            {starter.systems.map((one) => (
              <View key={one} style={{ flexGrow: 1, flexBasis: 240 }}>
                <CheckboxRow
                  label={t(`newBoat.system.${one}`)}
                  icon={SYSTEM_ICONS[one]}
                  on={has.includes(one)}
                  onChange={() => form.setValue('has', toggled(has, one), { shouldDirty: true })}
                  testID={`has-${one}`}
                />
              </View>
            ))}
          </View>
        </TitledCard>
      ) : null}
      {starter.places.length > 0 ? (
        <TitledCard title={t('newBoat.places')}>
          <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
            <AskedDrawing of="people" />
            <Small style={{ flex: 1 }}>{t('newBoat.placesWhy')}</Small>
          </View>
          {starter.places.map(({ id, name }) => {
            const words = say(name, i18n.language);
            return (
              <CountStepper
                key={id}
                label={words}
                fewer={t('newBoat.fewer', { name: words })}
                more={t('newBoat.more', { name: words })}
                value={places[id] ?? 0}
                least={0}
                most={60}
                onChange={(many) => form.setValue(`places.${id}`, many, { shouldDirty: true })}
                testID={`place-${id}`}
              />
            );
          })}
        </TitledCard>
      ) : null}
      <TitledCard title={t('newBoat.aboard')}>
        <Small>{t('newBoat.aboardWhy')}</Small>
        <AboardRows form={form} starter={starter} />
      </TitledCard>
    </>
  );
};

/** A field with what it asks for drawn beside it. */
const Beside = ({ of, children }: { of: Asked; children: ReactNode }) => (
  <View style={{ flexGrow: 1, flexBasis: 300, flexDirection: 'row', alignItems: 'center', gap: 10 }}>
    <AskedDrawing of={of} />
    <View style={{ flex: 1 }}>{children}</View>
  </View>
);

/** @param plain the question stands above already */
const Chips = ({
  label,
  several = false,
  plain = false,
  children,
}: {
  label: string;
  several?: boolean;
  plain?: boolean;
  children: ReactNode;
}) => (
  <>
    {plain ? null : <Small>{label}</Small>}
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role={several ? 'group' : 'radiogroup'} aria-label={label}>
      {children}
    </View>
  </>
);
