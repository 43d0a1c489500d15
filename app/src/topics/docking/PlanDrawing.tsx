import type { HullFigures } from '@quay/core/docking/hull';
import { ahead, type Conditions, type Place, type Point } from '@quay/core/docking/place';
import type { Plan } from '@quay/core/docking/plan';
import { sceneOf } from '@quay/core/docking/scene';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Text as SvgText } from 'react-native-svg';
import { FACE, useTones } from '../../ui/theme';
import { chartOf, lineTo } from './chart';
import { outlinePath, Water } from './Water';
import { Arrows } from './Arrows';

const MARGIN = 26;
/** Nearer to the place than this, in lengths, her outline would only blot it. */
const BLOTS = 0.6;

/** Out of the way of where she begins, and of what is written beside her. */
const arrowsRight = (plan: Plan): boolean =>
  plan.act === 'arrive' && (plan.angleDeg > 0 ? plan.side === 'starboard' : plan.setTo === 'starboard');

/** How she is set while she comes or goes, across the drawing: the faster, the longer. Up is the way she lies. */
const setArrow = (way: 1 | -1, ms: number): string => {
  const long = way * Math.min(46, 20 + ms * 80);
  return `M${way * 6} 0H${long}M${long} 0l${-7 * way}-6M${long} 0l${-7 * way} 6`;
};

/** A plan from above: the way in or out, her outline where something is done, lines in their order, how she is set. */
export const PlanDrawing = ({
  plan,
  berth,
  hull,
  now,
  width,
  height,
  label,
  close = false,
}: {
  plan: Plan;
  berth: Place;
  hull: HullFigures;
  now: Conditions;
  width: number;
  height: number;
  label: string;
  /** Only where she lies, with her lines. */
  close?: boolean;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const scene = sceneOf(berth, hull, plan.turned, plan.side);
  const round: Point[] = [0.75, -0.75].flatMap((share) =>
    [-1, 1].map((s) => ahead([0, 0], plan.lyingDeg, share * hull.lengthM, s * 1.6 * hull.beamM)),
  );
  const path = close ? plan.path.filter(({ at }) => at === 'place') : plan.path;
  const lines = close ? plan.lines : plan.lines.slice(0, 1);
  const chart = chartOf(
    [
      ...path.flatMap(({ point, headingDeg }) => [0.55, -0.55].map((share) => ahead(point, headingDeg, share * hull.lengthM))),
      ...(close ? plan.lines.filter(({ line }) => line !== 'sternAnchor').map(({ to }) => to) : []),
      ...round,
    ],
    plan.lyingDeg,
    width,
    height,
    MARGIN,
  );
  const outline = outlinePath(hull, chart.scale);
  const isNear = (point: Point) => Math.hypot(point[0], point[1]) < BLOTS * hull.lengthM;
  return (
    <View
      style={{ width, height, backgroundColor: tones.water, overflow: 'hidden', borderRadius: 14 }}
      role="img"
      aria-label={label}
      testID={close ? 'lines-drawing' : 'plan-drawing'}
    >
      <Svg width={width} height={height} aria-hidden>
        <Water scene={scene} hull={hull} chart={chart} />
        <Path
          d={lineTo(path.map(({ point }) => chart.at(point)))}
          fill="none"
          stroke={tones.ink}
          strokeWidth={3}
          strokeDasharray="2 8"
          strokeLinecap="round"
        />
        {path.map(({ at, point, headingDeg }) => {
          const [x, y] = chart.at(point);
          const here = at === 'place';
          if (!here && isNear(point)) return null;
          return at === 'anchor' ? (
            <Circle key={at} cx={x} cy={y} r={7} fill={tones.warning} stroke={tones.ink} strokeWidth={2.5} />
          ) : (
            <G key={at} transform={`translate(${x} ${y}) rotate(${chart.turn(headingDeg)})`} opacity={here ? 1 : 0.62}>
              <Path
                d={outline}
                fill={here ? tones.deck : tones.hull}
                stroke={tones.ink}
                strokeWidth={here ? 2.5 : 1.8}
                strokeLinejoin="round"
              />
              <Line
                x1={0}
                y1={-0.3 * hull.lengthM * chart.scale}
                x2={0}
                y2={0.05 * hull.lengthM * chart.scale}
                stroke={tones.ink}
                strokeWidth={1.5}
              />
            </G>
          );
        })}
        {close || plan.setTo === undefined
          ? null
          : path.map(({ at, point }) => {
              if (at === 'place' || at === 'anchor' || isNear(point)) return null;
              const [x, y] = chart.at(point);
              return (
                <Path
                  key={`set-${at}`}
                  d={setArrow(plan.setTo === 'starboard' ? 1 : -1, plan.setMs)}
                  transform={`translate(${x} ${y})`}
                  fill="none"
                  stroke={tones.danger}
                  strokeWidth={3}
                  strokeLinecap="round"
                  strokeLinejoin="round"
                />
              );
            })}
        {lines.map(({ line, from, to }, i) => {
          const [[x1, y1], [x2, y2]] = [chart.at(from), chart.at(to)];
          return (
            <G key={line}>
              <Line
                x1={x1}
                y1={y1}
                x2={x2}
                y2={y2}
                stroke={i === 0 ? tones.danger : tones.ropeDark}
                strokeWidth={i === 0 ? 4.5 : 2.5}
                strokeLinecap="round"
              />
              {close ? (
                <>
                  <Circle cx={x2} cy={y2} r={11} fill={i === 0 ? tones.danger : tones.card} stroke={tones.ink} strokeWidth={1.5} />
                  <SvgText
                    x={x2}
                    y={y2 + 5}
                    textAnchor="middle"
                    fontFamily={FACE.slabBold}
                    fontSize={15}
                    fill={i === 0 ? tones.onDanger : tones.ink}
                  >
                    {String(i + 1)}
                  </SvgText>
                </>
              ) : null}
            </G>
          );
        })}
        {path.map(({ at, point }) => {
          if (at === 'place' || isNear(point)) return null;
          const [x, y] = chart.at(point);
          // Beside her, where her set is not drawn; without any, where there is more room.
          const right = plan.setTo === undefined ? x < width * 0.55 : plan.setTo === 'port';
          return (
            <SvgText
              key={at}
              x={x + (right ? 1 : -1) * (0.6 * hull.beamM * chart.scale + 10)}
              y={y + 5}
              textAnchor={right ? 'start' : 'end'}
              fontFamily={FACE.bold}
              fontSize={15}
              fill={tones.ink}
            >
              {t(`dock.at.${at}`)}
            </SvgText>
          );
        })}
      </Svg>
      {close ? null : <Arrows now={now} upDeg={plan.lyingDeg} right={arrowsRight(plan)} />}
    </View>
  );
};
