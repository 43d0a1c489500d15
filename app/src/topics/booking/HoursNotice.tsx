import type { getChoices } from '@quay/contract/booking';
import type { ReplyOf } from '@quay/contract/endpoint';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { whenOf } from '../../ui/format';
import { Body } from '../../ui/words';

export type AgainstHours = ReplyOf<typeof getChoices>['hours'];

/** What is against the hours of a hire, with departures near them that nothing is against. */
export const HoursNotice = ({
  hours: { rule, faults, better },
  zone,
  now,
  onMove,
}: {
  hours: AgainstHours;
  zone: string;
  now: number;
  /** Takes another departure; the return moves with it. */
  onMove: (from: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  if (faults.length === 0) return null;
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  return (
    <Notice kind={rule === 'refuse' ? 'stop' : 'ask'} title={t(rule === 'refuse' ? 'hours.refused' : 'hours.asked')}>
      <View style={{ gap: 8 }} testID="against-hours">
        {faults.map(({ is, end, at, by }) => (
          <Body key={`${is} ${end}`}>{t(`hours.${is}.${end}`, { when: when(at), by })}</Body>
        ))}
        {better.length > 0 ? (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {better.map((from) => (
              <Button
                key={from}
                mode="outlined"
                label={t('hours.leaveAt', { when: when(from) })}
                onPress={() => onMove(from)}
                testID={`better-${from}`}
              />
            ))}
          </View>
        ) : null}
      </View>
    </Notice>
  );
};
