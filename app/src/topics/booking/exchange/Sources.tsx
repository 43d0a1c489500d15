import { dropSource, fetchSource, listSources, type Source } from '@quay/contract/exchange';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Card, Notice, Tag } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';

const clock = (at: string) => new Date(at).toLocaleString([], { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Where bookings came from before, and the feeds that are fetched by themselves. */
export const Sources = () => {
  const { t } = useTranslation();
  const client = useQueryClient();
  const errorWords = useErrorWords();
  const { data, error } = useQuery({ queryKey: ['sources'], queryFn: () => call(listSources), refetchInterval: 60_000 });
  const after = () => Promise.all(['sources', 'bookings', 'calendar', 'day'].map((key) => client.invalidateQueries({ queryKey: [key] })));
  const fetch = useMutation({ mutationFn: (sourceId: string) => call(fetchSource, { params: { sourceId } }), onSuccess: after });
  const drop = useMutation({ mutationFn: (sourceId: string) => call(dropSource, { params: { sourceId } }), onSuccess: after });
  const failed = error ?? fetch.error ?? drop.error;
  const said = ({ last }: Source) => {
    if (!last) return null;
    if (last.is === 'failed') return <Tag kind="stop">{t('exchange.failedAt', { at: clock(last.at), why: last.why })}</Tag>;
    const waits = last.conflicts + last.gone + last.faults;
    return (
      <Tag kind={waits > 0 ? 'ask' : 'ok'}>
        {waits > 0 ? t('exchange.waits', { count: waits }) : t('exchange.readAt', { at: clock(last.at) })}
      </Tag>
    );
  };
  return (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('exchange.sources')}
      </SlabBold>
      {failed ? <Notice kind="stop" title={errorWords(failed)} /> : null}
      {data?.sources.length === 0 ? <Body>{t('exchange.noSources')}</Body> : null}
      {data?.sources.map((source) => (
        <View key={source.id} style={{ gap: 6 }} testID={`source-${source.name}`}>
          <Bold>{source.name}</Bold>
          <Small>
            {[
              t('exchange.hires', { count: source.hires }),
              source.everyMinutes === null ? '' : t(`exchange.minutes.m${String(source.everyMinutes) as '15'}`),
            ]
              .filter(Boolean)
              .join(' · ')}
          </Small>
          {said(source)}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {source.address === null ? null : (
              <Button
                mode="outlined"
                label={t('exchange.fetchNow')}
                busy={fetch.isPending}
                onPress={() => fetch.mutate(source.id)}
                testID="fetch-now"
              />
            )}
            <Button mode="outlined" label={t('exchange.drop')} onPress={() => drop.mutate(source.id)} testID="drop-source" />
          </View>
        </View>
      ))}
    </Card>
  );
};
