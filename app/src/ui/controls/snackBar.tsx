import { useTranslation } from 'react-i18next';
import { Snackbar } from 'react-native-paper';
import type { Said } from './snack';
import { FACE } from '../theme';
import { Body } from '../words';

export const SnackBar = ({ said, lift, onGone }: { said: Said; lift: number; onGone: () => void }) => {
  const { t } = useTranslation();
  return (
    <Snackbar
      visible
      duration={6000}
      onDismiss={onGone}
      // Above the one main action of the page, and above what leads about.
      wrapperStyle={{ bottom: 84 + lift, left: 0, right: 0, maxWidth: 640, marginHorizontal: 'auto' }}
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
