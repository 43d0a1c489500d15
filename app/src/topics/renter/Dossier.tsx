import { getDossier } from '@quay/contract/dossier';
import { spoken } from '@quay/core/events/seal';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { callForFile, NoAnswer, Refused } from '../../local/api';
import { saveFile } from '../../platform/browser';
import { Button } from '../../ui/controls/button';
import { Small } from '../../ui/words';

/** The renter's own copy of what was signed, and the key by which they can tell that it is whole. */
export const Dossier = ({ hireId, keyOfQuay }: { hireId: string; keyOfQuay: string | undefined }) => {
  const { t } = useTranslation();
  const [failed, setFailed] = useState(false);
  const fetch = async () => {
    try {
      saveFile(await callForFile(getDossier, { params: { hireId } }), `${hireId}.zip`);
      setFailed(false);
    } catch (error) {
      if (!(error instanceof NoAnswer) && !(error instanceof Refused)) throw error;
      setFailed(true);
    }
  };
  return (
    <View style={{ gap: 4 }}>
      <Button mode="outlined" label={t('r.dossier')} onPress={() => void fetch()} testID="dossier" />
      {failed ? <Small tone="dangerText">{t('r.dossierNot')}</Small> : null}
      {keyOfQuay === undefined ? null : <Small>{t('r.dossierKey', { key: spoken(keyOfQuay) })}</Small>}
    </View>
  );
};
