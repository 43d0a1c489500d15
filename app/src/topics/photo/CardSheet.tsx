import { mdiArrowDown, mdiArrowLeft, mdiArrowRight, mdiArrowUp } from '@mdi/js';
import { cardFault, type Corners, sizeByCard, type Spot } from '@quay/core/photo/card';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useWindowDimensions, View } from 'react-native';
import Svg, { Circle, Line, Polygon } from 'react-native-svg';
import { findCorners } from '../../platform/threads/photoWorker';
import { Picture, pictureOf } from './picture';
import { NoAnswer, Refused } from '../../local/api';
import { Tag } from '../../ui/board';
import { Button, IconButton } from '../../ui/controls/button';
import { DragArea, type Dragged } from '../../ui/drawn/touch';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { useTones } from '../../ui/theme';
import { measures } from '../../ui/units';
import { Body, SlabBold } from '../../ui/words';

/** A finger moves a point by a third of its own way, so that a wet thumb can set it to the pixel. */
const SLOWED = 0.33;
const LOUPE = 5;
/** An arrow moves a point by less than a pixel of the screen: the photograph is finer than that. */
const ARROW = 0.25;
/** How far from the card's corners a thumb may have set them for its edges to be looked for, px of the screen. */
const REACH = 8;
/** Sides of the card on the screen below which nothing can be measured, px. */
const SHORTEST_PX = 24;
/** The browser leaves the finger to us; not among the styles a phone knows. */
const TO_PLACE = { cursor: 'crosshair' } as object;

/** Four corners of the card, then the two ends of the flaw; where they begin, as shares of the picture. */
const BEGIN: readonly Spot[] = [
  [0.25, 0.55],
  [0.6, 0.55],
  [0.6, 0.8],
  [0.25, 0.8],
  [0.35, 0.3],
  [0.6, 0.3],
];

/** A flaw is measured by a card that lies beside it: corners and ends are set, and what is seen askew is put straight. */
export const CardSheet = ({
  hireId,
  sha,
  onTake,
  onClose,
}: {
  hireId: string;
  sha: string;
  onTake: (mm: number) => void;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { width: screen, height: tall } = useWindowDimensions();
  const [width, height] = [Math.min(screen, 640) - 36, Math.min(Math.round((Math.min(screen, 640) - 36) * 0.75), Math.round(tall * 0.42))];
  const [spots, setSpots] = useState<readonly Spot[]>(() => BEGIN.map(([x, y]) => [x * width, y * height]));
  const [at, setAt] = useState(0);
  const [seeking, setSeeking] = useState(false);
  const [found, setFound] = useState<boolean>();
  const last = useRef<Spot>([0, 0]);
  const move = (index: number, [dx, dy]: Spot) => {
    setFound(undefined);
    setSpots((now) =>
      now.map((spot, i) =>
        i === index ? [Math.min(width, Math.max(0, spot[0] + dx)), Math.min(height, Math.max(0, spot[1] + dy))] : spot,
      ),
    );
  };
  const drag = ({ x, y, first }: Dragged) => {
    if (first) {
      const away = spots.map(([ofX, ofY]) => Math.hypot(ofX - x, ofY - y));
      setAt(away.indexOf(Math.min(...away)));
    } else move(at, [(x - last.current[0]) * SLOWED, (y - last.current[1]) * SLOWED]);
    last.current = [x, y];
  };
  const corners: Corners = [spots[0]!, spots[1]!, spots[2]!, spots[3]!];
  const [from, to] = [spots[4]!, spots[5]!];
  const fault = cardFault(corners, SHORTEST_PX);
  const mm = fault ? undefined : sizeByCard(corners, from, to);
  const sensible = mm !== undefined && Number.isFinite(mm) && mm >= 1 && mm <= 2000;
  const seek = async () => {
    setSeeking(true);
    try {
      const blob = await pictureOf(hireId, sha);
      const better = blob && (await findCorners(blob, corners, [width, height], REACH));
      if (better) setSpots((now) => [...better, ...now.slice(4)]);
      setFound(better !== undefined);
    } catch (error) {
      // Without the picture nothing is found in it; the corners stay where the thumb set them.
      if (!(error instanceof NoAnswer) && !(error instanceof Refused)) throw error;
      setFound(false);
    } finally {
      setSeeking(false);
    }
  };
  const [lx, ly] = spots[at]!;
  const loupe = 108;
  const arrows = [
    [mdiArrowLeft, 'left', [-ARROW, 0]],
    [mdiArrowUp, 'up', [0, -ARROW]],
    [mdiArrowDown, 'down', [0, ARROW]],
    [mdiArrowRight, 'right', [ARROW, 0]],
  ] as const;
  return (
    <ModalSheet
      title={t('card.title')}
      closeLabel={t('common.close')}
      onClose={onClose}
      footer={
        <Button
          mode="contained"
          label={sensible ? t('card.take', { mm: measures().small(mm) }) : t('card.set')}
          disabled={!sensible}
          onPress={() => sensible && onTake(Math.round(mm))}
          testID="card-take"
        />
      }
    >
      <Body>{t('card.why')}</Body>
      <DragArea width={width} height={height} onDrag={drag}>
        <View style={{ width, height, ...TO_PLACE }} role="img" aria-label={t('card.title')} testID="card-picture">
          <View style={{ pointerEvents: 'none' }}>
            <Picture hire={hireId} sha={sha} alt={t('card.title')} width={width} height={height} fit="contain" />
          </View>
          <Svg width={width} height={height} style={{ position: 'absolute', left: 0, top: 0, pointerEvents: 'none' }}>
            <Polygon points={corners.map((spot) => spot.join(',')).join(' ')} fill="none" stroke={tones.warning} strokeWidth={2.5} />
            <Line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke={tones.danger} strokeWidth={2.5} />
            {spots.map(([x, y], i) => (
              <Circle
                key={i}
                cx={x}
                cy={y}
                r={i === at ? 13 : 9}
                fill="none"
                stroke={i < 4 ? tones.warning : tones.danger}
                strokeWidth={i === at ? 5 : 3}
              />
            ))}
          </Svg>
        </View>
      </DragArea>
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 12 }}>
        <View
          style={{ width: loupe, height: loupe, borderRadius: 54, overflow: 'hidden', borderWidth: 3, borderColor: tones.ink }}
          aria-hidden
        >
          <View
            style={{
              position: 'absolute',
              left: loupe / 2 - 3 - lx * LOUPE,
              top: loupe / 2 - 3 - ly * LOUPE,
              width: width * LOUPE,
              height: height * LOUPE,
            }}
          >
            <Picture hire={hireId} sha={sha} alt="" width={width * LOUPE} height={height * LOUPE} fit="contain" />
          </View>
          <Svg width={loupe} height={loupe} style={{ position: 'absolute', left: -3, top: -3 }}>
            <Line x1={loupe / 2} y1={20} x2={loupe / 2} y2={loupe - 20} stroke={tones.danger} strokeWidth={1.5} />
            <Line x1={20} y1={loupe / 2} x2={loupe - 20} y2={loupe / 2} stroke={tones.danger} strokeWidth={1.5} />
          </Svg>
        </View>
        <View style={{ flex: 1, gap: 6 }}>
          <SlabBold size={34} live>
            {sensible ? measures().small(mm) : '–'}
          </SlabBold>
          <View style={{ flexDirection: 'row', gap: 4 }}>
            {arrows.map(([path, way, by]) => (
              <IconButton key={way} path={path} label={t(`card.${way}`)} onPress={() => move(at, by)} testID={`card-${way}`} />
            ))}
          </View>
        </View>
      </View>
      <Button
        mode="outlined"
        label={t('card.seek')}
        busy={seeking}
        disabled={fault !== undefined}
        onPress={() => void seek()}
        testID="card-seek"
      />
      {fault ? <Tag kind="stop">{t(`card.${fault}`)}</Tag> : null}
      {found === undefined ? null : <Tag kind={found ? 'ok' : 'ask'}>{t(found ? 'card.found' : 'card.notFound')}</Tag>}
    </ModalSheet>
  );
};
