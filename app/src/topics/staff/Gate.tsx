import { useQueryClient } from '@tanstack/react-query';
import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { now } from '../../platform/clock';
import { forgetOld } from '../../local/forget';
import { dayQuery } from '../../local/hire';
import { useMe } from '../../local/session';
import { useDelivery } from '../../local/useDelivery';
import { askToPersist, startServiceWorker } from '../../platform/browser';
import { useErrorWords } from '../../local/errorWords';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { Body } from '../../ui/words';
import { LetIn } from '../../local/letIn';
import { SignIn } from './SignIn';

/** Lets staff in, and keeps the outbox going while anybody is. */
export const Gate = ({ children }: { children: ReactNode }) => {
  const { t } = useTranslation();
  const said = useErrorWords();
  const path = usePathname();
  const client = useQueryClient();
  const { data: me, isPending, error, refetch } = useMe();
  useEffect(() => {
    void startServiceWorker('staff');
  }, []);
  useEffect(() => {
    if (!me) return;
    void askToPersist();
    void forgetOld(now());
    // Whoever opened a hire by its address needs the day as well, once the signal is gone.
    void client.prefetchQuery(dayQuery(undefined));
  }, [me, client]);
  useDelivery(Boolean(me));
  return (
    <View style={{ flex: 1 }}>
      <LetIn.Provider value={Boolean(me)}>{children}</LetIn.Provider>
      {me || isPending || path === '/enrol' || path === '/setup' ? null : (
        <View style={{ position: 'absolute', left: 0, right: 0, top: 0, bottom: 0 }}>
          {error ? (
            <View style={{ padding: 16 }}>
              <Notice
                kind="stop"
                title={t('failed.title')}
                action={<Button mode="outlined" label={t('common.again')} onPress={() => void refetch()} />}
              >
                <Body>{`${said(error)} ${t('failed.why')}`}</Body>
              </Notice>
            </View>
          ) : (
            <SignIn />
          )}
        </View>
      )}
    </View>
  );
};
