import { type FilesPreview, loadFiles, previewFiles, takeFiles } from '@quay/contract/files';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { call, callForFile } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { saveFile } from '../../../platform/browser';
import { FilesDrop } from '../../../platform/fileDrop';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { CheckboxRow } from '../../../ui/controls/checkboxRow';
import { useSnack } from '../../../ui/controls/snack';
import { useRoom } from '../../../ui/room';
import { Screen } from '../../../ui/screen';
import { useTones } from '../../../ui/theme';
import { Body, Bold, SlabBold, Small } from '../../../ui/words';
import { bundle } from './bundle';

/** So many names, and so many faults, are told at once. */
const [MOST_NAMES, MOST_FAULTS] = [8, 20];

/** Going through drills that nobody has seen takes so long at most, ms. */
const LOOKING_MS = 150_000;

/** The installation as files: taken away whole, and brought in with what would change seen first. */
export const FilesPage = () => {
  const { t } = useTranslation();
  const router = useRouter();
  const client = useQueryClient();
  const snack = useSnack();
  const errorWords = useErrorWords();
  const tones = useTones();
  const { wide } = useRoom();
  const [secrets, setSecrets] = useState(false);
  const take = useMutation({
    mutationFn: async () => saveFile(await callForFile(takeFiles, { query: { secrets: secrets ? 'yes' : 'no' } }), 'quay.zip'),
  });
  const look = useMutation({
    mutationFn: async (files: File[]) => {
      const zip = await bundle(files);
      return { zip, preview: await call(previewFiles, { bytes: zip, patienceMs: LOOKING_MS }) };
    },
  });
  const load = useMutation({
    mutationFn: ({ zip, preview }: { zip: Blob; preview: FilesPreview }) =>
      call(loadFiles, { bytes: zip, query: { digest: preview.digest }, patienceMs: LOOKING_MS }),
    onSuccess: async () => {
      look.reset();
      await client.invalidateQueries();
      snack({ text: t('files.loaded') });
    },
  });
  const failed = take.error ?? look.error;
  const seen = look.data;
  return (
    <Screen title={t('files.title')} onBack={() => router.replace('/settings')} {...(wide ? { measure: 1100 } : {})}>
      <View style={{ padding: 12, gap: 12, flexDirection: wide ? 'row' : 'column', alignItems: wide ? 'flex-start' : 'stretch' }}>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
          {failed ? <Notice kind="stop" title={errorWords(failed)} /> : null}
          <FilesDrop accept={['.zip', '.json', '.geojson', '.csv']} onFiles={(files) => look.mutate(files)}>
            {(choose, over) => (
              <Card style={{ gap: 10, ...(over ? { borderColor: tones.primary, borderWidth: 2 } : {}) }}>
                <SlabBold size={22} heading={2}>
                  {t('files.bring')}
                </SlabBold>
                <Body>{t('files.bringWhy')}</Body>
                <Button mode="contained" label={t('files.choose')} busy={look.isPending} onPress={choose} testID="choose-files" />
                {look.isPending ? <Small>{t('files.looking')}</Small> : null}
                {wide ? <Small>{t('files.dropThem')}</Small> : null}
              </Card>
            )}
          </FilesDrop>
        </View>
        <View style={wide ? { flex: 1, gap: 12 } : { gap: 12 }}>
          {seen ? (
            <PreviewCard
              preview={seen.preview}
              busy={load.isPending}
              fault={load.error ? errorWords(load.error) : undefined}
              onLoad={() => load.mutate(seen)}
              onLeave={() => {
                look.reset();
                load.reset();
              }}
            />
          ) : null}
          <Card style={{ gap: 10 }}>
            <SlabBold size={22} heading={2}>
              {t('files.take')}
            </SlabBold>
            <Body>{t('files.takeWhy')}</Body>
            <CheckboxRow label={t('files.secrets')} on={secrets} onChange={setSecrets} testID="with-secrets" />
            {secrets ? <Notice kind="ask" title={t('files.secretsWhy')} /> : null}
            <Button mode="outlined" label={t('files.takeZip')} busy={take.isPending} onPress={() => take.mutate()} testID="take-files" />
          </Card>
        </View>
      </View>
    </Screen>
  );
};

const PreviewCard = ({
  preview: { kinds, left, faults, notices, counts },
  busy,
  fault,
  onLoad,
  onLeave,
}: {
  preview: FilesPreview;
  busy: boolean;
  fault: string | undefined;
  onLoad: () => void;
  onLeave: () => void;
}) => {
  const { t } = useTranslation();
  const does = kinds.reduce((sum, kind) => sum + kind.new.length + kind.changed.length, 0);
  const named = (names: readonly string[]) =>
    names.length > MOST_NAMES
      ? `${names.slice(0, MOST_NAMES).join(', ')} ${t('files.andMore', { count: names.length - MOST_NAMES })}`
      : names.join(', ');
  const told = (rows: FilesPreview['faults'], count: number) => (
    <>
      {rows.slice(0, MOST_FAULTS).map(({ file, where, reason }) => (
        <Body key={`${file} ${where} ${reason}`}>{`${file}, ${where}: ${reason}`}</Body>
      ))}
      {count > MOST_FAULTS ? <Body>{t('files.andMore', { count: count - MOST_FAULTS })}</Body> : null}
    </>
  );
  return (
    <Card style={{ gap: 10 }}>
      <View testID="files-preview">
        <SlabBold size={22} heading={2}>
          {t('files.changes')}
        </SlabBold>
      </View>
      {counts.faults > 0 ? (
        <Notice kind="stop" title={t('files.faults', { count: counts.faults })}>
          {told(faults, counts.faults)}
        </Notice>
      ) : null}
      {kinds.map((one) => (
        <View key={one.kind} style={{ gap: 2 }} testID={`files-${one.kind}`}>
          <Bold>{t(`files.kind.${one.kind}`)}</Bold>
          {one.new.length > 0 ? <Body>{t('files.new', { count: one.new.length, names: named(one.new) })}</Body> : null}
          {one.changed.length > 0 ? <Body>{t('files.changed', { count: one.changed.length, names: named(one.changed) })}</Body> : null}
          {one.same > 0 ? <Small>{t('files.same', { count: one.same })}</Small> : null}
        </View>
      ))}
      {left.length > 0 ? <Small>{t('files.left', { names: named(left) })}</Small> : null}
      {counts.notices > 0 ? (
        <Notice kind="ask" title={t('files.notices', { count: counts.notices })}>
          {told(notices, counts.notices)}
        </Notice>
      ) : null}
      {fault ? <Notice kind="stop" title={fault} /> : null}
      <Button
        mode="contained"
        label={does > 0 ? t('files.load', { count: does }) : t('files.nothing')}
        disabled={does === 0 || counts.faults > 0}
        busy={busy}
        onPress={onLoad}
        testID="load-files"
      />
      <Button mode="outlined" label={t('files.leave')} onPress={onLeave} testID="leave-files" />
    </Card>
  );
};
