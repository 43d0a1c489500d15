import type { CancelReason } from '@quay/core/booking/events';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Choices } from '../../../ui/controls/choices';
import { TextField } from '../../../ui/controls/textField';
import { Bold } from '../../../ui/words';

/** Why something is changed, by a press, and in somebody's own words where they want to. */
export const ReasonChoice = <T extends CancelReason>({
  reasons,
  why,
  note,
  onWhy,
  onNote,
}: {
  reasons: readonly T[];
  why: T | undefined;
  note: string;
  onWhy: (why: T) => void;
  onNote: (note: string) => void;
}) => {
  const { t } = useTranslation();
  return (
    <View style={{ gap: 8 }}>
      <Bold>{t('change.why')}</Bold>
      <Choices
        label={t('change.why')}
        options={reasons}
        labelOf={(one) => t(`change.reason.${one}`)}
        value={why}
        onChange={onWhy}
        testID="why"
      />
      <TextField label={t('change.note')} value={note} onChange={onNote} lines={2} most={1000} testID="why-note" />
    </View>
  );
};
