import type { Board, DayHire } from '@quay/core/day/board';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../ui/board';
import { spanOf, whenOf } from '../../ui/format';
import { ListRow } from '../../ui/controls/listRow';
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
    <ListRow
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
    </ListRow>
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

/** Boats that are back, with what has to be done to each before she goes out again. */
export const ToTurnRound = ({ hires, onOpen }: { hires: readonly DayHire[]; onOpen: (id: string) => void }) => {
  const { t } = useTranslation();
  if (hires.length === 0) return null;
  return (
    <Group title={t('day.toTurnRound')}>
      {hires.map((hire) => {
        const word = t('day.toDo', { count: hire.openWork ?? 0 });
        return <Hands key={hire.id} hire={hire} word={word} kind="ask" onOpen={onOpen} testID={`turn-${hire.id}`} />;
      })}
    </Group>
  );
};

/** Walked in and not settled: paper, wherever the boat is by now. */
export const ToSettle = ({ hires, onOpen }: { hires: readonly DayHire[]; onOpen: (id: string) => void }) => {
  const { t } = useTranslation();
  if (hires.length === 0) return null;
  return (
    <Group title={t('day.toSettle')}>
      {hires.map((hire) => (
        <Hands
          key={hire.id}
          hire={hire}
          word={t(hire.broken ? 'day.broken' : 'day.state.settling')}
          kind={hire.broken ? 'stop' : 'ask'}
          onOpen={onOpen}
          testID={`hire-${hire.id}`}
        />
      ))}
    </Group>
  );
};

const Group = ({ title, children }: { title: string; children: ReactNode }) => {
  const tones = useTones();
  return (
    <View style={{ borderTopWidth: 3, borderTopColor: tones.ink, marginHorizontal: 16, marginBottom: 8 }}>
      <Small style={{ paddingTop: 6 }}>{title}</Small>
      {children}
    </View>
  );
};

/** A boat, whose hire it is, and what is the matter. */
const Hands = ({
  hire,
  word,
  kind,
  onOpen,
  testID,
}: {
  hire: DayHire;
  word: string;
  kind: 'ask' | 'stop';
  onOpen: (id: string) => void;
  testID: string;
}) => (
  <ListRow label={`${hire.boat}, ${hire.renter}, ${word}`} onPress={() => onOpen(hire.id)} testID={testID}>
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8, paddingVertical: 7 }}>
      <View style={{ flex: 1 }}>
        <Slab size={20}>{hire.boat}</Slab>
        <Small>{hire.renter}</Small>
      </View>
      <Tag kind={kind}>{word}</Tag>
    </View>
  </ListRow>
);

export const AtTheQuay = ({ hires, onOpen }: { hires: readonly DayHire[]; onOpen: (id: string) => void }) => {
  const { t } = useTranslation();
  if (hires.length === 0) return null;
  return (
    <Group title={t('day.atQuay')}>
      {hires.map((hire) => {
        const word = hire.broken
          ? t('day.broken')
          : hire.hold
            ? t('day.held')
            : t(`day.state.${hire.state as 'walkingOut' | 'readyToGo' | 'walkingIn'}`);
        return (
          <Hands
            key={hire.id}
            hire={hire}
            word={word}
            kind={hire.hold || hire.broken ? 'stop' : 'ask'}
            onOpen={onOpen}
            testID={`hire-${hire.id}`}
          />
        );
      })}
    </Group>
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
