import { type Comparable, differences, reordered } from '@quay/core/fleet/compare';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Notice } from '../../ui/board';
import { useNow } from '../../ui/clock';
import { whenOf } from '../../ui/format';
import { ListRow } from '../../ui/controls/listRow';
import { ModalSheet } from '../../ui/controls/modalSheet';
import { Body, Bold, Small } from '../../ui/words';

/** The versions of a book; one that is opened is compared with today's. */
export const VersionsSheet = ({
  of,
  now,
  versions,
  fetch,
  onClose,
}: {
  /** Which book. */
  of: readonly string[];
  now: Comparable;
  versions: readonly { version: number; madeAt: string | null; madeBy: string | null; hires?: number }[];
  fetch: (version: string) => Promise<Comparable>;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const errorWords = useErrorWords();
  const today = useNow();
  const [version, setVersion] = useState<number>();
  const old = useQuery({
    queryKey: ['bookVersion', ...of, version],
    enabled: version !== undefined,
    queryFn: () => fetch(String(version)),
  });
  const rows = old.data ? differences(old.data, now) : [];
  const moved = old.data ? reordered(old.data, now) : [];
  const listName = (list: string) => t(`fleet.list.${list as 'points'}`);
  return (
    <ModalSheet title={t('fleet.versions')} closeLabel={t('common.close')} onClose={onClose}>
      {versions.map((one) => (
        <ListRow
          key={one.version}
          label={t('fleet.version', { n: one.version })}
          onPress={() => setVersion(one.version)}
          testID={`version-${one.version}`}
        >
          <Bold>{t('fleet.version', { n: one.version })}</Bold>
          <Small>
            {[
              one.madeAt ? whenOf(one.madeAt, 'UTC', today, 'en') : '',
              one.madeBy ?? t('fleet.imported'),
              one.hires === undefined ? '' : t('fleet.hires', { count: one.hires }),
            ]
              .filter(Boolean)
              .join(' · ')}
          </Small>
        </ListRow>
      ))}
      {old.error ? <Notice kind="stop" title={old.error instanceof NoAnswer ? t('fleet.offline') : errorWords(old.error)} /> : null}
      {old.data ? (
        <View style={{ gap: 8 }} testID="differences">
          <Bold>{rows.length + moved.length === 0 ? t('fleet.same') : t('fleet.differs', { count: rows.length, n: version ?? 0 })}</Bold>
          {moved.map((list) => (
            <Body key={list}>{`${listName(list)}: ${t('fleet.moved')}`}</Body>
          ))}
          {rows.map((row) => (
            <View key={`${row.list}/${row.id}`} style={{ gap: 2 }}>
              <Small>{row.list === 'about' ? `${listName('about')} · ${t(`fleet.about.${row.id as 'named'}`)}` : listName(row.list)}</Small>
              <Small>{`${t('fleet.then')}: ${row.then ?? '–'}`}</Small>
              <Body>{`${t('fleet.now')}: ${row.now ?? '–'}`}</Body>
            </View>
          ))}
        </View>
      ) : null}
    </ModalSheet>
  );
};
