import { say } from '@quay/core/words/words';
import { SKIP_REASONS } from '@quay/core/briefing/events';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Body, Small } from '../../ui/words';
import { Missing } from './StopJobs';
import { type WalkView } from '../../local/useWalk';

export const SkipSheet = ({
  view,
  toDo,
  onClose,
  onComplete,
}: {
  view: WalkView;
  toDo: number;
  onClose: () => void;
  onComplete: (extra: Parameters<WalkView['enter']>[0]) => void;
}) => {
  const { t } = useTranslation();
  const [why, setWhy] = useState<(typeof SKIP_REASONS)[number]>();
  const stop = view.stops[view.at]!;
  const points = stop.points.filter(({ id }) => stop.missing.points.includes(id));
  return (
    <ModalSheet
      title={t('walk.skipTitle')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <>
          <Button mode="contained" label={t('walk.tellNow')} onPress={onClose} />
          <Button
            mode="outlined"
            label={t('walk.tieAnyway')}
            disabled={!why}
            onPress={() => why && onComplete(points.map(({ id }) => ({ kind: 'pointSkipped', walk: view.walk, point: id, why })))}
            testID="complete-station-anyway"
          />
        </>
      }
    >
      <Body>{t('walk.skipWhy')}</Body>
      {points.map(({ id, say: words }) => (
        <Body key={id}>{`– ${say(words, view.language)}`}</Body>
      ))}
      {toDo > 0 ? (
        <>
          <Small>{t('walk.openWhy')}</Small>
          <Missing view={view} />
        </>
      ) : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('walk.skipTitle')}>
        {SKIP_REASONS.map((reason) => (
          <ChoiceChip
            key={reason}
            label={t(`walk.skip.${reason}`)}
            on={why === reason}
            onPress={() => setWhy(reason)}
            tone="warning"
            testID={`skip-${reason}`}
          />
        ))}
      </View>
    </ModalSheet>
  );
};
