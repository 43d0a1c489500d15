import { slotsUnder } from '@quay/core/record/project';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Field } from '../../ui/field';
import { Alt, Go } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { Bold } from '../../ui/words';
import type { WalkView } from '../record/useWalk';

/** Holds the boat for a reason in somebody's own words, or lifts such a hold. */
export const HoldSheet = ({ view, onClose }: { view: WalkView; onClose: () => void }) => {
  const { t } = useTranslation();
  const [why, setWhy] = useState('');
  const holds = slotsUnder(view.record, 'held', 'held').flatMap(({ standing }) => standing);
  const hold = async () => {
    await view.enter([{ kind: 'held', why: why.trim() }], t('hold.done'));
    onClose();
  };
  return (
    <Sheet
      title={t('hold.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={<Go label={t('hold.go')} tone="lead" disabled={why.trim() === ''} onPress={() => void hold()} testID="hold-go" />}
    >
      <Field label={t('hold.why')} value={why} onChange={setWhy} lines={2} testID="hold-why" />
      {holds.map((one) => (
        <View key={one.event.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
          <Bold style={{ flex: 1 }}>{one.event.body.kind === 'held' ? one.event.body.why : ''}</Bold>
          <Alt label={t('hold.lift')} onPress={() => void view.undo([one])} />
        </View>
      ))}
    </Sheet>
  );
};
