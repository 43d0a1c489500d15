import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { isFull } from '../../data/keep';
import { keepPhoto } from '../../data/outbox';
import { checkPhoto, pickPhoto, type PhotoSource } from '../../platform/photo';

/** Takes or chooses a photograph of a hire and keeps it; a refused one says why and changes nothing else. */
export const usePhoto = (hireId: string) => {
  const { t } = useTranslation();
  const [fault, setFault] = useState<string>();
  const [busy, setBusy] = useState(false);
  const take = async (source: PhotoSource, then: (sha: string) => void) => {
    const file = await pickPhoto(source);
    if (!file) return;
    setBusy(true);
    setFault(undefined);
    try {
      const wrong = await checkPhoto(file);
      if (wrong) setFault(t(`photo.${wrong}`));
      else then(await keepPhoto(hireId, file));
    } catch (error) {
      if (!isFull(error)) throw error;
      setFault(`${t('kept.full')}. ${t('kept.fullWhy')}`);
    } finally {
      setBusy(false);
    }
  };
  return { take, fault, busy, forget: () => setFault(undefined) };
};
