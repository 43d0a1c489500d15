import { type ComponentType, createContext, type ReactNode, Suspense, useCallback, useContext, useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { onUnforeseen } from '../../platform/browser';

export type Said = { text: string; undo?: (() => void) | undefined };
const SnackContext = createContext<(said: Said) => void>(() => undefined);
/** Says what was just done, with the way to undo it. Nobody is ever asked whether they are sure. */
export const useSnack = () => useContext(SnackContext);

/** @param Bar draws what is said; fetched when something is said for the first time @param lift how high a bar stands under it, px */
export const SnackHost = ({
  children,
  Bar,
  lift,
}: {
  children: ReactNode;
  Bar: ComponentType<{ said: Said; lift: number; onGone: () => void }>;
  lift: number;
}) => {
  const [said, setSaid] = useState<Said & { id: number }>();
  const say = useCallback((next: Said) => setSaid((last) => ({ ...next, id: (last?.id ?? 0) + 1 })), []);
  const { t } = useTranslation();
  useEffect(() => onUnforeseen((what) => say({ text: `${t('failed.title')}: ${what}. ${t('failed.why')}` })), [say, t]);
  return (
    <SnackContext.Provider value={say}>
      {children}
      {said ? (
        <Suspense fallback={null}>
          <Bar key={said.id} said={said} lift={lift} onGone={() => setSaid(undefined)} />
        </Suspense>
      ) : null}
    </SnackContext.Provider>
  );
};
