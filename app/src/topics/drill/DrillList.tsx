import { type DrillState, drillsOf } from '@quay/core/drill/ofHire';
import { say } from '@quay/core/words/words';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { caseOf } from '../../local/handover';
import type { HireView } from '../../local/hire';
import { Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { ListRow } from '../../ui/controls/listRow';
import { Body, Bold, Small } from '../../ui/words';

/** Drills for this boat, policy and party, with how far somebody has come. */
export const useDrills = (view: HireView): DrillState[] => useMemo(() => drillsOf(view.record, caseOf(view)), [view]);

/** @param onBoat notes that it was shown on the boat; not there for a renter, who cannot say that of themselves */
export const DrillRows = ({
  drills,
  onOpen,
  onBoat,
}: {
  drills: readonly DrillState[];
  onOpen: (id: string) => void;
  onBoat?: (id: string) => void;
}) => {
  const { t, i18n } = useTranslation();
  return (
    <View style={{ gap: 4 }}>
      {drills.map(({ drill, tried, proven }) => {
        const name = say(drill.name, i18n.language);
        const best = tried.find(({ how }) => how === 'onBoat' || how === 'own') ?? tried[tried.length - 1];
        return (
          <View key={drill.id} style={{ gap: 6 }}>
            <ListRow
              label={name}
              onPress={() => onOpen(drill.id)}
              testID={`drill-${drill.id}`}
              style={{ flexDirection: 'row', alignItems: 'center', gap: 8, paddingVertical: 8 }}
            >
              <View style={{ flex: 1, gap: 4 }}>
                <Body>{name}</Body>
                <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6, alignItems: 'center' }}>
                  {best ? (
                    <Tag kind={proven ? 'ok' : 'calm'}>{t(`drill.how.${best.how}`)}</Tag>
                  ) : drill.needed ? (
                    <Tag kind="ask">{t('drill.needed')}</Tag>
                  ) : null}
                  {best && best.mistakes.length > 0 ? <Small>{t('drill.mistakes', { count: best.mistakes.length })}</Small> : null}
                </View>
              </View>
              <Bold size={22}>›</Bold>
            </ListRow>
            {onBoat && !proven ? (
              <Button
                mode="outlined"
                label={t('drill.onBoat')}
                onPress={() => onBoat(drill.id)}
                style={{ alignSelf: 'flex-start' }}
                testID={`onboat-${drill.id}`}
              />
            ) : null}
          </View>
        );
      })}
    </View>
  );
};
