import { type ComponentType, createContext, type ReactNode, Suspense, useCallback, useContext, useState } from 'react';

export type Said = { text: string; undo?: (() => void) | undefined };
const SnackContext = createContext<(said: Said) => void>(() => undefined);
/** Says what was just done, with the way to undo it. Nobody is ever asked whether they are sure. */
export const useSnack = () => useContext(SnackContext);

/** @param Bar draws what is said; fetched when something is said for the first time */
export const SnackHost = ({ children, Bar }: { children: ReactNode; Bar: ComponentType<{ said: Said; onGone: () => void }> }) => {
  const [said, setSaid] = useState<Said & { id: number }>();
  const say = useCallback((next: Said) => setSaid((last) => ({ ...next, id: (last?.id ?? 0) + 1 })), []);
  return (
    <SnackContext.Provider value={say}>
      {children}
      {said ? (
        <Suspense fallback={null}>
          <Bar key={said.id} said={said} onGone={() => setSaid(undefined)} />
        </Suspense>
      ) : null}
    </SnackContext.Provider>
  );
};
