import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import { Viewfinder } from '../../platform/camera';
import { Picture } from './picture';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Small } from '../../ui/words';

/** The last picture of the same thing, through which the next one is aimed. */
export type Guide = { hire: string; sha: string };

/** Takes a picture with the last one lying over what is seen, so that both are taken from the same place. */
export const CameraSheet = ({
  guide,
  onShot,
  onOther,
  onClose,
}: {
  guide: Guide | undefined;
  onShot: (picture: Blob) => void;
  /** With the phone's own camera instead. */
  onOther: () => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const { width: screen, height: tall } = useWindowDimensions();
  const width = Math.min(screen, 640) - 36;
  const height = Math.min(Math.round((width * 4) / 3), Math.round(tall * 0.56));
  const [shoot, setShoot] = useState<() => Promise<Blob>>();
  const [fault, setFault] = useState(false);
  const [over, setOver] = useState(true);
  const [busy, setBusy] = useState(false);
  const take = async () => {
    if (!shoot) return;
    setBusy(true);
    try {
      onShot(await shoot());
    } finally {
      setBusy(false);
    }
  };
  return (
    <ModalSheet
      title={t('camera.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        fault ? (
          <Button mode="contained" label={t('camera.other')} onPress={onOther} testID="camera-other" />
        ) : (
          <Button
            mode="contained"
            label={t('camera.take')}
            onPress={() => void take()}
            busy={busy}
            disabled={!shoot}
            testID="camera-take"
          />
        )
      }
    >
      {fault ? (
        <Notice kind="ask" title={t('camera.none')} />
      ) : (
        <Viewfinder width={width} height={height} onReady={(ready) => setShoot(() => ready)} onFault={() => setFault(true)}>
          {guide && over ? (
            <View style={{ opacity: 0.38 }}>
              <Picture hire={guide.hire} sha={guide.sha} alt={t('camera.guide')} width={width} height={height} fit="contain" />
            </View>
          ) : null}
        </Viewfinder>
      )}
      {guide && !fault ? (
        <View style={{ gap: 6 }}>
          <Small>{t('camera.aim')}</Small>
          <View style={{ alignSelf: 'flex-start' }}>
            <ChoiceChip label={t('camera.guide')} on={over} onPress={() => setOver(!over)} testID="camera-guide" />
          </View>
        </View>
      ) : null}
      {fault ? null : (
        <Button mode="outlined" label={t('camera.other')} onPress={onOther} style={{ alignSelf: 'flex-start' }} testID="camera-other" />
      )}
    </ModalSheet>
  );
};
