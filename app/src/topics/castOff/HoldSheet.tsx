import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import type { WalkView } from '../../local/useWalk';
import { MatterRow } from './MatterRow';
import { heldByRecord, useCastOff } from './useCastOff';

/** Holds the boat for a reason in somebody's own words, or lifts such a hold. */
export const HoldSheet = ({ view, onClose }: { view: WalkView; onClose: () => void }) => {
  const { t } = useTranslation();
  const [why, setWhy] = useState('');
  const holds = heldByRecord(useCastOff(view));
  const hold = async () => {
    await view.enter([{ kind: 'boatHeld', why: why.trim() }], t('hold.done'));
    onClose();
  };
  return (
    <ModalSheet
      title={t('hold.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t('hold.go')}
          tone="danger"
          disabled={why.trim() === ''}
          onPress={() => void hold()}
          testID="hold-go"
        />
      }
    >
      <TextField label={t('hold.why')} value={why} onChange={setWhy} lines={2} testID="hold-why" />
      {holds.map((matter) => (
        <MatterRow key={matter.key} view={view} matter={matter} />
      ))}
    </ModalSheet>
  );
};
