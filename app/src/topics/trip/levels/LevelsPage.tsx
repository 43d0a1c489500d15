import { levelsOf, type TankLasting } from '@quay/core/trip/levels/levels';
import { isEntered } from '@quay/core/events/record';
import { say } from '@quay/core/words/words';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useChartWords } from '../../../i18n/chartWords';
import { caseOf } from '../../../local/handover';
import type { HireView } from '../../../local/hire';
import { Card, Notice, Tag } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { spanOf, whenOf } from '../../../ui/format';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { measures } from '../../../ui/units';
import { Body, SlabBold, Small } from '../../../ui/words';
import { LastingBand } from './LastingBand';

/** What runs out first: each tank a party lives by over the time it has to last, from what was read at departure. */
export const LevelsPage = ({ view, onBack }: { view: HireView; onBack: () => void }) =>
  useChartWords() ? <Levels view={view} onBack={onBack} /> : null;

const KIND = { yes: 'ok', perhaps: 'ask', no: 'stop' } as const;

const Levels = ({ view, onBack }: { view: HireView; onBack: () => void }) => {
  const { t, i18n } = useTranslation();
  const { width } = useRoom();
  const { pack, record } = view;
  const levels = levelsOf(record, { ...caseOf(view), hire: pack.hire });
  const first = levels.find(({ lasts }) => lasts !== 'yes');
  const room = Math.min(width, 640) - 24 - 32;
  return (
    <Screen title={t('levels.title')} sub={pack.boat.name} onBack={onBack} measure={640}>
      <View style={{ padding: 12, gap: 12 }}>
        {levels.length === 0 ? (
          <Notice kind="ask" title={t('levels.none')}>
            <Body>{t(isEntered(record, ['out', 'sealed']) ? 'levels.noneWhy' : 'levels.noneYet')}</Body>
          </Notice>
        ) : first ? (
          <Notice
            kind={KIND[first.lasts]}
            title={t(`levels.first.${first.lasts === 'no' ? 'no' : 'perhaps'}`, { name: say(first.tank.name, i18n.language) })}
          >
            <Body>{t(`levels.change.${CHANGE[first.tank.holds]}`)}</Body>
          </Notice>
        ) : (
          <Notice kind="ok" title={t('levels.enough')} />
        )}
        {levels.map((one) => (
          <Tank key={one.tank.id} one={one} view={view} width={room} />
        ))}
        <Small>{t('levels.caution')}</Small>
      </View>
    </Screen>
  );
};

const CHANGE = { fresh: 'fresh', waste: 'waste', gas: 'gas', petrol: 'generator', diesel: 'generator' } as const;

const Tank = ({ one, view, width }: { one: TankLasting; view: HireView; width: number }) => {
  const { t, i18n } = useTranslation();
  const now = useNow(60_000);
  const { tank, hours, inIt, pull, lasts, fromMs, untilMs, onTheWay } = one;
  const { zone } = view.pack.base;
  const at = (h: number) => whenOf(new Date(fromMs + h * 3_600_000).toISOString(), zone, now, i18n.language);
  const litres = ({ low, high }: { low: number; high: number }) => `${measures().figure(low, 'L', 0)} – ${measures().litres(high)}`;
  const ends = tank.holds === 'waste' ? 'full' : 'empty';
  return (
    <Card style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 10, alignItems: 'center' }}>
        <View style={{ flexShrink: 1 }}>
          <SlabBold size={21} heading={2}>
            {say(tank.name, i18n.language)}
          </SlabBold>
        </View>
        <Tag kind={KIND[lasts]}>{t(`levels.${lasts}`)}</Tag>
      </View>
      <LastingBand
        one={one}
        zone={zone}
        width={width}
        label={t(`levels.${ends}`, { low: at(hours.low), high: at(Math.min(hours.high, 24 * 60)) })}
      />
      <Body>
        {lasts === 'yes'
          ? t('levels.lastsBeyond', { time: whenOf(new Date(untilMs).toISOString(), zone, now, i18n.language) })
          : t(`levels.${ends}`, { low: at(hours.low), high: at(hours.high) })}
      </Body>
      <Small>
        {[
          t(tank.holds === 'waste' ? 'levels.filled' : 'levels.in', { litres: litres(inIt), time: at(0) }),
          t('levels.aDay', { litres: litres({ low: pull.low * 24, high: pull.high * 24 }) }),
          onTheWay ? t('levels.onTheWay', { span: spanOf((untilMs - fromMs) / 60_000) }) : '',
        ]
          .filter(Boolean)
          .join(' ')}
      </Small>
    </Card>
  );
};
