import type { DayHire } from '@quay/core/day/board';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useBoard } from '../../local/hire';
import { BesideRow } from '../../ui/beside';
import { Tag, type TagKind } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { spanOf, whenOf } from '../../ui/format';
import { Bold, Slab, SlabBold, Small } from '../../ui/words';

type Line = { hire: DayHire; time: string; word: string; kind: TagKind };

/** On a desk, beside a hire: the others of its day, in the order in which somebody wants something of them. */
export const DayList = ({ base, selected }: { base: string; selected: string }) => {
  const { t, i18n } = useTranslation();
  const now = useNow();
  const { board, data } = useBoard(base, now);
  if (!board || !data) return null;
  const { zone } = data.base;
  const when = (at: string) => whenOf(at, zone, now, i18n.language);
  const stopped = ({ broken, hold }: DayHire) => (broken ? t('day.broken') : hold ? t('day.held') : undefined);
  const lineOf = (hire: DayHire, time: string, word: string, kind: TagKind): Line => {
    const stop = stopped(hire);
    return stop === undefined ? { hire, time, word, kind } : { hire, time, word: stop, kind: 'stop' };
  };
  const groups: { title: string; lines: Line[] }[] = [
    {
      title: t('hire.list.out'),
      lines: board.afloat.map(({ hire, minutesLeft, over }) =>
        lineOf(
          hire,
          when(hire.to),
          over ? t('day.over', { time: spanOf(minutesLeft) }) : `${spanOf(minutesLeft)} ${t('day.toDue')}`,
          over ? 'stop' : 'ok',
        ),
      ),
    },
    {
      title: t('day.atQuay'),
      lines: board.atTheQuay.map((hire) =>
        lineOf(hire, when(hire.from), t(`day.state.${hire.state as 'walkingOut' | 'readyToGo' | 'walkingIn'}`), 'ask'),
      ),
    },
    {
      title: t('hire.list.coming'),
      lines: [...board.coming]
        .reverse()
        .map(({ hire, at, minutes, overdue, notBack }) =>
          lineOf(
            hire,
            when(at),
            notBack
              ? t('day.notBack')
              : overdue
                ? t('day.overdueLeave')
                : minutes < 120
                  ? t('day.in', { time: spanOf(minutes) })
                  : t('day.ready'),
            notBack || overdue ? 'ask' : 'ok',
          ),
        ),
    },
    { title: t('day.toSettle'), lines: board.toSettle.map((hire) => lineOf(hire, when(hire.to), t('day.state.settling'), 'ask')) },
  ].filter(({ lines }) => lines.length > 0);
  return (
    <View style={{ paddingTop: 14, gap: 14 }}>
      <SlabBold size={22} heading={2} style={{ paddingHorizontal: 14 }}>
        {data.base.name}
      </SlabBold>
      {groups.map(({ title, lines }) => (
        <View key={title}>
          <Bold size={15} tone="soft" style={{ paddingHorizontal: 14, paddingBottom: 2 }}>
            {title}
          </Bold>
          {lines.map((line) => (
            <One key={line.hire.id} line={line} on={line.hire.id === selected} />
          ))}
        </View>
      ))}
    </View>
  );
};

const One = ({ line: { hire, time, word, kind }, on }: { line: Line; on: boolean }) => {
  const router = useRouter();
  return (
    <BesideRow
      label={`${hire.boat}, ${hire.renter}, ${word}`}
      on={on}
      onPress={() => router.push(`/hire/${hire.id}`)}
      testID={`list-${hire.id}`}
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
        <Slab size={18} style={{ flexShrink: 1 }}>
          {hire.boat}
        </Slab>
        <Slab size={17} tone="soft">
          {time}
        </Slab>
      </View>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8, alignItems: 'center' }}>
        <Small style={{ flexShrink: 1 }}>{hire.renter}</Small>
        <Tag kind={kind} size={13.5}>
          {word}
        </Tag>
      </View>
    </BesideRow>
  );
};
