import { tideOf } from '@quay/core/fleet/base';
import { hullFigures } from '@quay/core/docking/hull';
import { canalToKeep, dayToKeep } from '@quay/core/trip/agreed';
import { holdsAt } from '@quay/core/waters/sheet';
import type { Waters } from '@quay/core/waters/zone';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../../local/hire';
import { Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { useRoom } from '../../../ui/room';
import { Body, SlabBold, Small } from '../../../ui/words';
import { AgreeOn } from '../AgreedPlan';
import { CanalDays } from './CanalDays';
import { writeAt } from './chartAddress';
import { DepthHours } from './DepthHours';
import { HoldsHere, Rule } from './HoldsHere';
import { SpeedsSheet } from './SpeedsSheet';
import { Reckoned, TurnFigure, WishFigure } from './TurnCard';
import type { ChartDay } from './useChartDay';

/** Beside the chart: the figure of the day or its days, what a place comes to and what holds there. */
export const ChartFigures = ({
  view,
  waters,
  day,
  onPlace,
  onAnchor,
  onPaper,
}: {
  view: HireView;
  waters: Waters;
  day: ChartDay;
  onPlace: (id: string) => void;
  onAnchor: (at: string) => void;
  onPaper: () => void;
}) => {
  const { t, i18n } = useTranslation();
  const { wide, width } = useRoom();
  const [speeds, setSpeeds] = useState(false);
  const { pack } = view;
  const { base } = pack;
  const { sheet, chosen, chartM, feature, canal, plan, known, reach, stay, wish, ahead, foreseen, nowMs, out, fixed } = day;
  /** What is shown now, as it would be agreed on. */
  const shown =
    canal && !chosen
      ? canalToKeep(canal.plan)
      : typeof plan === 'string' || !known || (chosen && !wish)
        ? undefined
        : dayToKeep(wish ?? known.here, plan, ahead.trust, feature?.properties.name);
  return (
    <View style={{ padding: 16, gap: 10 }}>
      {chosen && sheet ? (
        <View style={{ gap: 8 }}>
          <SlabBold size={23} heading={2}>
            {feature ? feature.properties.name : t('chart.at')}
          </SlabBold>
          {typeof plan === 'string' || !known ? null : stay === 'noWay' ? (
            <Tag kind="stop">{t('chart.noWay')}</Tag>
          ) : wish ? (
            <WishFigure stay={wish} plan={plan} zone={base.zone} />
          ) : (
            <Small>{t('chart.reckoning')}</Small>
          )}
          {feature ? <Rule feature={feature} language={i18n.language} named={false} /> : null}
          <HoldsHere sheet={sheet} at={chosen} engine={pack.book.engine} />
          {chartM === undefined || tideOf(base) === 0 ? null : (
            <DepthHours
              chartM={chartM}
              draftM={hullFigures(pack.book, pack.book.hull).hull.draftM}
              guessed={pack.book.hull?.draftM === undefined}
              foreseen={foreseen}
              fromMs={Math.max(nowMs, out ? nowMs : Date.parse(pack.hire.from))}
              untilMs={Date.parse(pack.hire.to)}
              zone={base.zone}
              width={wide ? 368 : Math.min(width, 640) - 32}
            />
          )}
          {pack.book.anchor && !canal && holdsAt(sheet, chosen).onWater !== false ? (
            <Button mode="outlined" label={t('anchor.open')} onPress={() => onAnchor(writeAt(chosen))} testID="open-anchor" />
          ) : null}
        </View>
      ) : canal ? (
        <CanalDays canal={canal} zone={base.zone} onShow={onPlace} />
      ) : typeof plan === 'string' ? (
        <Body>{t(plan === 'over' ? 'chart.afterDue' : 'chart.noShore')}</Body>
      ) : known ? (
        <TurnFigure stay={known.here} plan={plan} nowMs={nowMs} zone={base.zone} />
      ) : (
        <Body>{t(reach === undefined ? 'chart.reckoning' : reach.is === 'cutOff' ? 'chart.cutOff' : 'chart.noShore')}</Body>
      )}
      <AgreeOn view={view} plan={shown} zone={base.zone} />
      {typeof plan === 'string' || !known ? (
        <Small>{t('chart.caution')}</Small>
      ) : (
        <>
          <Small>{out && fixed ? t('chart.fromHere') : t('chart.fromQuay', { name: base.name })}</Small>
          <Reckoned stay={wish ?? known.here} plan={plan} trust={ahead.trust} simulated={foreseen?.simulated === true} zone={base.zone} />
        </>
      )}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
        <Button mode="outlined" label={t('speeds.open')} onPress={() => setSpeeds(true)} testID="open-speeds" />
        <Button mode="outlined" label={t('paper.open')} onPress={onPaper} testID="open-paper" />
      </View>
      {speeds ? <SpeedsSheet book={pack.book} waters={waters} onClose={() => setSpeeds(false)} /> : null}
    </View>
  );
};
