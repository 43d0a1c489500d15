import { clockOf } from '@quay/core/time/zone';
import { type DepthAt, depthAhead, UNDER_KEEL_M } from '@quay/core/trip/depth';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Line, Path, Rect, Text } from 'react-native-svg';
import { Tag } from '../../../ui/board';
import { FACE, useTones } from '../../../ui/theme';
import { measures } from '../../../ui/units';
import { Body, Bold, Small } from '../../../ui/words';
import type { Foreseen } from '../useForecast';

const HOUR_MS = 3_600_000;
const HEIGHT = 116;
/** Of the drawing above its hours. */
const DRAWN = 90;

type Where = {
  /** At the lowest water. */
  chartM: number;
  draftM: number;
  /** Nobody measured how deep she goes: it is what boats like her usually do. */
  guessed: boolean;
  foreseen: Foreseen;
  fromMs: number;
  untilMs: number;
  zone: string;
};

/** How deep it is at a place while the boat is out, where the water rises and falls, and when that is enough for her. */
export const DepthHours = ({ chartM, draftM, guessed, foreseen, fromMs, untilMs, zone, width }: Where & { width: number }) => {
  const { t } = useTranslation();
  const clock = (ms: number) => clockOf(new Date(ms).toISOString(), zone);
  const foretold = useMemo(
    () => (foreseen?.forecast.hours ?? []).map(({ at, waterM }) => ({ atMs: Date.parse(at), waterM })).sort((a, b) => a.atMs - b.atMs),
    [foreseen],
  );
  const ahead = depthAhead({ chartM, draftM }, foretold, { fromMs, untilMs });
  const title = <Bold>{t('depth.title')}</Bold>;
  if (!ahead)
    return (
      <View style={{ gap: 4 }} testID="depth-hours">
        {title}
        <Body>{t('depth.unknown', { m: measures().metres(Math.max(0, chartM)) })}</Body>
      </View>
    );
  const { over, needM, always, enough } = ahead;
  const depths = over.map(({ depthM }) => Math.max(0, depthM));
  return (
    <View style={{ gap: 6 }} testID="depth-hours">
      {title}
      {always ? (
        <Tag kind="ok">{t('depth.always')}</Tag>
      ) : enough.length === 0 ? (
        <Tag kind="stop">{t('depth.never')}</Tag>
      ) : (
        <Tag kind="ask">{t('depth.from', { spans: enough.map((one) => `${clock(one.fromMs)} – ${clock(one.untilMs)}`).join(', ') })}</Tag>
      )}
      <Curve
        over={over}
        needM={needM}
        zone={zone}
        width={width}
        label={t('depth.label', {
          low: measures().metres(Math.min(...depths)),
          high: measures().metres(Math.max(...depths)),
          from: clock(fromMs),
          to: clock(over.at(-1)!.atMs),
        })}
      />
      <Small>
        {[
          t(guessed ? 'depth.guess' : 'depth.need', {
            need: measures().metres(needM),
            draft: measures().metres(draftM),
            spare: measures().metres(UNDER_KEEL_M),
          }),
          t('depth.caution'),
        ].join(' ')}
      </Small>
    </View>
  );
};

/** Every so many hours one is named, so that no two touch. */
const STEPS_H = [1, 2, 3, 6] as const;
const NAMED_PX = 44;

const Curve = ({
  over,
  needM,
  zone,
  width,
  label,
}: {
  over: readonly DepthAt[];
  needM: number;
  zone: string;
  width: number;
  label: string;
}) => {
  const tones = useTones();
  const [first, last] = [over[0]!, over.at(-1)!];
  const most = Math.max(needM, ...over.map(({ depthM }) => depthM), 0.5) * 1.12;
  const x = (ms: number) => ((ms - first.atMs) / (last.atMs - first.atMs)) * width;
  // From the surface down, as a sounder shows it.
  const y = (depthM: number) => (Math.max(0, depthM) / most) * DRAWN;
  const line = over.map(({ atMs, depthM }) => `${x(atMs).toFixed(1)} ${y(depthM).toFixed(1)}`).join('L');
  const hourPx = width / ((last.atMs - first.atMs) / HOUR_MS);
  const step = (STEPS_H.find((h) => h * hourPx >= NAMED_PX) ?? 6) * HOUR_MS;
  const named: number[] = [];
  for (let ms = Math.ceil(first.atMs / step) * step; ms < last.atMs; ms += step) named.push(ms);
  const extreme = (pick: (...all: number[]) => number) => {
    const depth = pick(...over.map(({ depthM }) => depthM));
    return { depth, at: over.find(({ depthM }) => depthM === depth)!.atMs };
  };
  return (
    <View role="img" aria-label={label}>
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Rect x={0} y={0} width={width} height={DRAWN} rx={6} fill={tones.board} />
        <Path d={`M0 0L${line}L${width} 0Z`} fill={tones.primaryPale} />
        <Path d={`M${line}`} stroke={tones.ink} strokeWidth={3} fill="none" strokeLinejoin="round" />
        <Line x1={0} x2={width} y1={y(needM)} y2={y(needM)} stroke={tones.danger} strokeWidth={2.5} strokeDasharray="7 5" />
        {[extreme(Math.max), extreme(Math.min)].map(({ depth, at }, i) => (
          <Text
            key={i}
            x={Math.min(width - 46, Math.max(4, x(at) - 18))}
            y={i === 0 ? Math.max(16, y(depth) - 8) : Math.max(16, y(depth) - 6)}
            fontFamily={FACE.bold}
            fontSize={15}
            fill={tones.ink}
          >
            {measures().metres(Math.max(0, depth))}
          </Text>
        ))}
        {named.map((ms) => (
          <Line key={ms} x1={x(ms)} x2={x(ms)} y1={DRAWN} y2={DRAWN + 6} stroke={tones.soft} strokeWidth={2} />
        ))}
        {named.map((ms) => (
          <Text
            key={`${ms}/name`}
            x={Math.min(width - 38, Math.max(0, x(ms) - 18))}
            y={HEIGHT - 3}
            fontFamily={FACE.text}
            fontSize={14}
            fill={tones.soft}
          >
            {clockOf(new Date(ms).toISOString(), zone)}
          </Text>
        ))}
      </Svg>
    </View>
  );
};
