import type { Work } from '@quay/core/turnaround/work';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../local/hire';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { PhotoRow } from '../photo/PhotoRow';
import { PhotoTaking } from '../photo/PhotoTaking';
import { usePhoto } from '../photo/usePhoto';

/** Somebody says that a thing is done, and shows it; what holds the boat is not done without a picture. */
export const DoneSheet = ({ view, work, title, onClose }: { view: HireView; work: Work; title: string; onClose: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const hireId = view.pack.hire.id;
  const [note, setNote] = useState('');
  const [photos, setPhotos] = useState<string[]>([]);
  const photo = usePhoto(hireId, { judge: true });
  const done = async () => {
    const added = await view.add([{ kind: 'workDone', work: work.key, photos, ...(note.trim() ? { note: note.trim() } : {}) }]);
    snack({ text: t('turn.isDone'), undo: () => void view.undo(added) });
    onClose();
  };
  const wanting = work.unsafe && photos.length === 0;
  return (
    <ModalSheet
      title={title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t(wanting ? 'turn.show' : 'turn.do')}
          disabled={wanting}
          onPress={() => void done()}
          testID="work-done"
        />
      }
    >
      <PhotoTaking photo={photo} />
      <TextField label={t('turn.note')} value={note} onChange={setNote} lines={2} testID="work-note" />
      <PhotoRow
        hireId={hireId}
        photos={photos}
        name={title}
        label={t('turn.photo')}
        busy={photo.busy}
        onPick={(source) => void photo.take(source, (sha) => setPhotos((now) => [...new Set([...now, sha])]))}
        testID="work-photo"
      />
    </ModalSheet>
  );
};
