import type { Conditions } from '@quay/core/docking/place';
import { View } from 'react-native';
import Svg, { G, Path, Text as SvgText } from 'react-native-svg';
import { FACE, useTones } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Bold } from '../../ui/words';

const SIZE = 44;
/** Feathers where it comes from, a point where it goes; a current is a wave with a point. */
const WIND = 'M0 15V-15M0 -15l-6 8M0 -15l6 8M-5 15h10M-4 10h8';
const CURRENT = 'M-6 14q6-6 6 -12t6 -12M6 -14l-8 3M6 -14l1 8';

/** Wind and current as they blow and run on this drawing, with their speeds; and where north is. */
export const Arrows = ({ now, upDeg, right = false, top = false }: { now: Conditions; upDeg: number; right?: boolean; top?: boolean }) => {
  const tones = useTones();
  const arrow = (name: string, path: string, deg: number, ms: number, ink: string) => (
    <View key={name} style={{ alignItems: 'center' }}>
      <Svg width={SIZE} height={SIZE} viewBox="-22 -22 44 44" aria-hidden>
        <G rotation={deg}>
          <Path d={path} fill="none" stroke={ink} strokeWidth={3.5} strokeLinecap="round" strokeLinejoin="round" />
        </G>
      </Svg>
      <Bold size={15}>{measures().wind(ms)}</Bold>
    </View>
  );
  const [wind, current] = [now.windMs >= 0.1, now.currentMs >= 0.02];
  return (
    <>
      {wind || current ? (
        <View
          style={{
            position: 'absolute',
            ...(right ? { right: 8 } : { left: 8 }),
            ...(top ? { top: 8 } : { bottom: 8 }),
            flexDirection: 'row',
            gap: 10,
            backgroundColor: tones.card,
            borderRadius: 12,
            paddingHorizontal: 8,
            paddingBottom: 4,
            opacity: 0.94,
            pointerEvents: 'none',
          }}
          aria-hidden
        >
          {wind ? arrow('wind', WIND, now.windFromDeg + 180 - upDeg, now.windMs, tones.ink) : null}
          {current ? arrow('current', CURRENT, now.currentToDeg - upDeg, now.currentMs, tones.primary) : null}
        </View>
      ) : null}
      <View style={{ position: 'absolute', right: 8, top: 8, pointerEvents: 'none' }} aria-hidden>
        <Svg width={34} height={40} viewBox="-17 -20 34 40">
          <G rotation={-upDeg}>
            <Path d="M0 -4 L6 12 L0 8 L-6 12Z" fill={tones.ink} />
            <SvgText x={0} y={-7} textAnchor="middle" fontFamily={FACE.slabBold} fontSize={13} fill={tones.ink}>
              N
            </SvgText>
          </G>
        </Svg>
      </View>
    </>
  );
};
