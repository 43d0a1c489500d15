import { boatWires } from '@quay/contract/gateway';
import type { Gauge } from '@quay/core/fleet/rows';
import { spokenReading } from '@quay/core/fuel/level';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer } from '../../local/api';
import { Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { measures } from '../../ui/units';
import { Bold, Small } from '../../ui/words';

/** What the boat's own wires say of a gauge, offered as one more reading; taken, it is entered as the gateway's. */
export const WireReading = ({
  boatId,
  gauge,
  atLeast,
  onTake,
}: {
  boatId: string;
  gauge: Gauge;
  /** What a counter showed before: less than that is not offered, since it would be warned of the next moment. */
  atLeast?: number | undefined;
  onTake: (value: number) => void;
}) => {
  const { t } = useTranslation();
  const { data } = useQuery({
    queryKey: ['wires', boatId],
    queryFn: async () => {
      try {
        return await call(boatWires, { params: { boatId } });
      } catch (error) {
        // Without signal nobody hears her wires; the gauge is read by eye.
        if (error instanceof NoAnswer) return null;
        throw error;
      }
    },
    refetchInterval: 5000,
  });
  if (data?.is !== 'read') return data?.is === 'silent' ? <Small>{t('walk.gatewaySilent')}</Small> : null;
  const found = data.readings.find(({ wire }) => wire === gauge.wire);
  if (!found || found.value < gauge.min || found.value > gauge.max) return null;
  return (
    <View style={{ gap: 6, alignItems: 'flex-start' }}>
      <Bold>{t('walk.gateway', { v: spokenReading(gauge, found.value, measures()) })}</Bold>
      {data.simulated ? <Tag kind="ask">{t('walk.gatewaySimulated')}</Tag> : null}
      {atLeast !== undefined && found.value < atLeast ? (
        <Tag kind="ask">{t('walk.lowerThanBefore', { v: spokenReading(gauge, atLeast, measures()) })}</Tag>
      ) : (
        <Button mode="outlined" label={t('walk.gatewayTake')} onPress={() => onTake(found.value)} testID="take-wire" />
      )}
    </View>
  );
};
