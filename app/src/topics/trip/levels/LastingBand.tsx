import { bandOf } from '@quay/core/trip/levels/band';
import type { TankLasting } from '@quay/core/trip/levels/levels';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Line, Rect, Text } from 'react-native-svg';
import { localeOf } from '../../../i18n/index';
import { FACE, useTones } from '../../../ui/theme';

const HEIGHT = 56;
const BAR = 26;

/** Surely enough, perhaps, and no more, along the time a tank has to last; days are named where they begin. */
export const LastingBand = ({ one, zone, width, label }: { one: TankLasting; zone: string; width: number; label: string }) => {
  const tones = useTones();
  const { i18n } = useTranslation();
  const { sure, may, days } = bandOf(one, zone);
  const named = new Intl.DateTimeFormat(localeOf(i18n.language), { weekday: 'short', day: 'numeric', timeZone: 'UTC' });
  return (
    <View role="img" aria-label={label}>
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Rect x={0} y={0} width={width} height={BAR} rx={6} fill={tones.dangerPale} />
        <Rect x={0} y={0} width={width * may} height={BAR} rx={6} fill={tones.warningPale} />
        <Rect x={0} y={0} width={width * sure} height={BAR} rx={6} fill={tones.primary} />
        <Rect x={1} y={1} width={width - 2} height={BAR - 2} rx={5} fill="none" stroke={tones.line} strokeWidth={2} />
        {sure < may && may < 1 ? <Line x1={width * may} x2={width * may} y1={0} y2={BAR} stroke={tones.danger} strokeWidth={3} /> : null}
        {days.map(({ at, day }) => (
          <Line key={day} x1={width * at} x2={width * at} y1={BAR} y2={BAR + 8} stroke={tones.soft} strokeWidth={2} />
        ))}
        {days.map(({ at, day }) => (
          <Text
            key={`${day}/name`}
            x={Math.min(width - 44, width * at)}
            y={HEIGHT - 6}
            fontFamily={FACE.text}
            fontSize={14}
            fill={tones.soft}
          >
            {named.format(Date.parse(`${day}T00:00:00Z`))}
          </Text>
        ))}
      </Svg>
    </View>
  );
};
