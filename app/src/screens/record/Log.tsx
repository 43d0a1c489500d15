import { happenedAt } from '@quay/core/record/held';
import { clockOf } from '@quay/core/time/zone';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../data/hire';
import { Tag } from '../../ui/board';
import { Alt } from '../../ui/press';
import { Scroll } from '../../ui/scroll';
import { useTones } from '../../ui/theme';
import { Body, Slab, Small } from '../../ui/words';
import { useEntryWords } from './entryWords';

/** How many entries are shown before somebody asks for the rest: a long record would slow every press of a walk. */
const AT_FIRST = 80;

/** The record as it grows, newest first: what, when, whether it is at the quay. */
export const Log = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const words = useEntryWords(view.pack);
  const [all, setAll] = useState(false);
  const rows = [...view.events]
    .sort((a, b) => happenedAt(b.held) - happenedAt(a.held) || b.held.event.deviceSeq - a.held.event.deviceSeq)
    .slice(0, all ? undefined : AT_FIRST);
  return (
    <View style={{ gap: 2 }}>
      {rows.map(({ id, held, state }) => (
        <View key={id} style={{ flexDirection: 'row', gap: 8, borderTopWidth: 1, borderTopColor: tones.line, paddingVertical: 6 }}>
          <Small size={14} style={{ width: 46 }}>
            {clockOf(new Date(happenedAt(held)).toISOString(), view.pack.base.zone)}
          </Small>
          <View style={{ flex: 1 }}>
            <Body size={15}>{words(held.event.body)}</Body>
            <Small size={13}>{t(`log.by.${held.actor.role}`, { who: held.actor.id })}</Small>
          </View>
          {state === 'held' ? null : (
            <Tag kind={state === 'kept' ? 'ask' : 'stop'} size={12}>
              {state === 'refused' ? t('kept.refused', { count: 1 }) : t(state === 'aside' ? 'log.aside' : 'log.kept')}
            </Tag>
          )}
        </View>
      ))}
      {rows.length < view.events.length ? (
        <Alt label={t('sign.more', { n: view.events.length })} onPress={() => setAll(true)} testID="log-all" />
      ) : null}
    </View>
  );
};

/** The record beside what is being done, where there is room for it. */
export const RecordPanel = ({ view }: { view: HireView }) => {
  const { t } = useTranslation();
  return (
    <Scroll contentContainerStyle={{ padding: 16 }}>
      <Slab size={22} heading={2}>
        {t('hire.record')}
      </Slab>
      <Log view={view} />
    </Scroll>
  );
};
