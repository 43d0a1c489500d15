import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useChartWords } from '../../../i18n/chartWords';
import type { HireView } from '../../../local/hire';
import { Button } from '../../../ui/controls/button';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { Scroll } from '../../../ui/scroll';
import { useTones } from '../../../ui/theme';
import { SlabBold } from '../../../ui/words';
import { ChartBoard } from './ChartBoard';
import { ChartFigures } from './ChartFigures';
import { NoWater } from './NoWater';
import { Places, PlacesSheet } from './PlacesSheet';
import { type ChartAddress, useChartDay } from './useChartDay';

/** The chart with the day on it: how far one can go, when to turn, what holds where one presses. */
export const ChartPage = ({
  view,
  address,
  onGo,
  onAnchor,
  onPaper,
  onBack,
}: {
  view: HireView;
  address: ChartAddress;
  onGo: (to: ChartAddress) => void;
  /** Somebody thinks of anchoring at a place, as it stands in an address. */
  onAnchor: (at: string) => void;
  /** Asked for as a page to print. */
  onPaper: () => void;
  onBack: () => void;
}) => {
  const spoken = useChartWords();
  return spoken ? <Chart view={view} address={address} onGo={onGo} onAnchor={onAnchor} onPaper={onPaper} onBack={onBack} /> : null;
};

const Chart = ({ view, address, onGo, onAnchor, onPaper, onBack }: Parameters<typeof ChartPage>[0]) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { wide, height } = useRoom();
  const { waters, base, boat } = view.pack;
  const [choosing, setChoosing] = useState(false);
  const day = useChartDay(view, address);
  const { sheet, chosen, canal, wishes, lying } = day;
  if (!waters || !sheet) return <NoWater title={t('chart.title')} boat={boat.name} onBack={onBack} />;
  const go = (id: string) => {
    setChoosing(false);
    onGo({ place: id, at: undefined });
  };
  const chart = <ChartBoard base={base} waters={waters} day={day} onGo={onGo} />;
  const figures = <ChartFigures view={view} waters={waters} day={day} onPlace={go} onAnchor={onAnchor} onPaper={onPaper} />;
  const clear = chosen ? (
    <Button
      mode="outlined"
      label={t('chart.clear')}
      onPress={() => onGo({ place: undefined, at: undefined })}
      style={{ flex: 1 }}
      testID="clear-wish"
    />
  ) : null;
  const buttons = (
    <View style={{ flexDirection: 'row', gap: 10 }}>
      {clear}
      <Button mode="contained" label={t('chart.places')} onPress={() => setChoosing(true)} style={{ flex: 1 }} testID="choose-place" />
    </View>
  );
  return (
    <Screen title={waters.name} sub={`${boat.name} · ${t('chart.title')}`} onBack={onBack} fill footer={wide ? undefined : buttons}>
      {wide ? (
        <View style={{ flex: 1, flexDirection: 'row' }}>
          {chart}
          <Scroll style={{ flexGrow: 0, width: 400 }}>
            {figures}
            <View style={{ padding: 16, paddingTop: 0, gap: 10 }}>
              {clear}
              <SlabBold size={20} heading={2}>
                {t('chart.places')}
              </SlabBold>
              <Places wishes={wishes} lying={lying} onChoose={go} />
            </View>
          </Scroll>
        </View>
      ) : (
        <View style={{ flex: 1 }}>
          {chart}
          <Scroll style={{ flexGrow: 0, maxHeight: Math.round(height * (canal ? 0.55 : 0.42)), backgroundColor: tones.card }}>
            {figures}
          </Scroll>
        </View>
      )}
      {choosing ? <PlacesSheet wishes={wishes} lying={lying} onChoose={go} onClose={() => setChoosing(false)} /> : null}
    </Screen>
  );
};
