import { feedsEngine, fuelOf, gaugesOf, nextGauge, oddGauges } from '@quay/core/fuel/readings';
import { currentOf } from '@quay/core/events/record';
import { brimmed } from '@quay/core/fuel/events';
import { lastsFor } from '@quay/core/trip/lasts';
import type { Gauge, Tank } from '@quay/core/fleet/rows';
import { say } from '@quay/core/words/words';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../ui/board';
import { spanOf } from '../../ui/format';
import { Button } from '../../ui/controls/button';
import { measures } from '../../ui/units';
import { Bold, Small } from '../../ui/words';
import type { WalkView } from '../../local/useWalk';
import { BrimSheet } from './BrimSheet';
import { TankBand } from './TankBand';

/** What its readings say together of one tank, which of them was set aside, which to take next, and how long it lasts. */
export const TankCard = ({ view, tank, onOpen }: { view: WalkView; tank: Tank; onOpen: (gauge: string) => void }) => {
  const { t } = useTranslation();
  const { record, pack, walk, language } = view;
  const { book } = pack;
  const [filling, setFilling] = useState(false);
  const brim = currentOf(record, [walk, 'brim', tank.id], brimmed);
  const fillable = tank.holds === 'petrol' || tank.holds === 'diesel';
  const fused = fuelOf(record, book, tank);
  const estimate = walk === 'out' ? fused?.out : fused?.in;
  const toBrim =
    fillable && !view.alone ? (
      <>
        <Button
          mode="outlined"
          label={brim ? t('walk.brimKept', { v: measures().litres(tank.capacityL, 1) }) : t('walk.brim')}
          onPress={() => setFilling(true)}
          style={{ alignSelf: 'flex-start' }}
          testID={`brim-${tank.id}`}
        />
        {filling ? <BrimSheet view={view} tank={tank} onClose={() => setFilling(false)} /> : null}
      </>
    ) : null;
  if (!fused || !estimate) return toBrim;
  const name = say(tank.name, language);
  const text = `${name}: ${t('walk.fuel', {
    v: measures().litres(estimate.value),
    low: measures().figure(estimate.low, 'L', 0),
    high: measures().figure(estimate.high, 'L', 0),
  })}`;
  const named = (gauge: Gauge) => say(gauge.name, language);
  const odd = oddGauges(fused, book, walk);
  const next = nextGauge(record, book, tank, walk);
  const lasts = walk === 'out' && feedsEngine(tank) ? lastsFor(estimate, tank.unusableL ?? 0, book.engine.burnLPerHour) : undefined;
  return (
    <View style={{ paddingTop: 6, gap: 6 }}>
      <TankBand id={tank.id} estimate={estimate} capacityL={tank.capacityL} unusableL={tank.unusableL ?? 0} label={text} />
      <Bold>{text}</Bold>
      {odd.map(({ gauge, awayL }) => (
        <Tag key={gauge.id} kind="ask">
          {t(awayL < 0 ? 'walk.fuelOddLow' : 'walk.fuelOddHigh', { name: named(gauge), v: measures().litres(Math.abs(awayL)) })}
        </Tag>
      ))}
      {fused.askThird ? (
        <View style={{ gap: 6 }}>
          <Tag kind="ask">{t('walk.askThird')}</Tag>
          {/* With no other gauge left one of them is read once more; a fill to the brim settles it as well. */}
          {next
            ? null
            : gaugesOf(book, tank).map(({ gauge }) => (
                <Button
                  mode="outlined"
                  key={gauge.id}
                  label={t('walk.readAgain', { name: named(gauge) })}
                  onPress={() => onOpen(gauge.id)}
                  style={{ alignSelf: 'flex-start' }}
                  testID={`again-${gauge.id}`}
                />
              ))}
        </View>
      ) : null}
      {next ? (
        <Button
          mode="outlined"
          label={t('walk.fuelNext', { name: named(next) })}
          onPress={() => onOpen(next.id)}
          style={{ alignSelf: 'flex-start' }}
          testID={`next-${next.id}`}
        />
      ) : null}
      {toBrim}
      {lasts ? (
        <Small>
          {t('walk.fuelLasts', {
            likely: spanOf(lasts.likelyH * 60),
            surely: spanOf(lasts.surelyH * 60),
            third: spanOf(lasts.turnAfterH * 60),
          })}
        </Small>
      ) : null}
    </View>
  );
};
