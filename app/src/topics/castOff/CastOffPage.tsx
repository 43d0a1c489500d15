import type { CastOffMatter } from '@quay/core/castOff/matter';
import { isEntered } from '@quay/core/events/record';
import type { NotChecked } from '@quay/core/castOff/check';
import { depositOf } from '@quay/core/settlement/deposit';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { type HireView, useHire } from '../../local/hire';
import { useMe } from '../../local/session';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ListRow } from '../../ui/controls/listRow';
import { Screen } from '../../ui/screen';
import { useSnack } from '../../ui/controls/snack';
import { useTones } from '../../ui/theme';
import { Body, Bold, Slab, SlabBold, Small } from '../../ui/words';
import { HireMissing } from '../record/HireMissing';
import { DepositSheet } from '../settlement/DepositSheet';
import { MatterRow, pathOf } from './MatterRow';
import { useMatterWords } from './matterWords';
import { blocking, isWaiting, useCastOff } from './useCastOff';

export const CastOffPage = ({ hireId }: { hireId: string }) => {
  const { view, error, refetch } = useHire(hireId);
  return view ? <Check view={view} /> : <HireMissing error={error} onAgain={refetch} />;
};

/** What stands between this party and the water, the hardest first, and what nobody looked at. */
const Check = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const { open } = useLocalSearchParams<{ open?: string }>();
  const { hire, boat } = view.pack;
  const check = useCastOff(view);
  const { matters, notChecked, mayGo } = check;
  const stops = blocking(check);
  const manager = useMe().data?.staff.role === 'manager';
  const here = `/hire/${hire.id}/castoff` as const;
  const signed = isEntered(view.record, ['out', 'sealed']);
  const castOff = async () => {
    const added = await view.add([{ kind: 'castOff' }]);
    snack({ text: t('hire.undoCastOff'), undo: () => void view.undo(added) });
    // The next thing to do is on the day.
    router.replace('/');
  };
  const deposit = depositOf(view.record, hire.depositMinor);
  if (!isWaiting(view)) {
    return (
      <Screen title={t('castOff.title')} sub={`${boat.name} · ${hire.renter}`} onBack={() => router.push(`/hire/${hire.id}`)} measure={640}>
        <View style={{ padding: 12 }}>
          <Notice kind="ok" title={t('castOff.out')} />
        </View>
      </Screen>
    );
  }
  // One thing to do: what blocks her first, then the signature, then the lines.
  const first = stops.map(({ place }) => pathOf(hire.id, place)).find((path) => path !== undefined);
  const go = !mayGo ? (
    <Button
      mode="contained"
      label={t('castOff.settle', { count: stops.length })}
      tone="warning"
      disabled={first === undefined}
      onPress={() => first && router.push(first)}
      testID="settle-first"
    />
  ) : signed ? (
    <Button mode="contained" label={t('hire.castOffNow')} onPress={() => void castOff()} testID="cast-off" />
  ) : (
    <Button
      mode="contained"
      label={t('castOff.signFirst')}
      tone="warning"
      onPress={() => router.push(`/hire/${hire.id}/sign/out`)}
      testID="sign-first"
    />
  );
  const of = (level: CastOffMatter['level']) => matters.filter((one) => one.level === level && !one.override);
  const groups = [
    ['hold', of('hold')],
    ['ask', of('ask')],
    ['gone', matters.filter(({ override, level }) => override && level !== 'note')],
    ['note', of('note')],
  ] as const;
  // Said once, where the first of them stands.
  const managers = (['hold', 'ask'] as const).find((level) => of(level).some(({ overridable }) => overridable));
  return (
    <Screen
      title={t('castOff.title')}
      sub={`${boat.name} · ${hire.renter}`}
      onBack={() => router.push(`/hire/${hire.id}`)}
      measure={720}
      footer={go}
    >
      <View style={{ padding: 12, gap: 18 }}>
        <Tally
          parts={[
            { n: of('hold').length, label: t('castOff.tally.hold', { count: of('hold').length }), tone: 'danger' },
            { n: of('ask').length, label: t('castOff.tally.ask', { count: of('ask').length }), tone: 'warning' },
            { n: notChecked.length, label: t('castOff.tally.open', { count: notChecked.length }), tone: 'soft' },
          ]}
        />
        {groups.map(([name, rows]) =>
          rows.length === 0 ? null : (
            <View key={name} style={{ gap: 8 }}>
              <Slab size={21} heading={2}>
                {t(`castOff.group.${name}`)}
              </Slab>
              {name === managers && !manager ? <Small>{t('castOff.askManager')}</Small> : null}
              {rows.map((matter) => (
                <MatterRow key={matter.key} view={view} matter={matter} />
              ))}
            </View>
          ),
        )}
        {mayGo && groups.every(([name, rows]) => name === 'note' || rows.length === 0) ? (
          <Notice kind="ok" title={t('hire.noHolds')} />
        ) : null}
        <NotLooked view={view} rows={notChecked} />
        <Small>{t('castOff.caution')}</Small>
      </View>
      {open === 'deposit' && deposit.state !== 'notNeeded' ? (
        <DepositSheet view={view} deposit={deposit} routed onClose={() => router.replace(here)} />
      ) : null}
    </Screen>
  );
};

/** Three boards: how much holds her, how much a manager is asked about, how much nobody looked at. */
const Tally = ({ parts }: { parts: readonly { n: number; label: string; tone: 'danger' | 'warning' | 'soft' }[] }) => {
  const tones = useTones();
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      {parts.map(({ n, label, tone }) => (
        <View
          key={tone}
          style={{
            flex: 1,
            borderRadius: 14,
            backgroundColor: tones.card,
            borderTopWidth: 7,
            borderTopColor: n === 0 ? tones.line : tones[tone],
            paddingHorizontal: 12,
            paddingVertical: 10,
          }}
        >
          <SlabBold size={38} tone={n === 0 ? 'soft' : 'ink'}>
            {String(n)}
          </SlabBold>
          <Body size={16} tone={n === 0 ? 'soft' : 'ink'}>
            {label}
          </Body>
        </View>
      ))}
    </View>
  );
};

/** What nobody looked at, each leading to where it can be looked at. */
const NotLooked = ({ view, rows }: { view: HireView; rows: readonly NotChecked[] }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const words = useMatterWords(view);
  const [all, setAll] = useState(false);
  if (rows.length === 0) return null;
  const { id } = view.pack.hire;
  const pathTo = (row: NotChecked): string | undefined => {
    if ('station' in row && row.station !== undefined) return `/hire/${id}/walk/out?stop=${row.station}`;
    return row.is === 'wind' ? `/hire/${id}/docking` : undefined;
  };
  return (
    <View style={{ gap: 6 }} testID="not-checked">
      <Slab size={21} heading={2}>
        {t('castOff.group.open')}
      </Slab>
      <View
        style={{
          borderRadius: 12,
          borderWidth: 2,
          borderStyle: 'dashed',
          borderColor: tones.soft,
          paddingHorizontal: 14,
          paddingVertical: 4,
        }}
      >
        {(all ? rows : rows.slice(0, 5)).map((row, i) => {
          const path = pathTo(row);
          const line = (
            <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 52, gap: 10 }}>
              <Body style={{ flex: 1 }}>{words.notChecked(row)}</Body>
              {path === undefined ? null : <Bold size={24}>›</Bold>}
            </View>
          );
          return path === undefined ? (
            <View key={i}>{line}</View>
          ) : (
            <ListRow key={i} label={words.notChecked(row)} onPress={() => router.push(path)}>
              {line}
            </ListRow>
          );
        })}
        {!all && rows.length > 5 ? (
          <ListRow label={t('castOff.allOpen', { count: rows.length - 5 })} onPress={() => setAll(true)} testID="all-open">
            <View style={{ minHeight: 52, justifyContent: 'center' }}>
              <Bold tone="primaryText">{t('castOff.allOpen', { count: rows.length - 5 })}</Bold>
            </View>
          </ListRow>
        ) : null}
      </View>
    </View>
  );
};
