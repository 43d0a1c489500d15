import type { Finding } from '@quay/core/findings/finding';
import { currentOf } from '@quay/core/events/record';
import { surfaceSeen } from '@quay/core/condition/events';
import { isRentersWord, isUnsigned } from '@quay/core/findings/whoseWord';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { say } from '@quay/core/words/words';
import type { HireView } from '../../local/hire';
import { Picture } from '../photo/picture';
import { PairSheet } from '../photo/compare/PairSheet';
import { usePair } from '../photo/compare/useComparisons';
import { Card, Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { SurfaceDrawing, surfaceHeight } from '../../ui/drawn/surface';
import { Body, Slab, Small } from '../../ui/words';
import type { FindingWords } from './findingWords';

/** What a finding rests on: both pictures side by side, the surface with its marks, what was told. */
export const FindingDetail = ({
  view,
  finding,
  words,
  width,
}: {
  view: HireView;
  finding: Finding;
  words: FindingWords;
  width: number;
}) => {
  const { t, i18n } = useTranslation();
  const { record, pack } = view;
  const surface = finding.topic === 'mark' ? finding.surface : undefined;
  const comparison = usePair(view, surface?.id);
  const [paired, setPaired] = useState(false);
  const photos = 'photos' in finding ? finding.photos : [];
  const renterOnly = isRentersWord(record, finding);
  const pictures = (['out', 'in'] as const).map((walk) => {
    const mark = finding.topic === 'mark' ? finding[walk] : undefined;
    const looked = surface ? currentOf(record, [walk, 'surface', surface.id], surfaceSeen)?.value.photos : undefined;
    return { walk, sha: mark?.photos[0] ?? looked?.[looked.length - 1] };
  });
  return (
    <View style={{ gap: 10 }}>
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }}>
        <Tag kind={words.tag}>{words.is}</Tag>
        {words.price ? <Tag kind="ask">{words.price}</Tag> : null}
      </View>
      {words.out || words.in ? <Body>{`${t('compare.out')} ${words.out} → ${t('compare.in')} ${words.in}`}</Body> : null}
      {words.why ? <Small>{words.why}</Small> : null}
      {renterOnly ? <Tag kind="ask">{t('compare.why.renterOnly')}</Tag> : null}
      {isUnsigned(record, finding) ? <Tag kind="ask">{t('compare.why.unsigned')}</Tag> : null}
      {photos.length > 0 ? (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {photos.map((sha, i) => (
            <Picture key={sha} hire={pack.hire.id} sha={sha} alt={t('photo.of', { n: i + 1, name: words.what })} width={150} height={100} />
          ))}
        </View>
      ) : null}
      {surface ? (
        <>
          <View style={{ flexDirection: 'row', gap: 8 }}>
            {pictures.map(({ walk, sha }) => (
              <View key={walk} style={{ flex: 1, gap: 3 }}>
                <Slab size={16}>{t(`compare.${walk}`)}</Slab>
                {sha ? (
                  <Picture
                    hire={pack.hire.id}
                    sha={sha}
                    alt={`${t(`compare.${walk}`)}, ${say(surface.name, i18n.language)}`}
                    width="100%"
                    height={150}
                  />
                ) : (
                  <Card style={{ height: 150, justifyContent: 'center' }}>
                    <Small>{t('compare.noPicture')}</Small>
                  </Card>
                )}
              </View>
            ))}
          </View>
          {comparison ? <Button mode="outlined" label={t('pair.open')} onPress={() => setPaired(true)} testID="pair-open" /> : null}
          {comparison && paired ? <PairSheet view={view} comparison={comparison} onClose={() => setPaired(false)} /> : null}
          <SurfaceDrawing
            surface={surface}
            width={width}
            height={surfaceHeight(surface, width)}
            label={say(surface.name, i18n.language)}
            marks={
              finding.topic === 'mark'
                ? [
                    ...(finding.out ? [{ mark: finding.out, as: 'ghost' as const, label: t('compare.out') }] : []),
                    ...(finding.in ? [{ mark: finding.in, as: 'chosen' as const, label: '!' }] : []),
                  ]
                : []
            }
          />
        </>
      ) : null}
    </View>
  );
};
