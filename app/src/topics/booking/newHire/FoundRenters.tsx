import { findRenters } from '@quay/contract/calendar';
import type { ReplyOf } from '@quay/contract/endpoint';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../../local/api';
import { ListRow } from '../../../ui/controls/listRow';
import { useTones } from '../../../ui/theme';
import { Bold, Small } from '../../../ui/words';

export type KnownRenter = ReplyOf<typeof findRenters>['renters'][number];

/** So many are offered while somebody types; more are no help. */
const MOST = 3;
/** From so many letters on. */
const LEAST = 3;

/** People who hired before, offered while their name is typed. Without signal nobody is offered, and nothing is in the way. */
export const FoundRenters = ({ name, onChoose }: { name: string; onChoose: (renter: KnownRenter) => void }) => {
  const { t } = useTranslation();
  const tones = useTones();
  const text = name.trim();
  const { data } = useQuery({
    queryKey: ['renters', text],
    queryFn: () => call(findRenters, { query: { find: text } }),
    enabled: text.length >= LEAST,
    retry: false,
  });
  const found = text.length >= LEAST ? (data?.renters ?? []).slice(0, MOST) : [];
  if (found.length === 0) return null;
  return (
    <View style={{ borderWidth: 1, borderColor: tones.line, borderRadius: 13, overflow: 'hidden' }}>
      {found.map((one) => (
        <ListRow
          key={one.id}
          label={`${t('newHire.again')}: ${one.name}, ${one.contact}`}
          onPress={() => onChoose(one)}
          testID={`known-${one.id}`}
          style={{ borderBottomWidth: 1, borderBottomColor: tones.line }}
        >
          <View style={{ paddingHorizontal: 12, paddingVertical: 8 }}>
            <Bold size={16}>{`${t('newHire.again')}: ${one.name}`}</Bold>
            <Small>{[one.contact, t('newHire.hiredBefore', { count: one.hires })].filter(Boolean).join(' · ')}</Small>
          </View>
        </ListRow>
      ))}
    </View>
  );
};
