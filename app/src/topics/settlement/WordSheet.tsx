import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { TextField } from '../../ui/controls/textField';
import { Button } from '../../ui/controls/button';
import { ModalSheet } from '../../ui/controls/modalSheet';

/** Asks for a word about something; some may stay empty. */
export const WordSheet = ({
  title,
  label,
  go,
  optional = false,
  onGo,
  onClose,
}: {
  title: string;
  label: string;
  go: string;
  optional?: boolean;
  onGo: (text: string) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const fits = optional || text.trim() !== '';
  return (
    <ModalSheet
      title={title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Button mode="contained" label={go} disabled={!fits} onPress={() => onGo(text.trim().slice(0, 1000))} testID="word-go" />}
    >
      <TextField label={label} value={text} onChange={setText} lines={3} autoFocus testID="word" />
    </ModalSheet>
  );
};
