import { dropLogo, getLogo, keepLogo } from '@quay/contract/operator';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Image, View } from 'react-native';
import { call, callForFile } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { FileDrop } from '../../../platform/fileDrop';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { useTones } from '../../../ui/theme';
import { Bold, Small } from '../../../ui/words';

/** The logo that papers begin with: shown, chosen, taken away. @param logo its name, where there is one */
export const LogoField = ({ logo }: { logo: string | null }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const client = useQueryClient();
  const errorWords = useErrorWords();
  const again = () => client.invalidateQueries({ queryKey: ['operator'] });
  const keep = useMutation({ mutationFn: (file: File) => call(keepLogo, { bytes: file }), onSuccess: again });
  const drop = useMutation({ mutationFn: () => call(dropLogo), onSuccess: again });
  const { data } = useQuery({ queryKey: ['logo', logo], queryFn: () => callForFile(getLogo), enabled: logo !== null });
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    if (!data || logo === null) return setAddress(undefined);
    const url = URL.createObjectURL(data);
    setAddress(url);
    return () => URL.revokeObjectURL(url);
  }, [data, logo]);
  const failed = keep.error ?? drop.error;
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
      {failed ? <Notice kind="stop" title={errorWords(failed)} /> : null}
      <FileDrop accept={['.png', '.jpg', '.jpeg', '.webp', 'image/png', 'image/jpeg', 'image/webp']} onFile={(file) => keep.mutate(file)}>
        {(choose) => (
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Button mode="outlined" label={t('operator.chooseLogo')} busy={keep.isPending} onPress={choose} testID="choose-logo" />
            {logo === null ? null : (
              <Button
                mode="outlined"
                label={t('operator.dropLogo')}
                busy={drop.isPending}
                onPress={() => drop.mutate()}
                testID="drop-logo"
              />
            )}
          </View>
        )}
      </FileDrop>
    </View>
  );
};
