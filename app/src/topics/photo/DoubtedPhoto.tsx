import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import type { Doubted } from './usePhoto';

/** Said at once, while the boat is still in front of whoever takes it. */
export const DoubtedPhoto = ({ doubted }: { doubted: Doubted | undefined }) => {
  const { t } = useTranslation();
  if (!doubted) return null;
  return (
    <Notice kind="ask" title={doubted.doubts.map((doubt) => t(`photo.doubt.${doubt}`)).join(' ')}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button mode="outlined" label={t('photo.again')} onPress={doubted.again} testID="photo-again" />
        <Button mode="outlined" label={t('photo.keep')} onPress={doubted.keep} testID="photo-keep" />
      </View>
    </Notice>
  );
};
