import type { PhotoDoubt } from '@quay/core/photo/quality';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { isFull } from '../../local/localDb';
import { isSavedPhoto, savePhoto } from '../../local/outbox/save';
import { canSee } from '../../platform/camera';
import { checkPhoto, pickPhoto, type PhotoSource } from '../../platform/photo';
import { judgePhoto } from '../../platform/threads/photoWorker';
import type { Guide } from './CameraSheet';

type Doubt = PhotoDoubt | 'twice';

/** A picture that can be kept and is no good evidence: taken again, or kept all the same. */
export type Doubted = { doubts: Doubt[]; again: () => void; keep: () => void };

/** Our own camera is open. */
export type Looking = { guide: Guide | undefined; shot: (picture: Blob) => void; other: () => void; close: () => void };

/**
 * Takes or chooses a photograph of a hire and keeps it; a refused one says why and changes nothing else.
 * @param judge whether it is looked at for blur, darkness and glare before it is accepted
 */
export const usePhoto = (hireId: string, { judge = false } = {}) => {
  const { t } = useTranslation();
  const [fault, setFault] = useState<string>();
  const [doubted, setDoubted] = useState<Doubted>();
  const [looking, setLooking] = useState<Looking>();
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
      setFault(`${t('pending.full')}. ${t('pending.fullWhy')}`);
    } finally {
      setBusy(false);
    }
  };
  /** Takes a picture by the way that was chosen. @param guide through which our own camera is aimed, where there is one */
  const take = async (source: PhotoSource, then: (sha: string) => void, guide?: Guide) => {
    if (source === 'camera' && judge && canSee()) {
      forget();
      setLooking({
        guide,
        shot: (picture) => {
          setLooking(undefined);
          void accept(picture, then, () => void take('camera', then, guide));
        },
        other: () => {
          setLooking(undefined);
          void picked('camera', then);
        },
        close: () => setLooking(undefined),
      });
    } else await picked(source, then);
  };
  const picked = async (source: PhotoSource, then: (sha: string) => void) => {
    const file = await pickPhoto(source);
    if (file) await accept(file, then, () => void picked(source, then));
  };
  const accept = async (file: Blob, then: (sha: string) => void, again: () => void) => {
    forget();
    const keep = async () => then(await savePhoto(hireId, file));
    await whileBusy(async () => {
      const wrong = await checkPhoto(file);
      if (wrong) return setFault(t(`photo.${wrong}`));
      const doubts: Doubt[] = judge ? ((await judgePhoto(file))?.doubts ?? []) : [];
      // One picture cannot show two things, nor one thing at two times.
      if (judge && (await isSavedPhoto(hireId, file))) doubts.push('twice');
      if (doubts.length === 0) return keep();
      setDoubted({
        doubts,
        again,
        keep: () => {
          setDoubted(undefined);
          void whileBusy(keep);
        },
      });
    });
  };
  return { take, fault, doubted, looking, busy, forget };
};
