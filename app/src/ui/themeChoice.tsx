import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { MD3LightTheme, PaperProvider } from 'react-native-paper';
import { readNamed, writeNamed } from '../data/keep';
import { prefersDusk } from '../platform/browser';
import { DUSK, FACE, SUN, TonesContext } from './theme';

export type ThemeChoice = 'sun' | 'dusk' | 'system';
const ChoiceContext = createContext<{ choice: ThemeChoice; choose: (choice: ThemeChoice) => void }>({
  choice: 'system',
  choose: () => undefined,
});
export const useThemeChoice = () => useContext(ChoiceContext);

/** Sun or dusk, remembered on this phone. */
export const ThemeHost = ({ children }: { children: ReactNode }) => {
  const [choice, setChoice] = useState<ThemeChoice>('system');
  useEffect(() => {
    void readNamed<ThemeChoice>('theme').then((kept) => kept && setChoice(kept));
  }, []);
  const tones = choice === 'dusk' || (choice === 'system' && prefersDusk()) ? DUSK : SUN;
  const context = useMemo(
    () => ({
      choice,
      choose: (next: ThemeChoice) => {
        setChoice(next);
        void writeNamed('theme', next);
      },
    }),
    [choice],
  );
  const paper = useMemo(
    () => ({
      ...MD3LightTheme,
      colors: {
        ...MD3LightTheme.colors,
        primary: tones.weed,
        background: tones.ground,
        surface: tones.card,
        onSurface: tones.ink,
        backdrop: 'rgba(10,16,14,0.55)',
        error: tones.lead,
      },
      fonts: Object.fromEntries(
        Object.entries(MD3LightTheme.fonts).map(([name, font]) => [name, { ...font, fontFamily: FACE.text }]),
      ) as typeof MD3LightTheme.fonts,
    }),
    [tones],
  );
  return (
    <ChoiceContext.Provider value={context}>
      <TonesContext.Provider value={tones}>
        <PaperProvider theme={paper} settings={{ icon: () => null }}>
          {children}
        </PaperProvider>
      </TonesContext.Provider>
    </ChoiceContext.Provider>
  );
};
