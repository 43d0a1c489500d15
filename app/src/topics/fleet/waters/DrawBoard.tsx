import type { LonLat } from '@quay/core/geometry/plane';
import { holdsAt, sheetOf } from '@quay/core/waters/sheet';
import type { Feature, Waters } from '@quay/core/waters/zone';
import { useEffect, useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Drawing, type Geometry, loadShaping, Reshaping, type Shape, SHAPES } from '../../../platform/chart/Shaping';
import { type ChartHandle, WaterChart } from '../../../platform/chart/WaterChart';
import { Card } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ZoomButtons } from '../../../ui/zoomButtons';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { DUSK, useTones } from '../../../ui/theme';
import { Body, Bold, Small } from '../../../ui/words';

const NO_REACH: LonLat[][][] = [];
const NO_WAYS: LonLat[][] = [];
const HEIGHT = 420;

type Doing = { is: 'looking' } | { is: 'drawing'; shape: Shape } | { is: 'shaping'; id: string; geometry: Geometry };

/** The chart of a water to draw on: a zone or place is pressed and moved, and new ones are drawn. */
export const DrawBoard = ({
  waters,
  busy,
  onMoved,
  onDrawn,
  onOpen,
}: {
  waters: Waters;
  busy: boolean;
  onMoved: (id: string, geometry: Geometry) => void;
  onDrawn: (geometry: Geometry) => void;
  onOpen: (id: string) => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const [doing, setDoing] = useState<Doing>({ is: 'looking' });
  const [pressed, setPressed] = useState<readonly string[]>([]);
  const [handle, setHandle] = useState<ChartHandle>();
  const [ready, setReady] = useState(false);
  const [failed, setFailed] = useState<Error>();
  useEffect(() => {
    loadShaping()
      .then(() => setReady(true))
      .catch(setFailed);
  }, []);
  if (failed) throw failed;
  const sheet = useMemo(() => sheetOf(waters), [waters]);
  const shaping = doing.is === 'shaping' ? doing : undefined;
  // What is being moved is drawn by its corners alone; the only one there is stays under them, since a chart of nothing is none.
  const shown = useMemo(
    () => (shaping && waters.features.length > 1 ? { features: waters.features.filter(({ id }) => id !== shaping.id) } : waters),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- its corners move on the chart: the rest stays
    [waters, shaping?.id],
  );
  const nameOf = ({ properties: { kind, name } }: Feature) => `${t(`chart.kind.${kind}`)}: ${name}`;
  const press = (at: LonLat, feature: { id: string } | undefined) => {
    if (doing.is !== 'looking') return;
    const here = sheet ? holdsAt(sheet, at).here : [];
    setPressed(feature ? [feature.id] : here.map(({ id }) => id));
  };
  const look = () => setDoing({ is: 'looking' });
  // Without a single place nobody knows where on earth to begin.
  if (waters.features.length === 0)
    return (
      <Card>
        <Body>{t('waters.empty')}</Body>
      </Card>
    );
  return (
    <Card style={{ gap: 10 }}>
      <View style={{ height: HEIGHT, backgroundColor: tones.board, borderRadius: 10, overflow: 'hidden' }} testID="chart">
        {!ready ? null : (
          <WaterChart
            waters={shown}
            tones={tones}
            dusk={tones === DUSK}
            label={t('chart.map', { name: waters.name })}
            home={undefined}
            here={undefined}
            chosen={undefined}
            reach={NO_REACH}
            ways={NO_WAYS}
            over={
              doing.is === 'drawing' ? (
                <Drawing
                  shape={doing.shape}
                  tones={tones}
                  onDrawn={(geometry) => {
                    look();
                    onDrawn(geometry);
                  }}
                />
              ) : shaping ? (
                <Reshaping
                  key={shaping.id}
                  geometry={shaping.geometry}
                  tones={tones}
                  onShaped={(geometry) => setDoing({ ...shaping, geometry })}
                />
              ) : null
            }
            nameOf={nameOf}
            onPlace={press}
            onReady={setHandle}
          />
        )}
        <View style={{ position: 'absolute', right: 10, top: 10, gap: 8, zIndex: 1000 }}>
          <ZoomButtons of={handle} />
        </View>
      </View>
      {doing.is === 'looking' ? (
        <>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {SHAPES.map((shape) => (
              <ChoiceChip
                key={shape}
                label={t(`waters.draw.${shape}`)}
                on={false}
                onPress={() => {
                  setPressed([]);
                  setDoing({ is: 'drawing', shape });
                }}
                testID={`draw-${shape}`}
              />
            ))}
          </View>
          {pressed.length === 0 ? <Small>{t('waters.press')}</Small> : null}
          {waters.features
            .filter(({ id }) => pressed.includes(id))
            .map((feature) => (
              <View key={feature.id} style={{ flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: 8 }}>
                <View style={{ flexGrow: 1 }}>
                  <Bold>{nameOf(feature)}</Bold>
                </View>
                <Button
                  mode="outlined"
                  label={t('waters.move')}
                  onPress={() => setDoing({ is: 'shaping', id: feature.id, geometry: feature.geometry })}
                  testID={`move-${feature.id}`}
                />
                <Button mode="outlined" label={t('waters.open')} onPress={() => onOpen(feature.id)} testID={`open-${feature.id}`} />
              </View>
            ))}
        </>
      ) : (
        <>
          <Body>{t(doing.is === 'drawing' ? `waters.how.${doing.shape}` : 'waters.how.move')}</Body>
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Button mode="outlined" label={t('waters.leave')} onPress={look} testID="leave-shape" />
            {shaping ? (
              <Button
                mode="contained"
                label={t('waters.keep')}
                busy={busy}
                onPress={() => {
                  onMoved(shaping.id, shaping.geometry);
                  look();
                }}
                testID="keep-shape"
              />
            ) : null}
          </View>
        </>
      )}
    </Card>
  );
};
