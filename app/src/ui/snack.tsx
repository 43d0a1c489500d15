import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';
import { Snackbar } from 'react-native-paper';
import { useTranslation } from 'react-i18next';
import { FACE, useTones } from './theme';
import { Body } from './words';

type Said = { text: string; undo?: (() => void) | undefined };
const SnackContext = createContext<(said: Said) => void>(() => undefined);
/** Says what was just done, with the way to undo it. Nobody is ever asked whether they are sure. */
export const useSnack = () => useContext(SnackContext);

export const SnackHost = ({ children }: { children: ReactNode }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [said, setSaid] = useState<Said & { id: number }>();
  const say = useCallback((next: Said) => setSaid((last) => ({ ...next, id: (last?.id ?? 0) + 1 })), []);
  const host = useMemo(() => say, [say]);
  const undo = said?.undo;
  return (
    <SnackContext.Provider value={host}>
      {children}
      <Snackbar
        key={said?.id ?? 0}
        visible={said !== undefined}
        duration={6000}
        onDismiss={() => setSaid(undefined)}
        wrapperStyle={{ bottom: 84 }}
        style={{ backgroundColor: tones.ink, borderRadius: 14 }}
        theme={{ colors: { inversePrimary: tones.mari } }}
        {...(undo ? { action: { label: t('common.undo'), onPress: undo, labelStyle: { fontFamily: FACE.bold, fontSize: 17 } } } : {})}
      >
        <Body tone="ground" live>
          {said?.text ?? ''}
        </Body>
      </Snackbar>
    </SnackContext.Provider>
  );
};
