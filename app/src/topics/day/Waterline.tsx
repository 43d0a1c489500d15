import type { Afloat } from '@quay/core/day/board';
import { clockOf } from '@quay/core/time/zone';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Defs, LinearGradient, Line, Path, Rect, Stop, Text as SvgText } from 'react-native-svg';
import { spanOf } from '../../ui/format';
import { ListRow } from '../../ui/controls/listRow';
import { FACE, useTones } from '../../ui/theme';
import { Slab, SlabBold, Small } from '../../ui/words';

const wave = (width: number) =>
  `M0 22${Array.from({ length: Math.ceil(width / 32) + 1 }, (_, i) => (i === 0 ? 'q16-12 32 0' : 't32 0')).join('')}`;

/** The present is a waterline; boats out lie on the water under it, each with the time left to her. */
export const Waterline = ({
  afloat,
  now,
  zone,
  width,
  columns,
  onOpen,
}: {
  afloat: readonly Afloat[];
  now: number;
  zone: string;
  width: number;
  columns: number;
  onOpen: (id: string) => void;
}) => {
  const tones = useTones();
  const { t } = useTranslation();
  const lane = (width - 32 - (columns - 1) * 32) / columns;
  return (
    <View>
      <Svg width={width} height={34} style={{ marginTop: 6 }} role="img" aria-label={clockOf(new Date(now).toISOString(), zone)}>
        <Path d={`${wave(width)}V34H0Z`} fill={tones.water} />
        <Path d={wave(width)} fill="none" stroke={tones.primary} strokeWidth={3} />
        <Rect x={14} y={2} width={64} height={26} rx={6} fill={tones.ink} />
        <SvgText x={46} y={21} textAnchor="middle" fontFamily={FACE.slabBold} fontSize={18} fill={tones.ground}>
          {clockOf(new Date(now).toISOString(), zone)}
        </SvgText>
      </Svg>
      <View style={{ paddingHorizontal: 16, paddingBottom: 10, flexDirection: 'row', flexWrap: 'wrap', columnGap: 32, minHeight: 56 }}>
        <Svg width={width} height="100%" style={{ position: 'absolute', left: 0, top: 0 }} aria-hidden preserveAspectRatio="none">
          <Defs>
            <LinearGradient id="water" x1="0" y1="0" x2="0" y2="1">
              <Stop offset="0" stopColor={tones.water} />
              <Stop offset="1" stopColor={tones.waterDeep} />
            </LinearGradient>
          </Defs>
          <Rect width="100%" height="100%" fill="url(#water)" />
        </Svg>
        {afloat.length === 0 ? <Small style={{ padding: 10 }}>{t('day.afloat', { count: 0 })}</Small> : null}
        {afloat.map((one) => (
          <Boat key={one.hire.id} one={one} lane={lane} onOpen={onOpen} />
        ))}
      </View>
    </View>
  );
};

const Boat = ({ one: { hire, minutesLeft, over, share }, lane, onOpen }: { one: Afloat; lane: number; onOpen: (id: string) => void }) => {
  const tones = useTones();
  const { t } = useTranslation();
  const at = Math.max(2, Math.min(lane - 66, share * (lane - 60)));
  const left = over ? t('day.over', { time: spanOf(minutesLeft) }) : spanOf(minutesLeft);
  const color = over ? tones.danger : tones.primary;
  return (
    <ListRow
      label={`${hire.boat}, ${hire.renter}, ${left}${over ? '' : ` ${t('day.toDue')}`}`}
      onPress={() => onOpen(hire.id)}
      style={{ width: lane, minHeight: 62 }}
      testID={`hire-${hire.id}`}
    >
      <View style={{ flexDirection: 'row', alignItems: 'baseline', justifyContent: 'space-between', paddingTop: 4 }}>
        <Slab size={18} lines={1} style={{ flexShrink: 1 }}>
          {hire.boat}
        </Slab>
        <View style={{ flexDirection: 'row', alignItems: 'baseline', gap: 5 }}>
          <SlabBold size={22} tone={over ? 'dangerText' : 'ink'}>
            {left}
          </SlabBold>
          {over ? null : <Small size={14}>{t('day.toDue')}</Small>}
        </View>
      </View>
      <Svg width={lane} height={34} aria-hidden>
        <Line
          x1={2}
          y1={24}
          x2={lane - 2}
          y2={24}
          stroke={color}
          strokeOpacity={over ? 1 : 0.33}
          strokeWidth={4}
          strokeLinecap="round"
          strokeDasharray={over ? '2 9' : undefined}
        />
        {over ? null : <Line x1={2} y1={24} x2={at + 24} y2={24} stroke={color} strokeWidth={4} strokeLinecap="round" />}
        <Path
          d={`M${at} 9h36q18 0 24 7-6 7-24 7h-36q-6-7 0-14Z`}
          fill={over ? tones.dangerPale : tones.ground}
          stroke={over ? tones.danger : tones.ink}
          strokeWidth={2.2}
        />
        <Path d={`M${at + 14} 12v8M${at + 24} 12v8`} stroke={over ? tones.danger : tones.ink} strokeWidth={1.6} />
      </Svg>
    </ListRow>
  );
};
