import type { Mark } from '@quay/core/condition/marks';
import type { Surface } from '@quay/core/fleet/rows';
import { useTranslation } from 'react-i18next';
import { type GestureResponderEvent, Pressable, View } from 'react-native';
import Svg, { Circle, G, Line, Rect, Text as SvgText } from 'react-native-svg';
import { Strokes } from './drawing';
import { pressedAt } from './pressedAt';
import { FACE, useTones } from '../theme';

export type ShownMark = { mark: Mark; as: 'ghost' | 'now' | 'chosen'; label: string };

/** Height that a surface's drawing takes at a width, kept within what a phone can show. */
export const surfaceHeight = (surface: Surface, width: number): number =>
  Math.round(Math.min(width * 0.8, Math.max(width * 0.3, (width * surface.heightM) / surface.widthM)));

/** One surface with its marks; a press says where on it, 0 to 1 both ways. */
export const SurfaceDrawing = ({
  surface,
  marks,
  width,
  height,
  onPlace,
  near = 1,
  label,
  testID,
}: {
  surface: Surface;
  marks: readonly ShownMark[];
  width: number;
  height: number;
  onPlace?: (x: number, y: number) => void;
  /** How near it is looked at: signs keep their size on the glass. */
  near?: number;
  label: string;
  testID?: string;
}) => {
  const tones = useTones();
  const { t } = useTranslation();
  const inset = onPlace ? 10 : 4;
  const [w, h] = [width - 2 * inset, height - 2 * inset];
  const place = {
    scale: Math.min(w, h),
    x: ([x]: readonly [number, number]) => inset + x * w,
    y: ([, y]: readonly [number, number]) => inset + y * h,
  };
  const small = width < 100;
  const left = surface.bow === 'left';
  const drawn = (
    <Svg width={width} height={height} style={{ pointerEvents: 'none' }} aria-hidden>
      <Rect width={width} height={height} rx={10} fill={tones.water} />
      <Strokes strokes={surface.strokes} place={place} pen={small ? 1.2 : 2} />
      {surface.bow && !small ? (
        <SvgText
          x={left ? 8 : width - 8}
          y={height - 8}
          textAnchor={left ? 'start' : 'end'}
          fontFamily={FACE.bold}
          fontSize={14 / near}
          fill={tones.ink}
        >
          {left ? `◂ ${t('drawnBow')}` : `${t('drawnBow')} ▸`}
        </SvgText>
      ) : null}
      {marks.map(({ mark, as, label: number }) => {
        const [x, y] = [inset + mark.x * w, inset + mark.y * h];
        const long = Math.max((small ? 5 : 12) / near, Math.min(w * 0.3, (mark.sizeMm / 1000 / surface.widthM) * w));
        const color = as === 'ghost' ? tones.soft : tones.danger;
        return (
          <G key={`${as}-${mark.id}`} opacity={as === 'ghost' ? 0.55 : 1}>
            <Line
              x1={x - long / 2}
              y1={y + long / 6}
              x2={x + long / 2}
              y2={y - long / 6}
              stroke={color}
              strokeWidth={(small ? 2 : 4) / near}
              strokeLinecap="round"
              strokeDasharray={as === 'ghost' ? '4 4' : undefined}
            />
            {small ? null : (
              <>
                <Circle
                  cx={x}
                  cy={y - 18 / near}
                  r={13 / near}
                  fill={as === 'chosen' ? tones.warning : tones.card}
                  stroke={as === 'ghost' ? tones.soft : tones.ink}
                  strokeWidth={2 / near}
                />
                <SvgText
                  x={x}
                  y={y - 13 / near}
                  textAnchor="middle"
                  fontFamily={FACE.slabBold}
                  fontSize={15 / near}
                  fill={as === 'chosen' ? tones.onWarning : tones.ink}
                >
                  {number}
                </SvgText>
              </>
            )}
          </G>
        );
      })}
    </Svg>
  );
  if (!onPlace) return <View style={{ width, height }}>{drawn}</View>;
  const press = (event: GestureResponderEvent) => {
    const share = (v: number, size: number) => Math.min(1, Math.max(0, (v - inset) / size));
    // From a keyboard it has no place, and begins in the middle.
    const at = pressedAt(event);
    onPlace(at ? share(at[0], w) : 0.5, at ? share(at[1], h) : 0.5);
  };
  return (
    <Pressable role="button" aria-label={label} onPress={press} testID={testID} style={{ width, height, cursor: 'crosshair' as 'pointer' }}>
      {drawn}
    </Pressable>
  );
};
