import type { Show } from '@quay/core/fleet/drills';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, Line, Path } from 'react-native-svg';
import { useTones } from '../../ui/theme';
import { Bold, Small } from '../../ui/words';
import type { DrillView } from './useDrill';

type Seen = { show: Show; value: string | number | undefined; level: Show['levels'][number] | undefined };

/** What is seen, heard and smelt: dials, lamps, and the rest in words; what is normal here says so. */
export const Shows = ({ view }: { view: DrillView }) => {
  const { i18n } = useTranslation();
  const seen = view.drill.shows.map((show): Seen => {
    const now = view.observed[show.id];
    return { show, value: now?.value, level: now && show.levels[now.level] };
  });
  const of = (...kinds: Show['kind'][]) => seen.filter(({ show }) => kinds.includes(show.kind));
  const [needles, lamps, words] = [of('needle'), of('lamp'), of('water', 'sound', 'smell', 'shake', 'word')];
  const normals = seen.flatMap(({ level }) => (level?.normal ? [say(level.normal, i18n.language)] : []));
  if (seen.length === 0) return null;
  return (
    <View style={{ gap: 6 }}>
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', columnGap: 14, rowGap: 6, alignItems: 'center' }}>
        {needles.map((one) => (
          <Needle key={one.show.id} name={say(one.show.name, i18n.language)} value={typeof one.value === 'number' ? one.value : 0} />
        ))}
        {lamps.length > 0 ? (
          <View style={{ gap: 4 }}>
            {lamps.map((one) => (
              <Lamp key={one.show.id} seen={one} />
            ))}
          </View>
        ) : null}
      </View>
      {/* Room is kept for what may come, so that controls do not move under the thumb. */}
      <View style={{ minHeight: 24 * Math.min(2, words.length), gap: 2 }} aria-live="polite">
        {words.map(({ show, level }) =>
          level?.say ? (
            <View key={show.id} style={{ flexDirection: 'row', gap: 8, flexWrap: 'wrap' }} testID={`shows-${show.id}`}>
              <Small>{say(show.name, i18n.language)}</Small>
              <Bold size={16}>{say(level.say, i18n.language)}</Bold>
            </View>
          ) : null,
        )}
      </View>
      {normals.map((text) => (
        <Small key={text} tone="primaryText" size={14}>
          {text}
        </Small>
      ))}
    </View>
  );
};

const SWEEP = (3 * Math.PI) / 2;
const Needle = ({ name, value }: { name: string; value: number }) => {
  const tones = useTones();
  const angle = (share: number) => -Math.PI * 1.25 + share * SWEEP;
  const tip = (share: number, r: number) => [55 + r * Math.cos(angle(share)), 55 + r * Math.sin(angle(share))] as const;
  return (
    <View style={{ alignItems: 'center' }} role="img" aria-label={`${name}: ${Math.round(value * 100)} %`}>
      <Svg width={86} height={86} viewBox="0 0 110 110">
        <Circle cx={55} cy={55} r={52} fill={tones.card} stroke={tones.ink} strokeWidth={3} />
        {Array.from({ length: 7 }, (_, i) => {
          const [a, b] = [tip(i / 6, 46), tip(i / 6, i % 3 === 0 ? 35 : 39)];
          return <Line key={i} x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke={tones.ink} strokeWidth={3} />;
        })}
        <Path d={`M55 55L${tip(value, 40).join(' ')}`} stroke={tones.danger} strokeWidth={5} strokeLinecap="round" />
        <Circle cx={55} cy={55} r={7} fill={tones.ink} />
      </Svg>
      <Small size={13}>{name}</Small>
    </View>
  );
};

const Lamp = ({ seen: { show, value } }: { seen: Seen }) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const name = say(show.name, i18n.language);
  const state = value === 'on' ? 'on' : value === 'blinks' ? 'blinks' : 'off';
  return (
    <View
      style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}
      role="img"
      aria-label={`${name}: ${t(`drill.lamp.${state}`)}`}
      testID={`shows-${show.id}`}
    >
      <Svg width={28} height={28} viewBox="0 0 34 34">
        {state === 'off' ? null : <Circle cx={17} cy={17} r={16} fill={tones.warning} opacity={0.35} />}
        <Circle
          cx={17}
          cy={17}
          r={11}
          fill={state === 'off' ? tones.hull : tones.warning}
          stroke={tones.ink}
          strokeWidth={2.5}
          {...(state === 'blinks' ? { strokeDasharray: '5 4' } : {})}
        />
      </Svg>
      <Bold size={15}>{name}</Bold>
      <Small size={14}>{t(`drill.lamp.${state}`)}</Small>
    </View>
  );
};
