import type { Lying } from '@quay/core/trip/coves';
import type { Wish } from '@quay/core/trip/places';
import { type ReactNode, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { Tag } from '../../../ui/board';
import { ListRow } from '../../../ui/controls/listRow';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { Search } from '../../../ui/controls/search';
import { Body, Bold, Small } from '../../../ui/words';

const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

type Given = {
  wishes: readonly Wish[];
  lying: readonly Lying[] | undefined;
  onChoose: (id: string) => void;
};

/** Where to: what is on the chart, by its name; for a night aboard, where one may lie and whether the wind leaves it alone. */
export const Places = ({ wishes, lying, onChoose }: Given) => {
  const { t } = useTranslation();
  const [query, setQuery] = useState('');
  const wanted = plain(query.trim());
  const found = wishes.filter(({ name, kind }) => plain(`${name} ${t(`chart.kind.${kind}`)}`).includes(wanted));
  const nights = wanted === '' ? lying : undefined;
  const others = found.filter(({ id }) => !nights?.some((one) => one.id === id));
  return (
    <>
      <Search label={t('chart.find')} value={query} onChange={setQuery} testID="find-place" />
      {nights ? (
        <View>
          <Small>{t('chart.tonight')}</Small>
          {nights.map(({ id, name, kind, sheltered }) => (
            <Row key={id} id={id} name={name} second={t(`chart.kind.${kind}`)} onChoose={onChoose}>
              {sheltered === undefined ? null : (
                <Tag kind={sheltered ? 'ok' : 'ask'}>{t(sheltered ? 'chart.sheltered' : 'chart.exposed')}</Tag>
              )}
            </Row>
          ))}
          <Small style={{ paddingTop: 12 }}>{t('chart.everything')}</Small>
        </View>
      ) : null}
      <View>
        {others.map(({ id, name, kind }) => (
          <Row key={id} id={id} name={name} second={t(`chart.kind.${kind}`)} onChoose={onChoose} />
        ))}
        {found.length === 0 ? <Body>{t('chart.noPlace')}</Body> : null}
      </View>
    </>
  );
};

const Row = ({
  id,
  name,
  second,
  onChoose,
  children,
}: {
  id: string;
  name: string;
  second: string;
  onChoose: (id: string) => void;
  children?: ReactNode;
}) => (
  <ListRow label={name} onPress={() => onChoose(id)} testID={`place-${id}`} style={{ justifyContent: 'center', paddingVertical: 6 }}>
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: 10 }}>
      <View style={{ flex: 1 }}>
        <Bold>{name}</Bold>
        <Small>{second}</Small>
      </View>
      {children}
    </View>
  </ListRow>
);

export const PlacesSheet = ({ onClose, ...given }: Given & { onClose: () => void }) => {
  const { t } = useTranslation();
  return (
    <ModalSheet title={t('chart.places')} closeLabel={t('common.close')} onClose={onClose}>
      <Places {...given} />
    </ModalSheet>
  );
};
