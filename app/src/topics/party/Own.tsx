import { type Fit, OWN_JACKET, policiesOf } from '@quay/core/party/ofHire';
import type { Rack } from '@quay/core/party/assignment';
import type { Person } from '@quay/core/party/people';
import { comesFirst } from '@quay/core/party/suits';
import type { EventBody } from '@quay/core/record/event';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { HireView } from '../../local/hire';
import { Tag } from '../../ui/board';
import { Button } from '../../ui/controls/button';
import { OwnJacketSheet } from './OwnJacketSheet';

/** The entry by which somebody has a jacket. */
export const jacketOf = (person: string, { fitting, where, jacket }: Pick<Rack, 'fitting' | 'where' | 'jacket'>): EventBody => ({
  kind: 'jacketGiven',
  person,
  fitting,
  where,
  ...(where === 'brought' ? { jacket } : {}),
});

/** Where the policy takes jackets from home: the way to enter one, and why one does not count. */
export const Own = ({
  view,
  fit,
  person,
  name,
  byRenter = false,
}: {
  view: Pick<HireView, 'pack' | 'add'>;
  fit: Fit;
  person: Person;
  name: string;
  byRenter?: boolean;
}) => {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const { pack, add } = view;
  const policy = policiesOf(pack).ownJackets;
  const brought = fit.brought.find((one) => one.person === person.id);
  if (policy !== 'confirmedByRenter' && (byRenter || policy !== 'confirmedByHand')) return null;
  // Whose jackets boats often lack; with others the page stays short.
  const served = fit.given.some((one) => one.person === person.id);
  if (served && !brought && !comesFirst(person, fit.rules)) return null;
  return (
    <View style={{ gap: 6, alignItems: 'flex-start' }}>
      {brought?.not ? <Tag kind="stop">{t(`own.not.${brought.not}`)}</Tag> : null}
      {brought && !brought.not ? null : (
        <Button
          mode="outlined"
          label={byRenter ? `${name}: ${t('own.open')}` : t('own.open')}
          onPress={() => setOpen(true)}
          testID={`own-${person.id}`}
        />
      )}
      {open ? (
        <OwnJacketSheet
          name={name}
          person={person}
          rules={fit.rules}
          onClose={() => setOpen(false)}
          onKeep={(jacket) => {
            const body = jacketOf(person.id, { fitting: OWN_JACKET, where: 'brought', jacket });
            void add([body]).then(() => setOpen(false));
          }}
        />
      ) : null}
    </View>
  );
};
