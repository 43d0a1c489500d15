import type { CastOffMatter } from '@quay/core/castOff/matter';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { HireView } from '../../local/hire';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useSnack } from '../../ui/controls/snack';
import { Body, Bold } from '../../ui/words';
import { useMatterWords } from './matterWords';

/** A manager lets her go with one matter, as it stands now, and says why; the reason stays in the record. */
export const OverrideSheet = ({ view, matter, onClose }: { view: HireView; matter: CastOffMatter; onClose: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const words = useMatterWords(view);
  const [why, setWhy] = useState('');
  const go = async () => {
    const added = await view.add([{ kind: 'holdOverridden', matter: matter.key, why: why.trim() }]);
    snack({ text: t('castOff.gone'), undo: () => void view.undo(added) });
    onClose();
  };
  return (
    <ModalSheet
      title={t('castOff.override')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={t('castOff.override')}
          tone="warning"
          disabled={why.trim() === ''}
          onPress={() => void go()}
          testID="let-go"
        />
      }
    >
      <Bold>{words.found(matter.found)}</Bold>
      <Body>{t('castOff.overrideWhy')}</Body>
      <TextField label={t('castOff.why')} value={why} onChange={setWhy} lines={2} autoFocus testID="let-go-why" />
    </ModalSheet>
  );
};
