import { listDevices, makeEnrolment, withdrawDevice } from '@quay/contract/session';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { SvgXml } from 'react-native-svg';
import type * as z from 'zod/mini';
import { call } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { useMe } from '../../local/session';
import { Card, Notice, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { type Column, Table } from '../../ui/controls/table';
import { Body, Bold, SlabBold, Small } from '../../ui/words';
import { People } from './People';

type Device = z.infer<typeof listDevices.reply>['devices'][number];

const clock = (at: string) => new Date(at).toLocaleString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Who works here, the phones they may sign in on, and the code that enrols another: beside each other on a desk. */
export const StaffAndPhones = () => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const client = useQueryClient();
  const { wide } = useRoom();
  const devices = useQuery({ queryKey: ['devices'], queryFn: () => call(listDevices), refetchInterval: 5000 });
  const code = useMutation({ mutationFn: () => call(makeEnrolment) });
  const withdraw = useMutation({
    mutationFn: (deviceId: string) => call(withdrawDevice, { params: { deviceId } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['devices'] }),
  });
  const failed = devices.error ?? code.error ?? withdraw.error;
  const enrol = (
    <Button
      mode="contained"
      label={t('phones.enrol')}
      onPress={() => code.mutate()}
      busy={code.isPending}
      testID="make-code"
      style={wide ? { alignSelf: 'flex-start' } : {}}
    />
  );
  const shown = code.data ? (
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
  ) : null;
  const phones = (
    <View style={{ gap: 12 }}>
      <SlabBold size={22} heading={2}>
        {t('phones.phones')}
      </SlabBold>
      {failed ? <Notice kind="stop" title={said(failed)} /> : null}
      {wide ? enrol : null}
      {shown}
      {devices.data ? <Devices devices={devices.data.devices} wide={wide} onWithdraw={(id) => withdraw.mutate(id)} /> : null}
      <Small>{t('phones.withdrawnNote')}</Small>
    </View>
  );
  return (
    <Screen title={t('nav.staff')} {...(wide ? {} : { measure: 720, footer: enrol })}>
      {wide ? (
        <View style={{ flexDirection: 'row', gap: 28, paddingHorizontal: 16, paddingTop: 6, alignItems: 'flex-start' }}>
          <View style={{ flex: 1 }}>
            <People />
          </View>
          <View style={{ flex: 1 }}>{phones}</View>
        </View>
      ) : (
        <View style={{ padding: 12, gap: 22 }}>
          {phones}
          <People />
        </View>
      )}
    </Screen>
  );
};

/** Each phone, when somebody signed in on it last, and whether anybody still may. */
const Devices = ({ devices, wide, onWithdraw }: { devices: readonly Device[]; wide: boolean; onWithdraw: (id: string) => void }) => {
  const { t } = useTranslation();
  const me = useMe().data;
  const word = ({ withdrawnAt, enrolled }: Device) =>
    withdrawnAt ? t('phones.withdrawn') : enrolled ? t('phones.enrolled') : t('phones.desk');
  const tag = (device: Device) => <Tag kind={device.withdrawnAt ? 'stop' : device.enrolled ? 'ok' : 'calm'}>{word(device)}</Tag>;
  const away = (device: Device) =>
    device.withdrawnAt || device.id === me?.device.id ? null : (
      <Button mode="outlined" label={t('phones.withdraw')} onPress={() => onWithdraw(device.id)} testID={`withdraw-phone-${device.id}`} />
    );
  const seen = ({ seenAt }: Device) => (seenAt ? t('phones.seen', { time: clock(seenAt) }) : t('phones.never'));
  if (!wide)
    return devices.map((device) => (
      <Card key={device.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
        <View style={{ flex: 1, gap: 3 }}>
          <Bold>{device.name}</Bold>
          <Small>{seen(device)}</Small>
          {device.id === me?.device.id ? <Small>{t('phones.own')}</Small> : null}
        </View>
        {tag(device)}
        {away(device)}
      </Card>
    ));
  const columns: Column<Device>[] = [
    {
      id: 'name',
      header: t('phones.phone'),
      accessorFn: ({ name }) => name,
      cell: ({ row }) => (
        <View style={{ flex: 1 }}>
          <Bold>{row.original.name}</Bold>
          {row.original.id === me?.device.id ? <Small>{t('phones.own')}</Small> : null}
        </View>
      ),
      meta: { share: 1.5 },
    },
    {
      id: 'seen',
      header: t('phones.lastSeen'),
      accessorFn: ({ seenAt }) => seenAt ?? '',
      cell: ({ row: { original } }) => (original.seenAt ? clock(original.seenAt) : t('phones.never')),
      meta: { share: 1.2 },
    },
    { id: 'state', header: t('bookings.state'), accessorFn: word, cell: ({ row }) => tag(row.original) },
    { id: 'do', header: '', cell: ({ row }) => away(row.original), enableSorting: false, meta: { share: 1.1 } },
  ];
  return (
    <Table
      label={t('phones.phones')}
      rows={devices}
      columns={columns}
      idOf={({ id }) => id}
      sorted={{ id: 'seen', desc: true }}
      none={t('phones.never')}
      testID="phone"
      flows
    />
  );
};
