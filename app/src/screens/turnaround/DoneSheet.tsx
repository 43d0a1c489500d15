import type { Work } from '@quay/core/turnaround/work';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../data/hire';
import { Picture } from '../../platform/picture';
import { Notice } from '../../ui/board';
import { Field } from '../../ui/field';
import { Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { useSnack } from '../../ui/snack';
import { Small } from '../../ui/words';
import { CameraSheet } from '../photo/CameraSheet';
import { DoubtedPhoto } from '../photo/DoubtedPhoto';
import { MOST_PHOTOS, PhotoSigns } from '../photo/PhotoSigns';
import { usePhoto } from '../photo/usePhoto';

/** Somebody says that a thing is done, and shows it; what holds the boat is not done without a picture. */
export const DoneSheet = ({ view, work, title, onClose }: { view: HireView; work: Work; title: string; onClose: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const hireId = view.pack.hire.id;
  const [note, setNote] = useState('');
  const [photos, setPhotos] = useState<string[]>([]);
  const { take, fault, doubted, looking, busy } = usePhoto(hireId, { judge: true });
  const done = async () => {
    const held = await view.add([{ kind: 'workDone', work: work.key, photos, ...(note.trim() ? { note: note.trim() } : {}) }]);
    snack({ text: t('turn.isDone'), undo: () => void view.undo(held) });
    onClose();
  };
  const wanting = work.unsafe && photos.length === 0;
  return (
    <Sheet
      title={title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Go label={t(wanting ? 'turn.show' : 'turn.do')} disabled={wanting} onPress={() => void done()} testID="work-done" />}
    >
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <DoubtedPhoto doubted={doubted} />
      {looking ? <CameraSheet guide={looking.guide} onShot={looking.shot} onOther={looking.other} onClose={looking.close} /> : null}
      <Field label={t('turn.note')} value={note} onChange={setNote} lines={2} testID="work-note" />
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, flexWrap: 'wrap' }}>
        <PhotoSigns
          full={photos.length >= MOST_PHOTOS}
          label={t('turn.photo')}
          onPick={(source) => void take(source, (sha) => setPhotos((now) => [...new Set([...now, sha])]))}
          busy={busy}
          testID="work-photo"
        />
        {photos.length === 0 ? <Small style={{ flex: 1 }}>{t('turn.photo')}</Small> : null}
        {photos.map((sha, i) => (
          <Picture key={sha} hire={hireId} sha={sha} alt={t('photo.of', { n: i + 1, name: title })} width={84} height={56} />
        ))}
      </View>
    </Sheet>
  );
};
