import type { World } from '@quay/core/docking/tasks';
import { ahead, type Point } from '@quay/core/docking/place';
import { memo, useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path } from 'react-native-svg';
import { useTones } from '../../ui/theme';
import type { Shown } from '../../workers/dockingProtocol';
import { Arrows } from './Arrows';
import { type Chart, chartOf } from './chart';
import { outlinePath, Water } from './Water';
import type { Practice } from './usePractice';

const MARGIN = 34;

/** The task from above. Only the boat is drawn anew; what she moves in stands still. */
export const PracticeScene = ({ practice, width, height, label }: { practice: Practice; width: number; height: number; label: string }) => {
  const tones = useTones();
  const { world } = practice;
  const chart = useMemo(() => {
    const { hull, start, goal } = world;
    const L = hull.lengthM;
    const round: Point[] = [0.9, -0.6].flatMap((up) => [-1, 1].map((s) => ahead([0, 0], world.berth.headingDeg, up * L, s * 0.9 * L)));
    const begun: Point = [start.x, start.y];
    const clear: Point[] =
      goal.is === 'clear'
        ? [ahead([0, 0], world.berth.headingDeg, 1.5 * goal.fromM), ahead([0, 0], world.berth.headingDeg, -goal.fromM, -goal.fromM)]
        : [];
    return chartOf(
      [begun, ahead(begun, world.berth.headingDeg, -0.5 * L), ...round, ...clear],
      world.berth.headingDeg,
      width,
      height,
      MARGIN,
    );
  }, [world, width, height]);
  return (
    <View style={{ width, height, backgroundColor: tones.water, overflow: 'hidden' }} role="img" aria-label={label} testID="practice-scene">
      <Ground world={world} chart={chart} width={width} height={height} />
      <Boat practice={practice} chart={chart} width={width} height={height} />
      <Arrows now={world.conditions} upDeg={chart.upDeg} top />
    </View>
  );
};

/** Water, walls, and the place she is to be at as a dashed outline. */
const Ground = memo(function Ground({ world, chart, width, height }: { world: World; chart: Chart; width: number; height: number }) {
  const tones = useTones();
  const { goal, hull } = world;
  const [x, y] = chart.at(goal.is === 'lie' ? goal.point : [0, 0]);
  return (
    <Svg width={width} height={height} aria-hidden style={{ position: 'absolute' }}>
      <Water scene={world.scene} hull={hull} chart={chart} />
      {goal.is === 'lie' ? (
        <G transform={`translate(${x} ${y}) rotate(${chart.turn(goal.headingDeg)})`}>
          <Path
            d={outlinePath(hull, chart.scale)}
            fill={tones.primaryPale}
            opacity={0.75}
            stroke={tones.primary}
            strokeWidth={2.5}
            strokeDasharray="7 6"
          />
        </G>
      ) : (
        <Circle cx={x} cy={y} r={goal.fromM * chart.scale} fill="none" stroke={tones.primary} strokeWidth={2.5} strokeDasharray="7 6" />
      )}
    </Svg>
  );
});

const WASH_M = 0.22;

const Boat = memo(function Boat({ practice, chart, width, height }: { practice: Practice; chart: Chart; width: number; height: number }) {
  const tones = useTones();
  const [shown, setShown] = useState<Shown>();
  const { onFrame, world } = practice;
  useEffect(() => onFrame(setShown), [onFrame]);
  const { hull } = world;
  const outline = useMemo(() => outlinePath(hull, chart.scale), [hull, chart.scale]);
  if (!shown) return null;
  const { at, rudder, hands } = shown;
  const [x, y] = chart.at([at.x, at.y]);
  const stern = (hull.lengthM / 2) * chart.scale;
  const wash = hands.lever * WASH_M * hull.lengthM * chart.scale;
  return (
    <Svg width={width} height={height} aria-hidden style={{ position: 'absolute' }}>
      <G transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${chart.turn((at.heading * 180) / Math.PI).toFixed(2)})`}>
        {hands.lever === 0 ? null : (
          // Water is thrown aft going ahead, and forward along her going astern.
          <Line x1={0} y1={stern} x2={0} y2={stern + wash} stroke={tones.card} strokeWidth={5} strokeLinecap="round" />
        )}
        <Path d={outline} fill={tones.deck} stroke={tones.ink} strokeWidth={2.5} strokeLinejoin="round" />
        <Line
          x1={0}
          y1={-0.36 * hull.lengthM * chart.scale}
          x2={0}
          y2={-0.05 * hull.lengthM * chart.scale}
          stroke={tones.ink}
          strokeWidth={2}
        />
        <G transform={`translate(0 ${stern}) rotate(${-rudder * 35})`}>
          <Line
            x1={0}
            y1={-2}
            x2={0}
            y2={0.12 * hull.lengthM * chart.scale + 4}
            stroke={tones.danger}
            strokeWidth={4.5}
            strokeLinecap="round"
          />
        </G>
      </G>
    </Svg>
  );
});
