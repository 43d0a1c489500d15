import type { AnchorCase, AnchorPlan } from '@quay/core/trip/anchor';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, Line, Path, Rect, Text } from 'react-native-svg';
import { FACE, useTones } from '../../../ui/theme';
import { measures } from '../../../ui/units';

const HEIGHT = 150;
const [SKY, GROUND] = [34, 16];
/** Of the width: where the anchor lies, and the bow of the boat. */
const [ANCHOR_AT, BOW_AT, HULL] = [0.08, 0.7, 0.22];

/** The boat on her line from the side, at high water and at low; depths to scale, lengths drawn to fit. */
export const AnchorDrawing = ({ of, plan, width }: { of: AnchorCase; plan: AnchorPlan; width: number }) => {
  const tones = useTones();
  const { t } = useTranslation();
  const { high, low } = plan.depthM;
  const bed = HEIGHT - GROUND;
  const perM = (bed - SKY) / Math.max(high + of.gear.bowM, 1);
  const [highY, lowY] = [bed - high * perM, bed - low * perM];
  const bowY = highY - of.gear.bowM * perM;
  const m = (metres: number) => measures().metres(metres, 1);
  const [anchorX, bowX, hullW] = [width * ANCHOR_AT, width * BOW_AT, width * HULL];
  const text = { fontFamily: FACE.text, fontSize: 14, fill: tones.ink } as const;
  return (
    <View
      role="img"
      aria-label={t('anchor.drawing', { depth: m(high), line: measures().metres(plan.giveM, 0), swing: measures().metres(plan.swingM, 0) })}
    >
      <Svg width={width} height={HEIGHT} aria-hidden>
        <Rect x={0} y={highY} width={width} height={bed - highY} fill={tones.primaryPale} />
        <Rect x={0} y={bed} width={width} height={GROUND} fill={tones.line} />
        <Line x1={0} x2={width} y1={highY} y2={highY} stroke={tones.primary} strokeWidth={3} />
        {lowY - highY > 3 ? (
          <Line x1={0} x2={width} y1={lowY} y2={lowY} stroke={tones.primary} strokeWidth={2} strokeDasharray="6 5" />
        ) : null}
        <Path
          d={`M ${anchorX} ${bed} Q ${width * 0.4} ${bed} ${bowX} ${bowY}`}
          fill="none"
          stroke={plan.shortM > 0 ? tones.danger : tones.ink}
          strokeWidth={3}
        />
        <Circle cx={anchorX} cy={bed} r={6} fill={tones.ink} />
        <Path
          d={`M ${bowX} ${bowY} L ${bowX + hullW} ${highY - 8} L ${bowX + hullW - 4} ${highY + 10} L ${bowX + hullW * 0.3} ${highY + 10} Z`}
          fill={tones.card}
          stroke={tones.ink}
          strokeWidth={2.5}
        />
        <Text x={6} y={highY - 7} {...text}>{`${t('anchor.high')} ${m(high)}`}</Text>
        {lowY - highY > 16 ? <Text x={6} y={lowY - 6} {...text}>{`${t('anchor.low')} ${m(low)}`}</Text> : null}
      </Svg>
    </View>
  );
};
