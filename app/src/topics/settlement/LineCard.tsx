import { currentOf } from '@quay/core/events/record';
import { lineAnswered } from '@quay/core/settlement/events';
import { mdiChevronRight } from '@mdi/js';
import type { Standing } from '@quay/core/settlement/correction';
import type { Line } from '@quay/core/settlement/statement';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import type { HireView } from '../../local/hire';
import { Card, Tag, type TagKind } from '../../ui/board';
import { Money, useMoney } from '../../ui/controls/money';
import { Button } from '../../ui/controls/button';
import { ChoiceChip } from '../../ui/controls/choiceChip';
import { ListRow } from '../../ui/controls/listRow';
import { useTones } from '../../ui/theme';
import { Bold, SlabBold, Small } from '../../ui/words';
import { useLineText } from './lineWords';

const STATE_TAG: Record<Line['state'], TagKind> = { proposed: 'ask', accepted: 'ok', disputed: 'stop', waived: 'calm' };

export type LineDoing = 'evidence' | 'quote' | 'remark' | 'decide' | 'contest';

/** One line of the statement: what it is for, why it comes to that, and what each side says of it. */
export const LineCard = ({
  view,
  line,
  standing,
  manager,
  onDo,
}: {
  view: HireView;
  line: Line;
  /** What has become of it, once the hire is closed. */
  standing: Standing | undefined;
  manager: boolean;
  onDo: (what: LineDoing) => void;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { pack, record } = view;
  const { currency } = pack.prices;
  const money = useMoney(currency);
  const text = useLineText(pack.prices)(line);
  const { key, state, price, quantity, amountMinor } = line;
  const own = currentOf(record, ['answer', key], lineAnswered);
  const said = own !== undefined && own.by.actor.role === 'renter';
  const set = (next: Line['state']) => void view.add([{ kind: 'lineDecided', line: key, state: next }]);
  const shown = standing ? (standing.open ? amountMinor : standing.chargedMinor) : amountMinor;
  // Once it is closed a line is charged, or open: not agreed to, perhaps only afterwards, or without its price.
  const stands = !standing || state === 'waived' ? state : standing.open ? (amountMinor === undefined ? 'toQuote' : 'disputed') : 'charged';
  const word = stands === 'toQuote' || stands === 'charged' ? t(`statement.${stands}`) : t(`statement.state.${stands}`);
  const tag = standing?.open ? 'stop' : standing && state === 'proposed' ? 'ok' : STATE_TAG[state];
  return (
    <Card style={{ gap: 8, padding: 14 }}>
      <ListRow label={`${text.title}: ${t('settle.evidence')}`} onPress={() => onDo('evidence')} testID={`evidence-${key}`}>
        <View style={{ flexDirection: 'row', gap: 10, alignItems: 'flex-start' }}>
          <View style={{ flex: 1, gap: 2 }}>
            <Bold>{text.title}</Bold>
            {text.about.map((one) => (
              <Small key={one}>{one}</Small>
            ))}
            {quantity !== 1 && price ? <Small>{t('statement.times', { n: quantity, price: money(price.amountMinor) })}</Small> : null}
          </View>
          <View style={{ alignItems: 'flex-end', gap: 4 }}>
            {shown === undefined ? (
              <SlabBold size={24}>–</SlabBold>
            ) : (
              <Money
                minor={shown}
                currency={currency}
                size={24}
                tone={shown < 0 ? 'primaryText' : 'ink'}
                style={state === 'waived' ? { textDecorationLine: 'line-through' } : {}}
              />
            )}
            <Tag kind={tag}>{word}</Tag>
          </View>
          <View style={{ alignSelf: 'center' }}>
            <Svg width={22} height={22} viewBox="0 0 24 24">
              <Path d={mdiChevronRight} fill={tones.soft} />
            </Svg>
          </View>
        </View>
      </ListRow>
      {said && !standing ? <Small>{t('settle.renterSays')}</Small> : null}
      <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="group" aria-label={text.title}>
        {standing ? null : (
          <>
            {said ? null : (
              <>
                <ChoiceChip
                  label={t('statement.accept')}
                  on={state === 'accepted'}
                  onPress={() => set('accepted')}
                  testID={`accept-${key}`}
                />
                <ChoiceChip
                  label={t('statement.dispute')}
                  on={state === 'disputed'}
                  tone="danger"
                  onPress={() => onDo('remark')}
                  testID={`dispute-${key}`}
                />
              </>
            )}
          </>
        )}
        {standing?.open && manager ? (
          <Button mode="outlined" label={t('settle.decide')} onPress={() => onDo('decide')} testID={`decide-${key}`} />
        ) : null}
      </View>
    </Card>
  );
};
