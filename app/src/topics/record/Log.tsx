import { happenedAt } from '@quay/core/events/stored';
import { clockOf } from '@quay/core/time/zone';
import type { TFunction } from 'i18next';
import { useMemo } from 'react';
import { useTranslation } from 'react-i18next';
import { FlatList, View } from 'react-native';
import type { HireView } from '../../local/hire';
import type { LocalEvent } from '../../local/localDb';
import { Tag } from '../../ui/board';
import { useTones } from '../../ui/theme';
import { Body, Slab, Small } from '../../ui/words';
import { useEntryWords } from './entryWords';

/** So many entries are drawn at once; the rest as one comes to them. */
const AT_FIRST = 30;

/** The record as it grows, newest first: what, when, whether it is at the quay. It scrolls by itself, however long it is. */
export const Log = ({ view, title }: { view: HireView; title?: string }) => {
  const { t } = useTranslation();
  const words = useEntryWords(view.pack);
  const rows = useMemo(
    () =>
      [...view.events].sort((a, b) => happenedAt(b.stored) - happenedAt(a.stored) || b.stored.event.deviceSeq - a.stored.event.deviceSeq),
    [view.events],
  );
  const behind = useMemo(() => new Set(view.record.ofOtherBoat.map(({ event }) => event.id)), [view.record]);
  return (
    <FlatList
      data={rows}
      keyExtractor={({ id }) => id}
      renderItem={({ item }) => (
        <Logged entry={item} what={words(item.stored.event.body)} zone={view.pack.base.zone} otherBoat={behind.has(item.id)} />
      )}
      initialNumToRender={AT_FIRST}
      ListHeaderComponent={
        title === undefined ? null : (
          <Slab size={22} heading={2}>
            {title}
          </Slab>
        )
      }
      ListEmptyComponent={<Small>{t('log.nothing')}</Small>}
      contentContainerStyle={{ padding: 16 }}
      style={{ flex: 1 }}
      tabIndex={0}
      testID="log"
    />
  );
};

/** Whose entry it is: of what the quay adds for somebody, theirs. */
const byOf = ({ actor, event: { body } }: LocalEvent['stored'], t: TFunction): string =>
  'by' in body && actor.role === 'quay' ? t('log.by.hand', { who: body.by }) : t(`log.by.${actor.role}`, { who: actor.id });

const Logged = ({
  entry: { stored, state },
  what,
  zone,
  otherBoat,
}: {
  entry: LocalEvent;
  what: string;
  zone: string;
  otherBoat: boolean;
}) => {
  const { t } = useTranslation();
  const tones = useTones();
  return (
    <View style={{ flexDirection: 'row', gap: 8, borderTopWidth: 1, borderTopColor: tones.line, paddingVertical: 6 }}>
      <Small size={14} style={{ width: 46 }}>
        {clockOf(new Date(happenedAt(stored)).toISOString(), zone)}
      </Small>
      <View style={{ flex: 1 }}>
        <Body size={15}>{what}</Body>
        <Small size={13}>{byOf(stored, t)}</Small>
      </View>
      {otherBoat ? (
        <Tag kind="calm" size={12}>
          {t('log.otherBoat')}
        </Tag>
      ) : null}
      {state === 'synced' ? null : (
        <Tag kind={state === 'pending' ? 'ask' : 'stop'} size={12}>
          {state === 'refused' ? t('pending.refused', { count: 1 }) : t(state === 'aside' ? 'log.aside' : 'log.kept')}
        </Tag>
      )}
    </View>
  );
};

/** The record beside what is being done, where there is room for it. */
export const RecordPanel = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  return <Log view={view} title={t('hire.record')} />;
};
