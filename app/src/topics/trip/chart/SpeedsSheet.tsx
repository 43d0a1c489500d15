import type { Book } from '@quay/core/fleet/book';
import { limitsOf } from '@quay/core/trip/limits';
import { mostEconomical, speedTable } from '@quay/core/trip/speedTable';
import type { Waters } from '@quay/core/waters/zone';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Card, Notice } from '../../../ui/board';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { measures } from '../../../ui/units';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';

/** Over so many kilometres litres are told: of one alone they are hard to see. */
const OVER_KM = 10;

/** Revs, speed and litres of this boat; which revs keep each limit of the water, and at which she goes farthest. */
export const SpeedsSheet = ({ book, waters, onClose }: { book: Book; waters: Waters; onClose: () => void }) => {
  const { t } = useTranslation();
  const { engine } = book;
  const table = speedTable(engine);
  const best = mostEconomical(engine);
  const speed = (kmh: number) => measures().speed(kmh / 3.6);
  const litresOver = (lPerKm: number) =>
    t('speeds.over', { litres: measures().litres(lPerKm * OVER_KM, 1), far: measures().far(OVER_KM * 1000) });
  return (
    <ModalSheet title={t('speeds.title')} closeLabel={t('common.close')} onClose={onClose}>
      {table ? null : <Notice kind="ask" title={t('speeds.none')} />}
      {best ? (
        <View testID="economical">
          <Small>{t('speeds.best')}</Small>
          <SlabBold size={32}>{best.rpm === undefined ? speed(best.kmh) : t('speeds.revs', { rpm: best.rpm })}</SlabBold>
          <Body>{[best.rpm === undefined ? '' : speed(best.kmh), litresOver(best.lPerKm)].filter(Boolean).join(', ')}</Body>
        </View>
      ) : null}
      <Card style={{ gap: 10 }}>
        <Bold>{t('speeds.limits')}</Bold>
        {limitsOf(waters, engine).map(({ limitKmh, names, rpm }) => (
          <View key={limitKmh} testID={`limit-${limitKmh}`}>
            <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 10 }}>
              <Bold>{speed(limitKmh)}</Bold>
              <Bold>{rpm === undefined ? '' : t('speeds.upTo', { rpm })}</Bold>
            </View>
            <Small>{names.join(', ')}</Small>
          </View>
        ))}
      </Card>
      {engine.avoidRpm ? <Body>{t('speeds.avoid', { from: engine.avoidRpm[0], to: engine.avoidRpm[1] })}</Body> : null}
      {table ? (
        <Card style={{ gap: 8 }}>
          {table.rows.map(({ rpm, kmh, lPerHour }) => (
            <View key={kmh} style={{ flexDirection: 'row', gap: 10 }}>
              <View style={{ flex: 1 }}>
                <Body>{rpm === undefined ? '' : t('speeds.revs', { rpm })}</Body>
              </View>
              <View style={{ flex: 1 }}>
                <Bold>{speed(kmh)}</Bold>
              </View>
              <View style={{ flex: 1 }}>
                <Body>{lPerHour === undefined ? '' : measures().said(lPerHour, 'L/h', 1)}</Body>
              </View>
            </View>
          ))}
        </Card>
      ) : null}
      <Small>{t('speeds.why')}</Small>
    </ModalSheet>
  );
};
