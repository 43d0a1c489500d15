import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Picture } from '../../photo/picture';
import { TextField } from '../../../ui/controls/textField';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { useSnack } from '../../../ui/controls/snack';
import { Bold, Small } from '../../../ui/words';
import { PhotoSigns } from '../../photo/PhotoSigns';
import { usePhoto } from '../../photo/usePhoto';
import { Page } from '../Page';
import { useRenting } from '../RenterFace';

/** A fault or a knock, with pictures, kept until there is signal. */
export const ReportPage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const snack = useSnack();
  const { view, pack } = useRenting();
  const [what, setWhat] = useState<'fault' | 'knock'>('fault');
  const [note, setNote] = useState('');
  const [fault, setFault] = useState<string>();
  const [photos, setPhotos] = useState<string[]>([]);
  const photo = usePhoto(pack.hire.id);
  const keep = async () => {
    if (note.trim() === '') {
      setFault(t('r.reportEmpty'));
      return;
    }
    await view.add([{ kind: 'reported', what, note: note.trim(), photos }]);
    snack({ text: t('r.reportKept') });
    router.push('/r');
  };
  return (
    <Page
      title={t('r.report')}
      footer={<Button mode="contained" label={t('r.reportKeep')} onPress={() => void keep()} testID="keep-report" />}
    >
      <View style={{ flexDirection: 'row', gap: 8 }} role="radiogroup" aria-label={t('r.reportWhat')}>
        <ChoiceChip label={t('r.fault')} on={what === 'fault'} onPress={() => setWhat('fault')} />
        <ChoiceChip label={t('r.knock')} on={what === 'knock'} onPress={() => setWhat('knock')} />
      </View>
      <TextField
        label={t('r.reportNote')}
        value={note}
        lines={4}
        fault={fault}
        onChange={(text) => {
          setNote(text);
          setFault(undefined);
        }}
        testID="report-note"
      />
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <PhotoSigns
          label={t('r.reportPicture')}
          busy={photo.busy || photos.length >= 12}
          onPick={(source) => void photo.take(source, (sha) => setPhotos((had) => [...had, sha]))}
          testID="report-photo"
        />
        <Small>{t('r.pictures', { count: photos.length })}</Small>
      </View>
      {photo.fault ? (
        <Bold tone="dangerText" live>
          {photo.fault}
        </Bold>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        {photos.map((sha) => (
          <Picture key={sha} hire={pack.hire.id} sha={sha} alt={t('r.reportPicture')} width={104} height={104} />
        ))}
      </View>
    </Page>
  );
};
