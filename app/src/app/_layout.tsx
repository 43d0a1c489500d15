import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { type ErrorBoundaryProps, Slot } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { i18n } from '../i18n';
import { Gate } from '../screens/session/Gate';
import { Notice } from '../ui/board';
import { Alt } from '../ui/press';
import { SnackHost } from '../ui/snack';
import { ThemeHost } from '../ui/themeChoice';
import { Body } from '../ui/words';

export default function Layout() {
  // Our own outbox and kept copies stand in for paused requests: queries run, and fall back to what is kept.
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { networkMode: 'always', retry: 1 }, mutations: { networkMode: 'always' } } }),
  );
  return (
    <QueryClientProvider client={client}>
      <ThemeHost>
        <SnackHost>
          <Gate>
            <Slot />
          </Gate>
        </SnackHost>
      </ThemeHost>
    </QueryClientProvider>
  );
}

export function ErrorBoundary({ error, retry }: ErrorBoundaryProps) {
  return (
    <View style={{ padding: 16 }}>
      <Notice kind="stop" title={i18n.t('failed.title')} action={<Alt label={i18n.t('common.again')} onPress={() => void retry()} />}>
        <Body>{`${error.message}. ${i18n.t('failed.why')}`}</Body>
      </Notice>
    </View>
  );
}
