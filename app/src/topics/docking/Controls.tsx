import { DETENTS } from '@quay/core/docking/practice';
import type { HullFigures } from '@quay/core/docking/hull';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { Thumb } from '../../platform/thumb';
import { useTones } from '../../ui/theme';
import { Bold, Small } from '../../ui/words';
import { NEUTRAL, type Practice, useSeen } from './usePractice';

const LEVER = { width: 132, height: 232, pad: 20 } as const;
const HELM = { width: 196, height: 176 } as const;
/** A thumb across the wheel turns it from hard over to hard over. */
const ACROSS = 0.9;
const WHEEL_DEG = 150;
const TILLER_DEG = 38;
const HELM_STEP = 0.1;

export const Lever = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const at = useSeen(practice, ({ detent }) => detent);
  const step = (LEVER.height - 2 * LEVER.pad) / (DETENTS.length - 1);
  const y = (detent: number) => LEVER.height - LEVER.pad - detent * step;
  const text = t(`dock.detent.${String(at - NEUTRAL) as '0'}`);
  return (
    <View style={{ alignItems: 'center', gap: 4 }}>
      <Thumb
        label={t('dock.lever')}
        value={at - NEUTRAL}
        min={-NEUTRAL}
        max={NEUTRAL}
        text={text}
        upright
        width={LEVER.width}
        height={LEVER.height}
        testID="lever"
        onPush={({ y: share }) => practice.setLever(Math.round((LEVER.height * (1 - share) - LEVER.pad) / step))}
        onStep={(by) => practice.setLever(at + by)}
      >
        <Svg width={LEVER.width} height={LEVER.height} style={{ pointerEvents: 'none' }} aria-hidden>
          <Rect x={56} y={8} width={20} height={LEVER.height - 16} rx={10} fill={tones.dark} stroke={tones.line} strokeWidth={1.5} />
          {DETENTS.map((value, detent) => (
            <Line
              key={value}
              x1={value === 0 ? 24 : 34}
              y1={y(detent)}
              x2={value === 0 ? 108 : 98}
              y2={y(detent)}
              stroke={value === 0 ? tones.ink : tones.soft}
              strokeWidth={value === 0 ? 4 : 2}
              strokeLinecap="round"
            />
          ))}
          <Rect
            x={16}
            y={y(at) - 19}
            width={100}
            height={38}
            rx={14}
            fill={at === NEUTRAL ? tones.card : tones.primary}
            stroke={tones.ink}
            strokeWidth={3}
          />
          <Circle cx={66} cy={y(at)} r={6} fill={tones.warning} />
        </Svg>
      </Thumb>
      <Bold size={16}>{text}</Bold>
    </View>
  );
};

const wheel = (deg: number, ink: string, rim: string, mark: string) => (
  <G transform={`translate(98 84) rotate(${deg})`}>
    <Circle r={70} fill="none" stroke={ink} strokeWidth={17} />
    <Circle r={70} fill="none" stroke={rim} strokeWidth={11} />
    {[0, 120, 240].map((spoke) => (
      <Line
        key={spoke}
        x1={0}
        y1={0}
        x2={64 * Math.sin((spoke * Math.PI) / 180)}
        y2={-64 * Math.cos((spoke * Math.PI) / 180)}
        stroke={ink}
        strokeWidth={9}
      />
    ))}
    <Circle r={15} fill={ink} />
    <Rect x={-6} y={-79} width={12} height={19} rx={4} fill={mark} />
  </G>
);
/** Seen from above, looking forward: the rudder head above, the handle towards whoever steers. */
const tiller = (deg: number, ink: string, wood: string, mark: string) => (
  <G transform={`translate(98 26) rotate(${deg})`}>
    <Path d="M-9 0 L-6 128 Q0 138 6 128 L9 0Z" fill={wood} stroke={ink} strokeWidth={3} />
    <Circle r={13} fill={ink} />
    <Circle cy={118} r={11} fill={mark} stroke={ink} strokeWidth={3} />
  </G>
);

export const Helm = ({ practice, hull }: { practice: Practice; hull: HullFigures }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const handle = useSeen(practice, ({ hands }) => hands.handle);
  const degrees = Math.round(handle * 100);
  return (
    <View style={{ alignItems: 'center', gap: 6 }}>
      <Thumb
        label={t(hull.tiller ? 'dock.tiller' : 'dock.wheel')}
        value={degrees}
        min={-100}
        max={100}
        text={String(degrees)}
        upright={false}
        width={HELM.width}
        height={HELM.height}
        testID="helm"
        onPush={({ x }) => practice.setHandle((x - 0.5) * (2 / ACROSS))}
        onStep={(by) => practice.setHandle(handle + by * HELM_STEP)}
      >
        <Svg width={HELM.width} height={HELM.height} style={{ pointerEvents: 'none' }} aria-hidden>
          {hull.tiller
            ? tiller(-handle * TILLER_DEG, tones.ink, tones.rope, tones.warning)
            : wheel(handle * WHEEL_DEG, tones.ink, tones.hull, tones.warning)}
        </Svg>
      </Thumb>
      <Pressable
        role="button"
        onPress={() => practice.setHandle(0)}
        testID="centre"
        style={{
          minHeight: 52,
          minWidth: 132,
          borderRadius: 13,
          borderWidth: 2,
          borderColor: tones.line,
          backgroundColor: tones.card,
          alignItems: 'center',
          justifyContent: 'center',
        }}
      >
        <Bold size={16}>{t('dock.centre')}</Bold>
      </Pressable>
    </View>
  );
};

/** Two buttons that push as long as they are held. */
export const Thruster = ({ practice }: { practice: Practice }) => {
  const { t } = useTranslation();
  const pushes = useSeen(practice, ({ hands }) => hands.thruster);
  const tones = useTones();
  return (
    <View style={{ flexDirection: 'row', gap: 8 }}>
      {([-1, 1] as const).map((way) => {
        const held = pushes === way;
        return (
          <Pressable
            key={way}
            role="button"
            aria-label={t(`dock.thruster.${way < 0 ? 'port' : 'starboard'}`)}
            aria-pressed={held}
            onPressIn={() => practice.setThruster(way)}
            onPressOut={() => practice.setThruster(0)}
            onPress={() => practice.setThruster(0)}
            testID={`thruster-${way < 0 ? 'port' : 'starboard'}`}
            style={{
              width: 92,
              minHeight: 52,
              borderRadius: 13,
              borderWidth: 2,
              borderColor: tones.ink,
              backgroundColor: held ? tones.warning : tones.card,
              alignItems: 'center',
              justifyContent: 'center',
            }}
          >
            <Bold size={24} tone={held ? 'onWarning' : 'ink'}>
              {way < 0 ? '◀' : '▶'}
            </Bold>
          </Pressable>
        );
      })}
    </View>
  );
};

export const HelmNotes = ({ practice, hull }: { practice: Practice; hull: HullFigures }) => {
  const { t } = useTranslation();
  const dead = useSeen(
    practice,
    ({ instruction, hands }) => instruction !== undefined && !instruction.steers && Math.abs(hands.handle) > 0.2,
  );
  return dead ? (
    <Bold size={15} tone="dangerText">
      {t('dock.noSteer')}
    </Bold>
  ) : hull.tiller ? (
    <Small size={14}>{t('dock.tillerWhy')}</Small>
  ) : null;
};
