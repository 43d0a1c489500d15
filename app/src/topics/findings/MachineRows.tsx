import { say } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Notice } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { Body } from '../../ui/words';
import { boxesByRank, isUnderWay, pairOf, useComparisons } from '../photo/compare/useComparisons';
import { useWalk } from '../../local/useWalk';
import { SurfaceSheet } from '../condition/SurfaceSheet';

/** What the machine saw in the pictures and nobody has judged yet, surface by surface; judged on the surface itself. */
export const MachineRows = ({ hireId }: { hireId: string }) => {
  const { t } = useTranslation();
  const comparisons = useComparisons(hireId);
  const { ready: view } = useWalk(hireId, 'in');
  const [looking, setLooking] = useState<string>();
  if (!view) return null;
  const { record, pack, language } = view;
  const rows = pack.book.surfaces.flatMap((surface) => {
    const pair = pairOf(record, comparisons, surface.id);
    const count = pair ? boxesByRank(record, pair).shown.length : 0;
    return count === 0 ? [] : [{ surface, count }];
  });
  const underWay = comparisons.filter(isUnderWay).length;
  return (
    <View style={{ gap: 8, paddingBottom: rows.length + underWay > 0 ? 8 : 0 }}>
      {underWay > 0 ? <Notice kind="ask" title={t('again.underWay', { count: underWay })} /> : null}
      {rows.map(({ surface, count }) => (
        <Notice
          key={surface.id}
          kind="ask"
          title={t('again.saw', { count, name: say(surface.name, language) })}
          action={<Button mode="outlined" label={t('again.judge')} onPress={() => setLooking(surface.id)} testID={`judge-${surface.id}`} />}
        >
          {view.sealed ? <Body>{t('again.sawWhy')}</Body> : null}
        </Notice>
      ))}
      {looking === undefined ? null : (
        <SurfaceSheet view={view} surfaceId={looking} hireId={hireId} onClose={() => setLooking(undefined)} />
      )}
    </View>
  );
};
