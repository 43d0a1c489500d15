import { useTranslation } from 'react-i18next';
import { Snackbar } from 'react-native-paper';
import type { Said } from './snack';
import { FACE } from './theme';
import { Body } from './words';

export const SnackBar = ({ said, onGone }: { said: Said; onGone: () => void }) => {
  const { t } = useTranslation();
  return (
    <Snackbar
      visible
      duration={6000}
      onDismiss={onGone}
      wrapperStyle={{ bottom: 84, left: 0, right: 0, maxWidth: 640, marginHorizontal: 'auto' }}
      style={{ borderRadius: 14 }}
      {...(said.undo
        ? { action: { label: t('common.undo'), onPress: said.undo, labelStyle: { fontFamily: FACE.bold, fontSize: 17 } } }
        : {})}
    >
      <Body tone="ground" live>
        {said.text}
      </Body>
    </Snackbar>
  );
};
