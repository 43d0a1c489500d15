import type { Board, DayHire } from '@quay/core/day/board';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../ui/board';
import { spanOf, whenOf } from '../../ui/format';
import { Row } from '../../ui/press';
import { useTones } from '../../ui/theme';
import { Slab, Small } from '../../ui/words';

const Line = ({
  time,
  name,
  under,
  tag,
  label,
  onPress,
  first,
  soft,
  testID,
}: {
  time: string;
  name: string;
  under: string;
  tag?: ReactNode;
  label: string;
  onPress: () => void;
  first: boolean;
  soft?: boolean;
  testID?: string;
}) => {
  const tones = useTones();
  return (
    <Row
      label={label}
      onPress={onPress}
      {...(testID ? { testID } : {})}
      style={{ borderTopWidth: first ? 0 : 1, borderTopColor: tones.line }}
    >
      <View style={{ flexDirection: 'row', gap: 8, paddingHorizontal: 16, paddingVertical: 10, alignItems: 'flex-start' }}>
        <Slab size={20} style={{ width: 62 }} tone={soft ? 'soft' : 'ink'}>
          {time}
        </Slab>
        <View style={{ flex: 1 }}>
          <Slab size={20} tone={soft ? 'soft' : 'ink'}>
            {name}
          </Slab>
          <Small>{under}</Small>
        </View>
        {tag}
      </View>
    </Row>
  );
};

export const Coming = ({ rows, zone, now, onOpen }: { rows: Board['coming']; zone: string; now: number; onOpen: (id: string) => void }) => {
  const { t, i18n } = useTranslation();
  return (
    <View>
      {rows.map(({ hire, at, minutes, overdue, notBack }, i) => {
        const what = t('day.leaves', { boat: hire.boat });
        const word = hire.broken
          ? t('day.broken')
          : hire.hold
            ? t('day.held')
            : notBack
              ? t('day.notBack')
              : overdue
                ? t('day.overdueLeave')
                : minutes < 120
                  ? t('day.in', { time: spanOf(minutes) })
                  : t('day.ready');
        return (
          <Line
            key={hire.id}
            first={i === 0}
            time={whenOf(at, zone, now, i18n.language)}
            name={what}
            testID={`hire-${hire.id}`}
            under={`${hire.renter} · ${t('day.aboard', { n: hire.party })} · ${t('day.until', { time: whenOf(hire.to, zone, now, i18n.language) })}`}
            tag={<Tag kind={hire.hold || hire.broken ? 'stop' : notBack || overdue || minutes < 30 ? 'ask' : 'ok'}>{word}</Tag>}
            label={`${what}, ${hire.renter}, ${word}`}
            onPress={() => onOpen(hire.id)}
          />
        );
      })}
    </View>
  );
};

export const AtTheQuay = ({ hires, onOpen }: { hires: readonly DayHire[]; onOpen: (id: string) => void }) => {
  const { t } = useTranslation();
  const tones = useTones();
  if (hires.length === 0) return null;
  return (
    <View style={{ borderTopWidth: 3, borderTopColor: tones.ink, marginHorizontal: 16 }}>
      <Small style={{ paddingTop: 6 }}>{t('day.atQuay')}</Small>
      {hires.map((hire) => {
        const word = hire.broken
          ? t('day.broken')
          : hire.hold
            ? t('day.held')
            : t(`day.state.${hire.state as 'walkingOut' | 'readyToGo' | 'walkingIn' | 'settling'}`);
        return (
          <Row key={hire.id} label={`${hire.boat}, ${hire.renter}, ${word}`} onPress={() => onOpen(hire.id)} testID={`hire-${hire.id}`}>
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, paddingVertical: 7 }}>
              <View style={{ flex: 1 }}>
                <Slab size={20}>{hire.boat}</Slab>
                <Small>{hire.renter}</Small>
              </View>
              <Tag kind={hire.hold || hire.broken ? 'stop' : 'ask'}>{word}</Tag>
            </View>
          </Row>
        );
      })}
    </View>
  );
};

export const Been = ({ rows, zone, now, onOpen }: { rows: Board['been']; zone: string; now: number; onOpen: (id: string) => void }) => {
  const { t, i18n } = useTranslation();
  return (
    <View>
      {rows.map(({ hire, at, what }, i) => {
        const name = t(what === 'cameIn' ? 'day.cameIn' : 'day.left', { boat: hire.boat });
        return (
          <Line
            key={`${hire.id}-${what}`}
            first={i === 0}
            soft
            time={whenOf(at, zone, now, i18n.language)}
            name={name}
            under={hire.renter}
            label={`${name}, ${hire.renter}`}
            onPress={() => onOpen(hire.id)}
          />
        );
      })}
    </View>
  );
};
