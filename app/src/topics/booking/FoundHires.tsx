import { findHires } from '@quay/contract/calendar';
import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer } from '../../local/api';
import { useErrorWords } from '../../local/errorWords';
import { Notice, Tag } from '../../ui/board';
import { ListRow } from '../../ui/controls/listRow';
import { whenOf } from '../../ui/format';
import { useTones } from '../../ui/theme';
import { Body, Slab, Small } from '../../ui/words';

/** Below so many signs nothing is looked for. */
export const LEAST_TO_FIND = 2;

/** Hires of any day by what somebody looks for: renter, number, mail, boat, statement, day. */
export const FoundHires = ({ find, now, onOpen }: { find: string; now: number; onOpen: (hire: string) => void }) => {
  const { t, i18n } = useTranslation();
  const tones = useTones();
  const errorWords = useErrorWords();
  const text = find.trim();
  const { data, error, isPending } = useQuery({
    queryKey: ['found', text],
    queryFn: () => call(findHires, { query: { find: text } }),
    enabled: text.length >= LEAST_TO_FIND,
  });
  if (text.length < LEAST_TO_FIND) return null;
  return (
    <View style={{ paddingTop: 6 }} testID="found">
      <Slab size={18} heading={2} style={{ paddingHorizontal: 16, paddingBottom: 2 }}>
        {t('bookings.found')}
      </Slab>
      {error ? <Notice kind="ask" title={error instanceof NoAnswer ? t('bookings.findOffline') : errorWords(error)} /> : null}
      {isPending && !error ? <Body style={{ padding: 16 }}>{t('common.loading')}</Body> : null}
      {data?.hires.length === 0 ? <Body style={{ padding: 16 }}>{t('bookings.noneFoundEver')}</Body> : null}
      {data?.hires.map((hire) => {
        const when = whenOf(hire.from, hire.base.zone, now, i18n.language);
        return (
          <ListRow
            key={hire.id}
            label={`${when}, ${hire.boat}, ${hire.renter}`}
            onPress={() => onOpen(hire.id)}
            testID={`found-${hire.id}`}
            style={{ borderBottomWidth: 1, borderBottomColor: tones.line }}
          >
            <View style={{ flexDirection: 'row', gap: 8, paddingHorizontal: 16, paddingVertical: 10, alignItems: 'flex-start' }}>
              <View style={{ flex: 1 }}>
                <Slab size={20}>{`${hire.renter} · ${hire.boat}`}</Slab>
                <Small>{[when, hire.base.name, hire.contact].filter(Boolean).join(' · ')}</Small>
              </View>
              <Tag kind={hire.state === 'cancelled' ? 'stop' : hire.state === 'closed' ? 'calm' : 'ok'}>
                {t(`hire.state.${hire.state}`)}
              </Tag>
            </View>
          </ListRow>
        );
      })}
    </View>
  );
};
