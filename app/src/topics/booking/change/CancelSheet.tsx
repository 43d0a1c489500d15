import { cancelHire } from '@quay/contract/change';
import { CANCEL_REASONS, type CancelReason } from '@quay/core/booking/events';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { call } from '../../../local/api';
import type { HireView } from '../../../local/hire';
import { Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { Body } from '../../../ui/words';
import { ReasonChoice } from './ReasonChoice';
import { useHireChange } from './useHireChange';

/** A hire that does not take place: why, and that is all. */
export const CancelSheet = ({ view, onClose, onDone }: { view: HireView; onClose: () => void; onDone: () => void }) => {
  const { t } = useTranslation();
  const [why, setWhy] = useState<CancelReason>();
  const [note, setNote] = useState('');
  const { fault, busy, send } = useHireChange(view.pack.hire);
  const cancel = async () => {
    if (why === undefined) return;
    const body = { why, ...(note.trim() === '' ? {} : { note: note.trim() }) };
    if (await send(({ about }) => call(cancelHire, { ...about, body }), t('change.cancelled'))) onDone();
  };
  return (
    <ModalSheet
      title={t('change.cancelTitle')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          tone="danger"
          label={t('change.cancelGo')}
          disabled={why === undefined}
          busy={busy}
          onPress={() => void cancel()}
          testID="cancel-go"
        />
      }
    >
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <Body>{t('change.cancelWhy')}</Body>
      <ReasonChoice reasons={CANCEL_REASONS} why={why} note={note} onWhy={setWhy} onNote={setNote} />
    </ModalSheet>
  );
};
