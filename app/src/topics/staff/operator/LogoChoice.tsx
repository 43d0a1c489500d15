import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Image, View } from 'react-native';
import { FileDrop } from '../../../platform/fileDrop';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { useTones } from '../../../ui/theme';
import { Bold, Small } from '../../../ui/words';

const ACCEPTED = ['.png', '.jpg', '.jpeg', '.webp', 'image/png', 'image/jpeg', 'image/webp'];

/** The logo that papers begin with: shown, chosen, taken away. */
export const LogoChoice = ({
  logo,
  fault,
  busy = false,
  onChoose,
  onDrop,
}: {
  /** What is shown; undefined where there is none. */
  logo: Blob | undefined;
  fault: string | undefined;
  busy?: boolean;
  onChoose: (file: File) => void;
  onDrop: () => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    if (!logo) return setAddress(undefined);
    const url = URL.createObjectURL(logo);
    setAddress(url);
    return () => URL.revokeObjectURL(url);
  }, [logo]);
  return (
    <View style={{ gap: 8 }}>
      <Bold>{t('operator.logo')}</Bold>
      {address ? (
        <View
          style={{
            borderWidth: 2,
            borderColor: tones.line,
            borderRadius: 12,
            padding: 8,
            alignSelf: 'flex-start',
            // Paper is white.
            backgroundColor: '#ffffff',
          }}
        >
          <Image
            source={{ uri: address }}
            accessibilityLabel={t('operator.logo')}
            style={{ width: 220, height: 80 }}
            resizeMode="contain"
          />
        </View>
      ) : (
        <Small>{t('operator.noLogo')}</Small>
      )}
      {fault === undefined ? null : <Notice kind="stop" title={fault} />}
      <FileDrop accept={ACCEPTED} onFile={onChoose}>
        {(choose) => (
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Button mode="outlined" label={t('operator.chooseLogo')} busy={busy} onPress={choose} testID="choose-logo" />
            {address ? <Button mode="outlined" label={t('operator.dropLogo')} busy={busy} onPress={onDrop} testID="drop-logo" /> : null}
          </View>
        )}
      </FileDrop>
    </View>
  );
};
