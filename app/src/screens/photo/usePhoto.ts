import type { PhotoDoubt } from '@quay/core/photo/quality';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { isFull } from '../../data/keep';
import { keepPhoto } from '../../data/outbox';
import { checkPhoto, pickPhoto, type PhotoSource } from '../../platform/photo';
import { judgePhoto } from '../../platform/photoWorker';

/** A picture that can be kept and is no good evidence: taken again, or kept all the same. */
export type Doubted = { doubts: PhotoDoubt[]; again: () => void; keep: () => void };

/**
 * Takes or chooses a photograph of a hire and keeps it; a refused one says why and changes nothing else.
 * @param judge whether it is looked at for blur, darkness and glare before it is accepted
 */
export const usePhoto = (hireId: string, { judge = false } = {}) => {
  const { t } = useTranslation();
  const [fault, setFault] = useState<string>();
  const [doubted, setDoubted] = useState<Doubted>();
  const [busy, setBusy] = useState(false);
  const forget = () => {
    setFault(undefined);
    setDoubted(undefined);
  };
  const whileBusy = async (work: () => Promise<void>) => {
    setBusy(true);
    try {
      await work();
    } catch (error) {
      if (!isFull(error)) throw error;
      setFault(`${t('kept.full')}. ${t('kept.fullWhy')}`);
    } finally {
      setBusy(false);
    }
  };
  const take = async (source: PhotoSource, then: (sha: string) => void) => {
    const file = await pickPhoto(source);
    if (!file) return;
    forget();
    const keep = async () => then(await keepPhoto(hireId, file));
    await whileBusy(async () => {
      const wrong = await checkPhoto(file);
      if (wrong) return setFault(t(`photo.${wrong}`));
      const doubts = judge ? ((await judgePhoto(file))?.doubts ?? []) : [];
      if (doubts.length === 0) return keep();
      setDoubted({
        doubts,
        again: () => void take(source, then),
        keep: () => {
          setDoubted(undefined);
          void whileBusy(keep);
        },
      });
    });
  };
  return { take, fault, doubted, busy, forget };
};
