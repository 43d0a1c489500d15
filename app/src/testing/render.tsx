import { render as draw, type RenderOptions, type RenderResult } from '@testing-library/react';
import type { ReactElement, ReactNode } from 'react';
import { PaperProvider } from 'react-native-paper';
import { PAPER_SETTINGS, paperTheme } from '../ui/paper';
import { SUN } from '../ui/theme';

const theme = paperTheme(SUN, false);
const Sun = ({ children }: { children: ReactNode }) => (
  <PaperProvider theme={theme} settings={PAPER_SETTINGS}>
    {children}
  </PaperProvider>
);

/** Draws as the app does: in the sun theme, with icons of ours. */
export const render = (drawn: ReactElement, options?: RenderOptions): RenderResult => draw(drawn, { wrapper: Sun, ...options });
