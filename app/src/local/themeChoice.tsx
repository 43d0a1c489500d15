import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { PaperProvider } from 'react-native-paper';
import { readNamed, writeNamed } from './localDb';
import { prefersDusk } from '../platform/browser';
import { PAPER_SETTINGS, paperTheme } from '../ui/paper';
import { DUSK, SUN, TonesContext } from '../ui/theme';

const PAPER = { sun: paperTheme(SUN, false), dusk: paperTheme(DUSK, true) };

export type ThemeChoice = 'sun' | 'dusk' | 'system';
const ChoiceContext = createContext<{ choice: ThemeChoice; choose: (choice: ThemeChoice) => void }>({
  choice: 'system',
  choose: () => undefined,
});
export const useThemeChoice = () => useContext(ChoiceContext);

/** Sun or dusk, remembered on this phone. */
export const ThemeHost = ({ children }: { children: ReactNode }) => {
  const [chosen, setChoice] = useState<ThemeChoice>();
  const choice = chosen ?? 'system';
  useEffect(() => {
    // What is chosen before the kept choice has been read stands.
    void readNamed<ThemeChoice>('theme').then((kept) => kept && setChoice((now) => (now === undefined ? kept : now)));
  }, []);
  const dusk = choice === 'dusk' || (choice === 'system' && prefersDusk());
  const context = useMemo(
    () => ({
      choice,
      choose: (next: ThemeChoice) => {
        // Seen once it is kept: whoever reloads at once finds what they saw. A full phone still changes its colours.
        void writeNamed('theme', next).finally(() => setChoice(next));
      },
    }),
    [choice],
  );
  return (
    <ChoiceContext.Provider value={context}>
      <TonesContext.Provider value={dusk ? DUSK : SUN}>
        <PaperProvider theme={dusk ? PAPER.dusk : PAPER.sun} settings={PAPER_SETTINGS}>
          {children}
        </PaperProvider>
      </TonesContext.Provider>
    </ChoiceContext.Provider>
  );
};
