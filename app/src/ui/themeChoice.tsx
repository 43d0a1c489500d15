import { createContext, type ReactNode, useContext, useEffect, useMemo, useState } from 'react';
import { readNamed, writeNamed } from '../data/keep';
import { prefersDusk } from '../platform/browser';
import { DUSK, SUN, TonesContext } from './theme';

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
  const tones = choice === 'dusk' || (choice === 'system' && prefersDusk()) ? DUSK : SUN;
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
      <TonesContext.Provider value={tones}>{children}</TonesContext.Provider>
    </ChoiceContext.Provider>
  );
};
