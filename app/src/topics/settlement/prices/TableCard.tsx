import { loadPriceTable, previewPriceTable, priceTable } from '@quay/contract/prices';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, callForFile } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { saveFile } from '../../../platform/browser';
import { FileDrop } from '../../../platform/fileDrop';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ModalSheet } from '../../../ui/controls/modalSheet';
import { useSnack } from '../../../ui/controls/snack';
import { longDay } from '../../../ui/format';
import { useTones } from '../../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { ChangeLines } from './ChangeLines';

/** So many faults are named; that there are more is said. */
const MOST_FAULTS = 12;

/** Prices as a table for programs that calculate: taken away, and brought back with what would change seen before it does. */
export const TableCard = () => {
  const { t, i18n } = useTranslation();
  const client = useQueryClient();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const tones = useTones();
  const take = useMutation({ mutationFn: async () => saveFile(await callForFile(priceTable), 'prices.csv') });
  const look = useMutation({ mutationFn: async (file: File) => ({ file, preview: await call(previewPriceTable, { bytes: file }) }) });
  const load = useMutation({
    mutationFn: ({ file, version }: { file: File; version: number }) =>
      call(loadPriceTable, { bytes: file, headers: { 'if-match': `"${version}"` } }),
    onSuccess: async (next) => {
      client.setQueryData(['prices'], next);
      look.reset();
      await client.invalidateQueries({ queryKey: ['readiness'] });
      snack({ text: t('prices.tableTaken') });
    },
  });
  const failed = take.error ?? look.error;
  const { file, preview } = look.data ?? {};
  const count = (preview?.lists ?? []).reduce((sum, { changes }) => sum + changes.length, 0);
  return (
    <FileDrop accept={['.csv', '.txt', 'text/csv']} onFile={(one) => look.mutate(one)}>
      {(choose, over) => (
        <Card style={{ gap: 10, ...(over ? { borderColor: tones.primary, borderWidth: 2 } : {}) }}>
          <SlabBold size={22} heading={2}>
            {t('prices.table')}
          </SlabBold>
          <Small>{t('prices.tableWhy')}</Small>
          {failed ? <Notice kind="stop" title={errorWords(failed)} /> : null}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Button
              mode="outlined"
              label={t('prices.saveTable')}
              busy={take.isPending}
              onPress={() => take.mutate()}
              testID="save-prices"
            />
            <Button mode="outlined" label={t('prices.bringTable')} busy={look.isPending} onPress={choose} testID="bring-prices" />
          </View>
          {file && preview ? (
            <ModalSheet
              title={t('prices.tableTitle')}
              closeLabel={t('common.close')}
              onClose={() => {
                look.reset();
                load.reset();
              }}
              footer={
                <View style={{ gap: 8 }}>
                  {load.error ? <Notice kind="stop" title={errorWords(load.error)} /> : null}
                  <Button
                    mode="contained"
                    label={count > 0 ? t('prices.takeTable', { count }) : t('prices.nothingNew')}
                    disabled={count === 0 || preview.faults.length > 0}
                    busy={load.isPending}
                    onPress={() => load.mutate({ file, version: preview.version })}
                    testID="take-prices"
                  />
                </View>
              }
            >
              <View style={{ gap: 12 }} testID="price-preview">
                <Body>{t('prices.tableRows', { count: preview.rows })}</Body>
                {preview.faults.length > 0 ? (
                  <Notice kind="stop" title={t('prices.tableFaults')}>
                    {preview.faults.slice(0, MOST_FAULTS).map(({ where, reason }) => (
                      <Body key={`${where} ${reason}`}>{`${where}: ${reason}`}</Body>
                    ))}
                    {preview.faults.length > MOST_FAULTS ? (
                      <Body>{t('prices.moreFaults', { count: preview.faults.length - MOST_FAULTS })}</Body>
                    ) : null}
                  </Notice>
                ) : null}
                {preview.lists.map(({ from, changes }) => (
                  <View key={from ?? ''} style={{ gap: 6 }}>
                    <Bold>{from === null ? t('prices.fromNow') : t('prices.from', { day: longDay(from, i18n.language) })}</Bold>
                    <ChangeLines
                      changes={changes.map(({ code, was, is }) => ({ code, was, is }))}
                      currency={preview.currency}
                      testID={`table-${from ?? 'now'}`}
                    />
                  </View>
                ))}
              </View>
            </ModalSheet>
          ) : null}
        </Card>
      )}
    </FileDrop>
  );
};
