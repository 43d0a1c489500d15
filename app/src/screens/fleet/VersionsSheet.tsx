import { type BoatShelf, getBookVersion } from '@quay/contract/fleet';
import { differences, reordered } from '@quay/core/fleet/compare';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer } from '../../data/api';
import { Notice } from '../../ui/board';
import { Row } from '../../ui/press';
import { Sheet } from '../../ui/sheet';
import { Body, Bold, Small } from '../../ui/words';

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
  const moved = old.data ? reordered(old.data.laid, shelf.laid) : [];
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
          <Bold>{rows.length + moved.length === 0 ? t('fleet.same') : t('fleet.differs', { count: rows.length, n: version ?? 0 })}</Bold>
          {moved.map((list) => (
            <Body key={list}>{`${t(`fleet.list.${list}`)}: ${t('fleet.moved')}`}</Body>
          ))}
          {rows.map((row) => (
            <View key={`${row.list}/${row.id}`} style={{ gap: 2 }}>
              <Small>{t(`fleet.list.${row.list}`)}</Small>
              <Small>{`${t('fleet.then')}: ${row.then ?? '–'}`}</Small>
              <Body>{`${t('fleet.now')}: ${row.now ?? '–'}`}</Body>
            </View>
          ))}
        </View>
      ) : null}
    </Sheet>
  );
};
