import { currentOf } from '@quay/core/events/record';
import { gaugeRead } from '@quay/core/fuel/events';
import { mdiGauge } from '@mdi/js';
import { say } from '@quay/core/words/words';
import { spokenReading } from '@quay/core/fuel/level';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { ListRow } from '../../ui/controls/listRow';
import { useTones } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Body, SlabBold, Small } from '../../ui/words';
import { TankCard } from './TankCard';
import type { WalkView } from '../../local/useWalk';
import { StopSection, ConflictingValues } from '../../ui/stopSection';

export const ReadSection = ({ view, onOpen }: { view: WalkView; onOpen: (gauge: string) => void }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { record, pack, walk, language } = view;
  const { gauges } = view.stops[view.at]!;
  if (gauges.length === 0) return null;
  const tanks = pack.book.tanks.filter(({ id }) => gauges.some(({ tank }) => tank === id));
  return (
    <StopSection name={t('walk.read')}>
      {gauges.map((gauge) => {
        const name = say(gauge.name, language);
        const found = currentOf(record, [walk, 'gauge', gauge.id], gaugeRead);
        const was = walk === 'in' ? currentOf(record, ['out', 'gauge', gauge.id], gaugeRead)?.value.shown : undefined;
        const shown = (value: number) => spokenReading(gauge, value, measures());
        return (
          <View key={gauge.id}>
            <ListRow label={t('walk.set', { name })} onPress={() => onOpen(gauge.id)} testID={`gauge-${gauge.id}`}>
              <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10, minHeight: 56 }}>
                <View style={{ flex: 1 }}>
                  <Body>{name}</Body>
                  {was !== undefined ? (
                    <Small size={14}>{t('walk.was', { v: shown(was) })}</Small>
                  ) : gauge.normal ? (
                    <Small size={14}>{`${t('walk.normal')}: ${say(gauge.normal, language)}`}</Small>
                  ) : null}
                </View>
                {found ? (
                  <View
                    style={{
                      backgroundColor: tones.primaryPale,
                      borderRadius: 13,
                      paddingHorizontal: 12,
                      minHeight: 52,
                      justifyContent: 'center',
                    }}
                  >
                    <SlabBold size={26}>{shown(found.value.shown)}</SlabBold>
                  </View>
                ) : (
                  <View
                    style={{
                      flexDirection: 'row',
                      alignItems: 'center',
                      gap: 8,
                      borderRadius: 13,
                      borderWidth: 2,
                      borderStyle: 'dashed',
                      borderColor: tones.soft,
                      paddingHorizontal: 12,
                      minHeight: 52,
                    }}
                  >
                    <Svg width={22} height={22} viewBox="0 0 24 24">
                      <Path d={mdiGauge} fill={tones.soft} />
                    </Svg>
                    <Small>{t('walk.notRead')}</Small>
                  </View>
                )}
              </View>
            </ListRow>
            {found?.conflict ? (
              <ConflictingValues
                values={found.currentEvents.map(({ event: { body } }) => (body.kind === 'gaugeRead' ? shown(body.shown) : ''))}
              />
            ) : null}
          </View>
        );
      })}
      {tanks.map((tank) => (
        <TankCard key={tank.id} view={view} tank={tank} onOpen={onOpen} />
      ))}
    </StopSection>
  );
};
