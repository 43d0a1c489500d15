import { listDevices, makeEnrolment, withdrawDevice } from '@quay/contract/session';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { SvgXml } from 'react-native-svg';
import { call } from '../../data/api';
import { useMe } from '../../data/session';
import { useErrorWords } from '../../data/errorWords';
import { Card, Notice, Tag } from '../../ui/board';
import { Alt, Go } from '../../ui/press';
import { Screen } from '../../ui/screen';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { People } from './People';

const clock = (at: string) => new Date(at).toLocaleString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Phones that may be signed in on, and the code that enrols another. */
export const Phones = () => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const client = useQueryClient();
  const me = useMe().data;
  const devices = useQuery({ queryKey: ['devices'], queryFn: () => call(listDevices), refetchInterval: 5000 });
  const code = useMutation({ mutationFn: () => call(makeEnrolment) });
  const withdraw = useMutation({
    mutationFn: (deviceId: string) => call(withdrawDevice, { params: { deviceId } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['devices'] }),
  });
  const failed = devices.error ?? code.error ?? withdraw.error;
  return (
    <Screen
      title={t('phones.title')}
      onBack={() => router.push('/')}
      measure={720}
      footer={<Go label={t('phones.enrol')} onPress={() => code.mutate()} busy={code.isPending} testID="make-code" />}
    >
      <View style={{ padding: 12, gap: 12 }}>
        {failed ? <Notice kind="stop" title={said(failed)} /> : null}
        {code.data ? (
          <Card style={{ alignItems: 'center', gap: 8 }}>
            <Body>{t('phones.show')}</Body>
            <View style={{ backgroundColor: '#FFFFFF', padding: 8 }}>
              <SvgXml xml={code.data.qrSvg} width={220} height={220} />
            </View>
            <SlabBold size={34} style={{ letterSpacing: 3 }}>
              <>{code.data.code.match(/.{4}/g)?.join(' ')}</>
            </SlabBold>
            <Small>{t('phones.until', { time: new Date(code.data.expiresAt).toTimeString().slice(0, 5) })}</Small>
          </Card>
        ) : null}
        {devices.data?.devices.map((device) => (
          <Card key={device.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
            <View style={{ flex: 1, gap: 3 }}>
              <Bold>{device.name}</Bold>
              <Small>{device.seenAt ? t('phones.seen', { time: clock(device.seenAt) }) : t('phones.never')}</Small>
              {device.id === me?.device.id ? <Small>{t('phones.own')}</Small> : null}
            </View>
            <Tag kind={device.withdrawnAt ? 'stop' : device.enrolled ? 'ok' : 'calm'}>
              {device.withdrawnAt ? t('phones.withdrawn') : device.enrolled ? t('phones.enrolled') : t('phones.desk')}
            </Tag>
            {device.withdrawnAt || device.id === me?.device.id ? null : (
              <Alt label={t('phones.withdraw')} onPress={() => withdraw.mutate(device.id)} />
            )}
          </Card>
        ))}
        <Small>{t('phones.withdrawnNote')}</Small>
        <People />
      </View>
    </Screen>
  );
};
