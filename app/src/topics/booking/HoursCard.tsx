import { clockOf, dateOf } from '@quay/core/time/zone';
import { writeDay } from '@quay/core/time/typedDay';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card } from '../../ui/board';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ClockField, DayField } from '../../ui/controls/when';
import { whenOf } from '../../ui/format';
import { Body, SlabBold } from '../../ui/words';
import { LENGTHS_H, type NewHireForm } from './newHire/newHireForm';
import { CountStepper } from '../../ui/controls/countStepper';

/** So many people at most are asked for, as the contract has it. */
const MOST = 60;

/** When a new hire begins, for how long, and how many come. @param zone of the base */
export const HoursCard = ({
  form,
  times,
  zone,
  now,
}: {
  form: NewHireForm;
  /** What was typed, where it is some hours. */
  times: { from: string; to: string } | undefined;
  zone: string;
  now: number;
}) => {
  const { t, i18n } = useTranslation();
  const set = form.setValue;
  const [hours, adults, children] = form.watch(['hours', 'adults', 'children']);
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  const hoursName = (n: number) =>
    n < 24
      ? t('newHire.hours', { count: n })
      : n % 168 === 0
        ? t('newHire.weeks', { count: n / 168 })
        : t('newHire.days', { count: n / 24 });
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('newHire.when')}
      </SlabBold>
      <View style={{ flexDirection: 'row', gap: 12 }}>
        <View style={{ flex: 3 }}>
          <DayField form={form} name="date" label={t('newHire.leaves')} testID="hire-date" />
        </View>
        <View style={{ flex: 2 }}>
          <ClockField form={form} name="clock" label={t('newHire.at')} testID="hire-clock" />
        </View>
      </View>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('newHire.howLong')}>
        {LENGTHS_H.map((n) => (
          <ChoiceChip key={n} label={hoursName(n)} on={hours === String(n)} onPress={() => set('hours', String(n))} testID={`hours-${n}`} />
        ))}
        <ChoiceChip
          label={t('newHire.otherLength')}
          on={hours === ''}
          onPress={() => {
            // What was chosen before is where typing begins.
            if (times && hours !== '') {
              set('backDate', writeDay(dateOf(times.to, zone)));
              set('backClock', clockOf(times.to, zone));
            }
            set('hours', '');
          }}
          testID="hours-other"
        />
      </View>
      {hours === '' ? (
        <View style={{ flexDirection: 'row', gap: 12 }}>
          <View style={{ flex: 3 }}>
            <DayField form={form} name="backDate" label={t('newHire.backOn')} testID="hire-back-date" />
          </View>
          <View style={{ flex: 2 }}>
            <ClockField form={form} name="backClock" label={t('newHire.at')} testID="hire-back-clock" />
          </View>
        </View>
      ) : times ? (
        <Body>{t('newHire.back', { when: when(times.to) })}</Body>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 24, rowGap: 6 }}>
        {(['adults', 'children'] as const).map((who) => (
          <CountStepper
            key={who}
            label={t(`change.${who}`)}
            fewer={t(`newHire.fewer.${who}`)}
            more={t(`newHire.more.${who}`)}
            value={who === 'adults' ? adults : children}
            least={who === 'adults' ? 1 : 0}
            most={MOST}
            onChange={(n) => set(who, n)}
            testID={`hire-${who}`}
          />
        ))}
      </View>
    </Card>
  );
};
