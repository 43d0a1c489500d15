import { FEED_MINUTES, loadIncoming, type Look, previewIncoming } from '@quay/contract/exchange';
import type { Reading } from '@quay/core/booking/reading';
import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, NoAnswer, Refused } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { Card, Notice } from '../../../ui/board';
import { useNow } from '../../../ui/clock';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { Choices } from '../../../ui/controls/choices';
import { useSnack } from '../../../ui/controls/snack';
import { TextField } from '../../../ui/controls/textField';
import { useRoom } from '../../../ui/room';
import { Body, SlabBold } from '../../../ui/words';
import { firstReading, missingColumns, withBoat } from './reading';
import { PreviewCard } from './PreviewCard';
import { ReadingCard } from './ReadingCard';

type Base = { id: string; name: string; zone: string; boats: readonly { id: string; name: string }[] };

/** A file that was chosen: how it is read beside what it would change, and the one press that does it. */
export const Incoming = ({
  look,
  address,
  name: first,
  bases,
  onDone,
}: {
  look: Look;
  /** Where it was fetched, if it was. */
  address: string | undefined;
  name: string;
  bases: readonly Base[];
  onDone: () => void;
}) => {
  const { t } = useTranslation();
  const client = useQueryClient();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const now = useNow(60_000);
  const { wide } = useRoom();
  const [reading, setReading] = useState<Reading>(() => firstReading(look, bases[0]!.id));
  const [name, setName] = useState(look.source?.name ?? first);
  const [every, setEvery] = useState<(typeof FEED_MINUTES)[number]>(60);
  const [cancelGone, setCancelGone] = useState(false);
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const source = look.source?.id;
  const missing = missingColumns(reading);
  const body = { reading, ...(source === undefined ? {} : { source }) };
  const { data, error, isFetching, refetch } = useQuery({
    queryKey: ['incoming', look.file, body],
    queryFn: () => call(previewIncoming, { params: { file: look.file }, body }),
    enabled: missing.length === 0,
    placeholderData: keepPreviousData,
    retry: false,
  });
  const zone = bases.find(({ id }) => id === reading.base)?.zone ?? 'UTC';
  const does = data ? data.counts.new + data.counts.changed + data.counts.cancelled + (cancelGone ? data.counts.gone : 0) : 0;
  const load = async () => {
    if (!data) return;
    setBusy(true);
    setFault(undefined);
    try {
      const feed = address === undefined ? {} : { feed: { address, everyMinutes: every } };
      const { outcome } = await call(loadIncoming, {
        params: { file: look.file },
        body: { ...body, name: name.trim(), digest: data.digest, cancelGone, ...feed },
      });
      await Promise.all(['bookings', 'calendar', 'day', 'sources', 'choices'].map((key) => client.invalidateQueries({ queryKey: [key] })));
      snack({ text: t('exchange.loaded', { new: outcome.new, changed: outcome.changed, cancelled: outcome.cancelled }) });
      onDone();
    } catch (problem) {
      if (!(problem instanceof Refused || problem instanceof NoAnswer)) throw problem;
      setFault(errorWords(problem));
      void refetch();
    } finally {
      setBusy(false);
    }
  };
  const keep = (
    <Card style={{ gap: 10 }}>
      <SlabBold size={22} heading={2}>
        {t('exchange.remember')}
      </SlabBold>
      <TextField label={t('exchange.name')} value={name} onChange={setName} most={80} testID="source-name" />
      {address === undefined ? null : (
        <Choices
          label={t('exchange.every')}
          options={FEED_MINUTES.map(String)}
          labelOf={(one) => t(`exchange.minutes.m${one as '15'}`)}
          value={String(every)}
          onChange={(one) => setEvery(FEED_MINUTES.find((minutes) => String(minutes) === one)!)}
          testID="every"
        />
      )}
      {data && data.counts.gone > 0 ? (
        <CheckboxRow
          label={t('exchange.cancelGone', { count: data.counts.gone })}
          on={cancelGone}
          onChange={setCancelGone}
          testID="cancel-gone"
        />
      ) : null}
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <Button
        mode="contained"
        label={t(does > 0 ? 'exchange.load' : 'exchange.loadNone', { count: does })}
        disabled={!data || isFetching || missing.length > 0 || name.trim() === '' || (does === 0 && address === undefined)}
        busy={busy}
        onPress={() => void load()}
        testID="load-incoming"
      />
      <Button mode="outlined" label={t('exchange.leave')} onPress={onDone} testID="leave-incoming" />
    </Card>
  );
  return (
    <View style={{ gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
      <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
        <ReadingCard look={look} reading={reading} bases={bases} onChange={setReading} />
      </View>
      <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
        {missing.length > 0 ? (
          <Notice kind="ask" title={t('exchange.missing', { fields: missing.map((field) => t(`exchange.field.${field}`)).join(', ') })} />
        ) : null}
        {error && !isFetching ? <Notice kind="stop" title={errorWords(error)} /> : null}
        {isFetching && !data ? <Body>{t('common.loading')}</Body> : null}
        {wide ? keep : null}
        {data && missing.length === 0 ? (
          <PreviewCard preview={data} zone={zone} now={now} onBoat={(called, boat) => setReading(withBoat(reading, called, boat))} />
        ) : null}
        {wide ? null : keep}
      </View>
    </View>
  );
};
