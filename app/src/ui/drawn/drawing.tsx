import type { Stroke } from '@quay/core/fleet/drawing';
import { G, Polygon, Polyline, Rect, Circle } from 'react-native-svg';
import { useTones } from '../theme';

type Place = { x: (v: readonly [number, number]) => number; y: (v: readonly [number, number]) => number; scale: number };

/** What a book draws, in the hand of the board: one ink line, flat fills. */
export const Strokes = ({ strokes, place, pen = 2.2 }: { strokes: readonly Stroke[]; place: Place; pen?: number }) => {
  const tones = useTones();
  const fill = (tone: Stroke['tone']) => (tone === undefined || tone === 'line' ? 'none' : tones[tone]);
  return (
    <G stroke={tones.ink} strokeWidth={pen} strokeLinejoin="round" strokeLinecap="round">
      {strokes.map((stroke, i) => {
        if (stroke.draw === 'path') {
          const points = stroke.points.map((p) => `${place.x(p)},${place.y(p)}`).join(' ');
          return stroke.closed ? (
            <Polygon key={i} points={points} fill={fill(stroke.tone)} />
          ) : (
            <Polyline key={i} points={points} fill="none" />
          );
        }
        if (stroke.draw === 'box') {
          const other = [stroke.at[0] + stroke.size[0], stroke.at[1] + stroke.size[1]] as const;
          const [xs, ys] = [
            [place.x(stroke.at), place.x(other)],
            [place.y(stroke.at), place.y(other)],
          ];
          return (
            <Rect
              key={i}
              x={Math.min(...xs)}
              y={Math.min(...ys)}
              width={Math.abs(xs[0]! - xs[1]!)}
              height={Math.abs(ys[0]! - ys[1]!)}
              rx={4}
              fill={fill(stroke.tone)}
            />
          );
        }
        return <Circle key={i} cx={place.x(stroke.at)} cy={place.y(stroke.at)} r={stroke.radius * place.scale} fill={fill(stroke.tone)} />;
      })}
    </G>
  );
};
