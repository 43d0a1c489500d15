import { type BoatShelf, getBookVersion } from '@quay/contract/fleet';
import type { Book } from '@quay/core/fleet/book';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer } from '../../data/api';
import { Notice } from '../../ui/board';
import { Row } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { Body, Bold, Small } from '../../ui/words';

/** What two versions of a book say differently about its points. */
const differences = (then: Book, now: Book): { id: string; then: string | undefined; now: string | undefined }[] => {
  const text = ({ say, seconds, weight }: Book['points'][number]) => `${say.en} (${weight}, ${seconds} s)`;
  const [before, after] = [then, now].map((book) => new Map(book.points.map((point) => [point.id, point]))) as [
    Map<string, Book['points'][number]>,
    Map<string, Book['points'][number]>,
  ];
  return [...new Set([...before.keys(), ...after.keys()])].flatMap((id) => {
    const [a, b] = [before.get(id), after.get(id)];
    if (a && b && JSON.stringify(a) === JSON.stringify(b)) return [];
    return [{ id, then: a && text(a), now: b && text(b) }];
  });
};

/** The versions of a boat's book; one that is opened is compared with today's. */
export const VersionsSheet = ({
  boatId,
  shelf,
  when,
  onClose,
}: {
  boatId: string;
  shelf: BoatShelf;
  when: (at: string) => string;
  onClose: () => void;
}) => {
  const { t } = useTranslation();
  const [version, setVersion] = useState<number>();
  const old = useQuery({
    queryKey: ['bookVersion', boatId, version],
    enabled: version !== undefined,
    queryFn: () => call(getBookVersion, { params: { boatId, version: String(version) } }),
  });
  const rows = old.data ? differences(old.data.laid, shelf.laid) : [];
  return (
    <Sheet title={t('fleet.versions')} closeLabel={t('common.close')} onClose={onClose}>
      {shelf.versions.map((one) => (
        <Row
          key={one.version}
          label={t('fleet.version', { n: one.version })}
          onPress={() => setVersion(one.version)}
          testID={`version-${one.version}`}
        >
          <Bold>{t('fleet.version', { n: one.version })}</Bold>
          <Small>
            {[one.madeAt ? when(one.madeAt) : '', one.madeBy ?? t('fleet.imported'), t('fleet.hires', { count: one.hires })]
              .filter(Boolean)
              .join(' · ')}
          </Small>
        </Row>
      ))}
      {old.error ? <Notice kind="stop" title={old.error instanceof NoAnswer ? t('fleet.offline') : old.error.message} /> : null}
      {old.data ? (
        <View style={{ gap: 8 }} testID="differences">
          <Bold>{rows.length === 0 ? t('fleet.same') : t('fleet.differs', { count: rows.length, n: version ?? 0 })}</Bold>
          {rows.map((row) => (
            <View key={row.id} style={{ gap: 2 }}>
              <Small>{`${t('fleet.then')}: ${row.then ?? '–'}`}</Small>
              <Body>{`${t('fleet.now')}: ${row.now ?? '–'}`}</Body>
            </View>
          ))}
        </View>
      ) : null}
    </Sheet>
  );
};
