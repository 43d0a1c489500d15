import type { LonLat } from '@quay/core/geometry/plane';
import type { Book } from '@quay/core/fleet/book';
import { revsWithin } from '@quay/core/trip/speedTable';
import { holdsAt, type Sheet } from '@quay/core/waters/sheet';
import { compassOf } from '@quay/core/waters/position';
import { type Feature, zoneLimitMs } from '@quay/core/waters/zone';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../../ui/board';
import { longDay } from '../../../ui/format';
import { measures } from '../../../ui/units';
import { Body, Bold, Small } from '../../../ui/words';

/** What holds at a place on the water, in words. */
export const HoldsHere = ({ sheet, at, engine }: { sheet: Sheet; at: LonLat; engine: Book['engine'] }) => {
  const { t, i18n } = useTranslation();
  const holds = holdsAt(sheet, at);
  const { onWater, fromShoreM, limitMs, closed, here } = holds;
  const rpm = limitMs === undefined ? undefined : revsWithin(engine, limitMs * 3.6);
  if (onWater === false)
    return (
      <View testID="holds">
        <Small>{t('chart.onLand')}</Small>
      </View>
    );
  return (
    <View style={{ gap: 6 }} testID="holds">
      <View style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap', alignItems: 'center' }}>
        {closed ? <Tag kind="stop">{t('chart.closed')}</Tag> : null}
        {limitMs === undefined ? null : <Tag kind="ask">{t('chart.limit', { speed: measures().speed(limitMs) })}</Tag>}
        {rpm === undefined ? null : <Bold size={15}>{t('speeds.upTo', { rpm })}</Bold>}
        {fromShoreM === undefined ? null : <Small>{t('chart.fromShore', { m: measures().metres(fromShoreM, 0) })}</Small>}
      </View>
      {here.length === 0 ? <Body>{t('chart.openWater')}</Body> : null}
      {here.map((feature) => (
        <Rule key={feature.id} feature={feature} language={i18n.language} />
      ))}
    </View>
  );
};

/** One feature with its figures and where they come from. @param named its name stands above already */
export const Rule = ({ feature, language, named = true, size }: { feature: Feature; language: string; named?: boolean; size?: number }) => {
  const { t } = useTranslation();
  const { kind, name, depthM, directionDeg, radiusM, fromShoreM, hours, shut, source, checked, say: told } = feature.properties;
  const limitMs = zoneLimitMs(feature);
  const figures = [
    limitMs === undefined ? '' : t('chart.limit', { speed: measures().speed(limitMs) }),
    fromShoreM === undefined ? '' : t('chart.within', { m: measures().metres(fromShoreM, 0) }),
    depthM === undefined
      ? ''
      : depthM < 0
        ? t('chart.dries', { m: measures().metres(-depthM) })
        : t('chart.depth', { m: measures().metres(depthM) }),
    directionDeg === undefined || kind !== 'oneWay' ? '' : t('chart.direction', { compass: compassOf(directionDeg) }),
    radiusM === undefined ? '' : t('chart.keepOff', { m: measures().metres(radiusM, 0) }),
    hours === undefined ? '' : t('chart.hours', hours),
    shut === undefined ? '' : t('chart.shut', { from: longDay(shut.from, language), to: longDay(shut.to, language) }),
  ].filter(Boolean);
  const words = [figures.join(', '), told ? say(told, language) : ''].filter(Boolean).join('. ');
  return (
    <View>
      <Body {...(size === undefined ? {} : { size })}>
        <Bold
          {...(size === undefined ? {} : { size })}
          tone={kind === 'hazard' ? 'dangerText' : 'ink'}
        >{`${[t(`chart.kind.${kind}`), ...(named ? [name] : [])].join(': ')}. `}</Bold>
        {words}
      </Body>
      {source === undefined ? null : (
        <Small size={size === undefined ? 13.5 : size - 2}>
          {checked === undefined ? source : t('chart.source', { source, day: longDay(checked, language) })}
        </Small>
      )}
    </View>
  );
};
