import { say } from '@quay/core/words/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { BesideRow } from '../../ui/beside';
import { Search } from '../../ui/controls/search';
import { Bold, Slab, Small } from '../../ui/words';
import { useFleet } from './useFleet';

/** On a desk: boats and books, one of which is open beside them. */
export const FleetList = ({ path }: { path: string }) => {
  const { t, i18n } = useTranslation();
  const [find, setFind] = useState('');
  const { boats, classes, bases, rules, waters } = useFleet();
  const wanted = find.trim().toLowerCase();
  const fits = ({ name, about }: { name: string; about: string }) => `${name} ${about}`.toLowerCase().includes(wanted);
  const groups = [
    { title: t('fleet.boats'), rows: boats.map(({ id, name, className }) => ({ to: `/fleet/${id}`, name, about: className })) },
    {
      title: t('fleet.classes'),
      rows: classes.map(({ id, name, boats: on }) => ({ to: `/fleet/class/${id}`, name, about: on.join(', ') })),
    },
    { title: t('fleet.bases'), rows: bases.map(({ id, name, boats: on }) => ({ to: `/fleet/base/${id}`, name, about: on.join(', ') })) },
    {
      title: t('fleet.ground'),
      rows: [
        ...waters.map(({ id, name, boats: on }) => ({ to: `/fleet/waters/${id}`, name, about: on.join(', ') })),
        { to: '/fleet/everywhere', name: t('fleet.everywhere'), about: '' },
        ...rules.map(({ id, name, waters: on }) => ({ to: `/fleet/rules/${id}`, name: say(name, i18n.language), about: on.join(', ') })),
      ],
    },
  ]
    .map(({ title, rows }) => ({ title, rows: rows.filter(fits) }))
    .filter(({ rows }) => rows.length > 0);
  return (
    <View style={{ paddingTop: 10, gap: 14 }}>
      <View style={{ paddingHorizontal: 10 }}>
        <Search label={t('fleet.findBoat')} value={find} onChange={setFind} testID="find-boat" />
      </View>
      {groups.map(({ title, rows }) => (
        <View key={title}>
          <Bold size={15} tone="soft" style={{ paddingHorizontal: 14, paddingBottom: 2 }}>
            {title}
          </Bold>
          {rows.map((row) => (
            <One key={row.to} row={row} on={row.to === path} />
          ))}
        </View>
      ))}
    </View>
  );
};

const One = ({ row: { to, name, about }, on }: { row: { to: string; name: string; about: string }; on: boolean }) => {
  const router = useRouter();
  return (
    <BesideRow label={name} on={on} onPress={() => router.push(to)} testID={`list-${to.split('/').pop()}`}>
      <Slab size={18}>{name}</Slab>
      <Small lines={2}>{about}</Small>
    </BesideRow>
  );
};
