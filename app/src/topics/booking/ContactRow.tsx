import { contactOf, dialled } from '@quay/core/booking/contact';
import { whoSpeaks } from '@quay/contract/session';
import { LANGUAGES } from '@quay/core/words/words';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../local/api';
import { dial, handOver } from '../../platform/browser';
import { Button } from '../../ui/controls/button';
import { Body, Bold, Small } from '../../ui/words';

/** How whoever hires is reached, each way a press away. A hire that this phone fetched long ago may not say it. */
export const ContactRow = ({
  contact = '',
  base,
  language,
}: {
  contact: string | undefined;
  base: string;
  /** Of the renter. */
  language: string;
}) => {
  const { t } = useTranslation();
  const spoken = LANGUAGES.find((one) => one === language);
  const { data } = useQuery({
    queryKey: ['speaking', base, language],
    queryFn: () => call(whoSpeaks, { query: { base, language: spoken! } }),
    enabled: spoken !== undefined,
  });
  const { numbers, mails } = contactOf(contact);
  return (
    <View style={{ gap: 6 }}>
      <Small>{t('change.contact')}</Small>
      {contact.trim() === '' ? <Body tone="soft">{t('change.noContact')}</Body> : <Bold>{contact}</Bold>}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {numbers
          .slice(0, 1)
          .flatMap((number) => [
            <Button key="call" mode="outlined" label={t('change.call')} onPress={() => dial(number)} testID="call-renter" />,
            <Button
              key="text"
              mode="outlined"
              label={t('change.text')}
              onPress={() => handOver(`sms:${dialled(number)}`)}
              testID="text-renter"
            />,
          ])}
        {mails.slice(0, 1).map((mail) => (
          <Button
            key="mail"
            mode="outlined"
            label={t('change.mail')}
            onPress={() => handOver(`mailto:${encodeURIComponent(mail)}`)}
            testID="mail-renter"
          />
        ))}
      </View>
      {spoken && data && data.names.length > 0 ? (
        <Small>{t('change.spokenBy', { language: t(`newHire.languages.${spoken}`), names: data.names.join(', ') })}</Small>
      ) : null}
    </View>
  );
};
