import { render as draw, type RenderOptions, type RenderResult } from '@testing-library/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { type ReactElement, type ReactNode, useState } from 'react';
import { PaperProvider } from 'react-native-paper';
import { PAPER_SETTINGS, paperTheme } from '../ui/paper';
import { SUN } from '../ui/theme';

const theme = paperTheme(SUN, false);
/** Nobody answers in a test that does not say so: what is asked once is not asked again. */
const Sun = ({ children }: { children: ReactNode }) => {
  const [client] = useState(() => new QueryClient({ defaultOptions: { queries: { retry: false, gcTime: 0 } } }));
  return (
    <QueryClientProvider client={client}>
      <PaperProvider theme={theme} settings={PAPER_SETTINGS}>
        {children}
      </PaperProvider>
    </QueryClientProvider>
  );
};

/** Draws as the app does: in the sun theme, with icons of ours. */
export const render = (drawn: ReactElement, options?: RenderOptions): RenderResult => draw(drawn, { wrapper: Sun, ...options });
