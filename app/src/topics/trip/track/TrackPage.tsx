import { addTrack, dropTrack, listTracks, type Track, TRACK_LIMIT_BYTES } from '@quay/contract/track';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import { useChartWords } from '../../../i18n/chartWords';
import { call } from '../../../local/api';
import { useErrorWords } from '../../../local/errorWords';
import { type HireView, useHire } from '../../../local/hire';
import { packed } from '../../../platform/browser';
import { FileDrop } from '../../../platform/fileDrop';
import { Card, Notice } from '../../../ui/board';
import { Button } from '../../../ui/controls/button';
import { ChoiceChip } from '../../../ui/controls/choiceChip';
import { Screen } from '../../../ui/screen';
import { useTones } from '../../../ui/theme';
import { Body, SlabBold, Small } from '../../../ui/words';
import { HireMissing } from '../../record/HireMissing';
import { TrackShown } from './TrackShown';

/** Tracks of a hire: brought in as files, laid over the waters by the server, looked at by a manager. */
export const TrackPage = ({ hireId, track }: { hireId: string; track?: string | undefined }) => {
  const spoken = useChartWords();
  const { view, error, refetch } = useHire(hireId);
  if (!view) return <HireMissing error={error} onAgain={refetch} />;
  return spoken ? <Tracks view={view} chosen={track} /> : null;
};

/** Packing and reading a long one takes its time. */
const PATIENCE_MS = 120_000;
const ACCEPT = ['.gpx', 'application/gpx+xml'];

const Tracks = ({ view, chosen }: { view: HireView; chosen: string | undefined }) => {
  const { t } = useTranslation();
  const router = useRouter();
  const tones = useTones();
  const errorWords = useErrorWords();
  const client = useQueryClient();
  const { hire, boat } = view.pack;
  const params = { hireId: hire.id };
  const key = ['tracks', hire.id];
  const { data, error } = useQuery({ queryKey: key, queryFn: () => call(listTracks, { params }) });
  const again = () => client.invalidateQueries({ queryKey: key });
  const bring = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > TRACK_LIMIT_BYTES) throw new Error(t('track.tooLarge'));
      const bytes = await packed(file);
      return call(addTrack, { params, query: { name: file.name.slice(0, 200) }, bytes, patienceMs: PATIENCE_MS });
    },
    onSuccess: async ({ id }) => {
      await again();
      router.setParams({ track: id });
    },
  });
  const drop = useMutation({
    mutationFn: (one: Track) => call(dropTrack, { params: { ...params, track: one.id } }),
    onSuccess: async () => {
      router.setParams({ track: undefined });
      await again();
    },
  });
  const [sure, setSure] = useState<string>();
  const tracks = data?.tracks ?? [];
  const shown = tracks.find(({ id }) => id === chosen) ?? tracks[tracks.length - 1];
  const failed = bring.error ?? drop.error ?? error;
  const fault = failed ? <Notice kind="stop" title={errorWords(failed)} /> : null;
  const drops = (
    <FileDrop accept={ACCEPT} onFile={(file) => bring.mutate(file)}>
      {(choose, over) => (
        <Card style={{ gap: 10, ...(over ? { borderColor: tones.primary, borderWidth: 2 } : {}) }}>
          {tracks.length === 0 ? (
            <>
              <SlabBold size={22} heading={2}>
                {t('track.none')}
              </SlabBold>
              <Body>{t('track.noneWhy')}</Body>
            </>
          ) : null}
          <Button
            mode={tracks.length === 0 ? 'contained' : 'outlined'}
            label={t('track.bring')}
            busy={bring.isPending}
            onPress={choose}
            testID="bring-track"
          />
          {fault}
        </Card>
      )}
    </FileDrop>
  );
  const back = () => (router.canGoBack() ? router.back() : router.push(`/hire/${hire.id}`));
  if (!data && !error) return null;
  if (!shown)
    return (
      <Screen title={t('track.title')} sub={boat.name} onBack={back} measure={640}>
        <View style={{ padding: 12, gap: 12 }}>{drops}</View>
      </Screen>
    );
  return (
    <TrackShown
      key={shown.id}
      view={view}
      track={shown}
      onBack={back}
      more={
        <>
          {tracks.length > 1 ? (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }} role="radiogroup" aria-label={t('track.which')}>
              {tracks.map((one) => (
                <ChoiceChip
                  key={one.id}
                  label={one.name || t('track.title')}
                  on={one.id === shown.id}
                  onPress={() => router.setParams({ track: one.id })}
                  testID={`track-${one.id}`}
                />
              ))}
            </View>
          ) : null}
          {drops}
          <Button
            mode="outlined"
            tone="danger"
            label={t(sure === shown.id ? 'track.dropSure' : 'track.drop')}
            busy={drop.isPending}
            onPress={() => (sure === shown.id ? drop.mutate(shown) : setSure(shown.id))}
            testID="drop-track"
          />
          <Small>{t('track.term')}</Small>
        </>
      }
    />
  );
};
