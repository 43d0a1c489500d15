import { listAddresses, type Look, lookAtAddress, lookAtFile } from '@quay/contract/exchange';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { FileDrop } from '../../../platform/fileDrop';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { TextField } from '../../../ui/controls/textField';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { useTones } from '../../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { Incoming } from './Incoming';
import { Outgoing } from './Outgoing';
import { Sources } from './Sources';

type Chosen = { look: Look; address?: string; name: string };

/** Bookings from elsewhere and for elsewhere. */
export const Exchange = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const errorWords = useErrorWords();
  const tones = useTones();
  const { wide } = useRoom();
  const [address, setAddress] = useState('');
  const [chosen, setChosen] = useState<Chosen>();
  const { data, error } = useQuery({ queryKey: ['calendarAddresses'], queryFn: () => call(listAddresses) });
  const file = useMutation({
    mutationFn: async (one: File) => {
      return {
        look: await call(lookAtFile, { query: { name: one.name.slice(0, 200) }, bytes: one }),
        name: one.name.replace(/\.\w+$/, '').slice(0, 80),
      };
    },
    onSuccess: setChosen,
  });
  const feed = useMutation({
    mutationFn: async (where: string) => {
      const look = await call(lookAtAddress, { body: { address: where } });
      return { look, address: where, name: look.looked.kind === 'calendar' ? look.looked.name : '' };
    },
    onSuccess: setChosen,
  });
  const failed = error ?? file.error ?? feed.error;
  const isAddress = /^(https?|webcal):\/\/\S+$/i.test(address.trim());
  const bases = data?.bases ?? [];
  const bring = (
    <FileDrop accept={['.csv', '.txt', '.ics', 'text/csv', 'text/calendar']} onFile={(one) => file.mutate(one)}>
      {(choose, over) => (
        <Card style={{ gap: 10, ...(over ? { borderColor: tones.primary, borderWidth: 2 } : {}) }}>
          <SlabBold size={22} heading={2}>
            {t('exchange.bring')}
          </SlabBold>
          <Body>{t('exchange.bringWhy')}</Body>
          <Button mode="contained" label={t('exchange.choose')} busy={file.isPending} onPress={choose} testID="choose-file" />
          {wide ? <Small>{t('exchange.dropIt')}</Small> : null}
          <Bold>{t('exchange.orAddress')}</Bold>
          <TextField
            label={t('exchange.address')}
            value={address}
            most={2000}
            onChange={setAddress}
            fault={address.trim() === '' || isAddress ? undefined : t('exchange.badAddress')}
            testID="feed-address"
          />
          <Button
            mode="outlined"
            label={t('exchange.fetch')}
            disabled={!isAddress}
            busy={feed.isPending}
            onPress={() => feed.mutate(address.trim())}
            testID="fetch-address"
          />
        </Card>
      )}
    </FileDrop>
  );
  return (
    <Screen title={t('exchange.title')} onBack={() => router.replace('/bookings')} {...(wide ? { measure: 1180 } : {})}>
      <View style={{ padding: 12, gap: 12 }}>
        {failed ? <Notice kind="stop" title={errorWords(failed)} /> : null}
        {data && bases.length === 0 ? <Notice kind="ask" title={t('exchange.noBase')} /> : null}
        {chosen && bases.length > 0 ? (
          <Incoming
            key={chosen.look.file}
            look={chosen.look}
            address={chosen.address}
            name={chosen.name}
            bases={bases}
            onDone={() => {
              setChosen(undefined);
              setAddress('');
            }}
          />
        ) : bases.length > 0 ? (
          <View style={{ gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
            <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
              {bring}
              <Sources />
            </View>
            <View style={wide ? { flex: 1 } : {}}>
              <Outgoing />
            </View>
          </View>
        ) : null}
      </View>
    </Screen>
  );
};
