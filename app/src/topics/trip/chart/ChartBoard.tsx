import type { LonLat } from '@quay/core/geometry/plane';
import { clockOf } from '@quay/core/time/zone';
import type { Waters } from '@quay/core/waters/zone';
import type { Feature } from '@quay/core/waters/zone';
import { mdiCrosshairsGps } from '@mdi/js';
import { useCallback, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../../local/hire';
import { type ChartHandle, WaterChart } from '../../../platform/chart/WaterChart';
import { byClock } from '../../../platform/clock';
import { Tag } from '../../../ui/board';
import { IconButton } from '../../../ui/controls/button';
import { ZoomButtons } from '../../../ui/zoomButtons';
import { DUSK, useTones } from '../../../ui/theme';
import { measures } from '../../../ui/units';
import { Bold } from '../../../ui/words';
import { writeAt } from './chartAddress';
import type { ChartAddress, ChartDay } from './useChartDay';

const NOWHERE: LonLat[][][] = [];

/** The water itself, with its buttons, where one is and how far one can go. */
export const ChartBoard = ({
  base,
  waters,
  day,
  onGo,
}: {
  base: HireView['pack']['base'];
  waters: Waters;
  day: ChartDay;
  onGo: (to: ChartAddress) => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [handle, setHandle] = useState<ChartHandle>();
  const { fix, fixed, look, known, plan, wish, chosen } = day;
  const ways = useMemo(() => (wish ? [wish.out] : []), [wish]);
  const nameOf = useCallback(({ properties: { kind, name } }: Feature) => `${t(`chart.kind.${kind}`)}: ${name}`, [t]);
  const choose = useCallback(
    (at: LonLat, pressed: { id: string } | undefined) =>
      onGo(pressed ? { place: pressed.id, at: undefined } : { place: undefined, at: writeAt(at) }),
    [onGo],
  );
  return (
    <View style={{ flex: 1, minHeight: 260, backgroundColor: tones.board }} testID="chart">
      <WaterChart
        waters={waters}
        tones={tones}
        dusk={tones === DUSK}
        label={t('chart.map', { name: waters.name })}
        home={base.position ? { at: base.position, name: base.name } : undefined}
        here={fixed ? { at: [fixed.lon, fixed.lat], withinM: fixed.withinM } : undefined}
        chosen={chosen}
        reach={known?.outline ?? NOWHERE}
        ways={ways}
        nameOf={nameOf}
        onPlace={choose}
        onReady={setHandle}
      />
      <View style={{ position: 'absolute', right: 10, top: 10, gap: 8, zIndex: 1000 }}>
        <ZoomButtons of={handle} />
        <IconButton
          path={mdiCrosshairsGps}
          label={t('chart.here')}
          onPress={() => void look()}
          disabled={fix === 'looking'}
          testID="locate"
        />
      </View>
      {known ? (
        <View style={{ position: 'absolute', left: 10, bottom: 10, zIndex: 1000, pointerEvents: 'none' }}>
          <ReachKey text={t(typeof plan !== 'string' && plan.aim === 'lie' ? 'chart.reachLie' : 'chart.reach')} />
        </View>
      ) : null}
      {fix === undefined ? null : (
        <View style={{ position: 'absolute', left: 10, top: 10, right: 72, zIndex: 1000 }} aria-live="polite">
          <Tag kind={fix === 'none' ? 'ask' : 'calm'}>
            {fix === 'looking'
              ? t('chart.looking')
              : fix === 'none'
                ? t('chart.noFix')
                : t('chart.fix', {
                    m: measures().metres(fix.withinM, 0),
                    time: clockOf(new Date(byClock(fix.at)).toISOString(), base.zone),
                  })}
          </Tag>
        </View>
      )}
    </View>
  );
};

/** What the dashed line on the chart is. */
const ReachKey = ({ text }: { text: string }) => {
  const tones = useTones();
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: 8,
        backgroundColor: tones.card,
        borderRadius: 8,
        paddingHorizontal: 10,
        paddingVertical: 5,
      }}
    >
      <View
        style={{
          width: 30,
          height: 16,
          borderWidth: 2,
          borderStyle: 'dashed',
          borderColor: tones.primary,
          backgroundColor: tones.primaryPale,
          borderRadius: 4,
        }}
      />
      <Bold size={14} tone="primaryText">
        {text}
      </Bold>
    </View>
  );
};
