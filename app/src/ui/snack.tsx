import { createContext, lazy, type ReactNode, Suspense, useCallback, useContext, useState } from 'react';

export type Said = { text: string; undo?: (() => void) | undefined };
const SnackContext = createContext<(said: Said) => void>(() => undefined);
/** Says what was just done, with the way to undo it. Nobody is ever asked whether they are sure. */
export const useSnack = () => useContext(SnackContext);

const SnackBar = lazy(() => import('../screens/inside').then((inside) => ({ default: inside.SnackBar })));

export const SnackHost = ({ children }: { children: ReactNode }) => {
  const [said, setSaid] = useState<Said & { id: number }>();
  const say = useCallback((next: Said) => setSaid((last) => ({ ...next, id: (last?.id ?? 0) + 1 })), []);
  return (
    <SnackContext.Provider value={say}>
      {children}
      {said ? (
        <Suspense fallback={null}>
          <SnackBar key={said.id} said={said} onGone={() => setSaid(undefined)} />
        </Suspense>
      ) : null}
    </SnackContext.Provider>
  );
};
