import { remarked } from '@quay/core/walk/events';
import { currentOf } from '@quay/core/events/record';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';
import type { WalkView } from '../../local/useWalk';

type As = 'renter' | 'staff';

/** What whoever signs wants to stand beside it: read back with the rest, and signed with it. */
export const Remarks = ({ view, as }: { view: WalkView; as: readonly As[] }) => {
  const { t } = useTranslation();
  const [open, setOpen] = useState<As>();
  return (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
      {as.map((one) => (
        <Button mode="outlined" key={one} label={t(`sign.remark.${one}`)} onPress={() => setOpen(one)} testID={`remark-${one}`} />
      ))}
      {open ? <RemarkSheet view={view} as={open} onClose={() => setOpen(undefined)} /> : null}
    </View>
  );
};

const RemarkSheet = ({ view, as, onClose }: { view: WalkView; as: As; onClose: () => void }) => {
  const { t } = useTranslation();
  const { record, walk } = view;
  const before = currentOf(record, [walk, 'remark', as], remarked);
  const [text, setText] = useState(before?.value.text ?? '');
  const keep = async () => {
    if (text.trim() !== '') await view.enter([{ kind: 'remarked', walk, as, text: text.trim() }]);
    else if (before) await view.undo(before.currentEvents);
    onClose();
  };
  return (
    <ModalSheet
      title={t(`sign.remark.${as}`)}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={t('walk.keepReading')} onPress={() => void keep()} testID="keep-remark" />}
    >
      <TextField label={t('sign.remarkWhat')} value={text} onChange={setText} lines={4} autoFocus testID="remark-text" />
    </ModalSheet>
  );
};
