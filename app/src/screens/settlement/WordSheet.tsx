import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Field } from '../../ui/field';
import { Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';

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
    <Sheet
      title={title}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Go label={go} disabled={!fits} onPress={() => onGo(text.trim().slice(0, 1000))} testID="word-go" />}
    >
      <Field label={label} value={text} onChange={setText} lines={3} autoFocus testID="word" />
    </Sheet>
  );
};
