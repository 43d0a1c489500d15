import type { Subject } from '@quay/core/events/define';
import { currentAt } from '@quay/core/events/record';
import { happenedAt } from '@quay/core/events/stored';
import { clockOf } from '@quay/core/time/zone';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../local/hire';
import { Button } from '../../ui/controls/button';
import { useSnack } from '../../ui/controls/snack';
import { Small } from '../../ui/words';
import { useEntryWords } from './entryWords';

/** Two phones left different values standing: somebody says which is right, and both stay in the record. */
export const Settle = ({ view, subject, onDone }: { view: HireView; subject: Subject; onDone?: () => void }) => {
  const { t } = useTranslation();
  const snack = useSnack();
  const words = useEntryWords(view.pack);
  const stands = async (id: string) => {
    const added = await view.add([{ kind: 'conflictResolved', subject: [...subject], stands: id }]);
    snack({ text: t('compare.settled'), undo: () => void view.undo(added) });
    onDone?.();
  };
  const current = currentAt(view.record, subject);
  if (!current) return null;
  return (
    <View style={{ gap: 10 }}>
      <Small>{t('compare.settle')}</Small>
      {current.currentEvents.map((stored, i) => (
        <Button
          mode="outlined"
          key={stored.event.id}
          label={t('compare.stands', {
            value: `${words(stored.event.body)} · ${clockOf(new Date(happenedAt(stored)).toISOString(), view.pack.base.zone)}`,
          })}
          onPress={() => void stands(stored.event.id)}
          testID={`stands-${i}`}
        />
      ))}
    </View>
  );
};
