import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useMe, useSignOut } from '../../local/session';
import { askToPersist } from '../../platform/browser';
import { useErrorWords } from '../../local/errorWords';
import { Card, Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { useRoom } from '../../ui/room';
import { Screen } from '../../ui/screen';
import { Simulators } from './Simulators';
import { StartYourOwn } from './StartYourOwn';
import { type ThemeChoice, useThemeChoice } from '../../local/themeChoice';
import { Body, Bold, Slab, Small } from '../../ui/words';

/** Who is signed in on this phone, its light, and the way out. */
export const Settings = () => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const router = useRouter();
  const { wide } = useRoom();
  const me = useMe().data;
  const signOut = useSignOut();
  const { choice, choose } = useThemeChoice();
  const [persists, setPersists] = useState(true);
  const [fault, setFault] = useState<string>();
  useEffect(() => {
    void askToPersist().then(setPersists);
  }, []);
  const out = () => {
    signOut().then(
      () => router.replace('/'),
      (error: Error) => setFault(said(error)),
    );
  };
  return (
    <Screen title={t('nav.settings')} {...(wide ? {} : { measure: 640 })}>
      <View style={wide ? { padding: 16, gap: 20, flexDirection: 'row', alignItems: 'flex-start' } : { padding: 12, gap: 12 }}>
        <View style={{ gap: 12, ...(wide ? { flex: 1 } : {}) }}>
          {me ? (
            <Card style={{ gap: 4 }}>
              <Slab size={24}>{me.staff.name}</Slab>
              <Body>{`${t(`me.role.${me.staff.role}`)} · ${me.operator.name}`}</Body>
              <Small>{`${me.device.name} · ${me.device.enrolled ? t('phones.enrolled') : t('phones.desk')}`}</Small>
            </Card>
          ) : null}
          {me?.staff.role === 'manager' ? (
            <Button mode="outlined" label={t('operator.open')} onPress={() => router.push('/settings/operator')} testID="open-operator" />
          ) : null}
          {me?.staff.role === 'manager' ? (
            <Button mode="outlined" label={t('files.title')} onPress={() => router.push('/settings/files')} testID="open-files" />
          ) : null}
          <Card style={{ gap: 8 }}>
            <Bold>{t('me.theme')}</Bold>
            <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }} role="radiogroup" aria-label={t('me.theme')}>
              {(['sun', 'dusk', 'system'] as ThemeChoice[]).map((one) => (
                <ChoiceChip key={one} label={t(`me.${one}`)} on={choice === one} onPress={() => choose(one)} testID={`theme-${one}`} />
              ))}
            </View>
          </Card>
          {me?.operator.simulated ? <StartYourOwn /> : null}
          {persists ? null : <Notice kind="ask" title={t('me.notPersistent')} />}
          {fault ? <Notice kind="stop" title={fault} /> : null}
          <Button mode="outlined" label={t('me.signOut')} onPress={out} testID="sign-out" />
          <Small>{t('me.signOutKept')}</Small>
        </View>
        {me?.staff.role === 'manager' && me.operator.simulated ? (
          <View style={wide ? { flex: 1 } : {}}>
            <Simulators />
          </View>
        ) : null}
      </View>
    </Screen>
  );
};
