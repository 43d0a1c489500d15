import { type HireRecord } from '@quay/core/events/record';
import { departureOf } from '@quay/core/walk/departure';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Body } from '../../ui/words';

/** Said above whatever is compared with a departure that nobody recorded, or nobody signed. */
export const DepartureNotice = ({ record }: { record: HireRecord }) => {
  const { t } = useTranslation();
  const known = departureOf(record);
  if (known === 'signed' || known === 'notAsked') return null;
  return (
    <View style={{ paddingBottom: 10 }}>
      <Notice kind="stop" title={t(known === 'nothing' ? 'again.noDeparture' : 'again.unsignedDeparture')}>
        <Body>{t(known === 'nothing' ? 'again.noDepartureWhy' : 'again.unsignedDepartureWhy')}</Body>
      </Notice>
    </View>
  );
};
