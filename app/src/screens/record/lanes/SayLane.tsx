import { say } from '@quay/core/fleet/book';
import type { EventBody } from '@quay/core/record/event';
import { slot } from '@quay/core/record/project';
import { useTranslation } from 'react-i18next';
import { Pressable, View } from 'react-native';
import Svg, { Path } from 'react-native-svg';
import { Tag } from '../../../ui/board';
import { useMoney } from '../../../ui/money';
import { useTones } from '../../../ui/theme';
import { Body, Small } from '../../../ui/words';
import type { WalkView } from '../useWalk';
import { All, Lane } from './lane';

export const SayLane = ({ view }: { view: WalkView }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const { record, pack, walk, language, enter } = view;
  const money = useMoney(pack.prices.currency);
  const { points } = view.stops[view.at]!;
  if (walk === 'in' || points.length === 0) return null;
  const told = (id: string): EventBody => ({ kind: 'pointTold', walk, point: id, how: 'said', language });
  const open = points.filter(({ id }) => !record.slots.has(`${walk}/point/${id}`));
  return (
    <Lane
      name={t('walk.say')}
      all={
        open.length > 1 ? (
          <All
            label={t('walk.allSaid')}
            onPress={() =>
              void enter(
                open.map(({ id }) => told(id)),
                t('walk.kept', { what: t('walk.say') }),
              )
            }
            testID="all-said"
          />
        ) : undefined
      }
    >
      {points.map((point) => {
        const found = slot(record, `${walk}/point/${point.id}`, 'pointTold', 'pointSkipped');
        const on = found?.value.kind === 'pointTold';
        const price = pack.prices.prices.find(({ code }) => code === point.price);
        return (
          <Pressable
            key={point.id}
            role="checkbox"
            aria-checked={on}
            aria-label={t('walk.tell', { text: say(point.say, language) })}
            testID={`point-${point.id}`}
            onPress={() => void (on && found ? view.undo(found.standing) : enter([told(point.id)]))}
            style={{ flexDirection: 'row', gap: 12, paddingVertical: 9, minHeight: 52, alignItems: 'flex-start' }}
          >
            <View
              style={{
                width: 30,
                height: 30,
                borderRadius: 8,
                borderWidth: 2,
                borderColor: tones.weed,
                backgroundColor: on ? tones.weed : tones.card,
                alignItems: 'center',
                justifyContent: 'center',
              }}
            >
              {on ? (
                <Svg width={20} height={20}>
                  <Path d="M4 10l4.5 5.5L17 4.5" stroke={tones.onWeed} strokeWidth={3} fill="none" />
                </Svg>
              ) : null}
            </View>
            <View style={{ flex: 1, gap: 3 }}>
              <Body>{say(point.say, language)}</Body>
              {point.show ? <Small>{`${t('walk.show')}: ${say(point.show, language)}`}</Small> : null}
              {point.caution ? (
                <Tag kind="stop" size={15}>
                  {say(point.caution, language)}
                </Tag>
              ) : null}
              <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 6 }}>
                {point.weight === 'must' ? <Tag kind="ok">{t('walk.must')}</Tag> : null}
                {price ? (
                  <Tag kind="ask">
                    {t('walk.costs', {
                      name: say(price.name, language),
                      price: money(price.amountMinor),
                    })}
                  </Tag>
                ) : null}
                {found?.value.kind === 'pointSkipped' ? <Tag kind="ask">{t(`walk.skip.${found.value.why}`)}</Tag> : null}
              </View>
            </View>
          </Pressable>
        );
      })}
    </Lane>
  );
};
