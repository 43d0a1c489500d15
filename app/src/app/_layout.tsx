import '../platform/schemas';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { type ErrorBoundaryProps, Slot, usePathname } from 'expo-router';
import { lazy, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { i18n } from '../i18n';
import { Notice } from '../ui/board';
import { Button } from '../ui/controls/button';
import { FOOT_HEIGHT, hasFoot } from '../topics/navigation/places';
import { SnackHost } from '../ui/controls/snack';
import { WIDE } from '../ui/theme';
import { ThemeHost } from '../local/themeChoice';
import { Body } from '../ui/words';

const SnackBar = lazy(() => import('../ui/controls/snackBar').then((file) => ({ default: file.SnackBar })));

/** What both faces stand on; which of them it is, its own layout says. */
export default function Layout() {
  // Our own outbox and kept copies stand in for paused requests: queries run, and fall back to what is kept.
  const [client] = useState(
    () => new QueryClient({ defaultOptions: { queries: { networkMode: 'always', retry: 1 }, mutations: { networkMode: 'always' } } }),
  );
  const path = usePathname();
  const { width } = useWindowDimensions();
  const foot = width < WIDE && !path.startsWith('/r') && hasFoot(path);
  return (
    <QueryClientProvider client={client}>
      <ThemeHost>
        <SnackHost Bar={SnackBar} lift={foot ? FOOT_HEIGHT : 0}>
          <Slot />
        </SnackHost>
      </ThemeHost>
    </QueryClientProvider>
  );
}

export function ErrorBoundary({ error, retry }: ErrorBoundaryProps) {
  return (
    <View style={{ padding: 16 }}>
      <Notice
        kind="stop"
        title={i18n.t('failed.title')}
        action={<Button mode="outlined" label={i18n.t('common.again')} onPress={() => void retry()} />}
      >
        <Body>{`${error.message}. ${i18n.t('failed.why')}`}</Body>
      </Notice>
    </View>
  );
}
